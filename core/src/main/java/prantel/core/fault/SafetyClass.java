package prantel.core.fault;

/** What may be done with the rig while the fault is set, mildest first. */
public enum SafetyClass {
    /** Leaves the rig safe for live tests under supervision. */
    MAY_STAY_LIVE,
    /** Must be cleared, and proved clear, before the rig is energised. */
    DEAD_ONLY,
    /** Never wired into the mains path by hand: only by a substitute device, a source box or the simulated rig. */
    EMULATED;

    /** For sentences: "dead only". */
    public String words() {
        return switch (this) {
            case MAY_STAY_LIVE -> "may stay live";
            case DEAD_ONLY -> "dead only";
            case EMULATED -> "emulated only";
        };
    }
}
