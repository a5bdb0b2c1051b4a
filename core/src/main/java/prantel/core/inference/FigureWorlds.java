package prantel.core.inference;

import static prantel.core.inference.Likelihood.ZE;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Written;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What was done with the number: another box, another point, a slip of the pen, arithmetic, copied. */
final class FigureWorlds {
    private static final int[] TENS = {1, -1, 2, -2, 3, -3, 6, -6};
    /** Fewer boxes that agree by chance say nothing. */
    private static final int ENOUGH_TO_ASK = 3;
    /** Two honest people agree to the digit in a good half of their boxes: so many alike on one circuit are needed. */
    private static final int ENOUGH_ALIKE = 8;

    private static final double NEARLY_ALL_ALIKE = 0.9;
    /** Below so many digits of the display honest people read the same. */
    private static final int DIGITS_THAT_DIFFER = 9;
    /** Steps a hand rounds to, in digits of the display: an honest reading is a multiple of the first once in five. */
    private static final int[] ROUND_DIGITS = {5, 10, 50};

    private static final int ENOUGH_ROUND = 4;
    /** Fewer may read alike by themselves. */
    private static final int ENOUGH_STUCK = 4;

    private static final double DIGITS_ALIKE = 2.5;

    private final Boxes boxes;
    private final Set<SlotId> odd;
    private final List<World> worlds = new ArrayList<>();

    FigureWorlds(Boxes boxes, Set<SlotId> odd) {
        this.boxes = boxes;
        this.odd = odd;
    }

    List<World> all() {
        for (SlotId id : odd) {
            Slot slot = boxes.at(id).slot();
            switch (slot) {
                case Slot.Measured measured -> {
                    slips(measured);
                    otherBoxes(measured);
                }
                case Slot.Composed composed -> chosen(composed);
            }
        }
        for (Circuit circuit : boxes.key().rig().circuits()) {
            ring(circuit);
            calculatedZs(circuit);
            byLength(circuit);
        }
        allZsCalculated();
        neighbours();
        otherRecords();
        roundNumbers();
        ranges();
        stuck();
        currentOfZe();
        return worlds;
    }

    /**
     * Box by box what stands in a record handed in before: all of it, or one circuit. Only where hands and clips make each
     * reading a digit or two another one: a voltage may well be the same for everybody, and so may 0.02 Ω of a bond.
     */
    private void otherRecords() {
        boxes.others().forEach((other, theirs) -> {
            Map<Optional<CircuitId>, Map<SlotId, Predicted>> byCircuit = new LinkedHashMap<>();
            Map<SlotId, Predicted> all = new LinkedHashMap<>();
            for (Expectation e : boxes.all()) {
                SlotId id = e.slot().id();
                if (e.slot() instanceof Slot.Measured m
                        && (m.function().isContinuity() || m.function().isLoop())
                        && boxes.isByHand(id)
                        && boxes.number(id)
                                .filter(n -> n > DIGITS_THAT_DIFFER * boxes.digit(m, n))
                                .isPresent()
                        && theirs.at(id) instanceof Written.Number n) {
                    Predicted same = new Predicted.Exactly(n.base());
                    all.put(id, same);
                    byCircuit
                            .computeIfAbsent(m.circuit(), c -> new LinkedHashMap<>())
                            .put(id, same);
                }
            }
            int scopes = boxes.beside().others().size() * (1 + byCircuit.size());
            String words = "as in " + other.label();
            if (areAlike(all)) {
                worlds.add(new World(
                        Cause.COPIED_RECORD, words, all, boxes.beside().others().size()));
            }
            byCircuit.forEach((circuit, says) -> {
                if (areAlike(says)) {
                    worlds.add(new World(Cause.COPIED_RECORD, words, says, scopes));
                }
            });
        });
    }

    private boolean areAlike(Map<SlotId, Predicted> says) {
        return agreeing(says) >= Math.max(ENOUGH_ALIKE, NEARLY_ALL_ALIKE * says.size());
    }

    /** A test of a circuit, or a kind of test on the whole rig, written in fives or tens of the last digit. */
    private void roundNumbers() {
        Map<List<Object>, List<Slot.Measured>> scopes = new LinkedHashMap<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && (m.function().isContinuity() || m.function().isLoop())
                    && boxes.isByHand(m.id())
                    && boxes.hasMeter(m)
                    && boxes.number(m.id()).isPresent()
                    && boxes.right(m.id()).filter(r -> r > 0).isPresent()) {
                scopes.computeIfAbsent(List.of(m.circuit(), m.step()), k -> new ArrayList<>())
                        .add(m);
                scopes.computeIfAbsent(List.of(m.step()), k -> new ArrayList<>())
                        .add(m);
            }
        }
        scopes.values().removeIf(s -> s.size() < ENOUGH_ROUND || s.stream().noneMatch(m -> odd.contains(m.id())));
        for (List<Slot.Measured> scope : scopes.values()) {
            for (int digits : ROUND_DIGITS) {
                Map<SlotId, Predicted> says = new HashMap<>();
                for (Slot.Measured slot : scope) {
                    double right = boxes.right(slot.id()).orElseThrow();
                    says.put(slot.id(), new Predicted.Round(digits * boxes.digit(slot, right), right));
                }
                worlds.add(new World(Cause.ROUND_NUMBERS, "made up", says, scopes.size() * ROUND_DIGITS.length));
            }
        }
    }

    /**
     * The knob on one range for a test of a circuit, or of the whole rig: too low, and whatever lies above its top is over-range; too high, and digits are
     * missing. A range too high shows in how the number is written, so that it is not taken for one that was made up.
     */
    private void ranges() {
        Map<List<Object>, List<Slot.Measured>> tests = new LinkedHashMap<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m && boxes.hasMeter(m)) {
                Meter meter = boxes.meter(m);
                List.of(List.<Object>of(m.circuit(), m.step(), meter), List.<Object>of(m.step(), meter))
                        .forEach(scope -> tests.computeIfAbsent(scope, k -> new ArrayList<>())
                                .add(m));
            }
        }
        for (List<Slot.Measured> test : tests.values()) {
            if (test.stream().noneMatch(m -> odd.contains(m.id()) || boxes.isOnALowerRange(m.id()))) {
                continue;
            }
            List<Range> ranges = boxes.meter(test.getFirst()).ranges();
            for (Range range : ranges.subList(0, ranges.size() - 1)) {
                tooLow(test, range, ranges.size());
            }
            for (Range range : ranges.subList(1, ranges.size())) {
                tooHigh(test, range, ranges.size());
            }
        }
    }

    /** One display for everything: a flat battery, a blown fuse, a held value. For a test, a circuit, or the whole rig. */
    private void stuck() {
        Map<List<Object>, List<Slot.Measured>> scopes = new LinkedHashMap<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && boxes.hasMeter(m)
                    && boxes.written(m.id()).isReading()) {
                List.of(
                                List.<Object>of(m.function()),
                                List.<Object>of(m.function(), m.circuit()),
                                List.<Object>of(m.function(), m.circuit(), m.step()))
                        .forEach(scope -> scopes.computeIfAbsent(scope, k -> new ArrayList<>())
                                .add(m));
            }
        }
        for (List<Slot.Measured> scope : scopes.values()) {
            if (scope.size() < ENOUGH_STUCK || scope.stream().noneMatch(m -> odd.contains(m.id()))) {
                continue;
            }
            double one = boxes.number(scope.getFirst().id()).orElse(Double.NaN);
            // points that are alike read alike through anything
            Optional<Double> first = boxes.right(scope.getFirst().id());
            long moved =
                    scope.stream().filter(m -> !isAlike(m, first.orElse(one))).count();
            if (moved >= 2 && 3 * moved >= scope.size() && scope.stream().allMatch(m -> boxes.isSame(m.id(), one))) {
                Map<SlotId, Predicted> says = new HashMap<>();
                scope.forEach(m -> says.put(m.id(), new Predicted.Exactly(one)));
                worlds.add(new World(Cause.TESTER_STUCK, "with a display that stands still", says, scopes.size()));
            }
        }
    }

    /** Whether the rig gives that number there, or one a digit or two away. */
    private boolean isAlike(Slot.Measured slot, double one) {
        return boxes.right(slot.id())
                .filter(r -> Math.abs(r - one) < DIGITS_ALIKE * boxes.digit(slot, one))
                .isPresent();
    }

    private void tooLow(List<Slot.Measured> test, Range range, int ranges) {
        double top = range.unit().toBase(range.top());
        Map<SlotId, Predicted> says = new HashMap<>();
        for (Slot.Measured slot : test) {
            Expectation e = boxes.at(slot.id());
            boolean above = e.window().isOverRangeOnly()
                    || boxes.right(slot.id()).filter(r -> r > top).isPresent();
            if (above) {
                says.put(slot.id(), new Predicted.AboveTop(top));
            }
        }
        boolean shows = says.keySet().stream().anyMatch(id -> boxes.isAbove(id, top));
        if (shows) {
            says.keySet().removeIf(id -> boxes.at(id).window().isOverRangeOnly() && !boxes.isAbove(id, top));
            worlds.add(new World(Cause.WRONG_RANGE, "on the range up to " + range.label(), says, ranges));
        }
    }

    private void tooHigh(List<Slot.Measured> test, Range range, int ranges) {
        double digit = range.unit().toBase(range.resolution());
        Map<SlotId, Predicted> says = new HashMap<>();
        for (Slot.Measured slot : test) {
            double right = boxes.right(slot.id()).orElse(0.0);
            boolean coarser = right > 0 && digit > 1.5 * boxes.digit(slot, right);
            if (coarser && boxes.written(slot.id()) instanceof Written.Number n) {
                if (n.lastDigit() < 0.99 * digit) {
                    return;
                }
                // either neighbour: the last digit of a coarse range falls this way or that
                double steps = n.base() / digit;
                boolean neighbour = Math.abs(steps - Math.rint(steps)) < 1e-6 && Math.abs(n.base() - right) <= digit;
                says.put(slot.id(), new Predicted.Exactly(neighbour ? n.base() : Math.rint(right / digit) * digit));
            }
        }
        addGroup(Cause.WRONG_RANGE, "on the range up to " + range.label(), says, ranges);
    }

    private void slips(Slot.Measured slot) {
        Optional<Double> right = boxes.right(slot.id());
        if (right.isEmpty() || boxes.number(slot.id()).isEmpty() || right.get() == 0) {
            return;
        }
        for (int ten : TENS) {
            double factor = Math.pow(10, ten);
            worlds.add(new World(
                    Cause.SLIP_OF_TEN,
                    undone(ten),
                    Map.of(slot.id(), new Predicted.Slipped(right.get(), factor)),
                    TENS.length));
        }
        // a habit: every box of the test
        for (int ten : new int[] {3, -3}) {
            Map<SlotId, Predicted> says = new HashMap<>();
            for (Slot.Measured other : boxes.measured(slot.circuit(), slot.step())) {
                boxes.right(other.id())
                        .ifPresent(r -> says.put(other.id(), new Predicted.Slipped(r, Math.pow(10, ten))));
            }
            worlds.add(new World(Cause.SLIP_OF_TEN, undone(ten), says, 4));
        }
    }

    /** What puts it right again. */
    private static String undone(int ten) {
        return String.format(
                Locale.ROOT, ten > 0 ? "divided by %,.0f" : "multiplied by %,.0f", Math.pow(10, Math.abs(ten)));
    }

    /** The candidate's own number of another point of the test, or of another box of the same thing. */
    private void otherBoxes(Slot.Measured slot) {
        List<Slot.Measured> others = new ArrayList<>();
        for (Slot.Measured other : boxes.measured(slot.circuit(), slot.step())) {
            if (!other.id().equals(slot.id()) && other.boxUnit() == slot.boxUnit()) {
                others.add(other);
            }
        }
        for (Slot.Measured other : others) {
            boolean alike = other.address().isSameQuantity(slot.address());
            // the same of the same point, or of the whole circuit: another round
            boolean sameSpot = alike
                    && slot.circuit().isPresent()
                    && other.spot().point().equals(slot.spot().point());
            Cause cause = !alike ? Cause.ANOTHER_BOX : sameSpot ? Cause.OTHER_POSITION : Cause.ANOTHER_POINT;
            String words = "at " + other.where();
            boxes.number(other.id())
                    .ifPresent(n -> worlds.add(new World(
                            cause,
                            words,
                            Map.of(slot.id(), new Predicted.Exactly(n)),
                            Math.max(1, others.size()),
                            Set.of(other.id()))));
            boxes.right(other.id())
                    .ifPresent(r -> worlds.add(new World(
                            cause, words, Map.of(slot.id(), new Predicted.Near(r)), 2 * Math.max(1, others.size()))));
        }
    }

    private void chosen(Slot.Composed slot) {
        List<Double> own = new ArrayList<>();
        slot.of().forEach(id -> boxes.number(id).ifPresent(own::add));
        if (own.isEmpty()) {
            return;
        }
        switch (slot.rule()) {
            case HIGHEST, TWICE_HIGHEST -> {
                if (own.size() > 1) {
                    add(slot, Cause.LOWEST_RECORDED, "the lowest of them", Slot.Rule.LOWEST.of(own));
                }
                double mean = own.stream().mapToDouble(x -> x).average().orElseThrow();
                add(slot, Cause.MIDDLE_RECORDED, "their mean", mean);
                own.forEach(o -> add(slot, Cause.MIDDLE_RECORDED, "one between them", o));
                if (slot.rule() == Slot.Rule.TWICE_HIGHEST) {
                    add(slot, Cause.NOT_DOUBLED, "the highest itself", Slot.Rule.HIGHEST.of(own));
                } else if (slot.step() == TestKind.IPF) {
                    add(slot, Cause.DOUBLED, "twice the highest", 2 * Slot.Rule.HIGHEST.of(own));
                }
            }
            case SLOWER -> add(slot, Cause.FASTER_RECORDED, "the faster of them", Slot.Rule.LOWEST.of(own));
            case LOWEST -> own.forEach(o -> add(slot, Cause.MIDDLE_RECORDED, "another of them", o));
            case SUM, SPREAD -> {}
        }
        for (int ten : new int[] {1, -1, 2, -2, 3, -3}) {
            add(slot, Cause.SLIP_OF_TEN, undone(ten), slot.rule().of(own) * Math.pow(10, ten));
        }
    }

    private void add(Slot slot, Cause cause, String words, double exactly) {
        worlds.add(new World(cause, words, Map.of(slot.id(), new Predicted.Exactly(exactly)), 2));
    }

    /** Steps 2 and 3: not divided, halved, or the values of the other step. */
    private void ring(Circuit circuit) {
        List<Slot.Measured> all = boxes.measured(Optional.of(circuit.id()), TestKind.RING);
        boolean isOdd = all.stream().anyMatch(s -> odd.contains(s.id()));
        for (Quantity quantity : List.of(Quantity.R1_RN, Quantity.R1_R2)) {
            List<Slot.Measured> step =
                    all.stream().filter(s -> s.address().is(quantity)).toList();
            if (isOdd) {
                group(step, Cause.NOT_DIVIDED, "not divided by four", r -> 4 * r, 2);
                group(step, Cause.HALVED, "half instead of a quarter", r -> 2 * r, 2);
            }
            Quantity other = quantity == Quantity.R1_RN ? Quantity.R1_R2 : Quantity.R1_RN;
            Map<SlotId, Predicted> swapped = new HashMap<>();
            for (Slot.Measured slot : step) {
                all.stream()
                        .filter(o -> o.address().is(other)
                                && o.spot().point().equals(slot.spot().point()))
                        .findFirst()
                        .flatMap(o -> boxes.number(o.id())
                                .<Predicted>map(Predicted.Exactly::new)
                                .or(() -> boxes.right(o.id()).map(Predicted.Near::new)))
                        .ifPresent(says -> swapped.put(slot.id(), says));
            }
            if (isOdd || differing(swapped) >= ENOUGH_TO_ASK) {
                List<Slot.Measured> theirs =
                        all.stream().filter(s -> s.address().is(other)).toList();
                addGroup(Cause.ANOTHER_BOX, "of the other step", swapped, 2, theirs);
            }
        }
    }

    private void group(List<Slot.Measured> step, Cause cause, String words, Function<Double, Double> of, int places) {
        Map<SlotId, Predicted> says = new HashMap<>();
        step.forEach(s -> boxes.right(s.id()).ifPresent(r -> says.put(s.id(), new Predicted.Near(of.apply(r)))));
        addGroup(cause, words, says, places);
    }

    private void addGroup(Cause cause, String words, Map<SlotId, Predicted> says, int places) {
        addGroup(cause, words, says, places, List.of());
    }

    /** @param from whose figures stand there */
    private void addGroup(
            Cause cause, String words, Map<SlotId, Predicted> says, int places, List<Slot.Measured> from) {
        if (!says.isEmpty()) {
            Set<SlotId> sources = new HashSet<>();
            from.forEach(s -> sources.add(s.id()));
            worlds.add(new World(cause, words, says, places, sources));
        }
    }

    /** The loop that Zs by calculation of a circuit starts from: Ze, or Zdb of its board; empty where it is not calculated. */
    private Optional<SlotId> upstream(Circuit circuit) {
        return boxes.all().stream()
                .map(Expectation::slot)
                .filter(s -> s instanceof Slot.Composed c && c.rule() == Slot.Rule.SUM)
                .filter(s -> s.circuit().filter(circuit.id()::equals).isPresent())
                .map(s -> ((Slot.Composed) s).of().getFirst())
                .findFirst();
    }

    /** Ze and the candidate's own R1+R2 at each point, to the digit. */
    private Map<SlotId, Predicted> sums(Circuit circuit) {
        Map<SlotId, Predicted> says = new LinkedHashMap<>();
        Optional<Double> ze = upstream(circuit).flatMap(boxes::number);
        if (ze.isEmpty()) {
            return says;
        }
        List<Slot.Measured> parts = new ArrayList<>(boxes.measured(Optional.of(circuit.id()), TestKind.R1_R2));
        boxes.measured(Optional.of(circuit.id()), TestKind.RING).stream()
                .filter(s -> s.address().is(Quantity.R1_R2))
                .forEach(parts::add);
        Set<Optional<PointId>> points = new HashSet<>();
        for (Slot.Measured zs : boxes.measured(Optional.of(circuit.id()), TestKind.ZS)) {
            // three lines of one cable read alike: that they agree alike says no more than that one of them does
            if (!points.add(zs.spot().point())) {
                continue;
            }
            parts.stream()
                    .filter(p -> p.spot().point().equals(zs.spot().point()))
                    .flatMap(p -> boxes.number(p.id()).stream())
                    .max(Double::compare)
                    .filter(r -> boxes.isByHand(zs.id()))
                    .ifPresent(r -> says.put(zs.id(), new Predicted.Exactly(ze.get() + r)));
        }
        return says;
    }

    private long agreeing(Map<SlotId, Predicted> says) {
        return says.entrySet().stream()
                .filter(e -> e.getValue() instanceof Predicted.Exactly(double base)
                        && boxes.isWhole(e.getKey())
                        && boxes.isSame(e.getKey(), base))
                .count();
    }

    /** Of those that agree to the digit the ones that ought to be another number: on an even ring both steps read alike. */
    private long differing(Map<SlotId, Predicted> says) {
        return says.entrySet().stream()
                .filter(e -> e.getValue() instanceof Predicted.Exactly(double base)
                        && boxes.isWhole(e.getKey())
                        && boxes.isSame(e.getKey(), base)
                        && boxes.right(e.getKey())
                                .filter(r -> Math.abs(r - base)
                                        > 1.5 * boxes.digit(boxes.at(e.getKey()).slot(), r))
                                .isPresent())
                .count();
    }

    private void calculatedZs(Circuit circuit) {
        Map<SlotId, Predicted> says = sums(circuit);
        if (agreeing(says) >= ENOUGH_TO_ASK && agreeing(says) == written(says)) {
            worlds.add(new World(Cause.CALCULATED, "Ze and R1+R2 added up, to the digit", says, 4));
        }
    }

    private long written(Map<SlotId, Predicted> says) {
        return says.keySet().stream().filter(id -> boxes.number(id).isPresent()).count();
    }

    private void allZsCalculated() {
        Map<SlotId, Predicted> all = new LinkedHashMap<>();
        boxes.key().rig().circuits().forEach(c -> all.putAll(sums(c)));
        if (agreeing(all) >= ENOUGH_TO_ASK && agreeing(all) == written(all)) {
            worlds.add(new World(Cause.CALCULATED, "Ze and R1+R2 added up, to the digit, on every circuit", all, 1));
        }
    }

    /** Length times table, to the digit, at every point of a circuit. */
    private void byLength(Circuit circuit) {
        for (TestKind test : List.of(TestKind.R1_R2, TestKind.RING)) {
            Map<SlotId, Predicted> says = new LinkedHashMap<>();
            for (Slot.Measured slot : boxes.measured(Optional.of(circuit.id()), test)) {
                slot.byHand()
                        .filter(h -> boxes.hasMeter(slot) && boxes.isByHand(slot.id()))
                        .ifPresent(h -> says.put(slot.id(), new Predicted.Exactly(h.base())));
            }
            if (agreeing(says) > ENOUGH_TO_ASK && agreeing(says) == written(says)) {
                worlds.add(new World(Cause.COPIED_CALCULATION, "length times table, to the digit", says, 2));
            }
        }
    }

    /** The values of a circuit beside it, box by box. */
    private void neighbours() {
        List<CircuitId> ids =
                boxes.key().rig().circuits().stream().map(Circuit::id).toList();
        for (CircuitId mine : ids) {
            for (TestKind test : List.of(TestKind.R1_R2, TestKind.R2, TestKind.RING, TestKind.ZS)) {
                List<Slot.Measured> own = boxes.measured(Optional.of(mine), test);
                boolean isOdd = own.stream().anyMatch(s -> odd.contains(s.id()));
                for (CircuitId other : ids) {
                    List<Slot.Measured> theirs = boxes.measured(Optional.of(other), test);
                    if (other.equals(mine) || theirs.size() < 2) {
                        continue;
                    }
                    Map<SlotId, Predicted> says = new HashMap<>();
                    for (int i = 0; i < Math.min(own.size(), theirs.size()); i++) {
                        SlotId id = own.get(i).id();
                        boxes.number(theirs.get(i).id()).ifPresent(n -> says.put(id, new Predicted.Exactly(n)));
                        if (boxes.isOver(theirs.get(i).id())) {
                            says.put(id, Predicted.OVER);
                        }
                    }
                    if (isOdd || differing(says) >= ENOUGH_TO_ASK) {
                        addGroup(
                                Cause.NEIGHBOUR,
                                "of " + boxes.key().rig().circuit(other).label(),
                                says,
                                ids.size(),
                                theirs);
                    }
                }
            }
        }
    }

    /** The loop tester shows U0 ÷ Ze while the earth is off. */
    private void currentOfZe() {
        List<SlotId> sources = new ArrayList<>(List.of(ZE));
        boxes.measured(Optional.empty(), TestKind.ZE).forEach(z -> sources.add(z.id()));
        List<Slot.Measured> earth = boxes.measured(Optional.empty(), TestKind.IPF).stream()
                .filter(s -> s.address().is(Quantity.PEFC))
                .toList();
        if (earth.stream().noneMatch(s -> odd.contains(s.id()))) {
            return;
        }
        double u0 = boxes.key().rig().supply().nominalVolts();
        for (SlotId source : sources) {
            boxes.number(source).filter(z -> z > 0).ifPresent(z -> {
                Map<SlotId, Predicted> says = new HashMap<>();
                earth.forEach(s -> says.put(s.id(), new Predicted.Exactly(u0 / z)));
                worlds.add(new World(Cause.CURRENT_OF_ZE, "U0 ÷ Ze", says, 1));
                earth.stream()
                        .filter(s -> odd.contains(s.id()))
                        .forEach(s -> worlds.add(new World(
                                Cause.CURRENT_OF_ZE, "U0 ÷ Ze", Map.of(s.id(), new Predicted.Exactly(u0 / z)), 2)));
            });
        }
    }
}
