package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import prantel.core.expectation.Change.Visibility;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * What one fault of a set adds to what the others do: the key with it held against the key without it. A fault that
 * another one hides therefore shows as hidden.
 *
 * @param visibility the best of all readings
 * @param firstSeen the first reading of the sequence in which it is as visible as that; empty if it is hidden
 * @param check the reading that tells best whether it is set; empty if none does
 */
public record FaultEffect(
        Fault fault, Visibility visibility, Optional<Expectation> firstSeen, Optional<CheckReading> check) {

    /** One for each fault of the key, in its order. */
    public static List<FaultEffect> of(Key key) {
        List<FaultEffect> effects = new ArrayList<>();
        List<Fault> faults = key.faults().faults();
        for (int i = 0; i < faults.size(); i++) {
            List<Fault> others = new ArrayList<>(faults);
            others.remove(i);
            effects.add(of(faults.get(i), key, key.with(new FaultSet(others))));
        }
        return effects;
    }

    private static FaultEffect of(Fault fault, Key with, Key without) {
        Set<SlotId> counting = counting(
                with,
                fault,
                e -> new CheckReading(e, without.expectation(e.slot().id()))
                        .change()
                        .visibility());
        List<CheckReading> readings = with.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured
                        && counting.contains(e.slot().id()))
                .map(e -> new CheckReading(e, without.expectation(e.slot().id())))
                .toList();
        Visibility best = readings.stream()
                .map(r -> r.change().visibility())
                .min(Comparator.naturalOrder())
                .orElse(Visibility.HIDDEN);
        Optional<Expectation> first = best == Visibility.HIDDEN
                ? Optional.empty()
                : readings.stream()
                        .filter(r -> r.change().visibility() == best)
                        .map(CheckReading::set)
                        .findFirst();
        Optional<CheckReading> check = readings.stream()
                .filter(r -> r.change().visibility() == Visibility.FINDABLE)
                .max(Comparator.comparingDouble(r -> r.change().timesTolerance()));
        return new FaultEffect(fault, best, first, check);
    }

    /**
     * Boxes by which a candidate can be expected to find a fault: none that is read live where the fault is dead only, and of two
     * methods to choose from the one that shows it less, since that is the one the candidate may take.
     *
     * @param seen how visible it is in a box
     */
    public static Set<SlotId> counting(Key key, Fault fault, Function<Expectation, Visibility> seen) {
        boolean deadOnly = fault.safety() == SafetyClass.DEAD_ONLY;
        Map<Optional<CircuitId>, Map<TestKind, Visibility>> methods = new HashMap<>();
        for (Expectation e : key.expectations()) {
            TestKind test = e.slot().step();
            if (key.scheme().alternativeTo(test).isPresent()) {
                methods.computeIfAbsent(e.slot().circuit(), c -> new EnumMap<>(TestKind.class))
                        .merge(test, seen.apply(e), (a, b) -> a.compareTo(b) <= 0 ? a : b);
            }
        }
        return key.expectations().stream()
                .filter(e -> !deadOnly || !e.slot().step().isLive())
                .filter(e -> isOfTheWeakerMethod(
                        e, key, methods.getOrDefault(e.slot().circuit(), Map.of())))
                .map(e -> e.slot().id())
                .collect(Collectors.toSet());
    }

    private static boolean isOfTheWeakerMethod(Expectation box, Key key, Map<TestKind, Visibility> methods) {
        TestKind test = box.slot().step();
        Visibility mine = methods.get(test);
        Visibility other = key.scheme().alternativeTo(test).map(methods::get).orElse(null);
        return mine == null || other == null || mine.compareTo(other) >= 0;
    }

    /**
     * A reading that proves a fault set.
     *
     * @param set what it reads with the fault set
     * @param notSet what it reads without this fault, the others set
     */
    public record CheckReading(Expectation set, Expectation notSet) {
        Change change() {
            return new Change(notSet.withFaults(), notSet.window(), set.withFaults(), set.window());
        }

        /** What a reading taken at the rig says. */
        public Result of(String text) {
            Written written = Notation.read(text, set.slot().boxUnit());
            if (!written.isReading()) {
                return Result.UNREADABLE;
            }
            if (set.window().sideOf(written) == Window.Side.INSIDE) {
                return Result.FITS;
            }
            return notSet.window().sideOf(written) == Window.Side.INSIDE ? Result.NOT_SET : Result.NEITHER;
        }
    }

    /** What a check reading says about a fault. */
    public enum Result {
        FITS,
        /** It reads as if this fault were not set. */
        NOT_SET,
        /** It fits neither: something else is on the rig, or the reading was taken otherwise. */
        NEITHER,
        UNREADABLE
    }
}
