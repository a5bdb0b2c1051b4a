package prantel.core.analysis;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * How far two people agree beyond chance on the same things: Cohen's κ. 1 is complete, 0 what chance gives.
 *
 * @param things how many were judged by both
 * @param observed share on which they agree
 * @param expected share on which they would agree by chance, from how often each gives what
 * @param value κ; empty where it says nothing: one of the two gave one thing throughout, so that what they would agree on by
 *     chance is what they agree on; or nothing was judged by both
 */
public record Kappa(int things, double observed, double expected, Optional<Value> value) {
    private static final double CONFIDENCE = 0.95;

    /** @param low lower end of the interval that holds κ in 95 of 100 samples @param high its upper end */
    public record Value(double kappa, double standardError, double low, double high) {}

    /** What two people gave for one thing. */
    public record Pair<C>(C first, C second) {}

    /**
     * Source of κ: J. Cohen, Educ. Psychol. Meas. 20 (1960). Standard error for large samples: J. L. Fleiss, J. Cohen and
     * B. S. Everitt, Psychol. Bull. 72 (1969), eq. 13 (from memory).
     */
    public static <C> Kappa of(List<Pair<C>> pairs) {
        int n = pairs.size();
        if (n == 0) {
            return new Kappa(0, 0, 0, Optional.empty());
        }
        Map<C, Double> first = new HashMap<>();
        Map<C, Double> second = new HashMap<>();
        Map<Pair<C>, Double> both = new HashMap<>();
        double share = 1.0 / n;
        for (Pair<C> pair : pairs) {
            first.merge(pair.first(), share, Double::sum);
            second.merge(pair.second(), share, Double::sum);
            both.merge(pair, share, Double::sum);
        }
        Set<C> classes = new HashSet<>(first.keySet());
        classes.addAll(second.keySet());
        double observed = 0;
        double expected = 0;
        for (C c : classes) {
            observed += both.getOrDefault(new Pair<>(c, c), 0.0);
            expected += first.getOrDefault(c, 0.0) * second.getOrDefault(c, 0.0);
        }
        if (first.size() < 2 || second.size() < 2) {
            return new Kappa(n, observed, expected, Optional.empty());
        }
        double kappa = (observed - expected) / (1 - expected);
        double error = error(classes, first, second, both, kappa, expected, n);
        double z = NormalDistribution.of(0, 1).inverseCumulativeProbability((1 + CONFIDENCE) / 2);
        return new Kappa(
                n,
                observed,
                expected,
                Optional.of(new Value(kappa, error, Math.max(-1, kappa - z * error), Math.min(1, kappa + z * error))));
    }

    private static <C> double error(
            Set<C> classes,
            Map<C, Double> first,
            Map<C, Double> second,
            Map<Pair<C>, Double> both,
            double kappa,
            double expected,
            int n) {
        double same = 0;
        double apart = 0;
        for (C i : classes) {
            double sum = first.getOrDefault(i, 0.0) + second.getOrDefault(i, 0.0);
            same += both.getOrDefault(new Pair<>(i, i), 0.0) * Math.pow(1 - sum * (1 - kappa), 2);
            for (C j : classes) {
                if (!i.equals(j)) {
                    apart += both.getOrDefault(new Pair<>(i, j), 0.0)
                            * Math.pow(second.getOrDefault(i, 0.0) + first.getOrDefault(j, 0.0), 2);
                }
            }
        }
        double last = Math.pow(kappa - expected * (1 - kappa), 2);
        double variance = (same + Math.pow(1 - kappa, 2) * apart - last) / (Math.pow(1 - expected, 2) * n);
        return Math.sqrt(Math.max(0, variance));
    }
}
