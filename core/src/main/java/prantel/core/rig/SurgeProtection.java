package prantel.core.rig;

/** How a surge protective device of a board is connected, behind the main switch. */
public enum SurgeProtection {
    NONE("none"),
    /** A varistor from each line to the neutral, a spark gap from the neutral to earth. */
    TO_NEUTRAL("to-neutral"),
    /** A varistor from each line, and from the neutral, to earth. */
    TO_EARTH("to-earth");

    private final String id;

    SurgeProtection(String id) {
        this.id = id;
    }

    public String id() {
        return id;
    }
}
