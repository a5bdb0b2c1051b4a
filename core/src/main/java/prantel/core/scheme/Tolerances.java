package prantel.core.scheme;

import prantel.core.quantity.Check;
import prantel.core.rig.Variation;

/**
 * How far a sound rig may be from its declaration. Common practice, no source, except the temperature coefficient.
 *
 * @param cable of conductors
 * @param kelvin the workshop may be this much off 20 °C, K
 * @param joints factors on declared joints: very good ones, worn ones
 * @param insulation factors on declared insulation: on a damp day, on a dry one
 * @param supply of what feeds the rig
 * @param setResistorPercent a resistor or leak set as a fault is right to ± this, %
 * @param handsOhms clip, probe and what is left after nulling leave up to this in a continuity reading, Ω, and may take
 *     half of it off
 */
public record Tolerances(
        Cable cable,
        double kelvin,
        Factors joints,
        Factors insulation,
        Supply supply,
        double setResistorPercent,
        double handsOhms) {
    /** Of copper at 20 °C, per K. Source: IEC 60028. */
    public static final double COPPER_PER_KELVIN = 0.00393;

    public Tolerances {
        Check.all(
                () -> Check.between(kelvin, 0, 40, "kelvin", "K"),
                () -> Check.between(setResistorPercent, 0, 50, "setResistorPercent", "%"),
                () -> Check.between(handsOhms, 0, 0.5, "handsOhms", "Ω"));
    }

    /**
     * @param lowPercent conductors may have this much less than the table's maximum, %
     * @param highPercent and this much more: cut length, %
     */
    public record Cable(double lowPercent, double highPercent) {
        public Cable {
            Check.all(
                    () -> Check.between(lowPercent, 0, 50, "lowPercent", "%"),
                    () -> Check.between(highPercent, 0, 50, "highPercent", "%"));
        }
    }

    /** @param low factor at the low end, above 0 and at most 1 @param high at the high end, at least 1 */
    public record Factors(double low, double high) {
        public Factors {
            Check.all(
                    () -> Check.between(low, 0.001, 1, "low", "(a factor)"),
                    () -> Check.between(high, 1, 1000, "high", "(a factor)"));
        }
    }

    /**
     * @param impedancePercent source impedances and electrodes move by ± this over a day, %
     * @param voltsLowPercent the voltage may be this much below nominal, %: what is lawful
     * @param voltsHighPercent and this much above
     * @param tripPercent a sound device's tripping current repeats to ± this, %
     * @param tripTimePercent its times repeat to ± this, %: they depend on where in the half wave the test begins
     */
    public record Supply(
            double impedancePercent,
            double voltsLowPercent,
            double voltsHighPercent,
            double tripPercent,
            double tripTimePercent) {
        public Supply {
            Check.all(
                    () -> Check.between(impedancePercent, 0, 80, "impedancePercent", "%"),
                    () -> Check.between(voltsLowPercent, 0, 30, "voltsLowPercent", "%"),
                    () -> Check.between(voltsHighPercent, 0, 30, "voltsHighPercent", "%"),
                    () -> Check.between(tripPercent, 0, 80, "tripPercent", "%"),
                    () -> Check.between(tripTimePercent, 0, 80, "tripTimePercent", "%"));
        }
    }

    /** What holds where no scheme speaks: the safety check. Common practice, no source. */
    public static Tolerances usual() {
        return new Tolerances(
                new Cable(8, 2), 5, new Factors(0.3, 4), new Factors(0.2, 50), new Supply(10, 6, 10, 15, 25), 5, 0.02);
    }

    /**
     * The end at which every impedance is least and the voltage greatest: most current flows, a resistance reads lowest, a
     * device trips soonest.
     */
    public Variation low() {
        return new Variation(
                (1 - cable.lowPercent / 100) * (1 - COPPER_PER_KELVIN * kelvin),
                joints.low,
                insulation.low,
                1 - setResistorPercent / 100,
                1 - supply.impedancePercent / 100,
                1 + supply.voltsHighPercent / 100,
                new Variation.Trip(1 - supply.tripPercent / 100, 1 - supply.tripTimePercent / 100));
    }

    /** The other end: least current, highest resistance, latest trip. */
    public Variation high() {
        return new Variation(
                (1 + cable.highPercent / 100) * (1 + COPPER_PER_KELVIN * kelvin),
                joints.high,
                insulation.high,
                1 + setResistorPercent / 100,
                1 + supply.impedancePercent / 100,
                1 - supply.voltsLowPercent / 100,
                new Variation.Trip(1 + supply.tripPercent / 100, 1 + supply.tripTimePercent / 100));
    }
}
