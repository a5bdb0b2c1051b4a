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
        return slot.limit().map(limit -> limit.isMetBy(withFaults.ohms()));
    }

    /**
     * How far the set faults move the reading, in tolerances: the change divided by the sum of the two bands' halves that
     * face each other. 1 is where the bands just part. 0 where nothing changes, +∞ from a number to over-range or back.
     */
    public double timesTolerance() {
        double before = healthy.ohms();
        double after = withFaults.ohms();
        if (Double.isInfinite(before) || Double.isInfinite(after)) {
            return before == after || healthyBand.overlaps(band) && healthyBand.allowsOverRange()
                    ? 0
                    : Double.POSITIVE_INFINITY;
        }
        double facing = after > before
                ? (healthyBand.highOhms() - before) + (after - band.lowOhms())
                : (before - healthyBand.lowOhms()) + (band.highOhms() - after);
        return Math.abs(after - before) / facing;
    }

    public Visibility visibility() {
        double times = timesTolerance();
        if (times >= Visibility.FINDABLE_FROM) {
            return Visibility.FINDABLE;
        }
        return times >= Visibility.BORDERLINE_FROM ? Visibility.BORDERLINE : Visibility.HIDDEN;
    }

    /** Whether a fault can be told from a healthy rig by one reading. */
    public enum Visibility {
        /** The bands do not overlap. */
        FINDABLE,
        /** They overlap by less than half. */
        BORDERLINE,
        HIDDEN;

        static final double FINDABLE_FROM = 1;
        static final double BORDERLINE_FROM = 0.5;
    }
}
