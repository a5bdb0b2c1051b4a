package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.network.Edit.BranchEnd;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;

/** All line conductors of a point sit in its neutral terminal and the other way round; the circuit beyond is right. */
final class LineNeutralReversed extends FaultKind {
    LineNeutralReversed() {
        super("line-neutral-reversed", "Line and neutral reversed at the point");
    }

    @Override
    public List<List<Conductor>> conductorChoices() {
        return List.of(List.of(Conductor.LINE, Conductor.NEUTRAL));
    }

    @Override
    public Optional<Magnitude> magnitude() {
        return Optional.empty();
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
        return List.of(new Edit.Exchange(
                new BranchEnd(Places.contact(at.circuit(), at.point(), Conductor.LINE), End.FROM),
                new BranchEnd(Places.contact(at.circuit(), at.point(), Conductor.NEUTRAL), End.FROM)));
    }

    @Override
    public SafetyClass safety(Fault fault, Rig rig) {
        return SafetyClass.DEAD_ONLY;
    }

    @Override
    public String instruction(Fault fault, Rig rig) {
        return "Exchange the brown and the blue conductors in the terminals of " + point(fault.place(), rig) + ".";
    }

    @Override
    public String symptom() {
        return "R1+R2 reads over-range at this point only; the points beyond read as healthy.";
    }

    @Override
    public String remedy() {
        return "Put line and neutral into their own terminals and prove polarity again.";
    }
}
