package prantel.core.scheme;

import prantel.core.procedure.Deed;

/** What a slip says was not done before a reading, so that who reads the rig next reads it so. */
public enum Undone {
    /** The leads were not nulled: of every test. */
    NULLING,
    /** Conductors were not linked for the tests of that step. */
    LINK,
    /** Nor were the ends of a ring joined. */
    CROSSING;

    /** Whether a deed of a set-up is what was not done. */
    public boolean isOf(Deed deed) {
        return switch (this) {
            case NULLING -> deed instanceof Deed.NullLeads;
            case LINK -> deed instanceof Deed.Link;
            case CROSSING -> deed instanceof Deed.Cross;
        };
    }
}
