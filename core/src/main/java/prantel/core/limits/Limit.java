package prantel.core.limits;

import prantel.core.quantity.Unit;

/**
 * A limit that a reading is judged against.
 *
 * @param base in the base unit of the reading it judges: Ω, A, V or ms
 * @param source where it stands, to be shown beside it
 * @param working how it was worked out, with the numbers put in; empty for a plain table value
 */
public record Limit(Side side, double base, String source, String working) {

    /** On which side of the limit a satisfactory reading lies. */
    public enum Side {
        AT_MOST,
        AT_LEAST
    }

    /** "≤ 1.09 Ω". @param unit to be written in */
    public String shown(Unit unit) {
        return (side == Side.AT_MOST ? "≤ " : "≥ ") + unit.text(base);
    }

    /** Whether a reading, in base units or +∞, satisfies the limit. */
    public boolean isMetBy(double readingBase) {
        return side == Side.AT_MOST ? readingBase <= base : readingBase >= base;
    }
}
