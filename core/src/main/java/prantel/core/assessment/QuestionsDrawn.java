package prantel.core.assessment;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;

/** Which of a scheme's questions one candidate is asked: those of everybody, and one drawn at each step that has more. */
public final class QuestionsDrawn {
    private QuestionsDrawn() {}

    /**
     * The same for the same assessment, however often it is asked.
     *
     * @param assessmentId what the draw starts from
     * @param already ids this person was asked before: drawn only where nothing else is left
     */
    public static Set<String> of(Scheme scheme, String assessmentId, Set<String> already) {
        Set<String> asked = new HashSet<>();
        SplittableRandom random = new SplittableRandom(assessmentId.hashCode());
        for (Step step : scheme.steps()) {
            List<String> pool = new ArrayList<>();
            for (Question question : step.questions()) {
                if (question.asked() == Question.Asked.OF_EVERYBODY) {
                    asked.add(question.id());
                } else {
                    pool.add(question.id());
                }
            }
            List<String> fresh = pool.stream().filter(q -> !already.contains(q)).toList();
            List<String> from = fresh.isEmpty() ? pool : fresh;
            if (!from.isEmpty()) {
                asked.add(from.get(random.nextInt(from.size())));
            }
        }
        return asked;
    }
}
