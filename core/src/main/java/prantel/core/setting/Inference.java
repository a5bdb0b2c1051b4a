package prantel.core.setting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.sequence.SlotId;
import prantel.core.setting.Hypothesis.Kind;

/**
 * What is really set on a rig, from a few readings taken at it: hypotheses ranked by how well each explains the readings and
 * how likely such a slip is.
 */
public final class Inference {
    private static final int MOST_RANKED = 6;
    /** A reading this far outside a band, in widths of it, may be drift and not another fault. */
    private static final double DRIFT_WIDTHS = 0.6;

    private static final double WORST = 8;

    private Inference() {}

    /**
     * @param hypothesis what may be set
     * @param misfits readings that speak against it
     * @param share of all hypotheses' weight, 0 to 1
     * @param drift whether the readings miss it by so little that wear may explain them
     * @param evidence one for each reading taken
     */
    public record Ranked(Hypothesis hypothesis, int misfits, double share, boolean drift, List<Evidence> evidence) {}

    /** @param expected what the hypothesis would read */
    public record Evidence(Expectation expected, Written written, boolean fits) {}

    /**
     * @param key with what is meant to be set
     * @param readings what the display showed, by box
     * @param before faults that were on this rig last; they may have been left
     * @param byHand faults of the set that somebody sets by hand, and may set elsewhere
     * @return best first; empty without a readable reading
     * @throws prantel.core.quantity.ProblemsException if a box is not of this rig
     */
    public static List<Ranked> of(
            Key key, Exploration singles, Map<SlotId, String> readings, FaultSet before, Predicate<Fault> byHand) {
        Map<SlotId, Written> written = new LinkedHashMap<>();
        readings.forEach((slot, text) -> {
            Written read = Notation.read(text, key.expectation(slot).slot().boxUnit());
            if (read.isReading()) {
                written.put(slot, read);
            }
        });
        if (written.isEmpty()) {
            return List.of();
        }
        List<Scored> scored = new ArrayList<>();
        for (Hypothesis hypothesis : hypotheses(key, singles, before, byHand)) {
            scored.add(score(hypothesis, written));
        }
        scored.sort(Comparator.comparingDouble(Scored::cost));
        double least = scored.getFirst().cost();
        double all =
                scored.stream().mapToDouble(s -> Math.exp(least - s.cost())).sum();
        return scored.stream()
                .limit(MOST_RANKED)
                .map(s -> new Ranked(
                        s.hypothesis(),
                        (int) s.evidence().stream().filter(e -> !e.fits()).count(),
                        Math.exp(least - s.cost()) / all,
                        s.drift(),
                        s.evidence()))
                .toList();
    }

    private static List<Hypothesis> hypotheses(Key key, Exploration singles, FaultSet before, Predicate<Fault> byHand) {
        List<Hypothesis> all = new ArrayList<>(List.of(Hypothesis.of(Kind.AS_MEANT, key)));
        if (!key.faults().isEmpty()) {
            all.addAll(CheckPlan.others(key, singles));
            all.addAll(CheckPlan.slips(key, singles, byHand));
        } else {
            singles.effects().stream()
                    .filter(e -> !e.fault().kind().isOnlySeen())
                    .forEach(e -> all.add(Hypothesis.of(e, singles.healthy())));
        }
        before.faults().stream()
                .filter(b -> key.faults().faults().size() < FaultSet.MOST_FAULTS
                        && key.faults().faults().stream().noneMatch(b::isSameBut))
                .forEach(b -> all.add(
                        Hypothesis.of(Kind.LEFT_OVER, key.with(key.faults().with(b)), singles.healthy())));
        return all;
    }

    private record Scored(Hypothesis hypothesis, double cost, boolean drift, List<Evidence> evidence) {}

    private static Scored score(Hypothesis hypothesis, Map<SlotId, Written> written) {
        double cost = prior(hypothesis.kind());
        double worst = 0;
        List<Evidence> evidence = new ArrayList<>();
        for (Map.Entry<SlotId, Written> entry : written.entrySet()) {
            Expectation expected = hypothesis.reads().apply(entry.getKey());
            boolean fits = expected.window().sideOf(entry.getValue()) == Window.Side.INSIDE;
            double widths = fits ? 0 : widthsOutside(expected.window(), entry.getValue());
            worst = Math.max(worst, widths);
            cost += fits ? 0 : Math.min(WORST, 2 + 2 * widths);
            evidence.add(new Evidence(expected, entry.getValue(), fits));
        }
        return new Scored(hypothesis, cost, worst > 0 && worst <= DRIFT_WIDTHS, evidence);
    }

    private static double prior(Kind kind) {
        return switch (kind) {
            case AS_MEANT -> 0;
            case HEALTHY, MISSING -> 0.7;
            case LEFT_OVER -> 1;
            case OTHER_INSTEAD -> 1.5;
            case OTHER_SINGLE -> 3;
        };
    }

    private static double widthsOutside(Window of, Written written) {
        Window window = of.measured();
        if (!(written instanceof Written.Number number) || !window.isNumeric()) {
            return WORST;
        }
        double value = number.base();
        double high = window.allowsOverRange() ? Math.max(window.low() * 2, 1e-3) : window.high();
        double width = Math.max(high - window.low(), 1e-3);
        return value < window.low() ? (window.low() - value) / width : (value - high) / width;
    }
}
