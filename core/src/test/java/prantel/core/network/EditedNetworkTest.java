package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.network.Branch.End;

// Held against a network made afresh with the edited branches, and against hand-made circuits.
class EditedNetworkTest {
    private static final int TERMINALS = 30;
    private static final double LAST_BITS = 1e-11;

    private static Terminal t(int n) {
        return RandomNetworks.t(n);
    }

    private static Edit randomEdit(Network network, RandomGenerator random) {
        List<Branch> named =
                network.branches().stream().filter(b -> network.has(b.id())).toList();
        Branch branch = named.get(random.nextInt(named.size()));
        Branch other = named.get(random.nextInt(named.size()));
        return switch (random.nextInt(6)) {
            case 0 -> new Edit.Open(branch.id());
            case 1 -> new Edit.PutInSeries(branch.id(), random.nextDouble(0.01, 100));
            case 2 -> new Edit.Substitute(branch.id(), random.nextDouble(0.01, 1e5));
            case 3 ->
                new Edit.Bridge(t(random.nextInt(TERMINALS)), t(random.nextInt(TERMINALS)), random.nextDouble(0.01, 9));
            case 4 -> new Edit.Move(new Edit.BranchEnd(branch.id(), End.FROM), t(random.nextInt(TERMINALS)));
            default ->
                new Edit.Exchange(new Edit.BranchEnd(branch.id(), End.FROM), new Edit.BranchEnd(other.id(), End.TO));
        };
    }

    private static List<Edit> randomEdits(Network network, RandomGenerator random) {
        List<Edit> edits = new ArrayList<>();
        int count = random.nextInt(1, 6);
        for (int i = 0; i < count; i++) {
            edits.add(randomEdit(network, random));
        }
        return edits;
    }

    private static void sameEverywhere(Network a, Network b, RandomGenerator random) {
        for (int n = 0; n < 25; n++) {
            Terminal from = t(random.nextInt(TERMINALS));
            Terminal to = t(random.nextInt(TERMINALS));
            double expected = a.resistance(from, to);
            double found = b.resistance(from, to);
            if (Double.isInfinite(expected)) {
                assertThat(found).as("%s to %s", from, to).isInfinite();
            } else {
                assertThat(found).as("%s to %s", from, to).isCloseTo(expected, within(LAST_BITS * (1 + expected)));
            }
        }
    }

    private static Network afresh(Network edited) {
        // every terminal must be there, whatever was opened or moved
        List<Branch> branches = new ArrayList<>(edited.branches());
        for (int n = 1; n < TERMINALS; n++) {
            branches.add(new Branch(new BranchId("open" + n), t(0), t(n), Double.POSITIVE_INFINITY));
        }
        return Network.of(branches);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void editedNetworkReadsLikeOneMadeAfresh(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 60; n++) {
            Network plain = RandomNetworks.connected(random, TERMINALS);
            Network edited = plain.with(randomEdits(plain, random));
            sameEverywhere(afresh(edited), edited, random);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void editsOfAnEditedNetworkReadAsIfMadeOneAfterTheOther(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 60; n++) {
            Network plain = RandomNetworks.connected(random, TERMINALS);
            List<Edit> first = randomEdits(plain, random);
            List<Edit> second = randomEdits(plain, random);
            List<Edit> both = new ArrayList<>(first);
            both.addAll(second);
            Network once = plain.with(first);
            once.resistance(t(0), t(1));
            sameEverywhere(plain.with(both), once.with(second), random);
            sameEverywhere(afresh(plain.with(both)), once.with(second), random);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {15, 16, 17, 18})
    void editsTakenBackReadTheSameBits(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 60; n++) {
            Network plain = RandomNetworks.connected(random, TERMINALS);
            Branch branch = plain.branches().get(random.nextInt(TERMINALS - 1));
            Network back = plain.with(List.of(new Edit.Open(branch.id())))
                    .with(List.of(new Edit.Substitute(branch.id(), branch.ohms())));
            Terminal a = t(random.nextInt(TERMINALS));
            Terminal b = t(random.nextInt(TERMINALS));
            assertThat(back.resistance(a, b)).isEqualTo(plain.resistance(a, b));
        }
    }

    @Test
    void editedNetworkListsItsBranchesAsTheyAreNow() {
        Network plain = RandomNetworks.connected(new SplittableRandom(6), TERMINALS);
        Network edited = plain.with(
                List.of(new Edit.Substitute(new BranchId("chain1"), 12.5), new Edit.Bridge(t(2), t(9), 0.25)));
        assertThat(edited.branch(new BranchId("chain1")).ohms()).isEqualTo(12.5);
        assertThat(edited.branches()).hasSize(plain.branches().size() + 1);
        assertThat(edited.branches().getLast().ohms()).isEqualTo(0.25);
    }

    @Test
    void movedBranchConductsWhereItWasPut() {
        Network line = Network.of(
                List.of(new Branch(new BranchId("a"), t(0), t(1), 2), new Branch(new BranchId("b"), t(1), t(2), 3)));
        Network moved = line.with(List.of(new Edit.Move(new Edit.BranchEnd(new BranchId("b"), End.FROM), t(0))));
        assertThat(moved.resistance(t(0), t(2))).isEqualTo(3);
        assertThat(moved.resistance(t(1), t(2))).isEqualTo(5);
        assertThat(line.resistance(t(0), t(2))).isEqualTo(5);
    }

    @Test
    void branchMovedOntoItsOwnOtherEndCarriesNothing() {
        Network line = Network.of(
                List.of(new Branch(new BranchId("a"), t(0), t(1), 2), new Branch(new BranchId("b"), t(1), t(2), 3)));
        Network moved = line.with(List.of(new Edit.Move(new Edit.BranchEnd(new BranchId("b"), End.FROM), t(2))));
        assertThat(moved.resistance(t(0), t(2))).isInfinite();
    }
}
