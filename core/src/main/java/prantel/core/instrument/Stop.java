package prantel.core.instrument;

/** Why a test could not be finished. */
public enum Stop {
    /** A device opened before there was a reading. */
    TRIPPED("tripped"),
    /** No voltage, or too little for the tester to work with. */
    NO_SUPPLY("no supply"),
    /** With three leads: voltage between neutral and earth, so that the tester refuses. */
    NEUTRAL_LIVE("voltage on the neutral");

    private final String words;

    Stop(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
