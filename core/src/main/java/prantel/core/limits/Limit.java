package prantel.core.limits;

import prantel.core.quantity.Unit;

/**
 * A limit that a reading is judged against.
 *
 * @param demand what a satisfactory reading is
 * @param source where it stands, to be shown beside it
 * @param working how it was worked out, with the numbers put in; empty for a plain table value
 */
public record Limit(Demand demand, String source, String working) {
    /** What is asked of a reading; numbers in the base unit of the reading: Ω, A, V or ms. */
    public sealed interface Demand {}

    public record AtMost(double base) implements Demand {}

    /** Over-range is more than any number, so it satisfies this. */
    public record AtLeast(double base) implements Demand {}

    /** Both ends count: a delayed RCD may not trip too soon, a voltage not be too high. */
    public record Within(double low, double high) implements Demand {}

    /** The device stays in for as long as the tester waits. @param waitsMillis how long that is, ms */
    public record MustNotTrip(double waitsMillis) implements Demand {}

    public static Limit atMost(double base, String source, String working) {
        return new Limit(new AtMost(base), source, working);
    }

    public static Limit atLeast(double base, String source, String working) {
        return new Limit(new AtLeast(base), source, working);
    }

    public static Limit within(double low, double high, String source) {
        return new Limit(new Within(low, high), source, "");
    }

    /** "≤ 1.09 Ω", "130 to 500 ms". @param unit to be written in */
    public String shown(Unit unit) {
        return switch (demand) {
            case AtMost most -> "≤ " + unit.text(most.base());
            case AtLeast least -> "≥ " + unit.text(least.base());
            case Within within -> unit.number(within.low()) + " to " + unit.text(within.high());
            case MustNotTrip stays -> "no trip within " + unit.text(stays.waitsMillis());
        };
    }

    /** Whether a number, base unit, satisfies the limit. */
    public boolean isMetBy(double base) {
        return switch (demand) {
            case AtMost most -> base <= most.base();
            case AtLeast least -> base >= least.base();
            case Within within -> base >= within.low() && base <= within.high();
            case MustNotTrip stays -> base >= stays.waitsMillis();
        };
    }

    /** Whether a reading above every range satisfies the limit. */
    public boolean isMetByOverRange() {
        return demand instanceof AtLeast || demand instanceof MustNotTrip;
    }

    /** The end that a reading beyond it does not meet, base unit: the upper one where there is one. */
    public double end() {
        return switch (demand) {
            case AtMost most -> most.base();
            case AtLeast least -> least.base();
            case Within within -> within.high();
            case MustNotTrip stays -> stays.waitsMillis();
        };
    }
}
