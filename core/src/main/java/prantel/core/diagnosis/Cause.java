package prantel.core.diagnosis;

/** A known way to get a wrong reading. */
public enum Cause {
    LEADS_NOT_NULLED("Leads probably not nulled", 0.9, "Show me what you did with the leads before the first reading."),
    ANOTHER_POINT("Value of another point", 0.7, "At which point did you take this one?"),
    LOWEST_RECORDED(
            "Lowest recorded instead of the highest", 0.9, "Which of your readings goes on the record, and why?"),
    HEALTHY_VALUE("Value of the healthy circuit", 0.6, "How did you arrive at this value?"),
    SLIP_OF_TEN("Decimal point or unit slipped", 0.8, "Read me this value with its unit."),
    LINK_MISSING("Link at the board missing", 0.7, "Where were line and CPC linked for this reading?");

    private final String label;
    private final double prior;
    private final String question;

    Cause(String label, double prior, String question) {
        this.label = label;
        this.prior = prior;
        this.question = question;
    }

    public String label() {
        return label;
    }

    /** How common it is among causes that fit equally well, 0 to 1. Common practice, no source. */
    double prior() {
        return prior;
    }

    /** What to ask the candidate: a question that leaves the answer open. */
    public String question() {
        return question;
    }
}
