package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.scheme.Scheme.PassRule;
import prantel.core.scheme.Severity;

/** What marks add up to, and which parts are done again. Common practice, no source. */
class OutcomeTest {
    private static final PassRule HALF_OF_THE_PARTS = new PassRule(0.7, 0, 0.5);

    private static Part step(String id) {
        return new Part(Part.Kind.STEP, id, id);
    }

    private static Mark mark(Part part, Severity severity, Award award) {
        return new Mark(
                new Mark.Item(
                        part.id() + "/" + severity,
                        new Mark.Of("c", "c", part, Optional.empty(), Optional.empty()),
                        part.title(),
                        "of " + part.id()),
                new Mark.Worth(1, severity),
                award,
                new Evidence.SeenRight(),
                List.of());
    }

    private static Mark counts(String part, Award award) {
        return mark(step(part), Severity.COUNTS, award);
    }

    @Test
    void onlyThePartsThatWereMissedAreDoneAgain() {
        Outcome outcome = Outcome.of(
                List.of(
                        counts("a", Award.FULL),
                        counts("b", Award.FULL),
                        mark(step("ring"), Severity.KEY, Award.NONE),
                        counts("d", Award.FULL)),
                HALF_OF_THE_PARTS);
        assertThat(outcome.verdict()).isEqualTo(Verdict.REFERRAL);
        assertThat(outcome.repeat()).extracting(r -> r.part().id()).containsExactly("ring");
        assertThat(outcome.repeat().getFirst().why()).anyMatch(w -> w.contains("of ring"));
    }

    @Test
    void withTooManyPartsTheWholeIsDoneAgain() {
        Outcome outcome = Outcome.of(
                List.of(counts("a", Award.FULL), counts("b", Award.NONE), counts("c", Award.NONE)), HALF_OF_THE_PARTS);
        assertThat(outcome.verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(outcome.repeat()).isEmpty();
        assertThat(outcome.reasons()).isNotEmpty();
    }

    @Test
    void aKeyMarkOfTheWholeIsMadeGoodInNoPart() {
        Outcome outcome = Outcome.of(
                List.of(counts("a", Award.FULL), counts("b", Award.FULL), mark(Part.WHOLE, Severity.KEY, Award.NONE)),
                HALF_OF_THE_PARTS);
        assertThat(outcome.verdict()).isEqualTo(Verdict.NOT_YET);
    }

    @Test
    void aPassWithAWeakPartIsAPass() {
        Outcome outcome = Outcome.of(
                List.of(
                        counts("a", Award.FULL),
                        counts("b", Award.FULL),
                        counts("c", Award.FULL),
                        counts("d", Award.NONE)),
                HALF_OF_THE_PARTS);
        assertThat(outcome.verdict()).isEqualTo(Verdict.PASS);
        assertThat(outcome.repeat()).isEmpty();
    }

    @Test
    void whateverTheMarksTheyHangTogether() {
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 5000; i++) {
            List<Mark> marks = new ArrayList<>();
            for (int m = random.nextInt(1, 14); m > 0; m--) {
                Part part = random.nextInt(8) == 0 ? Part.WHOLE : step("s" + random.nextInt(5));
                Severity severity = Severity.values()[random.nextInt(3)];
                marks.add(mark(part, severity, Award.values()[random.nextInt(4)]));
            }
            Outcome outcome = Outcome.of(marks, HALF_OF_THE_PARTS);
            assertThat(outcome.repeat().isEmpty())
                    .as("parts are named for a referral and for nothing else")
                    .isEqualTo(outcome.verdict() != Verdict.REFERRAL);
            assertThat(outcome.reasons().isEmpty()).isEqualTo(outcome.verdict() == Verdict.PASS);
            boolean unseen = marks.stream()
                    .anyMatch(m -> m.worth().severity() == Severity.SAFETY && m.award() == Award.NOT_SEEN);
            assertThat(outcome.verdict()).isNotEqualTo(unseen ? Verdict.PASS : Verdict.YOUR_WORD);
            // made good in full, those parts make a pass
            List<String> again =
                    outcome.repeat().stream().map(r -> r.part().id()).toList();
            List<Mark> better = marks.stream()
                    .map(m -> again.contains(m.part().id()) ? m.withAward(Award.FULL) : m)
                    .toList();
            if (outcome.verdict() == Verdict.REFERRAL) {
                boolean lostOverTheWhole =
                        marks.stream().anyMatch(m -> m.part().kind() == Part.Kind.WHOLE && m.points() < m.weight());
                Verdict then = Outcome.of(better, HALF_OF_THE_PARTS).verdict();
                assertThat(then == Verdict.PASS || then == Verdict.YOUR_WORD || lostOverTheWhole)
                        .isTrue();
            }
        }
    }
}
