package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static prantel.core.network.RandomNetworks.t;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.network.Branch.End;

/** Laws of resistance networks, held against random networks; each seed is the parameter, so a failure names it. */
class NetworkTest {
    private static final double CLOSE = 1e-12;

    static LongStream seeds() {
        return LongStream.range(0, 200);
    }

    private static Branch branch(String id, int from, int to, double ohms) {
        return new Branch(new BranchId(id), t(from), t(to), ohms);
    }

    // Ohm's law: resistances in series add, conductances in parallel add.
    @Test
    void seriesAddsAndParallelDivides() {
        Network series = Network.of(List.of(branch("a", 0, 1, 2), branch("b", 1, 2, 3)));
        Network parallel = Network.of(List.of(branch("a", 0, 1, 2), branch("b", 0, 1, 3)));
        assertThat(series.resistance(t(0), t(2))).isCloseTo(5, within(CLOSE));
        assertThat(parallel.resistance(t(0), t(1))).isCloseTo(1.2, within(CLOSE));
    }

    // Textbook: the edges of a cube of equal resistors read 5/6 R over its diagonal, 3/4 R over a face, 7/12 R over an
    // edge.
    @Test
    void cubeOfEqualResistorsReadsAsInTheTextbook() {
        List<Branch> edges = new ArrayList<>();
        for (int a = 0; a < 8; a++) {
            for (int bit = 1; bit < 8; bit *= 2) {
                if ((a & bit) == 0) {
                    edges.add(branch("e" + a + "-" + bit, a, a | bit, 12));
                }
            }
        }
        Network cube = Network.of(edges);
        assertThat(cube.resistance(t(0), t(7))).isCloseTo(10, within(CLOSE));
        assertThat(cube.resistance(t(0), t(3))).isCloseTo(9, within(CLOSE));
        assertThat(cube.resistance(t(0), t(1))).isCloseTo(7, within(CLOSE));
    }

    @Test
    void partsThatAreNotConnectedReadOpen() {
        Network network = Network.of(List.of(branch("a", 0, 1, 1), branch("b", 2, 3, 1)));
        assertThat(network.resistance(t(0), t(2))).isInfinite();
        assertThat(network.resistance(t(1), t(1))).isZero();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void milliohmsAndGigaohmsAgreeWithExactArithmetic(long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        List<Branch> branches = RandomNetworks.branches(random, 14, 26, 15);
        Network network = Network.of(branches);
        List<Terminal> terminals = List.copyOf(network.terminals());
        for (int i = 0; i < 6; i++) {
            Terminal a = terminals.get(random.nextInt(terminals.size()));
            Terminal b = terminals.get(random.nextInt(terminals.size()));
            if (!a.equals(b)) {
                assertSame(network.resistance(a, b), RationalTwin.resistance(branches, a, b), a + " to " + b);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void editedNetworkReadsLikeOneBuiltThatWay(long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        List<Branch> branches = RandomNetworks.branches(random, 18, 34, 12);
        Network base = Network.of(branches);
        Network edited = base.with(randomEdits(random, branches, List.copyOf(base.terminals())));
        Network built = Network.of(edited.branches());
        for (Terminal a : base.terminals()) {
            for (Terminal b : base.terminals()) {
                if (built.has(a) && built.has(b)) {
                    assertSame(edited.resistance(a, b), built.resistance(a, b), a + " to " + b);
                }
            }
        }
    }

    private static List<Edit> randomEdits(RandomGenerator random, List<Branch> branches, List<Terminal> terminals) {
        Branch one = branches.get(random.nextInt(branches.size()));
        Branch two = branches.get(random.nextInt(branches.size()));
        Branch three = branches.get(random.nextInt(branches.size()));
        Terminal a = terminals.get(random.nextInt(terminals.size()));
        Terminal b = terminals.get(random.nextInt(terminals.size()));
        List<Edit> edits = new ArrayList<>(List.of(
                new Edit.Open(one.id()),
                new Edit.PutInSeries(two.id(), 0.5),
                new Edit.Substitute(three.id(), 7),
                new Edit.Bridge(a, b, 1e6)));
        Branch x = branches.get(random.nextInt(branches.size()));
        Branch y = branches.get(random.nextInt(branches.size()));
        boolean apart = !y.to().equals(x.from()) && !x.to().equals(y.from()) && !x.equals(y);
        if (apart) {
            edits.add(new Edit.Exchange(new Edit.BranchEnd(x.id(), End.FROM), new Edit.BranchEnd(y.id(), End.FROM)));
        }
        return edits;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void probesMayBeExchanged(long seed) {
        Network network = Network.of(RandomNetworks.branches(new SplittableRandom(seed), 20, 40, 15));
        List<Terminal> terminals = List.copyOf(network.terminals());
        Terminal a = terminals.getFirst();
        for (Terminal b : terminals) {
            assertSame(network.resistance(a, b), network.resistance(b, a), a + " to " + b);
        }
    }

    // Rayleigh's monotonicity law.
    @ParameterizedTest
    @MethodSource("seeds")
    void raisingAnyResistanceNeverLowersAReading(long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        List<Branch> branches = RandomNetworks.branches(random, 12, 24, 10);
        Network network = Network.of(branches);
        List<Terminal> terminals = List.copyOf(network.terminals());
        for (Branch branch : branches) {
            Network raised = network.with(
                    List.of(new Edit.PutInSeries(branch.id(), branch.ohms() * random.nextDouble(0.01, 9))));
            for (int i = 1; i < terminals.size(); i++) {
                double before = network.resistance(terminals.get(0), terminals.get(i));
                double after = raised.resistance(terminals.get(0), terminals.get(i));
                assertThat(after)
                        .as("%s to %s with %s raised", terminals.get(0), terminals.get(i), branch.id())
                        .isGreaterThanOrEqualTo(before * (1 - CLOSE));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void bridgingNeverRaisesAReading(long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        Network network = Network.of(RandomNetworks.branches(random, 15, 25, 12));
        List<Terminal> terminals = List.copyOf(network.terminals());
        Terminal a = terminals.get(random.nextInt(terminals.size()));
        Terminal b = terminals.get(random.nextInt(terminals.size()));
        Network bridged = network.with(List.of(new Edit.Bridge(a, b, Math.pow(10, random.nextDouble(-4, 8)))));
        for (Terminal to : terminals) {
            assertThat(bridged.resistance(terminals.getFirst(), to))
                    .isLessThanOrEqualTo(network.resistance(terminals.getFirst(), to) * (1 + CLOSE));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {1e-3, 0.1, 7, 1e4})
    void allResistancesTimesAFactorGiveAllReadingsTimesIt(double factor) {
        List<Branch> branches = RandomNetworks.branches(new SplittableRandom(7), 20, 45, 15);
        Network one = Network.of(branches);
        Network scaled = Network.of(branches.stream()
                .map(b -> new Branch(b.id(), b.from(), b.to(), b.ohms() * factor))
                .toList());
        Terminal a = branches.getFirst().from();
        for (Terminal b : one.terminals()) {
            assertSame(scaled.resistance(a, b), factor * one.resistance(a, b), "to " + b);
        }
    }

    @Test
    void openingAnOnlyPathReadsOpenAndClosingItAgainReadsTheSameBits() {
        Network network = Network.of(List.of(branch("a", 0, 1, 0.3), branch("b", 1, 2, 0.7)));
        double before = network.resistance(t(0), t(2));
        Network opened = network.with(List.of(new Edit.Open(new BranchId("a"))));
        assertThat(opened.resistance(t(0), t(2))).isInfinite();
        assertThat(opened.with(List.of(new Edit.PutInSeries(new BranchId("a"), 1)))
                        .resistance(t(0), t(2)))
                .as("an open branch stays open")
                .isInfinite();
        assertThat(opened.with(List.of(new Edit.Substitute(new BranchId("a"), 0.3)))
                        .resistance(t(0), t(2)))
                .isEqualTo(before);
        assertThat(network.resistance(t(0), t(2)))
                .as("the first network is untouched")
                .isEqualTo(before);
    }

    @Test
    void longChainKeepsAShallowTreeSoThatAnEditStaysCheap() {
        int nodes = 4096;
        int[] from = new int[nodes - 1];
        int[] to = new int[nodes - 1];
        for (int i = 0; i < nodes - 1; i++) {
            from[i] = i;
            to[i] = i + 1;
        }
        Order order = new Order(nodes, from, to, new int[0]);
        int deepest = 0;
        for (int n = 0; n < nodes; n++) {
            int depth = 0;
            for (int up = n; up != Order.NONE; up = order.higher[up].length == 0 ? Order.NONE : order.higher[up][0]) {
                depth++;
            }
            deepest = Math.max(deepest, depth);
        }
        assertThat(deepest).isLessThan(64);
    }

    @Test
    void wrongInputIsNamed() {
        Network network = Network.of(List.of(branch("a", 0, 1, 1)));
        assertThatThrownBy(() -> network.resistance(t(0), t(9))).hasMessageContaining("t9");
        assertThatThrownBy(() -> network.with(List.of(new Edit.Open(new BranchId("zz")))))
                .hasMessageContaining("zz");
        assertThatThrownBy(() -> branch("bad", 0, 1, -1))
                .hasMessageContaining("bad")
                .hasMessageContaining("-1");
        assertThatThrownBy(() -> branch("bad", 0, 1, Double.NaN)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> Network.of(List.of(branch("a", 0, 1, 1), branch("a", 1, 2, 1))))
                .hasMessageContaining("a");
    }

    private static void assertSame(double actual, double expected, String what) {
        if (Double.isInfinite(expected)) {
            assertThat(actual).as(what).isInfinite();
        } else {
            assertThat(actual).as(what).isCloseTo(expected, within(CLOSE * Math.abs(expected)));
        }
    }
}
