package prantel.core.marking;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.inference.Cause;
import prantel.core.marking.Mark.Award;
import prantel.core.sequence.SlotId;

/**
 * One thing that an assessor has to decide: a cause with every mark that it costs, or a mark that no cause accounts for.
 *
 * @param cause empty for a mark by itself
 * @param boxes that it is about, those of the cause first
 * @param marks that it costs; none where it is only asked about
 */
public record ToDecide(Optional<Cause> cause, List<SlotId> boxes, List<Mark> marks) {
    public ToDecide {
        boxes = List.copyOf(boxes);
        marks = List.copyOf(marks);
    }

    /** Points that are not given. */
    public double costs() {
        return marks.stream().mapToDouble(m -> m.weight() - m.points()).sum();
    }

    /** Whether the rig or the tester is looked at before anybody accepts it. */
    public boolean isLookedAtFirst() {
        return marks.stream().anyMatch(Mark::isLookedAtFirst);
    }

    private boolean isKey() {
        return marks.stream().anyMatch(m -> m.key() && m.award() != Award.FULL);
    }

    /**
     * All of a sheet: what stops or refers by itself first, then what the rig may account for, then by what it costs. A mark
     * stands with the cause of most of its boxes, once.
     */
    public static List<ToDecide> of(List<Finding> findings, List<Mark> marks) {
        Map<Cause, List<SlotId>> byCause = boxesByCause(findings);
        List<Mark> left = new ArrayList<>(marks.stream()
                .filter(m -> m.wantsDecision() && (m.award() != Award.FULL || m.isLookedAtFirst()))
                .toList());
        List<ToDecide> all = new ArrayList<>();
        for (Map.Entry<Cause, List<SlotId>> entry : byCause.entrySet()) {
            Set<SlotId> boxes = new LinkedHashSet<>(entry.getValue());
            List<Mark> own = left.stream()
                    .filter(m -> shared(m, boxes) > 0
                            && byCause.values().stream().noneMatch(o -> shared(m, new HashSet<>(o)) > shared(m, boxes)))
                    .toList();
            left.removeAll(own);
            own.forEach(m -> boxes.addAll(m.slots()));
            all.add(new ToDecide(Optional.of(entry.getKey()), List.copyOf(boxes), own));
        }
        left.forEach(m -> all.add(new ToDecide(Optional.empty(), m.slots(), List.of(m))));
        all.sort(Comparator.comparing((ToDecide d) -> !d.isKey())
                .thenComparing(d -> !d.isLookedAtFirst())
                .thenComparing(Comparator.comparingDouble(ToDecide::costs).reversed()));
        return all;
    }

    private static long shared(Mark mark, Set<SlotId> boxes) {
        return mark.slots().stream().filter(boxes::contains).count();
    }

    /** Boxes that each cause leads in, the cause with most of them first. */
    public static Map<Cause, List<SlotId>> boxesByCause(List<Finding> findings) {
        Map<Cause, List<SlotId>> led = new LinkedHashMap<>();
        findings.stream()
                .filter(f -> f.asked() && !f.explanations().isEmpty())
                .forEach(f -> led.computeIfAbsent(f.explanations().getFirst().cause(), c -> new ArrayList<>())
                        .add(f.expectation().slot().id()));
        Map<Cause, List<SlotId>> inOrder = new LinkedHashMap<>();
        led.entrySet().stream()
                .sorted(Comparator.comparingInt((Map.Entry<Cause, List<SlotId>> e) ->
                                e.getValue().size())
                        .reversed())
                .forEach(e -> inOrder.put(e.getKey(), e.getValue()));
        return inOrder;
    }
}
