package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Variation;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** The boxes of one record: what the key says of each, what stands there, and what the rig would show done otherwise. */
final class Boxes {
    private final Key key;
    private final WrittenSheet sheet;
    private final Map<SlotId, Expectation> expected = new LinkedHashMap<>();
    private @Nullable Bench bench;
    private final Map<SetUp, Map<SlotId, Double>> otherwise = new HashMap<>();

    /** @param done what each box must read in the way it was done */
    Boxes(Key key, List<Expectation> done, WrittenSheet sheet) {
        this.key = key;
        this.sheet = sheet;
        done.forEach(e -> expected.put(e.slot().id(), e));
    }

    Key key() {
        return key;
    }

    List<Expectation> all() {
        return List.copyOf(expected.values());
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
        List<Slot.Measured> found = new ArrayList<>();
        for (Expectation e : expected.values()) {
            if (e.slot() instanceof Slot.Measured m
                    && m.step() == test
                    && m.circuit().equals(circuit)) {
                found.add(m);
            }
        }
        return found;
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
            double now = bench().value(slot);
            double then = bench().value(slot, other);
            double shift = right(slot.id()).map(r -> r - now).orElse(0.0);
            return Double.isFinite(then) && Math.abs(shift) < 0.5 * now ? Math.max(0, then + shift) : then;
        });
    }

    Bench bench() {
        Bench made = bench;
        if (made == null) {
            made = new Bench(key.rig(), key.faults(), Variation.NONE);
            bench = made;
        }
        return made;
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
        double lastDigit = n.unit().toBase(Math.pow(10, -n.places()));
        return Check.same(n.base(), base) || Math.abs(n.base() - base) <= 0.5001 * lastDigit;
    }

    /** Circuits of the sheet, in its order, and the empty one for what belongs to the rig. */
    Set<Optional<CircuitId>> circuits() {
        Set<Optional<CircuitId>> all = new java.util.LinkedHashSet<>();
        expected.values().forEach(e -> all.add(e.slot().circuit()));
        return all;
    }
}
