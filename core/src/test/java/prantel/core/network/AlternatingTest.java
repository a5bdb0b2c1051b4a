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
        Complex volts = simple(r, x, load).voltages(List.of(t("line")), List.of())[0];
        assertThat(volts).isNotNull();
        assertThat(volts.size()).isCloseTo(230 * load / Math.hypot(r + load, x), within(1e-9));
    }

    @Test
    void terminalThatNothingConnectsWithASourceHasNoVoltageAndIsOpen() {
        Network network =
                Network.of(List.of(branch("source", STAR, t("line"), 0.1), branch("apart", t("a"), t("b"), 5)));
        Alternating alternating = new Alternating(network, List.of(new Source(new BranchId("source"), 0, 230, 0)));
        assertThat(alternating.voltages(List.of(t("a")), List.of())[0]).isNull();
        assertThat(alternating.impedanceOhms(t("a"), STAR)).isInfinite();
        assertThat(alternating.impedanceOhms(t("a"), t("b"))).isCloseTo(5, within(1e-12));
    }

    @Test
    void openSourceDrivesNothing() {
        Network network = Network.of(
                        List.of(branch("source", STAR, t("line"), 0.1), branch("load", t("line"), STAR, 10)))
                .with(List.of(new Edit.Open(new BranchId("source"))));
        Alternating alternating = new Alternating(network, List.of(new Source(new BranchId("source"), 0.2, 230, 0)));
        Complex volts = alternating.voltages(List.of(t("line"), STAR), List.of())[0];
        assertThat(volts == null ? 0 : volts.size()).isZero();
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
        Complex[] volts =
                new Alternating(Network.of(branches), sources).voltages(List.of(t("l0"), t("l1"), t("l2")), List.of());
        assertThat(volts[0].minus(volts[1]).size()).isCloseTo(Math.sqrt(3) * volts[0].size(), within(1e-9));
        assertThat(volts[0].plus(volts[1]).plus(volts[2]).size()).isCloseTo(0, within(1e-9));
        assertThat(volts[1].radians()).isCloseTo(volts[0].radians() - 2 * Math.PI / 3, within(1e-9));
    }

    /** Star–mesh with every force off must agree with voltage over current by elimination: one algorithm is the other's twin. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void impedanceIsVoltageOverCurrent(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network network = RandomNetworks.connected(random, random.nextInt(3, 25));
            List<Branch> branches = network.branches();
            List<Source> sources = new ArrayList<>();
            for (int i = 0; i < Math.min(4, branches.size()); i++) {
                sources.add(Source.passive(branches.get(i).id(), random.nextDouble(0, 2)));
            }
            Alternating alternating = new Alternating(network, sources);
            List<Terminal> terminals = List.copyOf(network.terminals());
            Terminal a = terminals.get(random.nextInt(terminals.size()));
            Terminal b = terminals.get(random.nextInt(terminals.size()));
            if (a.equals(b)) {
                continue;
            }
            Complex[] volts =
                    alternating.voltages(List.of(a, b), List.of(new Alternating.Draw(a, b, new Complex(1, 0))));
            assertThat(volts[0].minus(volts[1]).size())
                    .as("seed " + seed + ", network " + n)
                    .isCloseTo(alternating.impedanceOhms(a, b), Percentage.withPercentage(1e-6));
            assertThat(alternating.impedanceOhms(b, a))
                    .as("reciprocity, seed " + seed + ", network " + n)
                    .isCloseTo(alternating.impedanceOhms(a, b), Percentage.withPercentage(1e-9));
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

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void reductionToSeveralTerminalsGivesTheSameResistances(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 40; n++) {
            Network network = RandomNetworks.connected(random, random.nextInt(5, 30));
            List<Terminal> kept = List.copyOf(network.terminals()).subList(0, 4);
            double[] mesh = network.reducedTo(kept);
            List<Branch> branches = new ArrayList<>();
            for (int i = 1, at = 0; i < 4; i++) {
                for (int j = 0; j < i; j++, at++) {
                    if (mesh[at] > 0) {
                        branches.add(branch("m" + at, kept.get(i), kept.get(j), 1 / mesh[at]));
                    }
                }
            }
            Network small = Network.of(branches);
            assertThat(small.resistance(kept.get(0), kept.get(3)))
                    .as("seed " + seed + ", network " + n)
                    .isCloseTo(network.resistance(kept.get(0), kept.get(3)), Percentage.withPercentage(1e-9));
        }
    }
}
