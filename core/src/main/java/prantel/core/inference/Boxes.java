package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** The boxes of one record: what the key says of each, what stands there, and what the rig would show done otherwise. */
final class Boxes {
    private final Key key;
    private final WrittenSheet sheet;
    private final CircuitFigures figures;
    private final Beside beside;
    private final List<Expectation> all;
    private final Map<SlotId, Expectation> expected = new LinkedHashMap<>();
    private final Map<TestOf, List<Slot.Measured>> byTest = new HashMap<>();
    private static final int FIVE = 5;
    private static final int ENOUGH_IN_FIVES = 4;
    private static final int ENOUGH_DIFFERENT = 3;

    private final Map<TestOf, Integer> steps = new HashMap<>();
    private @Nullable Bench bench;
    private final Map<FaultSet, Bench> benches = new HashMap<>();
    private @Nullable Map<Beside.Other, WrittenSheet> others;
    private final Map<SetUp, Map<SlotId, Double>> otherwise = new HashMap<>();

    private record TestOf(Optional<CircuitId> circuit, TestKind test) {}

    /** @param done what each box must read in the way it was done */
    Boxes(Key key, List<Expectation> done, WrittenSheet sheet, Beside beside) {
        this.key = key;
        this.figures = new CircuitFigures(done);
        this.sheet = figures.asReadings(sheet);
        this.beside = beside;
        this.all = List.copyOf(done);
        for (Expectation e : all) {
            expected.put(e.slot().id(), e);
            if (e.slot() instanceof Slot.Measured m) {
                byTest.computeIfAbsent(new TestOf(m.circuit(), m.step()), t -> new ArrayList<>())
                        .add(m);
            }
        }
    }

    Key key() {
        return key;
    }

    CircuitFigures figures() {
        return figures;
    }

    List<Expectation> all() {
        return all;
    }

    Expectation at(SlotId id) {
        Expectation found = expected.get(id);
        if (found == null) {
            throw new IllegalArgumentException("No box " + id);
        }
        return found;
    }

    boolean has(SlotId id) {
        return expected.containsKey(id);
    }

    Written written(SlotId id) {
        return sheet.at(id);
    }

    /** Measured boxes that were read to prove the set. */
    Set<SlotId> checked() {
        Set<SlotId> ids = new HashSet<>();
        beside.checks().keySet().stream()
                .filter(id -> has(id) && hasMeter(at(id).slot()))
                .forEach(ids::add);
        return ids;
    }

    /** Records of others, read. */
    Map<Beside.Other, WrittenSheet> others() {
        Map<Beside.Other, WrittenSheet> read = others;
        if (read == null) {
            read = new LinkedHashMap<>();
            for (Beside.Other other : beside.others()) {
                read.put(other, figures.asReadings(WrittenSheet.read(other.readings(), key)));
            }
            others = read;
        }
        return read;
    }

    Beside beside() {
        return beside;
    }

    /** Whether a person wrote it: what the tester filled in is measured. */
    boolean isByHand(SlotId id) {
        return !beside.fromTester().contains(id);
    }

    /** The number that stands in a box, base unit; empty for anything else. */
    Optional<Double> number(SlotId id) {
        return sheet.at(id) instanceof Written.Number n ? Optional.of(n.base()) : Optional.empty();
    }

    boolean isOver(SlotId id) {
        return sheet.at(id) instanceof Written.Above || sheet.at(id) instanceof Written.Open;
    }

    /** What the rig with the set faults gives, base unit; empty where it gives no number. */
    Optional<Double> right(SlotId id) {
        return at(id).withFaults() instanceof Reading.Value value ? Optional.of(value.base()) : Optional.empty();
    }

    /** Measured boxes of a test on a circuit, or of the whole rig where the circuit is empty. */
    List<Slot.Measured> measured(Optional<CircuitId> circuit, TestKind test) {
        return byTest.getOrDefault(new TestOf(circuit, test), List.of());
    }

    Meter meter(Slot.Measured slot) {
        return key.tester().meter(slot.function()).orElseThrow();
    }

    boolean hasMeter(Slot slot) {
        return slot instanceof Slot.Measured m
                && key.tester().meter(m.function()).isPresent();
    }

    /** The last digit a box is written to, base unit: its meter's, or that of the boxes it comes from. */
    double digit(Slot slot, double base) {
        return switch (slot) {
            case Slot.Measured m -> meter(m).resolutionAt(Math.abs(base));
            case Slot.Composed c -> digit(at(c.of().getFirst()).slot(), base);
        };
    }

    /**
     * What a box would read with another set-up, base unit, moved as its healthy readings are; +∞ where nothing connects.
     */
    double otherwise(Slot.Measured slot, SetUp other) {
        return otherwise.computeIfAbsent(other, o -> new HashMap<>()).computeIfAbsent(slot.id(), id -> {
            double then = bench().value(slot, other);
            double shift = right(slot.id()).orElse(0.0) - bench().value(slot);
            return Math.abs(shift) < 0.5 * bench().value(slot) ? moved(slot, then) : then;
        });
    }

    Bench bench() {
        Bench made = bench;
        if (made == null) {
            made = bench(key.faults());
            bench = made;
        }
        return made;
    }

    /**
     * The rig with other faults; kept, since one cause after the other is looked for among the same.
     *
     * @throws prantel.core.quantity.ProblemsException if a fault does not fit the rig
     */
    Bench bench(FaultSet faults) {
        return benches.computeIfAbsent(faults, key::bench);
    }

    /**
     * What a true value of the rig as it is described reads at the rig as it is built, base unit: what it has more in series
     * is added; what leaks by itself lies in parallel.
     */
    double moved(Slot.Measured slot, double value) {
        return withShift(slot, value, 1);
    }

    /** The other way round. */
    double unmoved(Slot.Measured slot, double read) {
        return withShift(slot, read, -1);
    }

    private double withShift(Slot.Measured slot, double value, int sign) {
        double built = right(slot.id()).orElse(Double.NaN);
        double described = bench().value(slot);
        if (!Double.isFinite(built) || !Double.isFinite(described) || !Double.isFinite(value)) {
            return value;
        }
        if (slot.function().isInsulation()) {
            double leak = 1 / value + sign * (1 / built - 1 / described);
            return leak > 0 ? 1 / leak : value;
        }
        return Math.max(0, value + sign * (built - described));
    }

    /** What a true value is on a display, with its unit. */
    String shown(Slot slot, double base) {
        return switch (slot) {
            case Slot.Measured m -> meter(m).show(base).shown();
            case Slot.Composed c -> c.boxUnit().text(base);
        };
    }

    /** Whether a number is another one to the digits that were written. */
    boolean isSame(SlotId id, double base) {
        if (!(sheet.at(id) instanceof Written.Number n)) {
            return false;
        }
        return Check.same(n.base(), base) || n.agreesWith(base, 0);
    }

    /** In what steps a test of a circuit is written: where all is in fives of the last digit, two agree five times as often. */
    int stepInDigits(Slot slot) {
        if (!(slot instanceof Slot.Measured m) || m.function().isInsulation() || !hasMeter(m)) {
            return 1;
        }
        return steps.computeIfAbsent(new TestOf(m.circuit(), m.step()), t -> {
            List<Slot.Measured> written = measured(t.circuit(), t.test()).stream()
                    .filter(s -> hasMeter(s) && number(s.id()).isPresent())
                    .toList();
            boolean inFives = written.stream().allMatch(s -> {
                double fives = number(s.id()).orElseThrow()
                        / (FIVE * digit(s, number(s.id()).orElseThrow()));
                return Math.abs(fives - Math.rint(fives)) < 1e-6;
            });
            long different =
                    written.stream().map(s -> number(s.id())).distinct().count();
            return inFives && written.size() >= ENOUGH_IN_FIVES && different >= ENOUGH_DIFFERENT ? FIVE : 1;
        });
    }

    /** Whether it says over-range with this top: ">9.99 MΩ". */
    boolean isAbove(SlotId id, double top) {
        return sheet.at(id) instanceof Written.Above a && Math.abs(a.base() - top) < 0.005 * top;
    }

    /** Whether it says over-range with the top of another range than the last. */
    boolean isOnALowerRange(SlotId id) {
        if (!(at(id).slot() instanceof Slot.Measured m) || !hasMeter(m)) {
            return false;
        }
        List<Range> ranges = meter(m).ranges();
        return ranges.subList(0, ranges.size() - 1).stream()
                .anyMatch(r -> isAbove(id, r.unit().toBase(r.top())));
    }

    /** Whether a number is written to the digits its display has: fewer agree with much by chance. */
    boolean isWhole(SlotId id) {
        return sheet.at(id) instanceof Written.Number n && n.lastDigit() < 1.5 * digit(at(id).slot(), n.base());
    }

    /** Circuits of the sheet, in its order, and the empty one for what belongs to the rig. */
    Set<Optional<CircuitId>> circuits() {
        Set<Optional<CircuitId>> all = new java.util.LinkedHashSet<>();
        expected.values().forEach(e -> all.add(e.slot().circuit()));
        return all;
    }

    /** What the instrument would have shown, for people; empty where nothing is said of the box. */
    String would(Slot slot, @Nullable Predicted predicted) {
        return switch (predicted) {
            case Predicted.Near(double base) -> shown(slot, base);
            case Predicted.Exactly(double base) -> shown(slot, base);
            case Predicted.Slipped(double base, double factor) -> shown(slot, base * factor);
            case Predicted.Round(double step, double right) -> "a multiple of " + shown(slot, step);
            case Predicted.AboveTop(double top) -> "more than " + shown(slot, top);
            case Predicted.Over over ->
                slot instanceof Slot.Measured m ? meter(m).overRange().shown() : "over-range";
            case Predicted.InWindow(var window) -> at(slot.id()).withFaults().shown();
            case null -> "";
        };
    }
}
