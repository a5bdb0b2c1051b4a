package prantel.core.inference;

import prantel.core.sequence.SlotId;

/**
 * A cause that would have produced what was written.
 *
 * @param wouldRead what the instrument would have shown, with its unit
 * @param evidence one or two sentences with the numbers
 * @param likelihood for ranking only, 0 to 1
 */
public record Explanation(SlotId slot, Cause cause, String wouldRead, String evidence, double likelihood) {}
