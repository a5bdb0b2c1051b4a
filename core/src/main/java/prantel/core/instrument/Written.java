package prantel.core.instrument;

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
    record Number(String text, double base, Unit unit, int places) implements Written {}

    /** Over-range with the top of the range, such as ">999 MΩ" or "+999". `base` is that top. */
    record Above(String text, double base, Unit unit) implements Written {}

    /** "open", "O/C", "OL": over-range, said without a range. */
    record Open(String text) implements Written {}

    /** Words where words are asked for. */
    record Said(String text, Saying saying) implements Written {}

    /** Something that is no reading. */
    record Unreadable(String text, Problem problem) implements Written {}
}
