package prantel.core.fault;

/** What may be done with the rig while the fault is set. */
public enum SafetyClass {
    /** Must be cleared, and proved clear, before the rig is energised. */
    DEAD_ONLY,
    /** Leaves the rig safe for live tests under supervision. */
    MAY_STAY_LIVE
}
