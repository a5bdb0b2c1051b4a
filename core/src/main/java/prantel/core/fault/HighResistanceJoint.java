package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import prantel.core.limits.ZsLimit;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;

/** A bad joint on the incoming side of a point: everything from that point on reads higher by the same step. */
final class HighResistanceJoint extends FaultKind {
    private static final Magnitude OHMS = new Magnitude(Unit.OHM, 0.05, 50, 0.6);

    HighResistanceJoint() {
        super("high-resistance-joint", "High-resistance joint");
    }

    @Override
    public List<List<Conductor>> conductorChoices() {
        return List.of(List.of(Conductor.CPC), List.of(Conductor.LINE));
    }

    @Override
    public Optional<Magnitude> magnitude() {
        return Optional.of(OHMS);
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
        return List.of(new Edit.PutInSeries(
                Places.incoming(at.circuit(), at.point(), fault.conductors().getFirst()), fault.ohms() * setResistor));
    }

    /**
     * It may stay in for live tests only while the circuit's device still disconnects: Ze and the faulted loop to each
     * point within the Zs limit, held cold against 80 %.
     */
    @Override
    public SafetyClass safety(Fault fault, Rig rig) {
        Circuit circuit = circuit(fault.place(), rig);
        Network network = RigCompiler.compile(rig).with(edits(fault, rig, 1));
        Conductor line = circuit.lines().getFirst();
        double worstOhms = circuit.points().stream()
                .mapToDouble(p -> network.resistance(
                                Places.breakerOut(circuit.id(), line), Places.front(circuit.id(), p.id(), line))
                        + network.resistance(
                                Places.earthBar(circuit.way().board()),
                                Places.front(circuit.id(), p.id(), Conductor.CPC)))
                .max()
                .orElse(Double.POSITIVE_INFINITY);
        double zsMaxOhms = circuit.device().overcurrent().zsMaxOhms(rig.supply().nominalVolts());
        return rig.supply().declaredZeOhms() + worstOhms <= ZsLimit.COLD_SHARE * zsMaxOhms
                ? SafetyClass.MAY_STAY_LIVE
                : SafetyClass.DEAD_ONLY;
    }

    /** The step between two points may be the joint at the far end of the run or at its near end. */
    @Override
    public List<Place> acceptedPlaces(Fault fault, Rig rig) {
        return Stream.concat(Stream.of(fault.place()), neighbour(fault.place(), rig, -1).stream())
                .toList();
    }

    @Override
    public String instruction(Fault fault, Rig rig) {
        Conductor conductor = fault.conductors().getFirst();
        return "Put " + OHMS.shown(fault.ohms()) + " in series with the " + conductor.colour() + " (" + conductor.word()
                + ") at the incoming side of " + point(fault.place(), rig) + ".";
    }

    @Override
    public String symptom() {
        return "R1+R2 steps up at the point and stays up beyond it; R2 does so too when it sits in the CPC.";
    }

    @Override
    public String remedy() {
        return "Remake the joint at the point, tighten to torque and measure again.";
    }
}
