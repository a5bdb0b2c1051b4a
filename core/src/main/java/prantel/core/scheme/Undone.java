package prantel.core.scheme;

/** What a slip says was not done before a reading, so that who reads the rig next reads it so. */
public enum Undone {
    /** The leads were not nulled: of every test. */
    NULLING,
    /** Conductors were not linked for the tests of that step. */
    LINK,
    /** Nor were the ends of a ring joined. */
    CROSSING
}
