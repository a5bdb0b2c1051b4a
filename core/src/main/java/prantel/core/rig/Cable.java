package prantel.core.rig;

import java.util.Optional;
import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/**
 * Conductors of a circuit: one cable, or singles in an enclosure.
 *
 * @param liveMm2 cross-section of lines and of neutral, mm², a size of {@link ConductorTable}
 * @param cpcMm2 cross-section of the CPC, mm², a size of {@link ConductorTable}
 * @param enclosure metal round it that is an earth path of its own
 */
public record Cable(double liveMm2, double cpcMm2, Optional<Enclosure> enclosure) {
    public Cable {
        Check.all(() -> ConductorTable.checked(liveMm2, "liveMm2"), () -> ConductorTable.checked(cpcMm2, "cpcMm2"));
    }

    public Cable(double liveMm2, double cpcMm2) {
        this(liveMm2, cpcMm2, Optional.empty());
    }

    /** mΩ/m at 20 °C. */
    public double milliohmPerMetre(Conductor conductor) {
        return ConductorTable.milliohmPerMetre(conductor == Conductor.CPC ? cpcMm2 : liveMm2);
    }

    /** As the trade writes it: "2.5/1.5". */
    public String label() {
        return Check.plain(liveMm2) + "/" + Check.plain(cpcMm2);
    }

    /** Steel conduit, trunking or armour. @param milliohmPerMetre mΩ/m, joints included */
    public record Enclosure(Kind kind, double milliohmPerMetre) {
        public Enclosure {
            Check.between(milliohmPerMetre, 0.01, 100, "milliohmPerMetre", "mΩ/m");
        }

        public enum Kind {
            STEEL_CONDUIT("steel-conduit", "steel conduit"),
            ARMOUR("armour", "armour");

            private final String id;
            private final String word;

            Kind(String id, String word) {
                this.id = id;
                this.word = word;
            }

            public String id() {
                return id;
            }

            public String word() {
                return word;
            }
        }
    }
}
