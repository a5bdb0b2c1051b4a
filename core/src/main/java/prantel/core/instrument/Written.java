package prantel.core.instrument;

import prantel.core.limits.Limit;
import prantel.core.quantity.Problem;
import prantel.core.quantity.Unit;

/** What stands in a box, as {@link Notation} understands it. */
public sealed interface Written {
    /** Nothing. */
    record Blank() implements Written {}

    /**
     * A number.
     *
     * @param base in the base unit of its dimension
     * @param unit the unit written, or the box's
     * @param places digits written after the point
     */
    record Number(String text, double base, Unit unit, int places) implements Written {
        /** What its last digit stands for, base unit. */
        public double lastDigit() {
            return unit.toBase(Math.pow(10, -places));
        }

        /** Whether it is another number to within half of the coarser one's last digit: 0.88 kA and 883 A. */
        public boolean agreesWith(double other, double itsLastDigit) {
            return Math.abs(base - other) <= HALF * Math.max(lastDigit(), itsLastDigit);
        }
    }

    /** Of a last digit, with room for how doubles are rounded. */
    double HALF = 0.5001;

    /** Over-range with the top of the range, such as ">999 MΩ", "999+" or "+999". `base` is that top. */
    record Above(String text, double base, Unit unit) implements Written {}

    /** "open", "O/C", "OL", for a tripping time "no trip": over-range, said without a range. */
    record Open(String text) implements Written {}

    /** "tripped", "no supply": the test could not be finished, and that is said. */
    record Stopped(String text, Stop stop) implements Written {}

    /** Words where words are asked for. */
    record Said(String text, Saying saying) implements Written {}

    /** "not tested: the socket is behind a built-in cupboard": left out, and why. */
    record NotTested(String text, String reason) implements Written {}

    /** Something that is no reading. */
    record Unreadable(String text, Problem problem) implements Written {}

    /** Whether it says something about what was measured. */
    default boolean isReading() {
        return !(this instanceof Blank || this instanceof Unreadable || this instanceof NotTested);
    }

    /** As it was written; empty for nothing. */
    default String asWritten() {
        return switch (this) {
            case Blank blank -> "";
            case Number number -> number.text().strip();
            case Above above -> above.text().strip();
            case Open open -> open.text().strip();
            case Stopped stopped -> stopped.text().strip();
            case Said said -> said.text().strip();
            case NotTested not -> not.text().strip();
            case Unreadable unreadable -> unreadable.text().strip();
        };
    }

    /** Whether what stands there satisfies a limit; words and what was not measured satisfy none. */
    default boolean meets(Limit limit) {
        return switch (this) {
            case Number number -> limit.isMetBy(number.base());
            case Above above -> limit.isMetByOverRange();
            case Open open -> limit.isMetByOverRange();
            case Stopped stopped -> false;
            case Said said -> false;
            case NotTested not -> false;
            case Blank blank -> false;
            case Unreadable unreadable -> false;
        };
    }
}
