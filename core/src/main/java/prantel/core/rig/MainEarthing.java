package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/** What is joined at or around the main earthing terminal. */
public record MainEarthing(
        EarthingConductor conductor, List<MainBond> bonds, List<SupplementaryBond> supplementaryBonds) {
    public MainEarthing {
        bonds = List.copyOf(bonds);
        supplementaryBonds = List.copyOf(supplementaryBonds);
        Check.distinct(bonds, b -> b.id().value(), "bonds");
        Check.distinct(supplementaryBonds, b -> b.id().value(), "supplementaryBonds");
    }
}
