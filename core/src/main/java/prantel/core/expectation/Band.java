package prantel.core.expectation;

import prantel.core.instrument.Meter;
import prantel.core.instrument.Written;

/**
 * Between what and what a rightly taken reading lies, Ω. `high` is +∞ where over-range may be shown; both are where only
 * over-range can be.
 */
public record Band(double lowOhms, double highOhms) {
    public Band {
        if (!(lowOhms >= 0 && highOhms >= lowOhms)) {
            throw new IllegalArgumentException("Band from " + lowOhms + " to " + highOhms + " Ω");
        }
    }

    /**
     * @param lowTrueOhms least true resistance between the probes
     * @param highTrueOhms greatest true resistance
     */
    public static Band around(double lowTrueOhms, double highTrueOhms, Meter meter) {
        double low = lowTrueOhms > meter.topOhms() * 1.5
                ? Double.POSITIVE_INFINITY
                : Math.max(0, lowTrueOhms - meter.uncertaintyOhms(lowTrueOhms));
        double high = highTrueOhms + meter.uncertaintyOhms(highTrueOhms);
        return new Band(low, high > meter.topOhms() ? Double.POSITIVE_INFINITY : high);
    }

    public boolean isOverRangeOnly() {
        return lowOhms == Double.POSITIVE_INFINITY;
    }

    public boolean allowsOverRange() {
        return highOhms == Double.POSITIVE_INFINITY;
    }

    /** Whether a number, Ω, lies inside; both ends count. */
    public boolean holds(double ohms) {
        // a written value sits on a decimal grid, the ends do not: a rounding error must not decide
        double slack = 1e-9 * Math.max(ohms, 1e-3);
        return ohms >= lowOhms - slack && ohms <= highOhms + slack;
    }

    /** Where what was written lies. */
    public Side sideOf(Written written) {
        return switch (written) {
            case Written.Number number -> sideOf(number.ohms());
            case Written.Above above -> allowsOverRange() ? Side.INSIDE : sideOfTop(above.ohms());
            case Written.Open open -> allowsOverRange() ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
            case Written.Blank blank -> Side.NOTHING;
            case Written.Unreadable unreadable -> Side.NOTHING;
        };
    }

    private Side sideOf(double ohms) {
        if (holds(ohms)) {
            return Side.INSIDE;
        }
        return ohms > highOhms ? Side.ABOVE : Side.BELOW;
    }

    /** ">200" says no more than that it is above 200: it fits a band that ends above. */
    private Side sideOfTop(double topOhms) {
        return highOhms >= topOhms ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
    }

    public boolean overlaps(Band other) {
        return lowOhms <= other.highOhms && other.lowOhms <= highOhms;
    }

    /** Where a written reading lies against a band. */
    public enum Side {
        INSIDE,
        ABOVE,
        BELOW,
        /** Over-range was written where a number was to be expected. */
        OVER_RANGE_INSTEAD,
        /** Nothing, or nothing readable, was written. */
        NOTHING
    }
}
