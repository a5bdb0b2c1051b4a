package prantel.server.setting;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Effect;
import prantel.server.assessment.Assessments.FaultCount;

/** How often each kind of fault was found and missed, by the marks that assessors gave. */
final class FaultResults {
    private final Map<String, int[]> foundAndMissed = new HashMap<>();

    FaultResults(List<FaultCount> counts) {
        counts.forEach(c -> foundAndMissed.computeIfAbsent(c.kind(), k -> new int[2])[c.found() ? 0 : 1] += c.times());
    }

    /** Difficulty of a fault, moved by what candidates showed. @param boxes of the whole sequence */
    double corrected(Effect effect, int boxes) {
        int[] results = foundAndMissed.getOrDefault(effect.fault().kind().id(), new int[2]);
        return Difficulty.corrected(Difficulty.of(effect, boxes), results[0], results[1]);
    }
}
