package prantel.core.rig;

import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/**
 * From the protective conductor of a point to an extraneous part that a main bond serves.
 *
 * @param lengthMetres m
 */
public record SupplementaryBond(
        BondId id, String label, CircuitId circuit, PointId point, BondId part, double csaMm2, double lengthMetres) {
    public SupplementaryBond {
        Check.name(label, "label");
        ConductorTable.milliohmPerMetre(csaMm2);
        Check.between(lengthMetres, 0.1, 100, "lengthMetres", "m");
    }
}
