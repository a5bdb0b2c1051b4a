package prantel.core.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Circuit;
import prantel.core.rig.Rig;

/** Every kind of fault there is. */
public final class FaultCatalogue {
    private static final List<FaultKind> KINDS = List.of(
            new CpcOpenAfter(),
            new HighResistanceJoint(),
            new LineNeutralReversed(),
            new LowInsulation(),
            new ClampOnPaint());

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
            circuit.points().forEach(p -> places.add(new Place.AtPoint(circuit.id(), p.id())));
        }
        rig.bonds().forEach(b -> places.add(new Place.AtBond(b.id())));
        return places;
    }

    /** The kinds that fit a place. */
    public static List<FaultKind> fitting(Place place, Rig rig) {
        return KINDS.stream().filter(k -> k.fits(place, rig)).toList();
    }
}
