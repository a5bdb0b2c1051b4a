package prantel.core.inference;

/** What a wrong reading can come from: what somebody did, the tester, or the rig. Priors: common practice, no source. */
public enum Cause {
    LEADS_NOT_NULLED(
            "Leads probably not nulled", -2.5, "Show me what you did with the leads before the first reading."),
    NULLED_WRONG("Leads probably nulled wrongly", -5, "Show me what you did with the leads before the first reading."),
    ANOTHER_POINT("Value of another point", -3, "At which point did you take this one?"),
    ANOTHER_BOX("Value of another box", -3, "Which test is this value from?"),
    LOWEST_RECORDED(
            "Lowest recorded instead of the highest", -2, "Which of your readings goes on the record, and why?"),
    MIDDLE_RECORDED(
            "Neither the highest nor the lowest recorded", -3, "Which of your readings goes on the record, and why?"),
    FASTER_RECORDED("The faster time recorded", -2, "Which of the two times goes on the record, and why?"),
    NOT_DOUBLED("Fault current not doubled", -2, "How does one get from these currents to the one for the record?"),
    DOUBLED(
            "Fault current doubled where it is measured",
            -3,
            "How does one get from these currents to the one for the record?"),
    HEALTHY_VALUE("Value of the healthy circuit", -3.5, "How did you arrive at this value?"),
    SLIP_OF_TEN("Decimal point or unit slipped", -3.5, "Read me this value with its unit."),
    LINK_MISSING("Link at the board missing", -3, "Where were line and CPC linked for this reading?"),
    SWITCH_OPEN("A switch was open", -3, "In which position were the switches?"),
    OTHER_POSITION("Reading of another switch position", -3, "In which position were the switches?"),
    NOT_CROSSED("Legs of the ring joined to themselves", -3, "Which ends did you join for this step?"),
    ONE_PAIR("One pair of ends joined only", -4, "Which ends did you join for this step?"),
    NOT_DIVIDED("Not divided by four", -3.5, "How does this follow from r1 and rn or r2?"),
    HALVED("Divided by two", -4, "How does this follow from r1 and rn or r2?"),
    LOAD_LEFT_IN("A load left connected", -4, "What did you take out or switch off before this test?"),
    NEUTRAL_LEFT_IN("Neutral left in its bar", -4, "Which conductors were out for this test?"),
    DEVICE_LEFT_ON("Device left on", -4.5, "What was switched off for this test?"),
    CPC_OFF_BAR("CPC not on the earth bar", -4, "Where was the CPC for this test?"),
    LEAD_BROKEN("A lead open", -4.5, "How did you check the leads?"),
    WRONG_RANGE("The tester on another range", -4, "On which range was the tester for this reading?"),
    WRONG_VOLTS("Tested at 250 V", -4.5, "Which voltage did you choose?"),
    BOND_LEFT_ON("Bond not taken off for its test", -3.5, "Which end was off for this reading?"),
    EARTH_LEFT_ON("Earthing conductor not taken off", -3.5, "What was connected to the earth for this reading?"),
    EARTH_LEFT_OFF("Earthing conductor not put back", -4.5, "What was put back before the first live test?"),
    ENDS_LEFT_IN("Ends of the ring left in their terminals", -3.5, "Where were both ends for this reading?"),
    CURRENT_OF_ZE("Current shown at the Ze test copied", -3.5, "Where did you read this current?"),
    CALCULATED("Agrees to the digit with Ze + R1+R2", -5.5, "How did you arrive at these values?"),
    COPIED_CALCULATION("Agrees to the digit with length and table", -6, "How did you arrive at these values?"),
    NEIGHBOUR("Values of another circuit", -5, "Which circuit are these values of?"),
    COPIED_RECORD("Agrees to the digit with another record of this rig", -6, "How did you arrive at these values?"),
    ROUND_NUMBERS(
            "Round numbers, other than an instrument shows here", -6, "Take this reading once more while I look on."),
    TESTER_OFF(
            "The tester seems to read high or low throughout",
            -7,
            "Look at the tester first: hold it against a check box before anybody is asked."),
    TESTER_STUCK(
            "The tester seems to show the same everywhere",
            -6,
            "Look at the tester first: its battery, its fuse, a check box."),
    LEADS_LEAK(
            "Insulation reads low throughout: the tester or its leads leak, or the day is damp",
            -4,
            "Look at the tester first: with its leads apart it has to show over-range."),
    CIRCUIT_AS_BUILT(
            "The circuit's cable seems to differ from the drawing",
            -6,
            "Look at the rig first: hold this circuit's cable against the drawing before anybody is asked."),
    FAULT_NOT_SET(
            "A set fault seems not to be there",
            -4,
            "Look at the rig first: take the check readings again before anybody is asked."),
    FAULT_ELSEWHERE(
            "A set fault seems to be elsewhere",
            -5,
            "Look at the rig first: take the check readings again before anybody is asked."),
    FAULT_LEFT_OVER(
            "Something else seems to be wrong with the rig",
            -5.5,
            "Look at the rig first: take the check readings again before anybody is asked."),
    FAULT_DRIFTED(
            "A set fault seems to have another size",
            -5,
            "Look at the rig first: take the check readings again before anybody is asked."),
    ANOTHER_FAULT(
            "Another fault seems to be set instead",
            -9,
            "Look at the rig first: take the check readings again before anybody is asked.");

    private final String label;
    private final double logPrior;
    private final String question;

    Cause(String label, double logPrior, String question) {
        this.label = label;
        this.logPrior = logPrior;
        this.question = question;
    }

    /** As a scheme file names it: "leads-not-nulled". */
    public String fileName() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return label;
    }

    /** How common it is, natural logarithm; shared among its places. */
    double logPrior() {
        return logPrior;
    }

    /** What to ask the candidate: a question that leaves the answer open; for a cause of the rig, what to look at instead. */
    public String question() {
        return question;
    }

    /** Whether it is the rig's or the tester's and nobody's: that is looked at first. */
    public boolean isOfTheRig() {
        return this == TESTER_OFF || this == TESTER_STUCK || this == LEADS_LEAK || isOfWhoeverStandsThere();
    }

    /** Whether its worlds are steps of one size, the likeliest of which speaks for all. */
    boolean isOfASize() {
        return switch (this) {
            case LEADS_NOT_NULLED, NULLED_WRONG, SLIP_OF_TEN, TESTER_OFF, LEADS_LEAK, CIRCUIT_AS_BUILT, FAULT_DRIFTED ->
                true;
            default -> false;
        };
    }

    /** Whether everybody at the same rig reads it, whatever they do and with whatever tester. */
    boolean isOfWhoeverStandsThere() {
        return this == CIRCUIT_AS_BUILT || isAFault();
    }

    /** Whether it says that something else is set than what is meant to be. */
    public boolean isAFault() {
        return switch (this) {
            case FAULT_NOT_SET, FAULT_ELSEWHERE, FAULT_LEFT_OVER, FAULT_DRIFTED, ANOTHER_FAULT -> true;
            default -> false;
        };
    }

    /** Whether it only asks: several boxes agree to the digit with what was not measured, and that can be chance. */
    public boolean onlyAsks() {
        return this == CALCULATED || this == COPIED_CALCULATION || this == COPIED_RECORD || this == ROUND_NUMBERS;
    }
}
