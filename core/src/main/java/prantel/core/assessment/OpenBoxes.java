package prantel.core.assessment;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;

/** Which boxes are still to be written. Of two ways to prove the same thing the one that is nearer its end counts. */
public final class OpenBoxes {
    private OpenBoxes() {}

    /** How many of these boxes have something in them; what is written in a box that is not of the sheet any more is not counted. */
    public static int filled(Assessment assessment, List<Slot> slots) {
        return (int) slots.stream().filter(s -> !isOpen(assessment, s)).count();
    }

    /** Whether a box has nothing to be written in, because its circuit is being proved the other way. */
    public static boolean isProvedTheOtherWay(Assessment assessment, Scheme scheme, Slot slot, List<Slot> all) {
        return isProvedTheOtherWay(scheme, slot, all, s -> isOpen(assessment, s));
    }

    private static boolean isProvedTheOtherWay(Scheme scheme, Slot slot, List<Slot> all, Predicate<Slot> isOpen) {
        return scheme.alternativeTo(slot.step())
                .filter(other -> isBegun(all, slot, other, isOpen) && !isBegun(all, slot, slot.step(), isOpen))
                .isPresent();
    }

    /** @param slots of one step, or of several */
    static List<Slot> of(Assessment assessment, Scheme scheme, List<Slot> slots) {
        return of(scheme, slots, s -> isOpen(assessment, s));
    }

    private static List<Slot> of(Scheme scheme, List<Slot> slots, Predicate<Slot> isOpen) {
        List<Slot> open = new ArrayList<>();
        Map<Optional<CircuitId>, Map<TestKind, List<Slot>>> ways = new HashMap<>();
        for (Slot slot : slots) {
            boolean either = scheme.alternativeTo(slot.step()).isPresent();
            if (either) {
                List<Slot> way = ways.computeIfAbsent(slot.circuit(), c -> new HashMap<>())
                        .computeIfAbsent(slot.step(), s -> new ArrayList<>());
                if (isOpen.test(slot)) {
                    way.add(slot);
                }
            } else if (isOpen.test(slot)) {
                open.add(slot);
            }
        }
        for (Map<TestKind, List<Slot>> of : ways.values()) {
            open.addAll(of.values().stream()
                    .min(java.util.Comparator.comparingInt(List::size))
                    .orElseThrow());
        }
        return open;
    }

    /**
     * Of one step: a circuit that is being proved the other way, in a step of its own, has nothing open here.
     *
     * @param isOpen whether a box is empty, now or at another moment
     */
    static List<Slot> ofStep(Scheme scheme, List<Slot> own, List<Slot> all, Predicate<Slot> isOpen) {
        return of(scheme, own, isOpen).stream()
                .filter(s -> !isProvedTheOtherWay(scheme, s, all, isOpen))
                .toList();
    }

    private static boolean isBegun(List<Slot> all, Slot of, TestKind test, Predicate<Slot> isOpen) {
        return all.stream().anyMatch(s -> s.step() == test && s.circuit().equals(of.circuit()) && !isOpen.test(s));
    }

    static boolean isOpen(Assessment assessment, Slot slot) {
        Assessment.Entry<String> entry = assessment.readings().get(slot.id().value());
        return entry == null || entry.value().isBlank();
    }

    /** Boxes of the dead steps before the first live one that are open, by step. */
    static List<Course.OpenDead> beforeLive(Assessment assessment, Scheme scheme, List<Slot> slots) {
        List<Step> steps = scheme.steps().stream().takeWhile(s -> !s.isLive()).toList();
        List<TestKind> tests = steps.stream().flatMap(s -> s.tests().stream()).toList();
        List<Slot> open = of(
                assessment,
                scheme,
                slots.stream().filter(s -> tests.contains(s.step())).toList());
        return steps.stream()
                .map(step -> new Course.OpenDead(step.title(), (int) open.stream()
                        .filter(s -> step.tests().contains(s.step()))
                        .count()))
                .filter(o -> o.boxes() > 0)
                .toList();
    }
}
