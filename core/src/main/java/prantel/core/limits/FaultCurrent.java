package prantel.core.limits;

import prantel.core.quantity.Check;

/** Prospective fault currents from loop impedances taken as resistances, A. Derived from physics. */
public final class FaultCurrent {
    private FaultCurrent() {}

    /** U0 / Z. @param loopOhms whole loop, Ω, above 0 */
    public static double loopAmps(double u0Volts, double loopOhms) {
        Check.positive(u0Volts, "U0", "V");
        Check.positive(loopOhms, "Z", "Ω");
        return u0Volts / loopOhms;
    }

    /** All three lines together: U0 / ZL. @param lineOhms one line from the source, Ω, above 0 */
    public static double threePhaseAmps(double u0Volts, double lineOhms) {
        return loopAmps(u0Volts, lineOhms);
    }

    /** Two lines: √3·U0 / (2·ZL), 0.866 of all three. */
    public static double lineToLineAmps(double u0Volts, double lineOhms) {
        return Math.sqrt(3) * loopAmps(u0Volts, 2 * lineOhms);
    }
}
