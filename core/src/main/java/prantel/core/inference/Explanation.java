package prantel.core.inference;

import java.util.OptionalDouble;
import prantel.core.sequence.SlotId;

/**
 * A cause that would have produced what was written.
 *
 * @param wouldRead what the instrument would have shown, with its unit
 * @param evidence one or two sentences with the numbers
 * @param likelihood for ranking only, 0 to 1
 * @param undone what would stand there had it been done otherwise, everything else the same, base unit; empty where that is
 *     no number
 * @param blame what it says of the rig's faults, where all places that are about as likely say the same
 */
public record Explanation(
        SlotId slot,
        Cause cause,
        String wouldRead,
        String evidence,
        double likelihood,
        OptionalDouble undone,
        Blame blame) {
    /** The same of the box that the reading stands in. */
    Explanation of(SlotId other) {
        return new Explanation(other, cause, wouldRead, evidence, likelihood, undone, blame);
    }

    private static final double VERY = 0.9;
    private static final double LIKELY = 0.6;
    private static final double POSSIBLE = 0.25;

    /** How likely it is beside the others, in words: a share is no certainty. */
    public String strength() {
        return strength(likelihood);
    }

    /** Of a share of all that may be, 0 to 1. */
    public static String strength(double share) {
        return share >= VERY
                ? "very likely"
                : share >= LIKELY ? "likely" : share >= POSSIBLE ? "possible" : "less likely";
    }
}
