package prantel.core.limits;

/**
 * A limit that a reading is judged against.
 *
 * @param ohms Ω
 * @param source where it stands, to be shown beside it
 * @param working how it was worked out, with the numbers put in; empty for a plain table value
 */
public record Limit(Side side, double ohms, String source, String working) {

    /** On which side of the limit a satisfactory reading lies. */
    public enum Side {
        AT_MOST,
        AT_LEAST
    }

    /** Whether a resistance, Ω or +∞, satisfies the limit. */
    public boolean isMetBy(double readingOhms) {
        return side == Side.AT_MOST ? readingOhms <= ohms : readingOhms >= ohms;
    }
}
