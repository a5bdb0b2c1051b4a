package prantel.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;

/**
 * Which of two findable faults hides the other when both are set. Long work for a whole rig: it tells its progress and can
 * be stopped.
 */
public final class PairExploration {
    private PairExploration() {}

    /** @param hidden no longer findable @param by the one that hides it */
    public record Masked(Fault hidden, Fault by) {}

    /**
     * @param pairs that share a box and were therefore looked at
     * @param stopped whether it was stopped before the end
     */
    public record Result(int pairs, List<Masked> masked, boolean stopped) {}

    /**
     * @param only the faults to pair: those a setter would choose from
     * @param progress told the share that is done, 0 to 1, every few pairs
     * @param stop asked between pairs
     */
    public static Result of(Exploration singles, List<Effect> only, DoubleConsumer progress, BooleanSupplier stop) {
        List<Effect> findable = only.stream()
                .filter(e -> e.visibility() == Visibility.FINDABLE
                        && !e.fault().kind().isOnlySeen())
                .toList();
        List<Effect[]> pairs = pairs(findable);
        List<Masked> masked = new ArrayList<>();
        Key healthy = singles.healthy();
        for (int i = 0; i < pairs.size(); i++) {
            if (stop.getAsBoolean()) {
                return new Result(i, masked, true);
            }
            Effect[] pair = pairs.get(i);
            look(pair[0].fault(), pair[1].fault(), healthy, masked);
            if (i % 8 == 0) {
                progress.accept((double) i / pairs.size());
            }
        }
        progress.accept(1);
        return new Result(pairs.size(), masked, false);
    }

    /** A fault can only hide another by moving a box that shows it. */
    private static List<Effect[]> pairs(List<Effect> effects) {
        List<Effect[]> pairs = new ArrayList<>();
        for (int i = 0; i < effects.size(); i++) {
            for (int j = i + 1; j < effects.size(); j++) {
                Effect a = effects.get(i);
                Effect b = effects.get(j);
                boolean shared = a.findable().stream()
                        .anyMatch(e -> b.changed().containsKey(e.slot().id()));
                if (shared
                        || b.findable().stream()
                                .anyMatch(e -> a.changed().containsKey(e.slot().id()))) {
                    pairs.add(new Effect[] {a, b});
                }
            }
        }
        return pairs;
    }

    private static void look(Fault a, Fault b, Key healthy, List<Masked> masked) {
        if (SetReview.visibility(a, b, healthy) != Visibility.FINDABLE) {
            masked.add(new Masked(a, b));
        }
        if (SetReview.visibility(b, a, healthy) != Visibility.FINDABLE) {
            masked.add(new Masked(b, a));
        }
    }
}
