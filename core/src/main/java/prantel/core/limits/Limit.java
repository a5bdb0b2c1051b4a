package prantel.core.limits;

import prantel.core.quantity.Unit;

/**
 * A limit that a reading is judged against.
 *
 * @param base in the base unit of the reading it judges: Ω, A, V or ms
 * @param notBelow the other end where there is one, same unit: a delayed RCD may not trip too soon; 0 for none
 * @param source where it stands, to be shown beside it
 * @param working how it was worked out, with the numbers put in; empty for a plain table value
 */
public record Limit(Side side, double base, double notBelow, String source, String working) {
    public Limit(Side side, double base, String source, String working) {
        this(side, base, 0, source, working);
    }

    /** On which side of the limit a satisfactory reading lies. */
    public enum Side {
        AT_MOST,
        AT_LEAST
    }

    /** "≤ 1.09 Ω", "130 to 500 ms". @param unit to be written in */
    public String shown(Unit unit) {
        if (notBelow > 0) {
            return unit.number(notBelow) + " to " + unit.text(base);
        }
        return (side == Side.AT_MOST ? "≤ " : "≥ ") + unit.text(base);
    }

    /** Whether a reading, in base units or +∞, satisfies the limit. */
    public boolean isMetBy(double readingBase) {
        return readingBase >= notBelow && (side == Side.AT_MOST ? readingBase <= base : readingBase >= base);
    }
}
