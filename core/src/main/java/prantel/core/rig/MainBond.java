package prantel.core.rig;

import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/**
 * A main bonding conductor from the main earthing terminal to an extraneous part.
 *
 * @param part what it bonds, such as "water pipe"
 * @param csaMm2 mm², a size of {@link ConductorTable}
 * @param lengthMetres m
 * @param partToEarthOhms resistance of the part to the mass of earth, Ω: the parallel path beside the bond
 */
public record MainBond(BondId id, String part, double csaMm2, double lengthMetres, double partToEarthOhms) {
    public MainBond {
        Check.all(
                () -> Check.name(part, "part"),
                () -> ConductorTable.checked(csaMm2, "csaMm2"),
                () -> Check.between(lengthMetres, 0.1, 500, "lengthMetres", "m"),
                () -> Check.positive(partToEarthOhms, "partToEarthOhms", "Ω"));
    }
}
