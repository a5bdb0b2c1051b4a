package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.SupplyLimits;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** Live polarity at the points: each line to N and to E, and N to E, at every outlet, lamp and appliance. */
final class PointPolaritySlots {
    private final Rig rig;
    private final SetUp setUp;

    PointPolaritySlots(Rig rig) {
        this.rig = rig;
        this.setUp = new SetUps(rig).live("Loads out; earth or neutral probe first, line last");
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            List<Conductor> lines = circuit instanceof Lighting ? List.of(Conductor.SWITCHED_LINE) : circuit.lines();
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

    private Slot slot(Circuit circuit, Point point, Conductor a, Conductor b) {
        String name = a.letter() + "–" + b.letter();
        return new Slot.Measured(
                new Slot.Heading(
                        new SlotId(SlotIds.of(circuit.id()) + "/volts/" + point.id() + "/" + a.id() + "-" + b.id()),
                        TestKind.POINT_POLARITY,
                        name,
                        Spot.of(circuit, point),
                        Unit.VOLT),
                new Measurement.TwoProbe(
                        Function.VOLTAGE,
                        Places.front(circuit.id(), point.id(), a),
                        Places.front(circuit.id(), point.id(), b)),
                setUp,
                Optional.of(SupplyLimits.voltage(a == Conductor.NEUTRAL, true)),
                Optional.empty());
    }
}
