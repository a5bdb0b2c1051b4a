package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

// Potentials as weighted means: a resistive network's discrete maximum principle. Worked circuits by Ohm's law.
class ReductionTest {
    private static Terminal t(int n) {
        return RandomNetworks.t(n);
    }

    @Test
    void dividerLiesWhereOhmsLawPutsIt() {
        Network divider = Network.of(List.of(
                new Branch(new BranchId("upper"), t(0), t(1), 30), new Branch(new BranchId("lower"), t(1), t(2), 10)));
        Reduction reduction = divider.reduction(List.of(t(0), t(2)));
        assertThat(reduction.weights(t(1))).containsExactly(new double[] {0.25, 0.75}, within(1e-15));
        assertThat(reduction.between()[0]).isCloseTo(1 / 40.0, within(1e-17));
        assertThat(reduction.weights(t(0))).containsExactly(1, 0);
    }

    @Test
    void terminalThatNothingConnectsHasNoWeights() {
        Network apart = Network.of(
                List.of(new Branch(new BranchId("a"), t(0), t(1), 1), new Branch(new BranchId("b"), t(2), t(3), 1)));
        assertThat(apart.reduction(List.of(t(0))).weights(t(3))).containsExactly(0);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25})
    void everyPotentialBalancesTheCurrentsOfItsNeighbours(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 30; n++) {
            Network network = RandomNetworks.connected(random, 24)
                    .with(List.of(
                            new Edit.Bridge(t(random.nextInt(24)), t(random.nextInt(24)), 0.7),
                            new Edit.Open(new BranchId("chain" + random.nextInt(1, 24)))));
            List<Terminal> held = List.of(t(0), t(7), t(13));
            double[] volts = {230, 0, -40};
            Reduction reduction = network.reduction(held);
            double[] at = new double[24];
            for (int i = 0; i < 24; i++) {
                double[] weights = reduction.weights(t(i));
                assertThat(Arrays.stream(weights).min().orElse(0)).isNotNegative();
                double sum = Arrays.stream(weights).sum();
                assertThat(sum).isCloseTo(sum > 0.5 ? 1 : 0, within(1e-12));
                for (int k = 0; k < 3; k++) {
                    at[i] += weights[k] * volts[k];
                }
            }
            for (int i = 0; i < 24; i++) {
                if (i != 0 && i != 7 && i != 13) {
                    double net = 0;
                    double size = 0;
                    for (Branch branch : network.branches()) {
                        boolean from = branch.from().equals(t(i));
                        boolean to = branch.to().equals(t(i));
                        if (!branch.isOpen() && (from || to)) {
                            double other = at[number(from ? branch.to() : branch.from())];
                            net += (at[i] - other) / branch.ohms();
                            size += Math.abs(at[i] - other) / branch.ohms();
                        }
                    }
                    assertThat(Math.abs(net)).as("current into t%d", i).isLessThanOrEqualTo(1e-9 * (1 + size) * 1e3);
                }
            }
        }
    }

    private static int number(Terminal terminal) {
        return Integer.parseInt(terminal.toString().replaceAll("\\D", ""));
    }
}
