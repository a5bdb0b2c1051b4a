package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * The supply as it arrives at the rig, reduced to resistances back to the source.
 *
 * @param nominalVolts U0, V
 * @param declaredZeOhms external loop impedance as declared for the rig, Ω: limits are worked out with it
 * @param lineOhms source to line terminal, Ω, above 0
 * @param neutralOhms source to neutral terminal, Ω, above 0
 * @param earthPathOhms source to earth terminal by its own path, Ω, above 0: the sheath in TN-S, both electrodes in TT;
 *     equal to neutralOhms in TN-C-S, where one conductor is both
 */
public record Supply(
        Earthing earthing,
        double nominalVolts,
        double declaredZeOhms,
        double lineOhms,
        double neutralOhms,
        double earthPathOhms) {
    public Supply {
        Check.between(nominalVolts, 50, 400, "nominalVolts", "V");
        Check.positive(declaredZeOhms, "declaredZeOhms", "Ω");
        Check.positive(lineOhms, "lineOhms", "Ω");
        Check.positive(neutralOhms, "neutralOhms", "Ω");
        Check.positive(earthPathOhms, "earthPathOhms", "Ω");
    }

    /** A supply whose neutral and earth are one conductor up to the origin. */
    public static Supply tnCS(double nominalVolts, double declaredZeOhms, double lineOhms, double penOhms) {
        return new Supply(Earthing.TN_C_S, nominalVolts, declaredZeOhms, lineOhms, penOhms, penOhms);
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
    }
}
