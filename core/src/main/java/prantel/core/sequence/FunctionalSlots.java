package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;

/** Phase sequence; every switch, isolator and socket operated; load current of fixed appliances by clamp. */
final class FunctionalSlots {
    private final Rig rig;
    private final SetUp setUp;

    FunctionalSlots(Rig rig) {
        this.rig = rig;
        this.setUp = new SetUps(rig).live("Operate and look");
    }

    List<Slot> sequence() {
        List<Slot> slots = new ArrayList<>();
        if (!rig.supply().isThreePhase()) {
            return slots;
        }
        var origin = rig.origin().id();
        slots.add(rotation(
                "origin/sequence",
                Spot.at(rig.origin().label() + ", incoming"),
                Places.incoming(rig, origin, Conductor.L1),
                Places.incoming(rig, origin, Conductor.L2),
                Places.incoming(rig, origin, Conductor.L3)));
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Radial radial && radial.threePhase()) {
                for (Point point : radial.points()) {
                    slots.add(rotation(
                            radial.id() + "/sequence/" + point.id(),
                            Spot.of(radial, point),
                            Places.front(radial.id(), point.id(), Conductor.L1),
                            Places.front(radial.id(), point.id(), Conductor.L2),
                            Places.front(radial.id(), point.id(), Conductor.L3)));
                }
            }
        }
        return slots;
    }

    private Slot rotation(String id, Spot spot, Terminal l1, Terminal l2, Terminal l3) {
        return slot(id, TestStep.SEQUENCE, "sequence", spot, new Measurement.Rotation(l1, l2, l3), Unit.WORDS);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Lighting lighting) {
                lighting.groups().forEach(g -> slots.add(lights(lighting, g)));
            } else {
                circuit.points().forEach(p -> point(circuit, p, slots));
            }
        }
        return slots;
    }

    /** The lamp must be on as found and go off with each switch operated alone. */
    private Slot lights(Lighting lighting, LightGroup group) {
        List<Measurement.Trial> trials = new ArrayList<>();
        LightGroup.Lamp lamp = group.lamps().getLast();
        Terminal line = Places.front(lighting.id(), lamp.id(), SWITCHED_LINE);
        Terminal neutral = Places.front(lighting.id(), lamp.id(), NEUTRAL);
        trials.add(new Measurement.Trial(List.of(), line, neutral, true));
        for (int i = 0; i < group.switches().size(); i++) {
            trials.add(new Measurement.Trial(
                    LightStates.edits(lighting.id(), group, LightStates.only(group, i)), line, neutral, false));
        }
        return slot(
                lighting.id() + "/works/" + group.id(),
                TestStep.FUNCTIONAL,
                "lamp, from every switch",
                new Spot(
                        Optional.of(lighting.id()),
                        Optional.of(lamp.id()),
                        group.label() + ": " + LightStates.labels(group),
                        Spot.NO_DISTANCE),
                new Measurement.Operation(trials),
                Unit.WORDS);
    }

    private void point(Circuit circuit, Point point, List<Slot> slots) {
        Conductor line = circuit.lines().getFirst();
        Terminal probe = Places.front(circuit.id(), point.id(), line);
        Terminal neutral = Places.front(circuit.id(), point.id(), NEUTRAL);
        Terminal earth = Places.front(circuit.id(), point.id(), CPC);
        List<Measurement.Trial> trials = new ArrayList<>();
        trials.add(new Measurement.Trial(List.of(), probe, neutral, true));
        if (point.kind() == PointKind.ISOLATOR) {
            List<Edit> off = new ArrayList<>();
            circuit.lines().forEach(l -> off.add(new Edit.Open(Places.pole(circuit.id(), point.id(), l))));
            off.add(new Edit.Open(Places.pole(circuit.id(), point.id(), NEUTRAL)));
            trials.add(new Measurement.Trial(off, probe, neutral, false));
            trials.add(new Measurement.Trial(off, probe, earth, false));
        }
        slots.add(slot(
                circuit.id() + "/works/" + point.id(),
                TestStep.FUNCTIONAL,
                point.kind() == PointKind.ISOLATOR ? "isolator, on and off" : "supply present",
                Spot.of(circuit, point),
                new Measurement.Operation(trials),
                Unit.WORDS));
        point.load()
                .filter(l -> l.kind() == Load.Kind.ELEMENT && !circuit.isThreePhase())
                .ifPresent(l -> slots.add(slot(
                        circuit.id() + "/load-current/" + point.id(),
                        TestStep.FUNCTIONAL,
                        "load current",
                        Spot.of(circuit, point),
                        new Measurement.LoadCurrent(
                                Places.accessory(circuit.id(), point.id(), line),
                                Places.accessory(circuit.id(), point.id(), NEUTRAL),
                                l.hotOhms()),
                        Unit.AMP)));
    }

    private Slot slot(String id, TestStep step, String quantity, Spot spot, Measurement measurement, Unit unit) {
        return new Slot.Measured(
                new SlotId(id), step, quantity, spot, measurement, setUp, unit, Optional.empty(), Optional.empty());
    }
}
