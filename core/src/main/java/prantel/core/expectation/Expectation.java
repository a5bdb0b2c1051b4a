package prantel.core.expectation;

import java.util.Optional;
import prantel.core.instrument.Reading;
import prantel.core.sequence.Slot;

/**
 * What one box must read.
 *
 * @param healthy what a healthy rig shows
 * @param withFaults what the rig with the set faults shows: the marking key
 * @param healthyBand between what and what, healthy
 * @param band between what and what, with the set faults
 */
public record Expectation(Slot slot, Reading healthy, Reading withFaults, Band healthyBand, Band band) {

    /** Whether the reading with the set faults satisfies the slot's limit; empty where it is not judged. */
    public Optional<Boolean> satisfactory() {
        return slot.limit().map(limit -> limit.isMetBy(withFaults.base()));
    }

    /** What the set faults do to the reading. */
    public Change change() {
        return new Change(healthy, healthyBand, withFaults, band);
    }
}
