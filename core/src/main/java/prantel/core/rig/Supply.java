package prantel.core.rig;

import java.util.List;
import java.util.Optional;
import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/**
 * The supply as it arrives at the rig. What it is and what it is declared to be may differ: a bay can declare TN-S while
 * the building is TN-C-S; readings follow what it is, limits what is declared.
 *
 * <pre>
 *   source ── ZL1, ZL2, ZL3 ── lines            TN-S   source ── earth path ── earth terminal
 *     │    ── ZN ───────────── neutral          TN-C-S neutral ── link ─────── earth terminal
 *     └ source electrode ─ mass of earth        TT     mass of earth ─ electrode ─ earth terminal
 * </pre>
 *
 * @param nominalVolts U0, line to earth, V
 * @param lines source to each line terminal: one or three
 * @param neutral source to neutral terminal: the PEN conductor in TN-C-S
 * @param earth how the building is earthed
 * @param tails from the supply's terminals to the main switch; Ze is measured before them, Zs behind
 */
public record Supply(
        double nominalVolts,
        Declared declared,
        List<Impedance> lines,
        Impedance neutral,
        Earth earth,
        Optional<Tails> tails) {
    /** Tails of no length worth counting. */
    public Supply(double nominalVolts, Declared declared, List<Impedance> lines, Impedance neutral, Earth earth) {
        this(nominalVolts, declared, lines, neutral, earth, Optional.empty());
    }

    public Supply {
        lines = List.copyOf(lines);
        Check.between(nominalVolts, 50, 400, "nominalVolts", "V");
        Check.that(
                lines.size() == 1 || lines.size() == 3,
                "bad-count",
                "lines",
                lines.size() + " lines",
                "give one line or three");
    }

    /** A single-phase supply whose neutral and earth are one conductor up to the origin. */
    public static Supply tnCS(double nominalVolts, double declaredZeOhms, double lineOhms, double penOhms) {
        return new Supply(
                nominalVolts,
                new Declared(Earthing.TN_C_S, declaredZeOhms),
                List.of(Impedance.of(lineOhms)),
                Impedance.of(penOhms),
                new Earth(Earthing.TN_C_S, Impedance.of(penOhms), Earth.USUAL_SOURCE_ELECTRODE_OHMS, 1));
    }

    /** Each of the tails. mm² and m. */
    public record Tails(double csaMm2, double lengthMetres) {
        public Tails {
            ConductorTable.milliohmPerMetre(csaMm2);
            Check.between(lengthMetres, 0.1, 100, "tails/lengthMetres", "m");
        }

        /** One of them, Ω. */
        public double ohms() {
            return ConductorTable.milliohmPerMetre(csaMm2) * lengthMetres / 1000;
        }
    }

    public boolean isThreePhase() {
        return lines.size() == 3;
    }

    public double declaredZeOhms() {
        return declared.zeOhms();
    }

    /** What stands on the rig's plate. @param zeOhms greatest external loop impedance, Ω: limits are worked out with it */
    public record Declared(Earthing earthing, double zeOhms) {
        public Declared {
            Check.between(zeOhms, 0.001, 10_000, "declaredZeOhms", "Ω");
        }
    }

    /**
     * @param path source to earth terminal by its own path; looked at for TN-S only
     * @param sourceElectrodeOhms of the source, Ω
     * @param electrodeOhms of the installation, Ω; looked at for TT only
     */
    public record Earth(Earthing earthing, Impedance path, double sourceElectrodeOhms, double electrodeOhms) {
        /** Common practice, no source. */
        public static final double USUAL_SOURCE_ELECTRODE_OHMS = 5;

        public Earth {
            Check.all(
                    () -> Check.between(sourceElectrodeOhms, 0.01, 10_000, "sourceElectrodeOhms", "Ω"),
                    () -> Check.between(electrodeOhms, 0.01, 100_000, "electrodeOhms", "Ω"));
        }
    }

    /** How the installation gets its earth. */
    public enum Earthing {
        TN_C_S("TN-C-S"),
        TN_S("TN-S"),
        TT("TT");

        private final String label;

        Earthing(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws prantel.core.quantity.ProblemsException if there is none such */
        public static Earthing of(String label) {
            for (Earthing earthing : values()) {
                if (earthing.label.equals(label)) {
                    return earthing;
                }
            }
            throw new prantel.core.quantity.ProblemsException(new prantel.core.quantity.Problem(
                    "unknown-earthing", "earthing", Check.quoted(label), "give TN-C-S, TN-S or TT"));
        }
    }
}
