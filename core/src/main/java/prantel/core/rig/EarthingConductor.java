package prantel.core.rig;

import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/** From the supply's earth to the main earthing terminal. mm² and m. */
public record EarthingConductor(double csaMm2, double lengthMetres) {
    public EarthingConductor {
        ConductorTable.milliohmPerMetre(csaMm2);
        Check.between(lengthMetres, 0.1, 100, "lengthMetres", "m");
    }
}
