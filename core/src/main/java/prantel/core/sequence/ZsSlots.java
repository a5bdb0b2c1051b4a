package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Submain;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Zs at the points of every circuit, and by calculation. */
final class ZsSlots {
    private final Rig rig;
    private final Scheme scheme;
    private final SetUp setUp;
    private final CircuitLimits limits;

    ZsSlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
        this.scheme = scheme;
        this.setUp = new SetUps(rig).live("Loads out; probes on line and E of the point");
        this.limits = limits;
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (!(circuit instanceof Submain)) {
                circuit(circuit, slots);
            }
        }
        return slots;
    }

    private void circuit(Circuit circuit, List<Slot> slots) {
        Function function = Residuals.protecting(rig, circuit).isEmpty()
                        && scheme.practice().loop().leads() == Practice.LoopLeads.TWO
                ? Function.LOOP_TWO_LEAD
                : Function.LOOP_THREE_LEAD;
        List<Slot> readings = new ArrayList<>();
        for (Point point : points(circuit)) {
            for (Conductor line : lines(circuit)) {
                readings.add(new Slot.Measured(
                        new Slot.Heading(
                                new SlotId(SlotIds.of(circuit.id()) + "/zs/" + point.id()
                                        + (circuit.isThreePhase() ? "-" + line.id() : "")),
                                TestKind.ZS,
                                "Zs",
                                circuit.isThreePhase()
                                        ? Spot.of(circuit, point, line.letter())
                                        : Spot.of(circuit, point),
                                Unit.OHM),
                        new Measurement.TwoProbe(
                                function,
                                Places.front(circuit.id(), point.id(), line),
                                Places.front(circuit.id(), point.id(), Conductor.CPC),
                                function == Function.LOOP_THREE_LEAD
                                        ? Optional.of(Places.front(circuit.id(), point.id(), Conductor.NEUTRAL))
                                        : Optional.empty()),
                        setUp,
                        Optional.empty(),
                        Optional.empty()));
            }
        }
        slots.addAll(readings);
        slots.add(ContinuitySlots.highest(circuit, TestKind.ZS, "zs", "Zs", readings, Optional.of(limits.zs(circuit))));
        calculated(circuit, slots);
    }

    /** Ze (Zdb at a sub-board) + R1+R2, where the scheme asks for both. */
    private void calculated(Circuit circuit, List<Slot> slots) {
        TestKind continuity = circuit instanceof prantel.core.rig.Ring ? TestKind.RING : TestKind.R1_R2;
        if (!scheme.asks(TestKind.ZE) || !scheme.asks(continuity)) {
            return;
        }
        boolean origin = circuit.way().board().equals(rig.origin().id());
        slots.add(new Slot.Composed(
                new Slot.Heading(
                        new SlotId(SlotIds.of(circuit.id()) + "/zs-calculated"),
                        TestKind.ZS,
                        "Zs",
                        Spot.of(circuit, circuit.label() + ", by calculation"),
                        Unit.OHM),
                Slot.Rule.SUM,
                List.of(
                        new SlotId(
                                origin ? "origin/ze" : SlotIds.of(circuit.way().board()) + "/zdb"),
                        new SlotId(SlotIds.of(circuit.id()) + "/r1r2")),
                Optional.of(limits.zs(circuit))));
    }

    private List<Point> points(Circuit circuit) {
        List<Point> points = circuit.points().stream()
                .filter(p -> p.kind() != PointKind.SWITCH)
                .toList();
        return scheme.practice().loop().points() == Practice.Points.EVERY
                ? points
                : List.of(points.stream()
                        .max(java.util.Comparator.comparingDouble(Point::atMetres))
                        .orElseThrow());
    }

    private static List<Conductor> lines(Circuit circuit) {
        return circuit instanceof Lighting ? List.of(Conductor.SWITCHED_LINE) : circuit.lines();
    }
}
