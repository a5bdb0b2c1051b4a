package prantel.core.assessment;

/** The stations of an assessment, in order. Prepare is done once an assessment exists. */
public enum Stage {
    SET,
    WATCH,
    MARK,
    CLEAR,
    /** Marked, cleared, kept. */
    DONE
}
