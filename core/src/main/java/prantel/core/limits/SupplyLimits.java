package prantel.core.limits;

/** What a supply may be: greatest Ze by arrangement, lawful voltage, touch voltage, usable electrode. */
public final class SupplyLimits {
    /** Usual declared maxima, Ω. Common practice, no source. */
    public static final double ZE_TN_C_S_OHMS = 0.35;

    public static final double ZE_TN_S_OHMS = 0.8;
    /** Supply side of a TT system, Ω; the installation's own electrode comes on top. Common practice, no source. */
    public static final double TT_SUPPLY_SIDE_OHMS = 21;
    /** An electrode above this is unstable, Ω. Common practice, no source. */
    public static final double ELECTRODE_STABLE_OHMS = 200;

    public static final String ELECTRODE_SOURCE = "above this an electrode is unstable: common practice, no source";

    public static final String ZE_SOURCE = "usual declared maxima, common practice, no source";
    /** 230 V +10/−6 %. Source: UK ESQCR, from memory. */
    public static final double LOWEST_VOLTS = 216.2;

    public static final double HIGHEST_VOLTS = 253;
    /** The same between two lines, √3 times as much, rounded as the trade writes it. */
    public static final double LOWEST_LINE_VOLTS = 374;

    public static final double HIGHEST_LINE_VOLTS = 438;
    public static final String VOLTS_SOURCE = "UK ESQCR, 230 V +10/−6 % (from memory)";
    /** Above this between neutral and earth there is more than noise, V. Common practice, no source. */
    public static final double NEUTRAL_EARTH_VOLTS = 10;
    /** Touch voltage limit, V. Source: BS 7671 411.5.3. */
    public static final double TOUCH_VOLTS = 50;

    private SupplyLimits() {}

    /** What a voltage is held against. @param fromNeutral neutral to earth @param single a line to neutral or earth */
    public static Limit voltage(boolean fromNeutral, boolean single) {
        if (fromNeutral) {
            return Limit.atMost(NEUTRAL_EARTH_VOLTS, "more than noise: common practice, no source", "");
        }
        return single
                ? Limit.within(LOWEST_VOLTS, HIGHEST_VOLTS, VOLTS_SOURCE)
                : Limit.within(LOWEST_LINE_VOLTS, HIGHEST_LINE_VOLTS, VOLTS_SOURCE);
    }
}
