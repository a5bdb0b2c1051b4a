package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import prantel.core.network.Edit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;

/** The CPC is interrupted on the outgoing side of a point: every point beyond has no earth. */
final class CpcOpenAfter extends FaultKind {
    CpcOpenAfter() {
        super("cpc-open-after", "CPC open after the point");
    }

    @Override
    public List<List<Conductor>> conductorChoices() {
        return List.of(List.of(Conductor.CPC));
    }

    @Override
    public Optional<Magnitude> magnitude() {
        return Optional.empty();
    }

    @Override
    public boolean fits(Place place, Rig rig) {
        return isAtAccessory(place, rig)
                && circuit(place, rig) instanceof Radial radial
                && radial.goesOn(at(place).point());
    }

    @Override
    String whyNot() {
        return "give a point with cable going on from it: at the last point nothing lies beyond";
    }

    @Override
    List<Edit> edits(Fault fault, Rig rig, double setResistor) {
        Place.AtPoint at = at(fault.place());
        return List.of(new Edit.Open(Places.outgoing(at.circuit(), at.point(), Conductor.CPC)));
    }

    @Override
    public SafetyClass safety(Fault fault, Rig rig) {
        return SafetyClass.DEAD_ONLY;
    }

    /** An open between two points may be at either of them. */
    @Override
    public List<Place> acceptedPlaces(Fault fault, Rig rig) {
        return Stream.concat(Stream.of(fault.place()), neighbour(fault.place(), rig, 1).stream())
                .toList();
    }

    @Override
    public String instruction(Fault fault, Rig rig) {
        return "Lift the green-yellow at the outgoing side of " + point(fault.place(), rig) + " and insulate its end.";
    }

    @Override
    public String symptom() {
        return "R1+R2 and R2 read over-range at every point beyond; insulation reads as healthy.";
    }

    @Override
    public String remedy() {
        return "Put the CPC back into the outgoing terminal and prove continuity to the last point.";
    }
}
