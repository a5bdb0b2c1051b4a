package prantel.core.limits;

import prantel.core.quantity.Check;

/** Greatest earth fault loop impedance with which a device still disconnects in time. */
public final class ZsLimit {
    /** Lowest voltage factor. Source: BS 7671 411.4.4. */
    public static final double C_MIN = 0.95;

    /** Share of the limit that a reading taken cold may have. Common practice, no source. */
    public static final double COLD_SHARE = 0.8;

    private ZsLimit() {}

    /**
     * Cmin · U0 / Ia.
     *
     * @param u0Volts nominal line to earth, V, above 0
     * @param iaAmps operating current in the required time, A, above 0
     * @return Ω, conductors at operating temperature
     * @throws prantel.core.quantity.ProblemsException if either is not above 0, naming it and its unit
     *     <p>Source: BS 7671 411.4.4. Worked: B32 at 230 V, Ia = 160 A, gives 1.37 Ω.
     */
    public static double zsMaxOhms(double u0Volts, double iaAmps) {
        Check.positive(u0Volts, "U0", "V");
        Check.positive(iaAmps, "Ia", "A");
        return C_MIN * u0Volts / iaAmps;
    }

    /**
     * What is left for R1+R2 of a circuit when a cold reading is held against 80 % of the Zs limit.
     *
     * @param zeOhms declared external loop impedance, Ω
     * @return Ω; below 0 where the supply alone uses the limit up
     */
    public static double r1PlusR2MaxColdOhms(double u0Volts, Overcurrent device, double zeOhms) {
        return COLD_SHARE * device.zsMaxOhms(u0Volts) - zeOhms;
    }
}
