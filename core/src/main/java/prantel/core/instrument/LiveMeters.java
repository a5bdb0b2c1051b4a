package prantel.core.instrument;

import java.util.List;
import prantel.core.quantity.Unit;

/**
 * The functions of a tester that are used on a live rig.
 *
 * @param loopTwoLead high current, two leads
 * @param loopThreeLead low current, three leads: does not trip an RCD
 * @param rcdTime shows ms
 * @param rcdCurrent the ramp: shows mA
 */
public record LiveMeters(
        Meter voltmeter,
        Meter loopTwoLead,
        Meter loopThreeLead,
        Meter faultCurrent,
        Meter rcdTime,
        Meter rcdCurrent,
        Meter clamp) {
    /** What a two-lead loop test draws, A. Common practice, no source. */
    public static final double TWO_LEAD_AMPS = 4;
    /** What a three-lead loop test draws, A. Common practice, no source. */
    public static final double THREE_LEAD_AMPS = 0.015;
    /** A loop or RCD test gives no reading on less, V. Common practice, no source. */
    public static final double LEAST_VOLTS = 100;

    /** With more between neutral and earth a three-lead test refuses, V. Common practice, no source. */
    public static final double NEUTRAL_VOLTS = 20;

    /** What a voltage indicator loads the circuit with, Ω: a floating conductor shows next to nothing. Common practice. */
    public static final double INDICATOR_OHMS = 300e3;

    /** Usual data-sheet figures. Common practice, no source. */
    public static LiveMeters usual() {
        return new LiveMeters(
                new Meter(List.of(new Range(999, 1, Unit.VOLT)), 2, 2),
                loop(5, 5),
                loop(10, 10),
                new Meter(List.of(new Range(999, 1, Unit.AMP), new Range(26, 0.01, Unit.KILOAMP)), 5, 5),
                new Meter(List.of(new Range(99.9, 0.1, Unit.MILLISECOND), new Range(1999, 1, Unit.MILLISECOND)), 1, 1),
                new Meter(List.of(new Range(999, 0.5, Unit.MILLIAMP)), 5, 1),
                new Meter(List.of(new Range(99.9, 0.1, Unit.AMP), new Range(400, 1, Unit.AMP)), 3, 3));
    }

    private static Meter loop(double percent, int digits) {
        return new Meter(
                List.of(
                        new Range(19.99, 0.01, Unit.OHM),
                        new Range(199.9, 0.1, Unit.OHM),
                        new Range(1999, 1, Unit.OHM)),
                percent,
                digits);
    }
}
