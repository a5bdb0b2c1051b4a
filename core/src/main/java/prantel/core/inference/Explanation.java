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
 */
public record Explanation(
        SlotId slot, Cause cause, String wouldRead, String evidence, double likelihood, OptionalDouble undone) {}
