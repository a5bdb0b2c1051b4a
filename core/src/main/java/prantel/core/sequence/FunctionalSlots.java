package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
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
import prantel.core.rig.Submain;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Phase sequence; every switch, isolator and socket operated; load current of fixed appliances by clamp. */
final class FunctionalSlots {
    /** A plug-in load of about half a kilowatt, Ω. Common practice, no source. */
    private static final double TRAINING_LOAD_OHMS = 100;
    /** A clamp meter on a final circuit reads half an amp and more with some certainty, W. Common practice, no source. */
    private static final double LEAST_WATTS = 115;

    private final Rig rig;
    private final Headings headings;
    private final SetUps setUps;
    private final SetUp setUp;
    private final boolean oneFigure;

    FunctionalSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
        this.setUp = setUps.live(ProbesAt.Usual.OPERATE);
        this.oneFigure = scheme.isOneFigure(TestKind.FUNCTIONAL);
    }

    List<Slot> sequence() {
        List<Slot> slots = new ArrayList<>();
        if (!rig.supply().isThreePhase()) {
            return slots;
        }
        var origin = rig.origin().id();
        slots.add(rotation(
                new Site.Origin(),
                Places.incoming(rig, origin, Conductor.L1),
                Places.incoming(rig, origin, Conductor.L2),
                Places.incoming(rig, origin, Conductor.L3)));
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (circuit instanceof Radial radial && radial.threePhase()) {
                for (Point point : radial.points()) {
                    slots.add(rotation(
                            new Site.AtPoint(radial.id(), point.id()),
                            Places.front(radial.id(), point.id(), Conductor.L1),
                            Places.front(radial.id(), point.id(), Conductor.L2),
                            Places.front(radial.id(), point.id(), Conductor.L3)));
                }
            }
        }
        return slots;
    }

    private Slot rotation(Site site, Terminal l1, Terminal l2, Terminal l3) {
        return slot(TestKind.SEQUENCE, Quantity.PHASE_SEQUENCE, site, new Measurement.Rotation(l1, l2, l3));
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (circuit instanceof Submain) {
                continue;
            }
            List<Slot> of = new ArrayList<>();
            of.add(device(circuit));
            if (circuit instanceof Lighting lighting) {
                lighting.groups().forEach(g -> of.add(lights(lighting, g)));
            } else {
                circuit.points().forEach(p -> point(circuit, p, of));
            }
            load(circuit).ifPresent(of::add);
            slots.addAll(oneFigure ? inOne(circuit, of) : of);
        }
        return slots;
    }

    /** The device named on the chart switches the circuit. */
    private Slot device(Circuit circuit) {
        Point point = circuit.points().getFirst();
        Conductor line = line(circuit);
        Terminal probe = Places.front(circuit.id(), point.id(), line);
        Terminal neutral = Places.front(circuit.id(), point.id(), NEUTRAL);
        List<Edit> off = setUps.edits(new Position.Device(circuit.id(), false));
        return slot(
                TestKind.FUNCTIONAL,
                Quantity.DEVICE_SWITCHES,
                new Site.Whole(circuit.id()),
                new Measurement.Operation(List.of(
                        new Measurement.Trial(List.of(), probe, neutral, true),
                        new Measurement.Trial(off, probe, neutral, false))));
    }

    /** All that is operated in one box; what is measured keeps its own. */
    private List<Slot> inOne(Circuit circuit, List<Slot> of) {
        List<Measurement.Trial> trials = new ArrayList<>();
        List<Slot> measured = new ArrayList<>();
        for (Slot slot : of) {
            if (slot instanceof Slot.Measured m && m.measurement() instanceof Measurement.Operation operation) {
                trials.addAll(operation.trials());
            } else {
                measured.add(slot);
            }
        }
        List<Slot> all = new ArrayList<>();
        all.add(slot(
                TestKind.FUNCTIONAL,
                Quantity.CIRCUIT_WORKS,
                new Site.Whole(circuit.id()),
                Measurement.Operation.ofAll(trials)));
        all.addAll(measured);
        return all;
    }

    private static Conductor line(Circuit circuit) {
        return circuit instanceof Lighting ? SWITCHED_LINE : circuit.lines().getFirst();
    }

    /**
     * Behind an RCD: it must stand a load. The plug-in training load where there is a socket, the appliance that is there
     * where it is hard-wired; none where neither draws what a clamp can read.
     */
    private Optional<Slot> load(Circuit circuit) {
        boolean measured = circuit.points().stream().anyMatch(p -> isElement(circuit, p));
        if (circuit.isThreePhase()
                || measured
                || prantel.core.rig.Residuals.protecting(rig, circuit).isEmpty()) {
            return Optional.empty();
        }
        return circuit.points().stream()
                .filter(p -> p.kind() != PointKind.SWITCH)
                .filter(p -> p.kind().isSocket()
                        || p.load().filter(l -> l.watts() >= LEAST_WATTS).isPresent())
                .reduce((a, b) -> b)
                .map(p -> loadCurrent(
                        circuit,
                        p,
                        p.kind().isSocket()
                                ? TRAINING_LOAD_OHMS
                                : p.load().map(Load::hotOhms).orElseThrow()));
    }

    private static boolean isElement(Circuit circuit, Point point) {
        return !circuit.isThreePhase()
                && point.load()
                        .filter(l -> l.kind() == Load.Kind.ELEMENT && l.watts() >= LEAST_WATTS)
                        .isPresent();
    }

    private Slot loadCurrent(Circuit circuit, Point point, double ohms) {
        return slot(
                TestKind.FUNCTIONAL,
                Quantity.LOAD_CURRENT,
                new Site.AtPoint(circuit.id(), point.id()),
                new Measurement.LoadCurrent(
                        Places.front(circuit.id(), point.id(), line(circuit)),
                        Places.front(circuit.id(), point.id(), NEUTRAL),
                        ohms,
                        prantel.core.rig.Loads.leak(circuit, point)));
    }

    /** The lamp must be on as found, go off with each switch operated alone, and on again with the first one as well. */
    private Slot lights(Lighting lighting, LightGroup group) {
        List<Measurement.Trial> trials = new ArrayList<>();
        LightGroup.Lamp lamp = group.lamps().getLast();
        Terminal line = Places.front(lighting.id(), lamp.id(), SWITCHED_LINE);
        Terminal neutral = Places.front(lighting.id(), lamp.id(), NEUTRAL);
        trials.add(new Measurement.Trial(List.of(), line, neutral, true));
        for (int i = 0; i < group.switches().size(); i++) {
            trials.add(new Measurement.Trial(at(lighting, group, LightStates.only(group, i)), line, neutral, false));
        }
        for (int i = 1; i < group.switches().size(); i++) {
            trials.add(new Measurement.Trial(at(lighting, group, LightStates.pair(group, i)), line, neutral, true));
        }
        return slot(
                TestKind.FUNCTIONAL,
                Quantity.LAMP_SWITCHES,
                new Site.Lights(lighting.id(), group.id(), lamp.id()),
                new Measurement.Operation(trials));
    }

    private List<Edit> at(Lighting lighting, LightGroup group, LightStates.State state) {
        return setUps.edits(new Position.Lights(lighting.id(), group.id(), state));
    }

    private void point(Circuit circuit, Point point, List<Slot> slots) {
        Conductor line = circuit.lines().getFirst();
        Terminal probe = Places.front(circuit.id(), point.id(), line);
        Terminal neutral = Places.front(circuit.id(), point.id(), NEUTRAL);
        Terminal earth = Places.front(circuit.id(), point.id(), CPC);
        List<Measurement.Trial> trials = new ArrayList<>();
        trials.add(new Measurement.Trial(List.of(), probe, neutral, true));
        if (point.kind() == PointKind.ISOLATOR) {
            List<Edit> off = setUps.edits(new Position.Isolator(circuit.id(), point.id(), false));
            trials.add(new Measurement.Trial(off, probe, neutral, false));
            trials.add(new Measurement.Trial(off, probe, earth, false));
        }
        slots.add(slot(
                TestKind.FUNCTIONAL,
                point.kind() == PointKind.ISOLATOR ? Quantity.ISOLATOR_SWITCHES : Quantity.SUPPLY_PRESENT,
                new Site.AtPoint(circuit.id(), point.id()),
                new Measurement.Operation(trials)));
        point.load()
                .filter(l -> isElement(circuit, point))
                .ifPresent(l -> slots.add(loadCurrent(circuit, point, l.hotOhms())));
    }

    private Slot slot(TestKind test, Quantity quantity, Site site, Measurement measurement) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(test, quantity, site)),
                measurement,
                setUp,
                Optional.empty(),
                Optional.empty());
    }
}
