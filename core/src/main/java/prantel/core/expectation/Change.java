package prantel.core.expectation;

import prantel.core.instrument.Reading;

/** A reading before and after something was done to the rig, each with its band. */
public record Change(Reading before, Band beforeBand, Reading after, Band afterBand) {

    /**
     * How far it moved, in tolerances: the change divided by the sum of the two bands' halves that face each other. 1 is
     * where the bands just part. 0 where nothing changes, +∞ from a number to over-range or back.
     */
    public double timesTolerance() {
        double from = before.base();
        double to = after.base();
        if (Double.isInfinite(from) || Double.isInfinite(to)) {
            return beforeBand.overlaps(afterBand) ? 0 : Double.POSITIVE_INFINITY;
        }
        if (from == to) {
            return 0;
        }
        double facing = to > from
                ? (beforeBand.high() - from) + (to - afterBand.low())
                : (from - beforeBand.low()) + (afterBand.high() - to);
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
