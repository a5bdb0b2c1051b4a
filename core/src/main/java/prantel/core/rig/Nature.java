package prantel.core.rig;

import prantel.core.limits.InsulationMinimum;

/**
 * The voltage a circuit works at, where it is not the board's own. A separated one is behind a transformer: it is tested
 * for insulation alone, with the voltage of its nature (BS 7671 Table 64 = IEC 60364-6 Table 6.1).
 */
public enum Nature {
    /** Up to 500 V, fed by the board as it is. */
    LOW("low", "low voltage", false),
    /** Separated extra-low voltage. */
    SELV("selv", "SELV", true),
    /** Protective extra-low voltage. */
    PELV("pelv", "PELV", true),
    /** Functional extra-low voltage: tested as the primary side is. */
    FELV("felv", "FELV", false),
    /** Above 500 V, behind a step-up transformer. */
    ABOVE_500("above-500-v", "above 500 V", true);

    private final String id;
    private final String label;
    private final boolean separated;

    Nature(String id, String label, boolean separated) {
        this.id = id;
        this.label = label;
        this.separated = separated;
    }

    public String id() {
        return id;
    }

    public String label() {
        return label;
    }

    /** Test voltage of its insulation where it has one of its own, V DC; a low-voltage circuit has the scheme's. */
    public int insulationVolts() {
        return this == ABOVE_500 ? 1000 : isExtraLow() ? 250 : 500;
    }

    /** Least insulation, Ω. */
    public double leastInsulationOhms() {
        return isExtraLow() ? InsulationMinimum.EXTRA_LOW_OHMS : InsulationMinimum.UP_TO_500_VOLTS_OHMS;
    }

    private boolean isExtraLow() {
        return this == SELV || this == PELV;
    }

    /** Whether no conductor of it is one of the board's. */
    public boolean isSeparated() {
        return separated;
    }
}
