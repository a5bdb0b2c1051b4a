package prantel.core.sequence;

import java.util.List;
import prantel.core.quantity.Check;
import prantel.core.rig.Variation;

/**
 * An assessor's school as data: tolerances, options and pass rule.
 *
 * @param insulationVolts test voltages in the order they are applied; the last one is judged
 * @param passShare share of the marks needed, 0 to 1
 */
public record Scheme(
        String id, int version, String name, Tolerances tolerances, List<Integer> insulationVolts, double passShare) {
    public Scheme {
        Check.id(id, "id");
        Check.name(name, "name");
        Check.between(passShare, 0, 1, "passShare", "(share of the marks)");
        insulationVolts = List.copyOf(insulationVolts);
    }

    /** The workshop's own: BS 7671 style, either continuity method, insulation at 250 V first and then at 500 V. */
    public static Scheme workshop() {
        return new Scheme("workshop", 1, "Workshop scheme", Tolerances.usual(), List.of(250, 500), 0.75);
    }

    /**
     * How far a sound rig may be from its declaration. Common practice, no source, except the temperature coefficient.
     *
     * @param cableLowPercent conductors may have this much less than the table's maximum, %
     * @param cableHighPercent and this much more: cut length, %
     * @param kelvin the workshop may be this much off 20 °C, K
     * @param jointsLow factor on declared joints when they are very good
     * @param jointsHigh factor on declared joints when they are worn
     * @param insulationLow factor on declared insulation on a damp day
     * @param insulationHigh factor on a dry one
     * @param setResistorPercent a resistor or leak set as a fault is right to ± this, %
     */
    public record Tolerances(
            double cableLowPercent,
            double cableHighPercent,
            double kelvin,
            double jointsLow,
            double jointsHigh,
            double insulationLow,
            double insulationHigh,
            double setResistorPercent) {
        /** Of copper at 20 °C, per K. Source: IEC 60028. */
        public static final double COPPER_PER_KELVIN = 0.00393;

        public static Tolerances usual() {
            return new Tolerances(8, 2, 5, 0.3, 4, 0.2, 50, 5);
        }

        /** All at their low end together. */
        public Variation low() {
            return new Variation(
                    (1 - cableLowPercent / 100) * (1 - COPPER_PER_KELVIN * kelvin),
                    jointsLow,
                    insulationLow,
                    1 - setResistorPercent / 100);
        }

        /** All at their high end together. */
        public Variation high() {
            return new Variation(
                    (1 + cableHighPercent / 100) * (1 + COPPER_PER_KELVIN * kelvin),
                    jointsHigh,
                    insulationHigh,
                    1 + setResistorPercent / 100);
        }
    }
}
