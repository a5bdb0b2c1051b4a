package prantel.core.scheme;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * One station of the sequence.
 *
 * @param stage whether the supply is on for it
 * @param tests whose boxes it asks for, in order; empty for one that is only watched
 * @param observations what is looked at
 * @param questions what may be asked
 */
public record Step(
        String id,
        String title,
        Stage stage,
        List<TestKind> tests,
        List<Observation> observations,
        List<Question> questions) {
    public Step {
        tests = List.copyOf(tests);
        observations = List.copyOf(observations);
        questions = List.copyOf(questions);
        Check.all(() -> Check.id(id, "id"), () -> Check.name(title, "title"));
    }

    public enum Stage {
        DEAD,
        LIVE
    }

    public boolean isLive() {
        return stage == Stage.LIVE;
    }
}
