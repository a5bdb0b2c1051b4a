package prantel.core.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;

/** Every kind of fault there is. Each group has its file; a new kind is one entry there. */
public final class FaultCatalogue {
    private static final List<FaultKind> KINDS = Stream.of(
                    ProtectiveConductorFaults.all(),
                    RingFaults.all(),
                    PolarityFaults.all(),
                    InsulationFaults.all(),
                    LoopFaults.all(),
                    ResidualFaults.all(),
                    SupplyFaults.all(),
                    FunctionalFaults.all(),
                    InspectionFaults.all())
            .flatMap(List::stream)
            .toList();

    private FaultCatalogue() {}

    public static List<FaultKind> kinds() {
        return KINDS;
    }

    /** @throws ProblemsException if there is no such kind, naming those there are */
    public static FaultKind kind(String id) {
        return KINDS.stream()
                .filter(k -> k.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-kind",
                        "kind",
                        Check.quoted(id),
                        "give one of " + KINDS.stream().map(FaultKind::id).collect(Collectors.joining(", ")))));
    }

    /** Every place of a rig where a fault could sit. */
    public static List<Place> places(Rig rig) {
        List<Place> places = new ArrayList<>();
        for (Circuit circuit : rig.circuits()) {
            places.add(new Place.AtCircuit(circuit.id()));
            circuit.points().forEach(p -> places.add(new Place.AtPoint(circuit.id(), p.id())));
        }
        rig.bonds().forEach(b -> places.add(new Place.AtBond(b.id())));
        rig.earthing().supplementaryBonds().forEach(b -> places.add(new Place.AtSupplementaryBond(b.id())));
        places.add(new Place.AtEarthingConductor());
        Residuals.of(rig).forEach(p -> places.add(new Place.AtResidual(p.id())));
        for (Board board : rig.boards()) {
            places.add(new Place.AtBoard(board.id()));
        }
        places.add(new Place.AtSupply());
        return places;
    }

    /** The kinds that fit a place. */
    public static List<FaultKind> fitting(Place place, Rig rig) {
        return KINDS.stream().filter(k -> k.fits(place, rig)).toList();
    }

    /** Every single fault of a rig with its usual size: each kind, place, choice of conductors and second place. */
    public static List<Fault> everyFault(Rig rig) {
        List<Fault> faults = new ArrayList<>();
        for (Place place : places(rig)) {
            for (FaultKind kind : fitting(place, rig)) {
                List<Optional<Place>> seconds = kind.joinsTwo()
                        ? kind.others(place, rig).stream().map(Optional::of).toList()
                        : List.of(Optional.<Place>empty());
                for (List<Conductor> conductors : kind.conductorChoices()) {
                    seconds.forEach(second -> faults.add(kind.usual(place, conductors, second, rig)));
                }
            }
        }
        return faults;
    }
}
