package prantel.server.marking;

import java.security.Principal;
import java.util.List;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.Scheme;
import prantel.formats.MarkExport;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.web.Refusal;
import prantel.server.workshop.Schemes;

/** Marking a handed-in sheet: proposals, decisions with reasons, the outcome. */
@RestController
@RequestMapping("/api/assessments/{id}/marking")
class MarkingController {
    private static final int LONGEST_REASON = 1000;

    private final Assessments assessments;
    private final Keys keys;
    private final Schemes schemes;
    private final MarkingViews views;
    private final Outcomes outcomes;

    MarkingController(Assessments assessments, Keys keys, Schemes schemes, MarkingViews views, Outcomes outcomes) {
        this.outcomes = outcomes;
        this.views = views;
        this.assessments = assessments;
        this.keys = keys;
        this.schemes = schemes;
    }

    /** @param basedOn number of the last event of the assessment that the assessor had seen */
    record Decision(String eventId, String mark, Award given, String reason, int basedOn) {}

    record AcceptAll(List<Decision> decisions) {}

    record OutcomeDecision(String eventId, Verdict given, String reason, int basedOn) {}

    @GetMapping
    MarkingView marking(@PathVariable String id, Principal who) {
        Assessment assessment = assessments.get(id);
        mustBeHandedIn(assessment);
        return views.of(assessment, who.getName());
    }

    @PutMapping("/marks")
    MarkingView decide(@PathVariable String id, @RequestBody Decision decision, Principal who) {
        return views.of(write(id, decision, who), who.getName());
    }

    /** Several at once, as each alone. */
    @PostMapping("/marks")
    @Transactional
    MarkingView decideAll(@PathVariable String id, @RequestBody AcceptAll all, Principal who) {
        all.decisions().forEach(d -> write(id, d, who));
        return marking(id, who);
    }

    @PutMapping("/outcome")
    @Transactional
    MarkingView decideOutcome(@PathVariable String id, @RequestBody OutcomeDecision decision, Principal who) {
        Assessment before = assessments.get(id);
        mustBeHandedIn(before);
        MarkedSheet sheet = keys.marked(before);
        Verdict proposed = Decided.outcome(before.decisions(), sheet).verdict();
        mustHaveReason(decision.given() != proposed, decision.reason());
        Assessment decided = assessments.append(
                id,
                decision.eventId(),
                new AssessmentEvent.OutcomeDecided(
                        proposed, decision.given(), decision.reason().strip()),
                decision.basedOn(),
                who.getName(),
                assessment -> {
                    int open = Decided.open(assessment.decisions(), sheet);
                    if (open > 0) {
                        throw Refusal.conflict(
                                "marks-open", "accept or change the " + open + " marks that are still open first");
                    }
                });
        outcomes.keep(decided, sheet, who.getName());
        return views.of(decided, who.getName());
    }

    /** A scheme to mark by, just to see. */
    record OtherScheme(String scheme) {}

    /** What another scheme, or another version of this one, would make of the same record. Nothing is kept. */
    @PostMapping("/compare")
    SchemeComparison compare(@PathVariable String id, @RequestBody OtherScheme other, Principal who) {
        Assessment assessment = Given.mustNotBeBlind(assessments.get(id), who.getName());
        mustBeHandedIn(assessment);
        Scheme scheme = schemes.newest(other.scheme());
        MarkedSheet as = keys.markedBy(assessment, scheme);
        String kept = assessments.resultOf(assessment).orElseGet(() -> MarkExport.json(keys.marked(assessment)));
        return new SchemeComparison(
                scheme.name(),
                scheme.version(),
                as.outcome().verdict().words(),
                as.outcome().points(),
                as.outcome().outOf(),
                Frozen.difference(kept, as));
    }

    record SchemeComparison(
            String scheme, int version, String verdict, double points, double outOf, List<String> differences) {}

    private Assessment write(String id, Decision decision, Principal who) {
        Assessment before = assessments.get(id);
        mustBeHandedIn(before);
        Mark mark = keys.marked(before).marks().stream()
                .filter(m -> m.id().equals(decision.mark()))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-mark",
                        "mark",
                        Check.quoted(decision.mark()),
                        "reload the page; there is no such mark")));
        boolean blind = before.opinions().isBlind(who.getName());
        // whoever marks alone sees no proposal: there is nothing to decide otherwise than
        mustHaveReason(!blind && decision.given() != mark.award(), decision.reason());
        if (blind) {
            return assessments.append(
                    id,
                    decision.eventId(),
                    new AssessmentEvent.OpinionGiven(
                            mark.id(),
                            mark.award(),
                            decision.given(),
                            decision.reason().strip()),
                    who.getName());
        }
        return assessments.append(
                id,
                decision.eventId(),
                new AssessmentEvent.MarkDecided(
                        mark.id(),
                        mark.award(),
                        decision.given(),
                        decision.reason().strip()),
                decision.basedOn(),
                who.getName(),
                state -> {});
    }

    private static void mustHaveReason(boolean changed, String reason) {
        Check.that(
                !changed || !reason.isBlank(),
                "no-reason",
                "reason",
                "",
                "say why you decide otherwise; it is kept with both values");
        Check.text(reason, LONGEST_REASON, "reason");
    }

    private static void mustBeHandedIn(Assessment assessment) {
        if (assessment.handedInAt() == null) {
            throw Refusal.conflict("not-handed-in", "the sheet is not handed in yet");
        }
        if (assessment.conduct().brokenOff() != null) {
            throw Refusal.conflict("broken-off", "it was broken off without a judgement: there is nothing to mark");
        }
    }
}
