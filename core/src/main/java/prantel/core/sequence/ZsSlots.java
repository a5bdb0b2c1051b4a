package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
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
    private final Headings headings;
    private final Scheme scheme;
    private final SetUp setUp;
    private final CircuitLimits limits;

    ZsSlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUp = new SetUps(rig).live(ProbesAt.Usual.LOOP_AT_POINT);
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
                        headings.of(atPoint(circuit, point, line)),
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
        slots.add(ContinuitySlots.highest(
                headings, circuit, TestKind.ZS, Quantity.ZS, readings, Optional.of(limits.zs(circuit))));
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
                headings.of(BoxAddress.of(TestKind.ZS, Quantity.ZS, new Site.Whole(circuit.id()))
                        .byCalculation()),
                Slot.Rule.SUM,
                List.of(
                        origin
                                ? BoxAddress.ZE.id()
                                : BoxAddress.of(
                                                TestKind.ZE,
                                                Quantity.ZDB,
                                                new Site.AtBoard(circuit.way().board()))
                                        .id(),
                        BoxAddress.of(continuity, Quantity.R1_R2, new Site.Whole(circuit.id()))
                                .forTheRecord()
                                .id()),
                Optional.of(limits.zs(circuit))));
    }

    private static BoxAddress atPoint(Circuit circuit, Point point, Conductor line) {
        BoxAddress address = BoxAddress.of(TestKind.ZS, Quantity.ZS, new Site.AtPoint(circuit.id(), point.id()));
        return circuit.isThreePhase() ? address.between(line) : address;
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
