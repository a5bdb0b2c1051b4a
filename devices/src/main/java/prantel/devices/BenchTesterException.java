package prantel.devices;

/** A reading that could not be taken: nothing was recorded. */
public final class BenchTesterException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final Kind kind;

    public enum Kind {
        /** Nobody answers, or no longer. */
        NO_CONTACT,
        /** Somebody else has it. */
        IN_USE,
        /** It is set to something else than the box is read with. */
        WRONG_FUNCTION,
        /** Something answers that is no tester, or not as one. */
        GARBAGE,
        /** The tester says why it does not. */
        REFUSED
    }

    public BenchTesterException(Kind kind, String message) {
        super(message);
        this.kind = kind;
    }

    public Kind kind() {
        return kind;
    }
}
