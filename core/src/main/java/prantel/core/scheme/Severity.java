package prantel.core.scheme;

/** What missing something means. */
public enum Severity {
    /** Counts by its weight. */
    COUNTS,
    /** That part is referred. */
    KEY,
    /** Stops the assessment. */
    SAFETY
}
