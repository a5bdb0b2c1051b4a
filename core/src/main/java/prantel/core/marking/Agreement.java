package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Written;
import prantel.core.limits.RingLoop;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Mark.Worth;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Ring;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Criterion.Relation;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.BoxAddress;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Boxes of one record that belong together. Held against each other only where the rig itself agrees: a fault that the one
 * reading sees and the other does not is no slip, and boxes that are what this rig gives are never in disagreement.
 */
final class Agreement {
    private final Key key;
    private final List<Finding> findings;
    private final Map<SlotId, Finding> bySlot;

    Agreement(Key key, List<Finding> findings) {
        this.key = key;
        this.findings = findings;
        this.bySlot = findings.stream()
                .collect(Collectors.toMap(f -> f.expectation().slot().id(), f -> f));
    }

    /** @param base what follows from other boxes, base unit */
    private record Held(Finding box, double base, List<Finding> from) {}

    Optional<Mark> of(Criterion.Consistent criterion, Circuit circuit) {
        List<Held> held = switch (criterion.relation()) {
            case ZS_FROM_PARTS -> zs(circuit);
            case RING_FROM_ENDS -> circuit instanceof Ring ring ? ring(ring) : List.<Held>of();
            case CURRENT_FROM_ZE -> List.<Held>of();
        };
        return mark(criterion, circuit.id() + "/", Optional.of(circuit.id()), held);
    }

    Optional<Mark> ofOrigin(Criterion.Consistent criterion) {
        return criterion.relation() == Relation.CURRENT_FROM_ZE
                ? mark(criterion, "", Optional.empty(), current())
                : Optional.empty();
    }

    private Optional<Mark> mark(
            Criterion.Consistent criterion, String prefix, Optional<CircuitId> circuit, List<Held> held) {
        List<Held> filled =
                held.stream().filter(h -> number(h.box()).isPresent()).toList();
        if (filled.isEmpty()) {
            // an empty box costs once, where it is empty
            return Optional.empty();
        }
        TestKind test = held.getFirst().box().expectation().slot().step();
        List<Held> off = filled.stream().filter(h -> !agrees(criterion, h)).toList();
        Criterion.Common common = criterion.common();
        return Optional.of(new Mark(
                new Mark.Item(
                        prefix + common.id(),
                        Mark.Of.of(
                                        common,
                                        key.scheme().stepOf(test).map(Part::of).orElse(Part.WHOLE))
                                .about(Optional.of(test), circuit),
                        common.group(),
                        common.title()),
                new Worth(common.weight(), common.severity()),
                off.isEmpty() ? Award.FULL : Award.NONE,
                new Evidence.Agreement(off.stream().map(Agreement::words).toList()),
                held.stream().map(h -> h.box().expectation().slot().id()).toList()));
    }

    private static boolean agrees(Criterion.Consistent criterion, Held held) {
        double written = number(held.box()).orElseThrow();
        boolean near =
                Math.abs(written - held.base()) <= criterion.percent() / 100 * held.base() + criterion.plusBase();
        boolean asTheRig =
                held.box().side() == Side.INSIDE && held.from().stream().allMatch(f -> f.side() == Side.INSIDE);
        return near || asTheRig;
    }

    private static String words(Held held) {
        Slot slot = held.box().expectation().slot();
        return slot.quantity() + ", " + slot.where() + ": "
                + held.box().written().asWritten() + " is written, "
                + slot.boxUnit().text(held.base()) + " follows from the other boxes";
    }

    private List<Held> zs(Circuit circuit) {
        List<Finding> zs = findings.stream()
                .filter(f -> f.expectation().slot().step() == TestKind.ZS)
                .filter(f -> f.expectation().slot() instanceof Slot.Composed)
                .filter(f -> f.expectation()
                        .slot()
                        .circuit()
                        .filter(circuit.id()::equals)
                        .isPresent())
                .toList();
        Optional<Finding> sum = rule(zs, Slot.Rule.SUM);
        Optional<Finding> highest = rule(zs, Slot.Rule.HIGHEST);
        if (sum.isEmpty() || highest.isEmpty()) {
            return List.of();
        }
        List<Finding> parts = ((Slot.Composed) sum.get().expectation().slot())
                .of().stream()
                        .map(bySlot::get)
                        .filter(java.util.Objects::nonNull)
                        .toList();
        return held(
                highest.get(),
                parts,
                numbers -> numbers.stream().mapToDouble(d -> d).sum());
    }

    private static Optional<Finding> rule(List<Finding> findings, Slot.Rule rule) {
        return findings.stream()
                .filter(f -> ((Slot.Composed) f.expectation().slot()).rule() == rule)
                .findFirst();
    }

    private List<Held> ring(Ring ring) {
        List<Finding> boxes = findings.stream()
                .filter(f -> f.expectation().slot().step() == TestKind.RING)
                .filter(f -> f.expectation()
                        .slot()
                        .circuit()
                        .filter(ring.id()::equals)
                        .isPresent())
                .toList();
        Optional<Finding> recorded = boxes.stream()
                .filter(f -> f.expectation().slot() instanceof Slot.Composed)
                .findFirst();
        List<Finding> ends = new ArrayList<>();
        for (Quantity end : List.of(Quantity.RING_LINE, Quantity.RING_NEUTRAL, Quantity.RING_CPC)) {
            boxes.stream()
                    .filter(f -> f.expectation().slot().address().is(end))
                    .findFirst()
                    .ifPresent(ends::add);
        }
        if (recorded.isEmpty() || ends.size() < 3) {
            return List.of();
        }
        // a spur reads more than the ring: the highest on record is held against the ring with what its spurs add
        return held(recorded.get(), ends, n -> RingLoop.stepThreeOhms(n.getFirst(), n.getLast()) + spurOhms(ring));
    }

    private static double spurOhms(Ring ring) {
        double perMetre = ring.cable().milliohmPerMetre(prantel.core.rig.Conductor.LINE)
                + ring.cable().milliohmPerMetre(prantel.core.rig.Conductor.CPC);
        return ring.points().stream()
                .mapToDouble(p -> prantel.core.sequence.RingSpurs.metres(ring, p) * perMetre / 1000)
                .max()
                .orElse(0);
    }

    private List<Held> current() {
        Optional<Finding> ze = findings.stream()
                .filter(f -> f.expectation().slot().id().equals(BoxAddress.ZE.id()))
                .findFirst();
        Optional<Finding> pefc = findings.stream()
                .filter(f -> f.expectation().slot().step() == TestKind.IPF
                        && f.expectation().slot().address().is(Quantity.PEFC))
                .findFirst();
        if (ze.isEmpty() || pefc.isEmpty()) {
            return List.of();
        }
        double volts = key.rig().supply().nominalVolts();
        return held(pefc.get(), List.of(ze.get()), n -> volts / Math.max(n.getFirst(), 0.005));
    }

    private static List<Held> held(
            Finding box, List<Finding> from, java.util.function.ToDoubleFunction<List<Double>> what) {
        List<Double> numbers = from.stream().flatMap(f -> number(f).stream()).toList();
        return numbers.size() < from.size() || from.isEmpty()
                ? List.of()
                : List.of(new Held(box, what.applyAsDouble(numbers), from));
    }

    private static Optional<Double> number(Finding finding) {
        return finding.written() instanceof Written.Number n ? Optional.of(n.base()) : Optional.empty();
    }
}
