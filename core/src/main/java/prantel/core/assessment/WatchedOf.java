package prantel.core.assessment;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.marking.Watched;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;

/** What was seen and asked in an assessment, and in which order its steps were begun. */
public final class WatchedOf {
    private WatchedOf() {}

    /** @param slots the boxes of its sheet */
    public static Watched of(Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots) {
        Map<String, Watched.Sight> sights = new HashMap<>();
        assessment.observations().forEach((id, seen) -> sights.put(id, new Watched.Sight(seen.right(), seen.slip())));
        Map<String, Set<Integer>> answers = new HashMap<>();
        assessment.questions().forEach((id, asked) -> answers.put(id, Set.copyOf(asked.points())));
        return new Watched(
                sights,
                answers,
                order(Course.of(assessment, rig, scheme, slots)),
                Optional.ofNullable(assessment.stop()).map(Assessment.Stop::what));
    }

    private static Watched.Order order(Course course) {
        return new Watched.Order(
                course.stations().stream().anyMatch(Course.Station::timed),
                course.broken().stream()
                        .filter(Course.Broken::sure)
                        .map(b -> new Watched.Breach(
                                b.rule(), b.left().boxes(), b.left().permitted()))
                        .toList());
    }
}
