package prantel.core.expectation;

import java.util.Optional;
import prantel.core.instrument.Reading;
import prantel.core.limits.Limit;
import prantel.core.sequence.Slot;

/**
 * What one box must read.
 *
 * @param healthy what a healthy rig shows
 * @param withFaults what the rig with the set faults shows: the marking key
 * @param healthyWindow between what and what, healthy
 * @param window between what and what, with the set faults
 * @param healthyLimit what the healthy rig's reading is held against; the slot's own where no device was exchanged
 */
public record Expectation(
        Slot slot,
        Reading healthy,
        Reading withFaults,
        Window healthyWindow,
        Window window,
        Optional<Limit> healthyLimit) {

    /** Whether the reading with the set faults satisfies the slot's limit; empty where it is not judged. */
    public Optional<Boolean> satisfactory() {
        return slot.limit().map(withFaults::meets);
    }

    /** The same, with the limit of the device that is really fitted. */
    Expectation heldAgainst(Optional<Limit> fitted) {
        return new Expectation(slot.with(fitted), healthy, withFaults, healthyWindow, window, healthyLimit);
    }

    /** What the set faults do to the reading. */
    public Change change() {
        return new Change(healthy, healthyWindow, withFaults, window);
    }

    /** Whether the faults changed the limit so that a reading inside the window no longer meets it, and met it before. */
    public boolean failsByItsLimit() {
        return slot.limit().isPresent()
                && !slot.limit().equals(healthyLimit)
                && healthyLimit.filter(healthy::meets).isPresent()
                && !withFaults.meets(slot.limit().get());
    }

    /** Whether the faults show here, in the number or in the judgement. */
    public Change.Visibility visibility() {
        return failsByItsLimit() ? Change.Visibility.FINDABLE : change().visibility();
    }
}
