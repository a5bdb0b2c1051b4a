package prantel.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.analysis.Kappa.Pair;

class KappaTest {
    private static List<Pair<Integer>> table(int[][] counts) {
        List<Pair<Integer>> pairs = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            for (int j = 0; j < counts[i].length; j++) {
                for (int k = 0; k < counts[i][j]; k++) {
                    pairs.add(new Pair<>(i, j));
                }
            }
        }
        return pairs;
    }

    /**
     * Source: J. L. Fleiss, B. Levin, M. C. Paik, Statistical Methods for Rates and Proportions, 3rd ed., ch. 18, table 18.1: a
     * hundred people, two raters, three diagnoses; κ = 0.68, standard error 0.087 (from memory).
     */
    @Test
    void threeDiagnosesOfTheTextbook() {
        Kappa kappa = Kappa.of(table(new int[][] {{75, 1, 4}, {5, 4, 1}, {0, 0, 10}}));
        assertThat(kappa.things()).isEqualTo(100);
        assertThat(kappa.observed()).isCloseTo(0.89, within(1e-9));
        assertThat(kappa.expected()).isCloseTo(0.66, within(1e-9));
        assertThat(kappa.value().orElseThrow().kappa()).isCloseTo(0.676, within(0.001));
        assertThat(kappa.value().orElseThrow().standardError()).isCloseTo(0.087, within(0.0015));
    }

    /** Source: the worked example of two readers and fifty proposals (20, 5, 10, 15; κ = 0.4), much reprinted; from memory. */
    @Test
    void fiftyProposals() {
        Kappa.Value value =
                Kappa.of(table(new int[][] {{20, 5}, {10, 15}})).value().orElseThrow();
        assertThat(value.kappa()).isCloseTo(0.4, within(1e-9));
        assertThat(value.low()).isLessThan(0.4).isGreaterThan(0.1);
        assertThat(value.high()).isGreaterThan(0.4).isLessThan(0.7);
    }

    @Test
    void whereBothGiveOneThingThroughoutItSaysNothing() {
        assertThat(Kappa.of(table(new int[][] {{30}})).value()).isEmpty();
        assertThat(Kappa.of(List.of()).value()).isEmpty();
        assertThat(Kappa.of(List.of()).things()).isZero();
    }

    /** With 33 of 34 alike it came to 0, "between 0 and 0", which read as if the two had guessed. */
    @Test
    void whereOneOfTheTwoGivesOneThingThroughoutItSaysNothing() {
        List<Pair<String>> pairs = new ArrayList<>(Collections.nCopies(33, new Pair<>("full", "full")));
        pairs.add(new Pair<>("none", "full"));
        Kappa kappa = Kappa.of(pairs);
        assertThat(kappa.value()).isEmpty();
        assertThat(kappa.observed()).isCloseTo(33.0 / 34, within(1e-12));
        assertThat(kappa.expected()).as("chance gives as much").isCloseTo(kappa.observed(), within(1e-12));
    }

    @Test
    void completeAgreementIsOneAndChanceIsNearNothing() {
        assertThat(Kappa.of(table(new int[][] {{7, 0}, {0, 5}}))
                        .value()
                        .orElseThrow()
                        .kappa())
                .isCloseTo(1, within(1e-12));
        SplittableRandom random = new SplittableRandom(11);
        List<Pair<Integer>> pairs = new ArrayList<>();
        for (int i = 0; i < 20_000; i++) {
            pairs.add(new Pair<>(random.nextInt(3), random.nextInt(3)));
        }
        Kappa.Value value = Kappa.of(pairs).value().orElseThrow();
        assertThat(value.kappa()).isCloseTo(0, within(0.03));
        assertThat(value.low()).isLessThan(0.02);
    }

    /** The interval does what it says: over many samples of one table it holds the true κ about 95 times in 100. */
    @Test
    void theIntervalHoldsWhatItIsFor() {
        SplittableRandom random = new SplittableRandom(5);
        // 0.5 · 0.3 · 0.2 with 0.8 of the pairs alike: κ of the whole is known
        double[] share = {0.5, 0.3, 0.2};
        double alike = 0.7;
        double chance = 0.5 * 0.5 + 0.3 * 0.3 + 0.2 * 0.2;
        double truth = (alike + (1 - alike) * chance - chance) / (1 - chance);
        int held = 0;
        int samples = 2000;
        for (int s = 0; s < samples; s++) {
            List<Pair<Integer>> pairs = new ArrayList<>();
            for (int i = 0; i < 150; i++) {
                int first = draw(share, random);
                pairs.add(new Pair<>(first, random.nextDouble() < alike ? first : draw(share, random)));
            }
            Kappa.Value value = Kappa.of(pairs).value().orElseThrow();
            held += value.low() <= truth && truth <= value.high() ? 1 : 0;
        }
        assertThat((double) held / samples).isBetween(0.92, 0.975);
    }

    private static int draw(double[] share, SplittableRandom random) {
        double at = random.nextDouble();
        for (int i = 0; i < share.length - 1; i++) {
            at -= share[i];
            if (at < 0) {
                return i;
            }
        }
        return share.length - 1;
    }
}
