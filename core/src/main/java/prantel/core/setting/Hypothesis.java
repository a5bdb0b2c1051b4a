package prantel.core.setting;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import prantel.core.expectation.Change;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.SlotId;

/**
 * What might be set on a rig, and what each box would read then.
 *
 * @param kind how it differs from what is meant to be set
 * @param faults all that would be set
 * @param reads for a measured box of the sequence
 */
public record Hypothesis(Kind kind, FaultSet faults, Function<SlotId, Expectation> reads) {

    public enum Kind {
        /** Nothing at all. */
        HEALTHY,
        /** Some of the faults are not set. */
        MISSING,
        /** One of them is another one, or sits elsewhere. */
        OTHER_INSTEAD,
        /** All of them and one more, from before. */
        LEFT_OVER,
        /** A single other fault and none of those meant. */
        OTHER_SINGLE
    }

    /**
     * All that may be set instead of what is meant.
     *
     * @param key with what is meant
     * @param singles of the same rig, tester and scheme
     * @param before faults that were on this rig last; they may have been left
     * @param byHand faults of the set that somebody sets by hand, and may set elsewhere
     */
    public static List<Hypothesis> instead(Key key, Exploration singles, FaultSet before, Predicate<Fault> byHand) {
        List<Hypothesis> all = new ArrayList<>();
        if (!key.faults().isEmpty()) {
            all.addAll(CheckPlan.others(key, singles));
            all.addAll(CheckPlan.slips(key, singles, byHand));
        } else {
            singles.effects().stream()
                    .filter(e -> !singles.isOnlySeen(e.fault()))
                    .forEach(e -> all.add(of(e, singles.healthy())));
        }
        before.faults().stream()
                .filter(b -> key.faults().faults().size() < FaultSet.MOST_FAULTS
                        && key.faults().faults().stream().noneMatch(b::isSameBut))
                .forEach(b -> all.add(of(Kind.LEFT_OVER, key.with(key.faults().with(b)), singles.healthy())));
        return all;
    }

    /** The same, keeping only the boxes that read otherwise than the healthy rig's: many are held at once. */
    static Hypothesis of(Kind kind, Key key, Key healthy) {
        Map<SlotId, Expectation> changed = new HashMap<>();
        for (Expectation one : key.expectations()) {
            SlotId id = one.slot().id();
            if (one != healthy.expectation(id)) {
                changed.put(id, one);
            }
        }
        return new Hypothesis(kind, key.faults(), id -> {
            Expectation other = changed.get(id);
            return other == null ? healthy.expectation(id) : other;
        });
    }

    static Hypothesis of(Effect single, Key healthy) {
        return new Hypothesis(Kind.OTHER_SINGLE, FaultSet.of(single.fault()), id -> {
            Expectation changed = single.changed().get(id);
            return changed == null ? healthy.expectation(id) : changed;
        });
    }

    /** Whether one reading of this box tells the two apart. */
    static boolean tellsApart(Expectation one, Expectation two) {
        return new Change(one.withFaults(), one.window(), two.withFaults(), two.window()).visibility()
                == Visibility.FINDABLE;
    }
}
