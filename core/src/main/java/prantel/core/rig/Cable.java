package prantel.core.rig;

import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/**
 * A cable of line, neutral and CPC.
 *
 * @param liveMm2 cross-section of line and of neutral, mm², a size of {@link ConductorTable}
 * @param cpcMm2 cross-section of the CPC, mm², a size of {@link ConductorTable}
 */
public record Cable(double liveMm2, double cpcMm2) {
    public Cable {
        ConductorTable.milliohmPerMetre(liveMm2);
        ConductorTable.milliohmPerMetre(cpcMm2);
    }

    /** mΩ/m at 20 °C. */
    public double milliohmPerMetre(Conductor conductor) {
        return ConductorTable.milliohmPerMetre(conductor == Conductor.CPC ? cpcMm2 : liveMm2);
    }

    /** As the trade writes it: "2.5/1.5". */
    public String label() {
        return Check.plain(liveMm2) + "/" + Check.plain(cpcMm2);
    }
}
