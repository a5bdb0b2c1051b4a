package prantel.core.setting;

/**
 * How hard a fault is to find, from 1 (easy) to 5: how little it moves the readings, how late in the sequence it shows and
 * in how few boxes. The weights are our own, no source; results of real candidates correct them.
 */
public final class Difficulty {
    public static final double EASIEST = 1;
    public static final double HARDEST = 5;

    private static final double CHANGE_WEIGHT = 0.4;
    private static final double DEPTH_WEIGHT = 0.25;
    private static final double RARITY_WEIGHT = 0.35;
    /** A change of this many tolerances is as plain as one can be. */
    private static final double PLAIN_TIMES = 16;
    /** Shown in this many boxes it cannot be overlooked. */
    private static final double MANY_BOXES = 8;
    /** What only the eye finds: no figure calls attention to it. */
    private static final double SEEN_CHANGE = 0.4;

    /** How many results weigh as much as the estimate. */
    private static final double PRIOR_RESULTS = 6;
    /** Share of candidates taken to find the easiest and the hardest fault. */
    private static final double FIND_EASIEST = 0.95;

    private static final double FIND_HARDEST = 0.25;

    private Difficulty() {}

    /** @param boxes number of boxes of the whole sequence */
    public static double of(Effect effect, int boxes) {
        double change = effect.fault().kind().isOnlySeen()
                ? SEEN_CHANGE
                : effect.strength() == Double.POSITIVE_INFINITY
                        ? 0
                        : 1 - Math.min(1, Math.log(Math.max(1, effect.strength())) / Math.log(PLAIN_TIMES));
        double depth = (double) effect.firstIndex() / Math.max(1, boxes);
        double rarity = effect.fault().kind().isOnlySeen()
                ? 0.5
                : 1 - Math.clamp((effect.findable().size() - 1) / (MANY_BOXES - 1), 0, 1);
        return EASIEST + (HARDEST - EASIEST) * (CHANGE_WEIGHT * change + DEPTH_WEIGHT * depth + RARITY_WEIGHT * rarity);
    }

    /**
     * The estimate moved towards what candidates showed: with no result it stays, with many it is their find rate that
     * counts.
     *
     * @param found how many found it
     * @param missed how many did not
     */
    public static double corrected(double estimate, int found, int missed) {
        double share = (PRIOR_RESULTS * findShare(estimate) + found) / (PRIOR_RESULTS + found + missed);
        double back = EASIEST + (HARDEST - EASIEST) * (FIND_EASIEST - share) / (FIND_EASIEST - FIND_HARDEST);
        return Math.clamp(back, EASIEST, HARDEST);
    }

    /** Share of candidates expected to find a fault of some difficulty. */
    static double findShare(double difficulty) {
        return FIND_EASIEST - (FIND_EASIEST - FIND_HARDEST) * (difficulty - EASIEST) / (HARDEST - EASIEST);
    }
}
