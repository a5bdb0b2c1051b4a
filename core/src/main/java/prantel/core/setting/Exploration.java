package prantel.core.setting;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.FaultEffect;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Every single fault of a rig, at every place, with its usual size, and what it does to every reading of a scheme. */
public final class Exploration {
    private final Key healthy;
    private final List<Effect> effects;

    private Exploration(Key healthy, List<Effect> effects) {
        this.healthy = healthy;
        this.effects = List.copyOf(effects);
    }

    /** @param key of the rig, tester and scheme; its own faults are left aside */
    public static Exploration of(Key key) {
        Key healthy = key.with(FaultSet.NONE).prepared();
        List<Effect> effects = FaultCatalogue.everyFault(key.rig()).parallelStream()
                .map(f -> effect(f, healthy))
                .toList();
        return new Exploration(healthy, effects);
    }

    /** What one fault does alone. */
    public static Effect effect(Fault fault, Key healthy) {
        if (fault.kind().isOnlySeen()) {
            return new Effect(fault, Visibility.FINDABLE, Optional.empty(), 0, 0, Map.of());
        }
        Key key = healthy.with(FaultSet.of(fault));
        Map<SlotId, Expectation> changed = new LinkedHashMap<>();
        Visibility best = Visibility.HIDDEN;
        Optional<Expectation> first = Optional.empty();
        int firstIndex = key.expectations().size();
        double strength = 0;
        int index = 0;
        Set<SlotId> counting = FaultEffect.counting(key, fault, Expectation::visibility);
        for (Expectation expectation : key.expectations()) {
            Visibility here = expectation.visibility();
            double times = expectation.failsByItsLimit()
                    ? Double.POSITIVE_INFINITY
                    : expectation.change().timesTolerance();
            if (times > 0) {
                changed.put(expectation.slot().id(), expectation);
                strength = Math.max(strength, times);
            }
            if (counting.contains(expectation.slot().id()) && here.compareTo(best) < 0) {
                best = here;
                first = Optional.of(expectation);
                firstIndex = index;
            }
            index++;
        }
        if (fault.kind().isSeen()) {
            best = Visibility.FINDABLE;
            firstIndex = 0;
        }
        return new Effect(fault, best, first, firstIndex, strength, changed);
    }

    public Key healthy() {
        return healthy;
    }

    /** In the order of the rig's places and the catalogue. */
    public List<Effect> effects() {
        return effects;
    }

    /** Boxes that are measured, in order; what is only looked at proves nothing set. */
    public List<Slot.Measured> measured() {
        return healthy.expectations().stream()
                .map(Expectation::slot)
                .filter(Slot.Measured.class::isInstance)
                .map(Slot.Measured.class::cast)
                .filter(s -> s.measurement().isReading())
                .toList();
    }

    /** Whether a fault is found with the eyes and no figure of the sequence tells it: what a limit makes of a figure is no figure. */
    public boolean isOnlySeen(Fault fault) {
        return fault.kind().isSeen()
                && of(fault).changed().values().stream()
                        .filter(e -> e.slot() instanceof Slot.Measured)
                        .noneMatch(e -> Hypothesis.tellsApart(
                                e, healthy.expectation(e.slot().id())));
    }

    /** What a fault of the catalogue does; worked out anew for one with another size. */
    public Effect of(Fault fault) {
        return effects.stream()
                .filter(e -> e.fault().equals(fault))
                .findFirst()
                .orElseGet(() -> effect(fault, healthy));
    }
}
