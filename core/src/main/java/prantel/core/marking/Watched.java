package prantel.core.marking;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What an assessor saw and asked.
 *
 * @param observations by the observation's id; what is not here was not seen, and is neither right nor wrong
 * @param answers positions of the points that were said, by the question's id; a question that is not here was not asked
 * @param deeds ids of the steps, in the order in which each was begun
 * @param stop what it was stopped for; empty if it was not
 */
public record Watched(
        Map<String, Sight> observations, Map<String, Set<Integer>> answers, List<String> deeds, Optional<String> stop) {
    public static final Watched NOTHING = new Watched(Map.of(), Map.of(), List.of(), Optional.empty());

    public Watched {
        observations = Map.copyOf(observations);
        answers = Map.copyOf(answers);
        deeds = List.copyOf(deeds);
    }

    /** @param slip what was wrong; empty where it was done right */
    public record Sight(boolean right, String slip) {}
}
