package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Alternating current against closed forms (physics), and one algorithm of it against the other. */
class AlternatingTest {
    private static final Terminal STAR = new Terminal("star");

    private static Terminal t(String id) {
        return new Terminal(id);
    }

    private static Branch branch(String id, Terminal from, Terminal to, double ohms) {
        return new Branch(new BranchId(id), from, to, ohms);
    }

    /** A source of 230 V with its impedance, feeding a resistance back to the star point. */
    private static Alternating simple(double ohms, double reactance, double loadOhms) {
        Network network =
                Network.of(List.of(branch("source", STAR, t("line"), ohms), branch("load", t("line"), STAR, loadOhms)));
        return new Alternating(network, List.of(new Source(new BranchId("source"), reactance, 230, 0)));
    }

    @ParameterizedTest
    @CsvSource({"0.1, 0", "0.1, 0.1", "0.02, 0.3", "5, 12"})
    void impedanceOfAnUnloadedSourceIsTheSizeOfRAndX(double r, double x) {
        assertThat(simple(r, x, 1e12).impedanceOhms(t("line"), STAR)).isCloseTo(Math.hypot(r, x), within(1e-9));
    }

    /** Voltage divider with a reactance: U·R / |R + Rs + jX|. */
    @ParameterizedTest
    @CsvSource({"0.1, 0.2, 10", "1, 3, 4", "0.5, 0, 0.5"})
    void loadedVoltageFollowsTheDivider(double r, double x, double load) {
        Complex volts = simple(r, x, load).port(t("line"), STAR).openVolts();
        assertThat(volts.size()).isCloseTo(230 * load / Math.hypot(r + load, x), within(1e-9));
    }

    @Test
    void terminalThatNothingConnectsWithASourceHasNoVoltageAndIsOpen() {
        Network network =
                Network.of(List.of(branch("source", STAR, t("line"), 0.1), branch("apart", t("a"), t("b"), 5)));
        Alternating alternating = new Alternating(network, List.of(new Source(new BranchId("source"), 0, 230, 0)));
        assertThat(alternating.port(t("a"), STAR).isOpen()).isTrue();
        assertThat(alternating.port(t("a"), STAR).openVolts().size()).isZero();
        assertThat(alternating.voltsAcross(t("a"), t("line"), 1000)).isZero();
        assertThat(alternating.port(t("a"), t("b")).openVolts().size()).isZero();
        assertThat(alternating.impedanceOhms(t("a"), STAR)).isInfinite();
        assertThat(alternating.impedanceOhms(t("a"), t("b"))).isCloseTo(5, within(1e-12));
    }

    @Test
    void openSourceDrivesNothing() {
        Network network = Network.of(
                        List.of(branch("source", STAR, t("line"), 0.1), branch("load", t("line"), STAR, 10)))
                .with(List.of(new Edit.Open(new BranchId("source"))));
        Alternating alternating = new Alternating(network, List.of(new Source(new BranchId("source"), 0.2, 230, 0)));
        assertThat(alternating.port(t("line"), STAR).openVolts().size()).isZero();
        assertThat(alternating.impedanceOhms(t("line"), STAR)).isCloseTo(10, within(1e-12));
    }

    /** Three equal lines: voltage between two is √3 times that to the star point, 120° apart (physics). */
    @Test
    void threePhaseSourcesStandRootThreeApart() {
        List<Branch> branches = new ArrayList<>();
        List<Source> sources = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            branches.add(branch("source-" + i, STAR, t("l" + i), 0.05));
            branches.add(branch("load-" + i, t("l" + i), STAR, 1000));
            sources.add(new Source(new BranchId("source-" + i), 0.02, 230, -120.0 * i));
        }
        Alternating alternating = new Alternating(Network.of(branches), sources);
        Complex[] volts = new Complex[3];
        for (int i = 0; i < 3; i++) {
            volts[i] = alternating.port(t("l" + i), STAR).openVolts();
        }
        assertThat(alternating.port(t("l0"), t("l1")).openVolts().size())
                .isCloseTo(Math.sqrt(3) * volts[0].size(), within(1e-9));
        assertThat(volts[0].plus(volts[1]).plus(volts[2]).size()).isCloseTo(0, within(1e-9));
        assertThat(volts[1].radians()).isCloseTo(volts[0].radians() - 2 * Math.PI / 3, within(1e-9));
    }

    private static List<Source> randomSources(List<Branch> branches, SplittableRandom random) {
        List<Source> sources = new ArrayList<>();
        for (int i = 0; i < Math.min(4, branches.size()); i++) {
            sources.add(new Source(
                    branches.get(i).id(), random.nextDouble(0, 2), random.nextDouble(0, 400), random.nextDouble(360)));
        }
        return sources;
    }

    private static Terminal any(Network network, SplittableRandom random) {
        List<Terminal> terminals = List.copyOf(network.terminals());
        return terminals.get(random.nextInt(terminals.size()));
    }

    private static void same(Complex found, Complex expected, double scale, String what) {
        assertThat(found.minus(expected).size()).as(what).isLessThanOrEqualTo(1e-7 * (scale + expected.size()));
    }

    /** Reference: the nodal equations of the same network, solved as a full matrix. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void voltageImpedanceAndTransferAgreeWithTheNodalEquations(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network network = RandomNetworks.connected(random, random.nextInt(3, 25));
            List<Source> sources = randomSources(network.branches(), random);
            Alternating alternating = new Alternating(network, sources);
            NodalTwin twin = new NodalTwin(network, sources);
            Terminal a = any(network, random);
            Terminal b = any(network, random);
            Terminal c = any(network, random);
            Terminal d = any(network, random);
            String what = "seed " + seed + ", network " + n + ", " + a + " " + b + " " + c + " " + d;
            Port port = alternating.port(a, b);
            same(port.openVolts(), twin.volts(a, b), 1, what);
            same(port.impedance(), twin.transfer(a, b, a, b), 1e-3, what);
            same(port.transfer(alternating.port(c, d)), twin.transfer(a, b, c, d), 1e-3, what);
            assertThat(alternating.impedanceOhms(b, a))
                    .as("reciprocity, " + what)
                    .isCloseTo(alternating.impedanceOhms(a, b), within(1e-9 * alternating.impedanceOhms(a, b)));
        }
    }

    /** Thévenin's theorem: a load seen from its port is the same as the load built in. */
    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34})
    void currentThroughALoadIsThatOfTheNetworkWithTheLoadInIt(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network network = RandomNetworks.connected(random, random.nextInt(3, 25));
            List<Source> sources = randomSources(network.branches(), random);
            Terminal a = any(network, random);
            Terminal b = any(network, random);
            if (a.equals(b)) {
                continue;
            }
            double load = random.nextDouble(0.5, 400);
            Network loaded = network.with(List.of(new Edit.Bridge(a, b, load)));
            Complex through = new NodalTwin(loaded, sources).volts(a, b).times(1 / load);
            same(
                    new Alternating(network, sources).port(a, b).ampsThrough(load),
                    through,
                    1e-3,
                    "seed " + seed + ", network " + n);
        }
    }

    /** Whether terminals are kept from the start, or a moved source makes it necessary afterwards, nothing reads otherwise. */
    @ParameterizedTest
    @ValueSource(longs = {41, 42, 43})
    void keptTerminalsChangeNoReading(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network plain = RandomNetworks.connected(random, random.nextInt(6, 25));
            List<Source> sources = randomSources(plain.branches(), random);
            List<Terminal> kept = sources.stream()
                    .map(s -> plain.branch(s.branch()))
                    .flatMap(b -> java.util.stream.Stream.of(b.from(), b.to()))
                    .distinct()
                    .toList();
            Network keeping = Network.of(plain.branches(), kept);
            List<Edit> edits = List.of(
                    new Edit.Bridge(any(plain, random), any(plain, random), 0.7),
                    new Edit.Open(new BranchId("chain2")),
                    new Edit.Move(new Edit.BranchEnd(sources.getFirst().branch(), Branch.End.TO), any(plain, random)));
            Terminal a = any(plain, random);
            Terminal b = any(plain, random);
            String what = "seed " + seed + ", network " + n;
            Port one = new Alternating(plain.with(edits), sources).port(a, b);
            Port other = new Alternating(keeping.with(edits), sources).port(a, b);
            assertThat(other.isOpen()).as(what).isEqualTo(one.isOpen());
            if (!one.isOpen()) {
                same(other.openVolts(), one.openVolts(), 1, what);
                same(other.impedance(), one.impedance(), 1e-3, what);
            }
        }
    }

    /** Exact fractions over 15 decades: ending a walk at the kept terminals costs no digit. */
    @ParameterizedTest
    @ValueSource(longs = {51, 52, 53, 54, 55, 56})
    void portsAgreeWithExactArithmeticFromMilliohmsToGigaohms(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 10; n++) {
            List<Branch> branches = RandomNetworks.branches(random, 14, 26, 15);
            List<Terminal> all = List.copyOf(Network.of(branches).terminals());
            Network keeping = Network.of(branches, List.of(all.get(0), all.get(3), all.get(5)));
            Terminal a = any(keeping, random);
            Terminal b = any(keeping, random);
            if (a.equals(b)) {
                continue;
            }
            double exact = RationalTwin.resistance(branches, a, b);
            double found = new Alternating(keeping, List.of()).impedanceOhms(a, b);
            if (Double.isInfinite(exact)) {
                assertThat(found).isInfinite();
            } else {
                assertThat(found).as("seed " + seed + ", network " + n).isCloseTo(exact, within(1e-12 * exact));
            }
        }
    }

    /** With no reactance anywhere alternating current sees what direct current sees. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void withoutReactanceImpedanceIsResistance(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network network = RandomNetworks.connected(random, random.nextInt(3, 25));
            List<Terminal> terminals = List.copyOf(network.terminals());
            Terminal a = terminals.getFirst();
            Terminal b = terminals.getLast();
            List<Source> sources =
                    List.of(Source.passive(network.branches().getFirst().id(), 0));
            assertThat(new Alternating(network, sources).impedanceOhms(a, b))
                    .as("seed " + seed + ", network " + n)
                    .isCloseTo(network.resistance(a, b), Percentage.withPercentage(1e-9));
        }
    }
}
