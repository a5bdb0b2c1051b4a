package prantel.core.fault;

import java.util.List;
import prantel.core.network.Branch.End;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;

/** One fault on its way into one rig: what the edits of its kind are made from. */
record Build(Fault fault, Rig rig, Variation variation) {

    Place.AtPoint at() {
        return Where.at(fault.place());
    }

    CircuitId id() {
        return fault.place().ofCircuit().orElseThrow();
    }

    Circuit circuit() {
        return rig.circuit(id());
    }

    PointId point() {
        return at().point();
    }

    /** The circuit of the second place. */
    Circuit other() {
        return rig.circuit(fault.other().orElseThrow().ofCircuit().orElseThrow());
    }

    Conductor conductor() {
        return fault.conductors().getFirst();
    }

    /** Size of a set resistor: a real one is never exact, Ω. */
    double ohms() {
        return fault.size() * variation.setResistor();
    }

    /** Conductor of some length, Ω. */
    double copper(double milliohmPerMetre, double metres) {
        return milliohmPerMetre * metres / 1000 * variation.cable();
    }

    /** A sound joint, Ω. */
    double joint() {
        return rig.workmanship().terminationMilliohms() / 1000 * variation.joints();
    }

    Terminal accessory(Conductor conductor) {
        return Places.accessory(id(), point(), conductor);
    }

    BranchId contact(Conductor conductor) {
        return Places.contact(id(), point(), conductor);
    }

    LightGroup group() {
        return Where.group((Lighting) circuit(), point());
    }

    /** The first accessory the circuit's cable reaches. */
    PointId firstElement() {
        if (circuit() instanceof Lighting lighting) {
            LightGroup group = lighting.groups().getFirst();
            return group.feed() == LightGroup.Feed.LAMP
                    ? group.lamps().getFirst().id()
                    : group.switches().getFirst().id();
        }
        return circuit().points().getFirst().id();
    }

    static Edit exchange(BranchId x, End xEnd, BranchId y, End yEnd) {
        return new Edit.Exchange(new Edit.BranchEnd(x, xEnd), new Edit.BranchEnd(y, yEnd));
    }

    static Edit move(BranchId branch, End end, Terminal to) {
        return new Edit.Move(new Edit.BranchEnd(branch, end), to);
    }

    /** Two conductors of a point change their front contacts. */
    List<Edit> contactsExchanged(Conductor a, Conductor b) {
        return List.of(exchange(contact(a), End.FROM, contact(b), End.FROM));
    }
}
