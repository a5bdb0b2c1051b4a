package prantel.server.marking;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome;
import prantel.core.marking.Outcome.Verdict;
import prantel.formats.MarkExport;

/** What the marks add up to: what is proposed, what may be decided, what was. */
record OutcomeLine(
        @JsonUnwrapped OutcomeProposal proposal,
        @JsonUnwrapped OutcomeChoice choice,
        @Nullable OutcomeGiven given) {

    record VerdictWords(Verdict verdict, String words) {}

    /** A part to be done again. */
    record RepeatLine(String part, String title, List<String> why) {}

    /** What is proposed, and why. @param proposed null for whoever marks alone, until all own marks are given */
    record OutcomeProposal(
            @Nullable Verdict proposed,
            String words,
            double points,
            double outOf,
            double needed,
            List<String> reasons,
            List<RepeatLine> repeat) {}

    /** What may be decided. */
    record OutcomeChoice(List<VerdictWords> choices, boolean mayDecide, String whyNot) {}

    /** What was decided. @param reason why otherwise than proposed, or empty */
    record OutcomeGiven(Verdict verdict, String reason, String by, OffsetDateTime at) {}

    static OutcomeLine of(Given marks, MarkedSheet sheet, Optional<MarkingView.Kept> kept, String against) {
        Outcome now = Decided.outcome(marks.decisions(), sheet);
        int open = Decided.open(marks.decisions(), sheet);
        if (marks.blind() && open > 0) {
            return new OutcomeLine(
                    new OutcomeProposal(null, "Not all marked yet", 0, 0, 0, List.of(), List.of()),
                    new OutcomeChoice(List.of(), false, stillOpen(open, 0)),
                    null);
        }
        Assessment.OutcomeGiven given = marks.outcome();
        return new OutcomeLine(
                new OutcomeProposal(
                        now.verdict(),
                        now.verdict().words(),
                        kept.map(k -> k.marks().stream()
                                        .mapToDouble(m -> points(m, marks))
                                        .sum())
                                .orElse(now.points()),
                        kept.map(k -> k.marks().stream()
                                        .mapToDouble(MarkExport.KeptMark::weight)
                                        .sum())
                                .orElse(now.outOf()),
                        now.needed(),
                        now.reasons(),
                        now.repeat().stream()
                                .map(r -> new RepeatLine(r.part().id(), r.part().title(), r.why()))
                                .toList()),
                new OutcomeChoice(
                        Arrays.stream(Verdict.values())
                                .filter(Verdict::isGiven)
                                .map(v -> new VerdictWords(v, v.words()))
                                .toList(),
                        open == 0 && given == null && against.isEmpty(),
                        open == 0 ? against : stillOpen(open, Decided.lookedAtFirst(marks.decisions(), sheet))),
                given == null ? null : new OutcomeGiven(given.given(), given.reason(), given.by(), given.at()));
    }

    private static double points(MarkExport.KeptMark kept, Given given) {
        Assessment.Decision decision = given.decisions().get(kept.id());
        return decision == null
                ? kept.points()
                : kept.weight() * decision.given().share();
    }

    private static String stillOpen(int open, int looks) {
        return open + " mark" + (open == 1 ? "" : "s") + " still to accept or change"
                + (looks == 0 ? "" : "; " + looks + " of them when the rig or the tester was looked at");
    }
}
