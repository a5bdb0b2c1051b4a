package prantel.devices;

/** The box did not do what was asked. The message says so for people. */
public final class FaultBoxException extends Exception {
    private static final long serialVersionUID = 1L;

    /** What went wrong. */
    public enum Why {
        /** No answer: no power, no network, wrong address. */
        UNREACHABLE,
        /** Another server holds it. */
        BUSY,
        /** It answered that it will not. */
        REFUSED
    }

    private final Why why;
    private final String says;

    FaultBoxException(Why why, String message) {
        super(message);
        this.why = why;
        this.says = message;
    }

    /** For people, one sentence. */
    public String says() {
        return says;
    }

    public Why why() {
        return why;
    }
}
