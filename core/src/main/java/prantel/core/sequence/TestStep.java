package prantel.core.sequence;

/** The tests of the sequence that ask for readings, in the order they are done. */
public enum TestStep {
    BONDING("Main bonding"),
    R1_R2("R1+R2, method 1"),
    R2("R2, method 2"),
    INSULATION("Insulation");

    private final String label;

    TestStep(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** The other way to prove the same thing: a candidate takes one of the two. Null where there is none. */
    public @org.jspecify.annotations.Nullable TestStep alternative() {
        return switch (this) {
            case R1_R2 -> R2;
            case R2 -> R1_R2;
            case BONDING, INSULATION -> null;
        };
    }
}
