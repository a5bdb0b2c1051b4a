package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.SupplyLimits;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Live polarity at the points: each line to N and to E, and N to E, at every outlet, lamp and appliance. */
final class PointPolaritySlots {
    private final Rig rig;
    private final Headings headings;
    private final SetUp setUp;
    private final boolean oneFigure;

    PointPolaritySlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUp = new SetUps(rig).live(ProbesAt.Usual.POINT_LIVE);
        this.oneFigure = scheme.isOneFigure(TestKind.POINT_POLARITY);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            List<Conductor> lines = circuit instanceof Lighting ? List.of(Conductor.SWITCHED_LINE) : circuit.lines();
            if (oneFigure) {
                all(circuit, lines).ifPresent(slots::add);
                continue;
            }
            for (Point point : circuit.points()) {
                if (point.kind() != PointKind.SWITCH) {
                    for (Conductor line : lines) {
                        slots.add(slot(circuit, point, line, Conductor.NEUTRAL));
                        slots.add(slot(circuit, point, line, Conductor.CPC));
                    }
                    slots.add(slot(circuit, point, Conductor.NEUTRAL, Conductor.CPC));
                }
            }
        }
        return slots;
    }

    /** One box a circuit: mains voltage from each line to N and to E, none between N and E, at every point. */
    private Optional<Slot> all(Circuit circuit, List<Conductor> lines) {
        List<Measurement.Trial> trials = new ArrayList<>();
        for (Point point : circuit.points()) {
            if (point.kind() != PointKind.SWITCH) {
                for (Conductor line : lines) {
                    trials.add(trial(circuit, point, line, Conductor.NEUTRAL, true));
                    trials.add(trial(circuit, point, line, Conductor.CPC, true));
                }
                trials.add(trial(circuit, point, Conductor.NEUTRAL, Conductor.CPC, false));
            }
        }
        return trials.isEmpty()
                ? Optional.empty()
                : Optional.of(new Slot.Measured(
                        headings.of(BoxAddress.of(
                                TestKind.POINT_POLARITY, Quantity.POINTS_RIGHT, new Site.Whole(circuit.id()))),
                        Measurement.Operation.ofAll(trials),
                        setUp,
                        Optional.empty(),
                        Optional.empty()));
    }

    private static Measurement.Trial trial(Circuit circuit, Point point, Conductor a, Conductor b, boolean energised) {
        return new Measurement.Trial(
                List.of(),
                Places.front(circuit.id(), point.id(), a),
                Places.front(circuit.id(), point.id(), b),
                energised);
    }

    private Slot slot(Circuit circuit, Point point, Conductor a, Conductor b) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(
                                TestKind.POINT_POLARITY, Quantity.VOLTAGE, new Site.AtPoint(circuit.id(), point.id()))
                        .between(a, b)),
                new Measurement.TwoProbe(
                        Function.VOLTAGE,
                        Places.front(circuit.id(), point.id(), a),
                        Places.front(circuit.id(), point.id(), b)),
                setUp,
                Optional.of(SupplyLimits.voltage(a == Conductor.NEUTRAL, true)),
                Optional.empty());
    }
}
