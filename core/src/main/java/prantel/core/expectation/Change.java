package prantel.core.expectation;

import prantel.core.instrument.Reading;

/** A reading before and after something was done to the rig, each with its band. */
public record Change(Reading before, Window beforeWindow, Reading after, Window afterWindow) {

    /**
     * How far it moved, in tolerances: the change divided by the sum of the two windows' halves that face each other. 1 is
     * where the windows just part. 0 where nothing changes, +∞ from one kind of reading to another.
     */
    public double timesTolerance() {
        boolean numbers = before instanceof Reading.Value
                && after instanceof Reading.Value
                && beforeWindow.isNumeric()
                && afterWindow.isNumeric();
        if (!numbers) {
            return beforeWindow.overlaps(afterWindow) ? 0 : Double.POSITIVE_INFINITY;
        }
        double from = before.base();
        double to = after.base();
        Window lower = to > from ? beforeWindow : afterWindow;
        Window upper = to > from ? afterWindow : beforeWindow;
        if (from == to || lower.allowsOverRange()) {
            return 0;
        }
        double facing = (lower.high() - Math.min(from, to)) + (Math.max(from, to) - upper.low());
        return Math.abs(to - from) / facing;
    }

    public Visibility visibility() {
        double times = timesTolerance();
        if (times >= 1) {
            return Visibility.FINDABLE;
        }
        return times >= 0.5 ? Visibility.BORDERLINE : Visibility.HIDDEN;
    }

    /** Whether it can be told by one reading. */
    public enum Visibility {
        /** The bands do not overlap. */
        FINDABLE,
        /** They overlap, but the change is at least half of what would part them. */
        BORDERLINE,
        HIDDEN
    }
}
