package prantel.server.account;

/** What a person may do; somebody may have several. Which calls each may make: {@code prantel.server.security.Access}. */
public enum Role {
    /** People and bays. */
    ADMINISTRATOR,
    /** What an assessor does, and what concerns all of them. */
    LEAD,
    ASSESSOR,
    /** Rigs, their healthy readings, instruments and bays; no marks. */
    TECHNICIAN,
    /** Their own sheets and nothing else. */
    CANDIDATE;

    public boolean mayAssess() {
        return this == ASSESSOR || this == LEAD;
    }
}
