package prantel.server.account;

/** What a person may do. */
public enum Role {
    /** Everything an assessor may, and people, bays and files. */
    ADMINISTRATOR,
    ASSESSOR,
    /** Their own sheets and nothing else. */
    CANDIDATE;

    public boolean mayAssess() {
        return this != CANDIDATE;
    }
}
