package prantel.core.marking;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.inference.Cause;
import prantel.core.marking.Mark.Award;
import prantel.core.sequence.SlotId;

/**
 * One habit costs once: what somebody does in the same way in every box, and would do in any other, is one thing to learn. The
 * first mark that it takes something from keeps it, with all its boxes; the others count as if it had not been.
 */
final class Habits {
    private final Map<SlotId, Finding> findings;

    private Habits(List<Finding> findings) {
        this.findings = findings.stream()
                .collect(Collectors.toMap(f -> f.expectation().slot().id(), f -> f));
    }

    /** @param criterion the marks of one kind of criterion are held together @param what the habit, as it is called */
    private record Habit(String criterion, String what) {}

    static List<Mark> once(List<Mark> marks, List<Finding> findings) {
        Habits habits = new Habits(findings);
        Map<Habit, List<Integer>> where = new HashMap<>();
        for (int i = 0; i < marks.size(); i++) {
            int at = i;
            habits.of(marks.get(i))
                    .ifPresent(h ->
                            where.computeIfAbsent(h, x -> new ArrayList<>()).add(at));
        }
        List<Mark> once = new ArrayList<>(marks);
        where.forEach((habit, at) -> {
            if (at.size() > 1) {
                Mark first = marks.get(at.getFirst());
                List<SlotId> all = at.stream()
                        .flatMap(i -> marks.get(i).slots().stream())
                        .distinct()
                        .toList();
                once.set(at.getFirst(), first.with(all));
                at.subList(1, at.size())
                        .forEach(i -> once.set(
                                i,
                                marks.get(i).with(Award.FULL, new Evidence.ChargedOnce(habit.what(), where(first)))));
            }
        });
        return once;
    }

    private static String where(Mark mark) {
        return mark.group() + ": " + mark.title();
    }

    /** The habit that takes something from a mark, and without which nothing would. */
    private Optional<Habit> of(Mark mark) {
        if (mark.award() == Award.FULL
                || mark.award() == Award.NOT_SEEN
                || mark.slots().isEmpty()) {
            return Optional.empty();
        }
        Set<String> habits = mark.slots().stream().map(s -> habit(mark, s)).collect(Collectors.toSet());
        String only = habits.size() == 1 ? habits.iterator().next() : "";
        return only.isEmpty()
                ? Optional.empty()
                : Optional.of(new Habit(mark.item().of().criterion(), only));
    }

    private String habit(Mark mark, SlotId slot) {
        Finding finding = findings.get(slot);
        if (finding == null) {
            return "";
        }
        return switch (mark.evidence()) {
            case Evidence.Measured measured ->
                finding.explanations().stream()
                        .findFirst()
                        .map(e -> e.cause())
                        .filter(Habits::isHabit)
                        .map(Cause::label)
                        .orElse("");
            case Evidence.Written written ->
                finding.remarks().isEmpty() ? "" : finding.remarks().getFirst();
            default -> "";
        };
    }

    /** What one does with every box alike: how numbers are written, on what the tester is set, where they are taken from. */
    private static boolean isHabit(Cause cause) {
        return cause == Cause.SLIP_OF_TEN || cause == Cause.WRONG_RANGE || cause == Cause.WRONG_VOLTS;
    }
}
