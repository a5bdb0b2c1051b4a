package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import prantel.core.network.Edit;
import prantel.core.quantity.Unit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;

/** A leak between two conductors at a point. */
final class LowInsulation extends FaultKind {
    private static final Magnitude MEGOHMS = new Magnitude(Unit.MEGOHM, 0.05, 20, 0.5);

    LowInsulation() {
        super("low-insulation", "Low insulation");
    }

    @Override
    public List<List<Conductor>> conductorChoices() {
        return List.of(
                List.of(Conductor.LINE, Conductor.CPC),
                List.of(Conductor.LINE, Conductor.NEUTRAL),
                List.of(Conductor.NEUTRAL, Conductor.CPC));
    }

    @Override
    public Optional<Magnitude> magnitude() {
        return Optional.of(MEGOHMS);
    }

    @Override
    public boolean fits(Place place, Rig rig) {
        return isAtAccessory(place, rig);
    }

    @Override
    String whyNot() {
        return "give a point of a single-phase socket or appliance circuit";
    }

    @Override
    List<Edit> edits(Fault fault, Rig rig, double setResistor) {
        Place.AtPoint at = at(fault.place());
        return List.of(new Edit.Bridge(
                Places.accessory(at.circuit(), at.point(), fault.conductors().get(0)),
                Places.accessory(at.circuit(), at.point(), fault.conductors().get(1)),
                fault.ohms() * setResistor));
    }

    @Override
    public SafetyClass safety(Fault fault, Rig rig) {
        return SafetyClass.DEAD_ONLY;
    }

    /** Measured at the board, a leak reads the same wherever it is along the circuit. */
    @Override
    public List<Place> acceptedPlaces(Fault fault, Rig rig) {
        Place.AtPoint at = at(fault.place());
        return Stream.concat(
                        Stream.<Place>of(at),
                        circuit(at, rig).points().stream()
                                .<Place>map(p -> new Place.AtPoint(at.circuit(), p.id()))
                                .filter(p -> !p.equals(at)))
                .toList();
    }

    @Override
    public String instruction(Fault fault, Rig rig) {
        return "Put " + MEGOHMS.shown(fault.ohms()) + " between "
                + fault.conductors().get(0).word() + " and "
                + fault.conductors().get(1).word() + " in the terminals of " + point(fault.place(), rig) + ".";
    }

    @Override
    public String symptom() {
        return "Insulation between the two conductors reads the leak, whichever end it is measured from.";
    }

    @Override
    public String remedy() {
        return "Find the damaged insulation by dividing the circuit, replace the part and test again.";
    }
}
