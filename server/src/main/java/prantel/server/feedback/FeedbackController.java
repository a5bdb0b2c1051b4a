package prantel.server.feedback;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Feedback;
import prantel.core.feedback.FeedbackDraft;
import prantel.core.marking.AlikeOnTheRig;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.marking.BayFellows;
import prantel.server.marking.Decided;
import prantel.server.marking.Given;
import prantel.server.print.Pdf;
import prantel.server.sheet.FeedbackSheet;
import prantel.server.sheet.FeedbackSheets;

/** Feedback on a decided record: a draft from the evidence, edited by the assessor, given to the candidate. */
@RestController
@RequestMapping("/api/assessments/{id}/feedback")
class FeedbackController {
    private static final int MOST_LINES = 60;

    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final FeedbackSheets sheets;
    private final BayFellows fellows;
    private final Pdf pdf;

    FeedbackController(
            Assessments assessments, Keys keys, Accounts accounts, FeedbackSheets sheets, BayFellows fellows, Pdf pdf) {
        this.fellows = fellows;
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
        this.sheets = sheets;
        this.pdf = pdf;
    }

    /** @param seq of the last event about it: what is written on */
    record FeedbackView(
            int seq,
            @JsonUnwrapped FeedbackMay may,
            @JsonUnwrapped FeedbackDrafts drafts,
            @Nullable GivenFeedback given) {}

    /**
     * What may be told.
     *
     * @param decided whether there is an outcome: nothing is told before
     * @param mayName whether its faults may be told: not those of a set in the library
     * @param faults what would be told then
     */
    record FeedbackMay(boolean decided, boolean mayName, List<String> faults) {}

    /**
     * What could be said.
     *
     * @param boxes what the lines may rest on: every box with something in it
     */
    record FeedbackDrafts(List<Feedback.Sentence> draft, List<Feedback.Sentence> draftNamed, List<BoxLabel> boxes) {}

    record BoxLabel(String slot, String label, String written) {}

    record GivenFeedback(List<Feedback.Sentence> lines, boolean named, String by, OffsetDateTime at) {}

    record NewFeedback(String eventId, int basedOn, List<Feedback.Sentence> lines, boolean named) {}

    @GetMapping
    FeedbackView feedback(@PathVariable String id, Principal who) {
        return view(assessments.get(id), who.getName());
    }

    @PutMapping
    FeedbackView give(@PathVariable String id, @RequestBody NewFeedback wanted, Principal who) {
        Assessment before = assessments.get(id);
        Check.that(
                !wanted.lines().isEmpty() && wanted.lines().size() <= MOST_LINES,
                "bad-lines",
                "lines",
                String.valueOf(wanted.lines().size()),
                "give 1 to " + MOST_LINES + " sentences");
        Set<String> known = new HashSet<>();
        keys.sheet(before).forEach(s -> known.add(s.id().value()));
        for (Feedback.Sentence line : wanted.lines()) {
            Check.that(
                    known.containsAll(line.slots()),
                    "unknown-slot",
                    "lines",
                    Check.quoted(line.text()),
                    "reload the page; the sheet has no such box");
        }
        return view(
                assessments.append(
                        id,
                        wanted.eventId(),
                        new AssessmentEvent.FeedbackGiven(wanted.lines(), wanted.named() ? faults(before) : null),
                        wanted.basedOn(),
                        who.getName(),
                        state -> {}),
                who.getName());
    }

    @GetMapping("/pdf")
    ResponseEntity<byte[]> pdf(@PathVariable String id, Principal who) {
        Given.mustNotBeBlind(assessments.get(id), who.getName());
        FeedbackSheet sheet = sheets.of(id);
        return pdf.answer("feedback", sheet, FeedbackSheets.fileName(sheet));
    }

    private List<String> faults(Assessment assessment) {
        Rig rig = keys.rig(assessment);
        return keys.faults(assessment).faults().stream()
                .map(f -> f.title() + ", " + f.place().label(rig))
                .toList();
    }

    private FeedbackView view(Assessment a, String viewer) {
        Feedback given = a.feedback();
        boolean decided = a.outcome() != null;
        // whoever marks it alone is told nothing that others gave
        Given marks = Given.of(a, viewer);
        boolean shows = decided && !marks.blind();
        boolean mayName = a.fromLibrary() == null;
        Set<SlotId> ofTheRig = shows ? AlikeOnTheRig.slots(fellows.alike(a)) : Set.of();
        return new FeedbackView(
                a.lastSeqAbout("feedback"),
                new FeedbackMay(shows, mayName, shows && mayName ? faults(a) : List.of()),
                new FeedbackDrafts(
                        shows ? draft(a, marks, ofTheRig, false) : List.of(),
                        shows && mayName ? draft(a, marks, ofTheRig, true) : List.of(),
                        shows
                                ? keys.sheet(a).stream()
                                        .filter(s -> a.readings().containsKey(s.id().value()))
                                        .map(s -> box(s, a))
                                        .toList()
                                : List.of()),
                given == null || !shows
                        ? null
                        : new GivenFeedback(
                                given.lines(), given.faults() != null, accounts.nameOf(given.by()), given.at()));
    }

    private BoxLabel box(Slot slot, Assessment a) {
        Assessment.Entry<String> entry = a.readings().get(slot.id().value());
        return new BoxLabel(slot.id().value(), slot.title(keys.rig(a)), entry == null ? "" : entry.value());
    }

    private List<Feedback.Sentence> draft(Assessment a, Given marks, Set<SlotId> ofTheRig, boolean named) {
        MarkedSheet sheet = keys.marked(a);
        Map<String, Award> given = new LinkedHashMap<>();
        marks.decisions().forEach((mark, d) -> given.put(mark, d.given()));
        return FeedbackDraft.of(sheet, given, Decided.outcome(marks.decisions(), sheet), named, ofTheRig);
    }
}
