package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.network.Branch.End;

// What is told of an edit (Woodbury's formula) against the edit really made, and against hand-made circuits.
class DisturbanceTest {
    private static final int TERMINALS = 20;

    private static Terminal t(int n) {
        return RandomNetworks.t(n);
    }

    private static BranchId chain(int n) {
        return new BranchId("chain" + n);
    }

    private static List<Source> sources(SplittableRandom random) {
        return List.of(
                new Source(chain(1), random.nextDouble(0, 2), 230, 0),
                Source.passive(chain(2), random.nextDouble(0, 2)));
    }

    private static List<Edit> edits(SplittableRandom random) {
        Edit.BranchEnd end = new Edit.BranchEnd(chain(random.nextInt(3, 8)), End.TO);
        List<Edit> choice = List.of(
                new Edit.PutInSeries(chain(random.nextInt(8, 12)), random.nextDouble(0.01, 50)),
                new Edit.Bridge(t(random.nextInt(10)), t(random.nextInt(10, TERMINALS)), random.nextDouble(0.1, 1e4)),
                new Edit.Open(chain(random.nextInt(12, TERMINALS))),
                new Edit.Move(end, t(random.nextInt(TERMINALS))));
        List<Edit> some = new ArrayList<>();
        for (Edit edit : choice) {
            if (random.nextBoolean()) {
                some.add(edit);
            }
        }
        return some;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void movementToldIsTheMovementMade(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int told = 0;
        for (int n = 0; n < 80; n++) {
            Network network = RandomNetworks.connected(random, TERMINALS);
            List<Source> sources = sources(random);
            List<Edit> edits = edits(random);
            Alternating before = new Alternating(network, sources);
            Disturbance disturbance = before.disturbance(edits, 0);
            if (!disturbance.isTellable()) {
                continue;
            }
            told++;
            Alternating after = new Alternating(network.with(edits), sources);
            Terminal a = t(random.nextInt(10));
            Terminal b = t(random.nextInt(10, TERMINALS));
            Terminal c = t(random.nextInt(10));
            Terminal d = t(random.nextInt(10, TERMINALS));
            String what = "seed " + seed + ", network " + n;
            assertMoved(disturbance, before.port(a, b), after.port(a, b), what);
            assertTransferMoved(disturbance, before, after, List.of(a, b, c, d), what);
        }
        assertThat(told).as("cases that can be told").isGreaterThan(40);
    }

    private static void assertMoved(Disturbance disturbance, Port port, Port again, String what) {
        Disturbance.Touch touch = disturbance.touch(port);
        assertThat(touch.ohms())
                .as("impedance, " + what)
                .isCloseTo(
                        again.impedance().minus(port.impedance()).size(),
                        within(1e-6 * (1e-3 + port.impedanceOhms() + again.impedanceOhms())));
        assertThat(touch.volts())
                .as("voltage, " + what)
                .isCloseTo(again.openVolts().minus(port.openVolts()).size(), within(1e-4));
    }

    private static void assertTransferMoved(
            Disturbance disturbance, Alternating before, Alternating after, List<Terminal> at, String what) {
        Port one = before.port(at.get(0), at.get(1));
        Port other = before.port(at.get(2), at.get(3));
        Complex now = after.port(at.get(0), at.get(1)).transfer(after.port(at.get(2), at.get(3)));
        assertThat(disturbance.touch(one).ohms(disturbance.touch(other)))
                .as("transfer, " + what)
                .isCloseTo(
                        now.minus(one.transfer(other)).size(),
                        within(1e-6 * (1e-3 + one.impedanceOhms() + other.impedanceOhms())));
    }

    @Test
    void branchThatAloneConnectsIsNothingToTellOfWhenOpened() {
        Network line = Network.of(List.of(
                new Branch(chain(1), t(0), t(1), 2),
                new Branch(chain(2), t(1), t(2), 3),
                new Branch(chain(3), t(0), t(3), 1)));
        Alternating before = new Alternating(line, List.of());
        assertThat(before.disturbance(List.of(new Edit.Open(chain(2))), 0).isTellable())
                .isFalse();
    }

    @Test
    void joiningTwoPartsIsNothingToTellOf() {
        Network parts = Network.of(List.of(new Branch(chain(1), t(0), t(1), 2), new Branch(chain(2), t(2), t(3), 3)));
        assertThat(new Alternating(parts, List.of())
                        .disturbance(List.of(new Edit.Bridge(t(0), t(2), 5)), 0)
                        .isTellable())
                .isFalse();
    }

    @Test
    void changedSourceIsNothingToTellOf() {
        Network loop = Network.of(List.of(new Branch(chain(1), t(0), t(1), 2), new Branch(chain(2), t(0), t(1), 3)));
        Alternating before = new Alternating(loop, List.of(new Source(chain(1), 0.1, 230, 0)));
        assertThat(before.disturbance(List.of(new Edit.PutInSeries(chain(1), 1)), 0)
                        .isTellable())
                .isFalse();
    }

    /** Two branches in parallel, one of them doubled: 1/(1/2 + 1/4) − 1/(1/2 + 1/2) = 1/3 Ω (Ohm's law). */
    @Test
    void doubledBranchMovesAParallelPairByAThirdOfAnOhm() {
        Network pair = Network.of(List.of(new Branch(chain(1), t(0), t(1), 2), new Branch(chain(2), t(0), t(1), 2)));
        Alternating before = new Alternating(pair, List.of());
        Port port = before.port(t(0), t(1));
        assertThat(before.disturbance(List.of(new Edit.PutInSeries(chain(2), 2)), 0)
                        .touch(port)
                        .ohms())
                .isCloseTo(1 / 3.0, within(1e-12));
    }

    @Test
    void whatHangsOnAnotherBranchDoesNotMove() {
        Network tree = Network.of(List.of(
                new Branch(chain(1), t(0), t(1), 2),
                new Branch(chain(2), t(1), t(2), 3),
                new Branch(chain(3), t(1), t(3), 4)));
        Alternating before = new Alternating(tree, List.of());
        Port port = before.port(t(0), t(2));
        assertThat(before.disturbance(List.of(new Edit.PutInSeries(chain(3), 5)), 0)
                        .touch(port)
                        .ohms())
                .isZero();
    }
}
