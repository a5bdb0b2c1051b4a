package prantel.core.setting;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.SlotId;

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
                .filter(e -> e.visibility() == Visibility.FINDABLE && !singles.isOnlySeen(e.fault()))
                .toList();
        List<Effect[]> pairs = pairs(findable);
        List<Masked> masked = new ArrayList<>();
        Key healthy = singles.healthy();
        for (int i = 0; i < pairs.size(); i++) {
            if (stop.getAsBoolean()) {
                return new Result(i, masked, true);
            }
            Effect[] pair = pairs.get(i);
            look(pair[0], pair[1], healthy, masked);
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

    /** Only the boxes that show one of the two have to be read with both set. */
    private static void look(Effect a, Effect b, Key healthy, List<Masked> masked) {
        Set<SlotId> boxes = new HashSet<>();
        a.findable().forEach(e -> boxes.add(e.slot().id()));
        b.findable().forEach(e -> boxes.add(e.slot().id()));
        Key both = healthy.with(FaultSet.of(a.fault(), b.fault()), boxes);
        if (isHidden(a, b, both, healthy)) {
            masked.add(new Masked(a.fault(), b.fault()));
        }
        if (isHidden(b, a, both, healthy)) {
            masked.add(new Masked(b.fault(), a.fault()));
        }
    }

    /** Whether no box that shows one fault alone still tells it once the other is set. */
    private static boolean isHidden(Effect fault, Effect other, Key both, Key healthy) {
        boolean seen = fault.fault().kind().isSeen();
        return !seen
                && fault.findable().stream().noneMatch(e -> {
                    SlotId id = e.slot().id();
                    Expectation without = other.changed().get(id);
                    return e.failsByItsLimit()
                            || Hypothesis.tellsApart(
                                    both.expectation(id), without == null ? healthy.expectation(id) : without);
                });
    }
}
