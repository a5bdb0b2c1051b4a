package prantel.core.assessment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.marking.Watched;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** What was seen and asked in an assessment, and in which order its steps were begun. */
public final class WatchedOf {
    private WatchedOf() {}

    public static Watched of(Assessment assessment, Scheme scheme, Rig rig) {
        Map<String, Watched.Sight> sights = new HashMap<>();
        assessment.observations().forEach((id, seen) -> sights.put(id, new Watched.Sight(seen.right(), seen.slip())));
        Map<String, Set<Integer>> answers = new HashMap<>();
        assessment.questions().forEach((id, asked) -> answers.put(id, Set.copyOf(asked.points())));
        return new Watched(
                sights,
                answers,
                deeds(assessment, scheme, rig),
                Optional.ofNullable(assessment.stop()).map(Assessment.Stop::what));
    }

    /**
     * A step is begun by the first reading written in one of its boxes. What an assessor taps says nothing about when it was
     * done: it may be tapped later. Steps that left no trace are not in the list.
     */
    private static List<String> deeds(Assessment assessment, Scheme scheme, Rig rig) {
        List<Slot> slots = SlotPlan.sheet(rig, scheme);
        Map<String, Integer> begun = new HashMap<>();
        for (Step step : scheme.steps()) {
            List<String> subjects = new ArrayList<>();
            slots.stream()
                    .filter(s -> step.tests().contains(s.step()))
                    .forEach(s -> subjects.add("reading/" + s.id().value()));
            subjects.stream()
                    .mapToInt(assessment::firstSeqAbout)
                    .filter(seq -> seq > 0)
                    .min()
                    .ifPresent(first -> begun.put(step.id(), first));
        }
        return begun.entrySet().stream()
                .sorted(Map.Entry.comparingByValue(Comparator.naturalOrder()))
                .map(Map.Entry::getKey)
                .toList();
    }
}
