package prantel.server.setting;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.marking.Mark.Award;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Effect;
import prantel.server.assessment.Assessment;
import prantel.server.assessment.Keys;

/** How often each kind of fault was found and missed, by the marks that assessors gave. */
final class FaultResults {
    private final Map<FaultKind, int[]> foundAndMissed = new HashMap<>();

    private FaultResults() {}

    static FaultResults of(List<Assessment> all, Keys keys) {
        FaultResults results = new FaultResults();
        all.stream().filter(a -> a.outcome() != null).forEach(a -> {
            List<Fault> faults = keys.faults(a).faults();
            for (int i = 0; i < faults.size(); i++) {
                Assessment.Decision decision = a.decisions().get("faults/" + (i + 1));
                if (decision != null) {
                    results.add(faults.get(i).kind(), decision.given() == Award.NONE);
                }
            }
        });
        return results;
    }

    private void add(FaultKind kind, boolean missed) {
        foundAndMissed.computeIfAbsent(kind, k -> new int[2])[missed ? 1 : 0]++;
    }

    /** Difficulty of a fault, moved by what candidates showed. @param boxes of the whole sequence */
    double corrected(Effect effect, int boxes) {
        int[] results = foundAndMissed.getOrDefault(effect.fault().kind(), new int[2]);
        return Difficulty.corrected(Difficulty.of(effect, boxes), results[0], results[1]);
    }
}
