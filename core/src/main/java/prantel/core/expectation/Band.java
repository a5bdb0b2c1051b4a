package prantel.core.expectation;

import prantel.core.instrument.Meter;
import prantel.core.instrument.Written;

/**
 * Between what and what a rightly taken reading lies, in base units. `high` is +∞ where over-range may be shown; both are where only
 * over-range can be.
 */
public record Band(double low, double high) {
    public Band {
        if (!(low >= 0 && high >= low)) {
            throw new IllegalArgumentException("Band from " + low + " to " + high);
        }
    }

    /**
     * @param oneTrue true value at one end of what the rig may be
     * @param otherTrue at the other end: a current falls where a resistance rises
     */
    public static Band around(double oneTrue, double otherTrue, Meter meter) {
        double least = Math.min(oneTrue, otherTrue);
        double most = Math.max(oneTrue, otherTrue);
        double low =
                least > meter.top() * 1.5 ? Double.POSITIVE_INFINITY : Math.max(0, least - meter.uncertainty(least));
        double high = most + meter.uncertainty(most);
        return new Band(low, high > meter.top() ? Double.POSITIVE_INFINITY : high);
    }

    /** Exactly this: for words. */
    static Band exactly(double base) {
        return new Band(base, base);
    }

    static final Band OVER_RANGE_ONLY = new Band(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);

    public boolean isOverRangeOnly() {
        return low == Double.POSITIVE_INFINITY;
    }

    public boolean allowsOverRange() {
        return high == Double.POSITIVE_INFINITY;
    }

    /** Whether a number, Ω, lies inside; both ends count. */
    public boolean holds(double ohms) {
        // a written value sits on a decimal grid, the ends do not: a rounding error must not decide
        double slack = 1e-9 * Math.max(ohms, 1e-3);
        return ohms >= low - slack && ohms <= high + slack;
    }

    /** Where what was written lies. */
    public Side sideOf(Written written) {
        return switch (written) {
            case Written.Number number -> sideOf(number.base());
            case Written.Above above -> allowsOverRange() ? Side.INSIDE : sideOfTop(above.base());
            case Written.Open open -> allowsOverRange() ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
            case Written.Said said -> low == said.saying().ordinal() && high == low ? Side.INSIDE : Side.DIFFERS;
            case Written.Blank blank -> Side.NOTHING;
            case Written.Unreadable unreadable -> Side.NOTHING;
        };
    }

    private Side sideOf(double ohms) {
        if (holds(ohms)) {
            return Side.INSIDE;
        }
        return ohms > high ? Side.ABOVE : Side.BELOW;
    }

    /** ">200" says no more than that it is above 200: it fits a band that ends above. */
    private Side sideOfTop(double topOhms) {
        return high >= topOhms ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
    }

    public boolean overlaps(Band other) {
        return low <= other.high && other.low <= high;
    }

    /** Where a written reading lies against a band. */
    public enum Side {
        INSIDE,
        ABOVE,
        BELOW,
        /** Over-range was written where a number was to be expected. */
        OVER_RANGE_INSTEAD,
        /** Other words than the right ones. */
        DIFFERS,
        /** Nothing, or nothing readable, was written. */
        NOTHING
    }
}
