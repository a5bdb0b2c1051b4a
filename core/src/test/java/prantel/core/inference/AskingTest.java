package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.scheme.Question;
import prantel.core.sequence.SlotId;

/** Which question to ask. Source of the measure: C. E. Shannon, Bell Syst. Tech. J. 27 (1948): a fair yes or no is one bit. */
class AskingTest {
    private static Explanation told(Cause cause, double share) {
        return new Explanation(new SlotId("a/b"), cause, "", "", share, OptionalDouble.empty(), Blame.NONE);
    }

    private static Question question(String id, String... tells) {
        return new Question(
                id, new Question.Wording(id, List.of("a point"), ""), 1, 1, Question.Asked.DRAWN, Set.of(tells));
    }

    private static final Question LEADS = question("leads", "leads-not-nulled");
    private static final Question SWITCH = question("switch", "switch-open", "other-position");
    private static final Question NOTHING = question("nothing");

    @Test
    void theOneThatSplitsThemEvenlyIsAsked() {
        List<Explanation> told =
                List.of(told(Cause.LINK_MISSING, 0.5), told(Cause.SWITCH_OPEN, 0.3), told(Cause.OTHER_POSITION, 0.2));
        Asking.Best best = Asking.best(told, List.of(NOTHING, LEADS, SWITCH)).orElseThrow();
        assertThat(best.question()).isEqualTo(SWITCH);
        assertThat(best.bits()).as("half and half").isCloseTo(1, within(1e-12));
    }

    @Test
    void whereNothingIsLeftToDecideNoneIsAsked() {
        assertThat(Asking.best(List.of(told(Cause.SWITCH_OPEN, 1)), List.of(LEADS, SWITCH)))
                .isEmpty();
        assertThat(Asking.best(List.of(told(Cause.SWITCH_OPEN, 0.6), told(Cause.LINK_MISSING, 0.4)), List.of(LEADS)))
                .isEmpty();
        assertThat(Asking.best(List.of(), List.of(LEADS))).isEmpty();
    }

    @Test
    void ofTwoAsGoodTheSchemesFirst() {
        List<Explanation> told = List.of(told(Cause.LEADS_NOT_NULLED, 0.7), told(Cause.ANOTHER_POINT, 0.3));
        Question again = question("again", "leads-not-nulled");
        assertThat(Asking.best(told, List.of(LEADS, again)).orElseThrow().question())
                .isEqualTo(LEADS);
        assertThat(Asking.best(told, List.of(LEADS, again)).orElseThrow().bits())
                .as("0.7 and 0.3")
                .isCloseTo(0.8813, within(1e-4));
    }
}
