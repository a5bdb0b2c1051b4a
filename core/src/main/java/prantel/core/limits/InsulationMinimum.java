package prantel.core.limits;

/** Least insulation resistance of a circuit. Source: BS 7671 Table 64, the same as IEC 60364-6 Table 6.1. */
public final class InsulationMinimum {
    /** Circuits up to 500 V, tested at 500 V DC: 1.0 MΩ. */
    public static final double UP_TO_500_VOLTS_OHMS = 1.0e6;

    public static final String SOURCE = "BS 7671 Table 64 (IEC 60364-6 Table 6.1)";

    /** SELV and PELV, tested at 250 V DC: 0.5 MΩ. */
    public static final double EXTRA_LOW_OHMS = 0.5e6;

    private InsulationMinimum() {}
}
