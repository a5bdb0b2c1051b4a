package prantel.core.feedback;

import java.util.Optional;
import prantel.core.inference.Cause;

/** What to do otherwise the next time, by what a reading came from. Common practice, no source. */
final class Advice {
    private Advice() {}

    /** Empty where the candidate had no part in it. */
    static Optional<String> of(Cause cause) {
        return Optional.ofNullable(
                switch (cause) {
                    case LEADS_NOT_NULLED, NULLED_WRONG ->
                        "Null the leads with the clips you are going to use, then touch them together: the display has to"
                                + " read zero before the first reading, and again after a change of clip.";
                    case ANOTHER_POINT, NEIGHBOUR ->
                        "Say the point aloud before you put the probe on it, and write the reading before you move on.";
                    case ANOTHER_BOX -> "Write each reading in its box at once, before the next one is taken.";
                    case LOWEST_RECORDED, MIDDLE_RECORDED ->
                        "Take a reading at every point, then look for the highest: that is the one for the record.";
                    case FASTER_RECORDED -> "Test on both half-cycles; the slower of the two times goes on the record.";
                    case NOT_DOUBLED, DOUBLED ->
                        "Ask what the current for the record stands for, then look up how it follows from the ones you read.";
                    case HEALTHY_VALUE ->
                        "Write what the instrument shows, also where you expected something else: that difference is the finding.";
                    case SLIP_OF_TEN ->
                        "Read the unit on the display with the number, and hold both against what you expected.";
                    case LINK_MISSING ->
                        "Put the link in first and look at it; a reading that is open where the circuit is sound sends you"
                                + " back to the board.";
                    case SWITCH_OPEN, OTHER_POSITION ->
                        "Work each switch while the instrument is on, and note in which position you read.";
                    case NOT_CROSSED, ONE_PAIR ->
                        "Lay out the ends of both legs, name them, and cross line of the one with the other conductor of the"
                                + " other; equal readings all round tell you that they are crossed.";
                    case NOT_DIVIDED, HALVED ->
                        "Draw the ring as two halves in parallel, then work out what a reading at a socket has to be.";
                    case LOAD_LEFT_IN ->
                        "Take out or switch off everything that is connected, and look at each before you press the button.";
                    case NEUTRAL_LEFT_IN, DEVICE_LEFT_ON ->
                        "Go along the board before this test: what is off, what is out, and what is still joined.";
                    case CPC_OFF_BAR -> "Look where the CPC goes before this test, and put it back where it belongs.";
                    case LEAD_BROKEN ->
                        "Join the leads before each test: a lead that is open reads like a circuit that is open.";
                    case WRONG_RANGE ->
                        "Begin on the range that holds what you expect, and change it when the display says over-range or leaves"
                                + " digits out.";
                    case WRONG_VOLTS -> "Say the test voltage aloud for this circuit before you press the button.";
                    case BOND_LEFT_ON, EARTH_LEFT_ON ->
                        "Ask what else joins the two ends you measure between, and take one end off where the procedure wants it.";
                    case EARTH_LEFT_OFF ->
                        "Put the earth back at once after its test, look at it, and only then go on: nothing is live without it.";
                    case ENDS_LEFT_IN ->
                        "Take both ends out, hold them apart, and put one probe on each: joined, they read as nothing.";
                    case CURRENT_OF_ZE ->
                        "Take the current from the test that is meant for it; the one beside an impedance is worked out from"
                                + " that impedance.";
                    case CALCULATED, COPIED_CALCULATION, COPIED_RECORD, ROUND_NUMBERS ->
                        "Write down what the instrument shows, then hold it against what you have worked out.";
                    case TESTER_OFF,
                            TESTER_STUCK,
                            LEADS_LEAK,
                            CIRCUIT_AS_BUILT,
                            FAULT_NOT_SET,
                            FAULT_ELSEWHERE,
                            FAULT_LEFT_OVER,
                            FAULT_DRIFTED,
                            ANOTHER_FAULT -> null;
                });
    }
}
