package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/** A second mark, exercises, feedback and resits: who may do what when. Common practice, no source. */
class OpinionsTest {
    private static final String FIRST = Streams.PINNED.assessorId();
    private static final String LEAD = "lea";
    private Assessment state = Assessment.replay(Streams.PINNED, List.of());

    @BeforeEach
    void markedByTheFirst() {
        happens(new AssessmentEvent.LockedOff(), FIRST);
        happens(new AssessmentEvent.SheetOpened(), FIRST);
        happens(new AssessmentEvent.HandedIn(), "lena");
        happens(new AssessmentEvent.MarkDecided("a", Award.FULL, Award.FULL, ""), FIRST);
        happens(new AssessmentEvent.MarkDecided("b", Award.NONE, Award.HALF, "said it aloud"), FIRST);
    }

    private void happens(AssessmentEvent event, String by) {
        assertThat(Rules.mayHappen(event, state).or(() -> Rules.mayBeBy(event, by, by.equals(LEAD), state)))
                .as(event.kind())
                .isEmpty();
        state = state.after(new Assessment.Recorded(state.seq() + 1, event, Streams.START, by));
    }

    private String refused(AssessmentEvent event, String by) {
        return Rules.mayHappen(event, state)
                .or(() -> Rules.mayBeBy(event, by, by.equals(LEAD), state))
                .map(Rules.Why::code)
                .orElse("");
    }

    private static AssessmentEvent second(String of) {
        return new AssessmentEvent.OpinionAsked(of, Opinions.Purpose.SECOND);
    }

    private static AssessmentEvent gives(String mark, Award award) {
        return new AssessmentEvent.OpinionGiven(mark, Award.FULL, award, "");
    }

    private static AssessmentEvent outcome() {
        return new AssessmentEvent.OutcomeDecided(Verdict.PASS, Verdict.PASS, "");
    }

    @Test
    void nobodyGivesASecondMarkWhoWasNotAskedOrHasMarkedItBefore() {
        assertThat(refused(gives("a", Award.FULL), "corin")).isEqualTo("not-asked");
        assertThat(refused(second(FIRST), FIRST)).isEqualTo("own-marks");
        happens(second("corin"), FIRST);
        assertThat(refused(second("corin"), FIRST)).isEqualTo("asked-already");
    }

    @Test
    void theOutcomeWaitsForTheSecondMarkAndForEachDispute() {
        happens(second("corin"), FIRST);
        assertThat(refused(outcome(), FIRST)).isEqualTo("second-open");
        happens(gives("a", Award.FULL), "corin");
        happens(gives("b", Award.NONE), "corin");
        assertThat(state.opinions().disputes(state.decisions()))
                .as("blind: nothing is compared before it is signed")
                .isEmpty();
        happens(new AssessmentEvent.OpinionSigned(Verdict.REFERRAL), "corin");
        assertThat(state.opinions().disputes(state.decisions())).containsExactly("b");
        assertThat(refused(outcome(), FIRST)).isEqualTo("disputes-open");
        happens(new AssessmentEvent.DisputeSettled("b", Award.NONE, "it was the neighbour who said it"), "corin");
        happens(outcome(), FIRST);
        assertThat(state.decisions().get("b").given()).isEqualTo(Award.NONE);
        assertThat(state.opinions().settled().get("b").first())
                .as("both opinions stay")
                .isEqualTo(Award.HALF);
        assertThat(state.opinions().of().get("corin").given().get("b").award()).isEqualTo(Award.NONE);
    }

    @Test
    void whoMarksBlindDecidesNothingElseAndWhatIsSignedStays() {
        happens(second("corin"), FIRST);
        assertThat(refused(new AssessmentEvent.MarkDecided("a", Award.FULL, Award.NONE, "x"), "corin"))
                .isEqualTo("blind");
        happens(gives("a", Award.HALF), "corin");
        happens(new AssessmentEvent.OpinionSigned(Verdict.PASS), "corin");
        assertThat(refused(gives("a", Award.FULL), "corin")).isEqualTo("not-asked");
        assertThat(refused(new AssessmentEvent.MarkDecided("a", Award.FULL, Award.NONE, "x"), FIRST))
                .as("where two have marked, it is settled, not changed")
                .isEqualTo("second-signed");
        assertThat(refused(new AssessmentEvent.DisputeSettled("b", Award.FULL, ""), FIRST))
                .as("nobody differs there")
                .isEqualTo("no-dispute");
    }

    @Test
    void whoMarksBlindDoesNothingElseToTheRecord() {
        happens(second("corin"), FIRST);
        for (AssessmentEvent other : List.of(
                new AssessmentEvent.OpinionWithdrawn("corin"),
                second("varga"),
                new AssessmentEvent.AnswersAccepted("{}", List.of(0)),
                new AssessmentEvent.HandedOver("corin"),
                new AssessmentEvent.Observed("isolate/lock", AssessmentEvent.Sight.RIGHT, ""),
                new AssessmentEvent.HandedBack("again"))) {
            assertThat(refused(other, "corin")).as(other.kind()).isEqualTo("blind");
        }
        assertThat(refused(gives("a", Award.HALF), "corin")).isEmpty();
    }

    @Test
    void onlyWhoAskedOrALeadTakesItBackAndWhoCouldSeeIsNotBlindAgain() {
        happens(second("corin"), FIRST);
        assertThat(refused(new AssessmentEvent.OpinionWithdrawn("corin"), "varga"))
                .isEqualTo("not-yours");
        assertThat(refused(new AssessmentEvent.OpinionWithdrawn("corin"), LEAD)).isEmpty();
        happens(new AssessmentEvent.OpinionWithdrawn("corin"), FIRST);
        assertThat(refused(second("corin"), FIRST)).isEqualTo("own-marks");
        assertThat(refused(second("varga"), FIRST)).isEmpty();
    }

    @Test
    void whoNeverSignsIsAskedNoLonger() {
        happens(second("corin"), FIRST);
        happens(gives("b", Award.NONE), "corin");
        assertThat(refused(outcome(), FIRST)).isEqualTo("second-open");
        happens(new AssessmentEvent.OpinionWithdrawn("corin"), FIRST);
        assertThat(refused(gives("b", Award.NONE), "corin")).isEqualTo("not-asked");
        assertThat(refused(new AssessmentEvent.OpinionWithdrawn("corin"), FIRST))
                .isEqualTo("not-asked");
        happens(second("varga"), FIRST);
        happens(new AssessmentEvent.OpinionSigned(Verdict.PASS), "varga");
        assertThat(refused(new AssessmentEvent.OpinionWithdrawn("varga"), FIRST))
                .as("what is signed stays")
                .isEqualTo("not-asked");
        happens(outcome(), FIRST);
    }

    @Test
    void anExerciseComesAfterTheOutcomeAndChangesNothing() {
        AssessmentEvent exercise = new AssessmentEvent.OpinionAsked("corin", Opinions.Purpose.EXERCISE);
        assertThat(refused(exercise, FIRST)).isEqualTo("not-decided");
        happens(outcome(), FIRST);
        assertThat(refused(second("corin"), FIRST)).isEqualTo("marked");
        happens(exercise, FIRST);
        happens(gives("b", Award.NONE), "corin");
        happens(new AssessmentEvent.OpinionSigned(Verdict.REFERRAL), "corin");
        assertThat(state.opinions().disputes(state.decisions())).isEmpty();
        assertThat(state.decisions().get("b").given()).isEqualTo(Award.HALF);
    }

    @Test
    void aSheetThatGoesBackTakesItsOpinionsWithIt() {
        happens(second("corin"), FIRST);
        happens(gives("b", Award.NONE), "corin");
        happens(new AssessmentEvent.HandedBack("a page was missing"), FIRST);
        assertThat(state.opinions().of()).isEmpty();
    }

    @Test
    void feedbackFollowsTheOutcomeAndNamesNoFaultOfASetThatIsUsedAgain() {
        Feedback.Sentence line = new Feedback.Sentence(Feedback.Kind.RIGHT, "Ring: well done.", List.of());
        AssessmentEvent plain = new AssessmentEvent.FeedbackGiven(List.of(line), null);
        AssessmentEvent naming = new AssessmentEvent.FeedbackGiven(List.of(line), List.of("CPC open"));
        assertThat(refused(plain, FIRST)).isEqualTo("not-decided");
        happens(outcome(), FIRST);
        happens(naming, FIRST);
        assertThat(state.feedback()).isNotNull();
        assertThat(state.feedback().faults()).containsExactly("CPC open");

        state = Assessment.replay(Streams.PINNED, List.of());
        happens(new AssessmentEvent.FaultsChosen("{}", "winter-set"), FIRST);
        happens(new AssessmentEvent.LockedOff(), FIRST);
        happens(new AssessmentEvent.SheetOpened(), FIRST);
        happens(new AssessmentEvent.HandedIn(), "lena");
        happens(outcome(), FIRST);
        happens(plain, FIRST);
        assertThat(refused(naming, FIRST)).isEqualTo("used-again");
    }

    @Test
    void aResitIsOneFromItsFirstEventOn() {
        assertThat(refused(new AssessmentEvent.ResitOf("before", List.of("ring")), FIRST))
                .isEqualTo("begun");
        state = Assessment.replay(Streams.PINNED, List.of());
        happens(new AssessmentEvent.ResitOf("before", List.of("ring")), FIRST);
        assertThat(state.conduct().resit())
                .get()
                .extracting(Conduct.Resit::parts)
                .isEqualTo(List.of("ring"));
    }
}
