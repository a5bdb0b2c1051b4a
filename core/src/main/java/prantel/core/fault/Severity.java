package prantel.core.fault;

/** Code an observation gets on a condition report. From memory of BS 7671 practice; the inspector decides. */
public enum Severity {
    C1("danger present"),
    C2("potentially dangerous"),
    C3("improvement recommended"),
    FI("further investigation");

    private final String words;

    Severity(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
