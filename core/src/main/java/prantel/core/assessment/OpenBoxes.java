package prantel.core.assessment;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    /** @param slots of one step, or of several */
    static List<Slot> of(Assessment assessment, Scheme scheme, List<Slot> slots) {
        List<Slot> open = new ArrayList<>();
        Map<Optional<CircuitId>, Map<TestKind, List<Slot>>> ways = new HashMap<>();
        for (Slot slot : slots) {
            boolean either = scheme.alternativeTo(slot.step()).isPresent();
            if (either) {
                List<Slot> way = ways.computeIfAbsent(slot.circuit(), c -> new HashMap<>())
                        .computeIfAbsent(slot.step(), s -> new ArrayList<>());
                if (isOpen(assessment, slot)) {
                    way.add(slot);
                }
            } else if (isOpen(assessment, slot)) {
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

    /** Of one step: a circuit that is being proved the other way, in a step of its own, has nothing open here. */
    static List<Slot> ofStep(Assessment assessment, Scheme scheme, List<Slot> own, List<Slot> all) {
        return of(assessment, scheme, own).stream()
                .filter(s -> scheme.alternativeTo(s.step())
                        .filter(other -> isBegun(assessment, all, s, other) && !isBegun(assessment, all, s, s.step()))
                        .isEmpty())
                .toList();
    }

    private static boolean isBegun(Assessment assessment, List<Slot> all, Slot of, TestKind test) {
        return all.stream()
                .anyMatch(s -> s.step() == test && s.circuit().equals(of.circuit()) && !isOpen(assessment, s));
    }

    static boolean isOpen(Assessment assessment, Slot slot) {
        Assessment.Entry<String> entry = assessment.readings().get(slot.id().value());
        return entry == null || entry.value().isBlank();
    }

    /** How many boxes of the dead steps before the first live one are open. */
    static int beforeLive(Assessment assessment, Scheme scheme, List<Slot> slots) {
        List<TestKind> tests = scheme.steps().stream()
                .takeWhile(s -> !s.isLive())
                .map(Step::tests)
                .flatMap(List::stream)
                .toList();
        return of(
                        assessment,
                        scheme,
                        slots.stream().filter(s -> tests.contains(s.step())).toList())
                .size();
    }
}
