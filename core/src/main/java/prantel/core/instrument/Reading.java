package prantel.core.instrument;

import java.math.BigDecimal;
import java.math.RoundingMode;
import prantel.core.limits.Limit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;

/** What an instrument showed. Having no number is a kind of answer. */
public sealed interface Reading {

    /** Unit of the display. */
    Unit unit();

    /** As the display shows it, with its unit. */
    String shown();

    /** In the base unit of its dimension (Ω, A, V, ms); {@code +∞} where there is no number. For comparing, never for showing. */
    double base();

    /** Whether it satisfies a limit. What could not be measured, and words, satisfy none. */
    default boolean meets(Limit limit) {
        return switch (this) {
            case Value value -> limit.isMetBy(value.base());
            case OverRange over -> limit.isMetByOverRange();
            case Said said -> false;
            case NoReading none -> false;
        };
    }

    /**
     * A number on the display.
     *
     * @param value in `unit`, already rounded to `resolution`
     * @param resolution the last digit, in `unit`
     */
    record Value(double value, Unit unit, double resolution) implements Reading {
        @Override
        public String shown() {
            return number() + "\u2009" + unit.symbol();
        }

        /** The number alone, with as many places as the display has. */
        public String number() {
            int places = Math.max(
                    0, BigDecimal.valueOf(resolution).stripTrailingZeros().scale());
            return BigDecimal.valueOf(value)
                    .setScale(places, RoundingMode.HALF_UP)
                    .toPlainString();
        }

        @Override
        public double base() {
            return unit.toBase(value);
        }
    }

    /** Above the top of the highest range, or open: an instrument cannot tell the two apart. */
    record OverRange(double top, Unit unit) implements Reading {
        @Override
        public String shown() {
            return ">" + Check.plain(top) + "\u2009" + unit.symbol();
        }

        @Override
        public double base() {
            return Double.POSITIVE_INFINITY;
        }
    }

    /** Words instead of a number: it works, the lines turn clockwise. */
    record Said(Saying saying) implements Reading {
        @Override
        public Unit unit() {
            return Unit.WORDS;
        }

        @Override
        public String shown() {
            return saying.words();
        }

        @Override
        public double base() {
            return Double.POSITIVE_INFINITY;
        }
    }

    /** The test could not be finished. @param where what tripped; empty where nothing did */
    record NoReading(Stop stop, String where, Unit unit) implements Reading {
        @Override
        public String shown() {
            return where.isEmpty() ? stop.words() : stop.words() + ": " + where;
        }

        @Override
        public double base() {
            return Double.POSITIVE_INFINITY;
        }
    }
}
