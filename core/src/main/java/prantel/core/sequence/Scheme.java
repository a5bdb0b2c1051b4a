package prantel.core.sequence;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import prantel.core.quantity.Check;
import prantel.core.rig.Variation;

/**
 * An assessor's school as data: tolerances, options and pass rule.
 *
 * @param options what its school decides
 * @param asked the tests it asks for
 * @param insulationVolts test voltages in the order they are applied; the last one is judged
 * @param passShare share of the marks needed, 0 to 1
 */
public record Scheme(
        String id,
        int version,
        String name,
        Tolerances tolerances,
        Options options,
        Set<TestStep> asked,
        List<Integer> insulationVolts,
        double passShare) {
    public Scheme {
        Check.id(id, "id");
        Check.name(name, "name");
        Check.between(passShare, 0, 1, "passShare", "(share of the marks)");
        insulationVolts = List.copyOf(insulationVolts);
        asked = Collections.unmodifiableSet(EnumSet.copyOf(asked));
    }

    /** The workshop's own, dead tests: either continuity method, insulation at 250 V first and then at 500 V. */
    public static Scheme workshop() {
        return new Scheme(
                "workshop",
                1,
                "Workshop scheme",
                Tolerances.usual(),
                Options.usual(),
                EnumSet.of(TestStep.BONDING, TestStep.R1_R2, TestStep.R2, TestStep.RING, TestStep.INSULATION),
                List.of(250, 500),
                0.75);
    }

    /** Every test of the sequence, dead and live, as the workshop does them. */
    public static Scheme fullSequence() {
        return workshop().asking("full-sequence", "Full sequence", EnumSet.allOf(TestStep.class));
    }

    public Scheme asking(String newId, String newName, Set<TestStep> steps) {
        return new Scheme(newId, version, newName, tolerances, options, steps, insulationVolts, passShare);
    }

    public Scheme with(Options other) {
        return new Scheme(id, version, name, tolerances, other, asked, insulationVolts, passShare);
    }

    public boolean asks(TestStep step) {
        return asked.contains(step);
    }

    /**
     * Where schools of practice differ.
     *
     * @param bondsInPlace bonds measured from earth bar to pipe with everything connected, not with one end off
     * @param joinedInsulation line and neutral joined and tested to earth only
     * @param everySwitchRound n + 1 rounds for n switches; otherwise first and last position only
     * @param fiveTimes the 5 × IΔn test too
     * @param ramp the ramp test too
     * @param lineToLineIpf three-phase fault current measured between lines; otherwise twice the highest
     * @param everyZs Zs measured at every point; otherwise at the last one, and calculated
     * @param hotZs limit corrected for temperature; otherwise 80 %
     * @param threeLeadZe Ze with three leads and low current
     * @param asNzs maxima of the AS/NZS 3000 school for earth conductors
     * @param twoTimes the 2 × IΔn test too
     */
    public record Options(
            boolean bondsInPlace,
            Yardstick yardstick,
            boolean joinedInsulation,
            boolean everySwitchRound,
            boolean fiveTimes,
            boolean ramp,
            boolean lineToLineIpf,
            boolean everyZs,
            boolean hotZs,
            boolean threeLeadZe,
            boolean asNzs,
            boolean twoTimes) {
        /** Without the rare 2 × IΔn test. */
        public Options(
                boolean bondsInPlace,
                Yardstick yardstick,
                boolean joinedInsulation,
                boolean everySwitchRound,
                boolean fiveTimes,
                boolean ramp,
                boolean lineToLineIpf,
                boolean everyZs,
                boolean hotZs,
                boolean threeLeadZe,
                boolean asNzs) {
            this(
                    bondsInPlace,
                    yardstick,
                    joinedInsulation,
                    everySwitchRound,
                    fiveTimes,
                    ramp,
                    lineToLineIpf,
                    everyZs,
                    hotZs,
                    threeLeadZe,
                    asNzs,
                    false);
        }

        public static Options usual() {
            return new Options(false, Yardstick.FIXED, false, true, true, true, false, true, false, false, false);
        }
    }

    /** What a bond is held against. */
    public enum Yardstick {
        /** 0.05 Ω. */
        FIXED,
        /** What its length and size give, with the scheme's tolerance. */
        BY_LENGTH,
        /** 0.5 Ω. */
        HALF_OHM
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
     * @param supplyPercent source impedances and electrodes move by ± this over a day, %
     * @param voltsLowPercent the voltage may be this much below nominal, %: what is lawful
     * @param voltsHighPercent and this much above
     * @param tripPercent a sound device's times and tripping current repeat to ± this, %
     * @param handsOhms clip, probe and what is left after nulling leave up to this in a continuity reading, Ω, and may take
     *     half of it off
     */
    public record Tolerances(
            double cableLowPercent,
            double cableHighPercent,
            double kelvin,
            double jointsLow,
            double jointsHigh,
            double insulationLow,
            double insulationHigh,
            double setResistorPercent,
            double supplyPercent,
            double voltsLowPercent,
            double voltsHighPercent,
            double tripPercent,
            double handsOhms) {
        /** Of copper at 20 °C, per K. Source: IEC 60028. */
        public static final double COPPER_PER_KELVIN = 0.00393;

        public static Tolerances usual() {
            return new Tolerances(8, 2, 5, 0.3, 4, 0.2, 50, 5, 10, 6, 10, 15, 0.02);
        }

        /**
         * The end at which every impedance is least and the voltage greatest: most current flows, a resistance reads lowest,
         * a device trips soonest.
         */
        public Variation low() {
            return new Variation(
                    (1 - cableLowPercent / 100) * (1 - COPPER_PER_KELVIN * kelvin),
                    jointsLow,
                    insulationLow,
                    1 - setResistorPercent / 100,
                    1 - supplyPercent / 100,
                    1 + voltsHighPercent / 100,
                    1 - tripPercent / 100);
        }

        /** The other end: least current, highest resistance, latest trip. */
        public Variation high() {
            return new Variation(
                    (1 + cableHighPercent / 100) * (1 + COPPER_PER_KELVIN * kelvin),
                    jointsHigh,
                    insulationHigh,
                    1 + setResistorPercent / 100,
                    1 + supplyPercent / 100,
                    1 - voltsLowPercent / 100,
                    1 + tripPercent / 100);
        }
    }
}
