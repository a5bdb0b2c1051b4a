package prantel.server.marking;

import java.security.Principal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Opinions.Purpose;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.web.Refusal;

/** Second marks and exercises: asked for, signed, and where two differ, settled. Marks themselves are given as always. */
@RestController
@RequestMapping("/api/assessments/{id}/opinions")
class OpinionController {
    private static final int LONGEST_REASON = 1000;

    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final MarkingViews views;

    OpinionController(Assessments assessments, Keys keys, Accounts accounts, MarkingViews views) {
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
        this.views = views;
    }

    record Ask(String eventId, String of) {}

    record Sign(String eventId) {}

    record Settle(String eventId, String mark, Award given, String reason) {}

    /** Asks somebody to mark it too: before the outcome as a second mark, after it as an exercise. */
    @PostMapping
    @Transactional
    MarkingView ask(@PathVariable String id, @RequestBody Ask ask, Principal who) {
        Assessment before = assessments.get(id);
        Account of = accounts.get(ask.of());
        if (!of.isActive() || of.roles().stream().noneMatch(Role::mayAssess)) {
            throw Refusal.conflict("no-assessor", "choose an assessor of this workshop");
        }
        Purpose purpose = before.outcome() == null ? Purpose.SECOND : Purpose.EXERCISE;
        MarkedSheet sheet = keys.marked(before);
        return views.of(
                assessments.append(
                        id,
                        ask.eventId(),
                        new AssessmentEvent.OpinionAsked(ask.of(), purpose),
                        who.getName(),
                        state -> {
                            int open = Decided.open(state.decisions(), sheet);
                            if (open > 0) {
                                throw Refusal.conflict(
                                        "marks-open",
                                        "mark it all yourself first: " + open
                                                + " marks are still open, and a second mark is held against yours");
                            }
                        }),
                who.getName());
    }

    /** Asks somebody no longer who has not signed: otherwise the outcome would wait for ever. */
    @PostMapping("/withdraw")
    MarkingView withdraw(@PathVariable String id, @RequestBody Ask ask, Principal who) {
        return views.of(
                assessments.append(id, ask.eventId(), new AssessmentEvent.OpinionWithdrawn(ask.of()), who.getName()),
                who.getName());
    }

    @PostMapping("/sign")
    @Transactional
    MarkingView sign(@PathVariable String id, @RequestBody Sign sign, Principal who) {
        Assessment before = assessments.get(id);
        MarkedSheet sheet = keys.marked(before);
        Given own = Given.of(before, who.getName());
        return views.of(
                assessments.append(
                        id,
                        sign.eventId(),
                        new AssessmentEvent.OpinionSigned(
                                Decided.outcome(own.decisions(), sheet).verdict()),
                        who.getName(),
                        state -> {
                            int open =
                                    Decided.open(Given.of(state, who.getName()).decisions(), sheet);
                            if (open > 0) {
                                throw Refusal.conflict(
                                        "marks-open",
                                        "accept or change the " + open + " marks that are still open first");
                            }
                        }),
                who.getName());
    }

    @PutMapping("/settled")
    MarkingView settle(@PathVariable String id, @RequestBody Settle settle, Principal who) {
        Check.that(
                !settle.reason().isBlank(),
                "no-reason",
                "reason",
                "",
                "say what settled it; it is kept beside both opinions");
        Check.text(settle.reason(), LONGEST_REASON, "reason");
        return views.of(
                assessments.append(
                        id,
                        settle.eventId(),
                        new AssessmentEvent.DisputeSettled(
                                settle.mark(), settle.given(), settle.reason().strip()),
                        who.getName()),
                who.getName());
    }
}
