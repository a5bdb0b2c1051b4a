package prantel.server.marking;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.marking.Mark;
import prantel.core.marking.Outcome;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.marking.Part;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.SlotPlan;
import prantel.core.survey.SchemeSurvey;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** What is done again after a referral: which parts, where, and that another set is put in. */
@RestController
@RequestMapping("/api/assessments/{id}/resit")
class ResitController {
    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;

    ResitController(Assessments assessments, Keys keys, Workshop workshop) {
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
    }

    /**
     * @param decided whether there is an outcome that asks for it
     * @param whole whether everything is done again
     * @param parts what may be done again; those to be done are ticked
     * @param met kinds of faults that this person has met: a proposal leaves them out where it can
     * @param bays free ones
     * @param before resits there are already
     */
    record ResitPlan(
            boolean decided, boolean whole, List<PartLine> parts, List<String> met, List<FreeBay> bays, int before) {}

    record PartLine(String part, String title, boolean again, List<String> why) {}

    record FreeBay(String id, String label, boolean suits) {}

    /** @param parts ids; empty for the whole */
    record NewResit(String eventId, String bayId, List<String> parts) {}

    record Started(String id) {}

    @GetMapping
    ResitPlan plan(@PathVariable String id, Principal who) {
        Assessment a = assessments.get(id);
        Assessment.OutcomeGiven outcome = a.outcome();
        if (outcome == null || a.opinions().isBlind(who.getName()) || outcome.given() == Verdict.PASS) {
            return new ResitPlan(false, false, List.of(), List.of(), List.of(), 0);
        }
        List<Assessment> sat = ofThisPerson(a);
        List<Mark> marks = Decided.marks(a.decisions(), keys.marked(a));
        Map<String, List<String>> again = new LinkedHashMap<>();
        Outcome.of(marks, keys.scheme(a).pass())
                .repeat()
                .forEach(r -> again.put(r.part().id(), r.why()));
        return new ResitPlan(
                true,
                outcome.given() != Verdict.REFERRAL,
                marks.stream()
                        .map(Mark::part)
                        .filter(p -> p.kind() != Part.Kind.WHOLE)
                        .distinct()
                        .sorted(Comparator.comparingInt(p -> place(p, keys.scheme(a))))
                        .map(p -> new PartLine(
                                p.id(), p.title(), again.containsKey(p.id()), again.getOrDefault(p.id(), List.of())))
                        .toList(),
                keys.kindsIn(sat).stream().map(k -> k.title()).sorted().toList(),
                freeBays(a),
                (int) sat.stream()
                        .filter(o -> o.conduct()
                                .resit()
                                .filter(r -> r.of().equals(id))
                                .isPresent())
                        .count());
    }

    /** In working order; what is of no step comes last. */
    private static int place(Part part, Scheme scheme) {
        return scheme.step(part.id()).map(scheme.steps()::indexOf).orElse(Integer.MAX_VALUE);
    }

    private List<Assessment> ofThisPerson(Assessment a) {
        return assessments.ofCandidate(a.fixed().candidateId()).stream()
                .filter(o -> o.openedAt() != null || o.conduct().resit().isPresent())
                .toList();
    }

    private List<FreeBay> freeBays(Assessment a) {
        List<FreeBay> free = new ArrayList<>();
        for (Bay bay : workshop.bays()) {
            if (assessments.inBay(bay.bayId()).isEmpty()) {
                Rig rig = workshop.rigOf(bay);
                free.add(new FreeBay(
                        bay.bayId(),
                        "Bay " + bay.number() + ", " + rig.name(),
                        SchemeSurvey.suits(keys.scheme(a), rig)
                                && !SlotPlan.sheet(rig, keys.scheme(a)).isEmpty()));
            }
        }
        return free;
    }

    /** The same person, scheme and instrument; the parts that are done again; a set is chosen there, another one. */
    @PostMapping
    @Transactional
    Started start(@PathVariable String id, @RequestBody NewResit wanted, Principal who) {
        Assessment old = assessments.get(id);
        Assessment.OutcomeGiven outcome = old.outcome();
        if (outcome == null || outcome.given() == Verdict.PASS) {
            throw Refusal.conflict("no-resit", "there is no outcome that asks for doing anything again");
        }
        AssessmentEvent event = new AssessmentEvent.ResitOf(id, wanted.parts());
        Optional<String> before = assessments.sentBefore(wanted.eventId(), event, who.getName());
        if (before.isPresent()) {
            return new Started(before.get());
        }
        Set<String> known =
                keys.marked(old).marks().stream().map(m -> m.part().id()).collect(Collectors.toSet());
        Check.that(
                known.containsAll(wanted.parts()),
                "unknown-part",
                "parts",
                Check.quoted(String.join(", ", wanted.parts())),
                "reload the page; there is no such part");
        // what cannot be done or counts for nothing is refused here, before a bay is taken for it
        keys.partOf(old, wanted.parts());
        Assessment next = assessments.prepare(
                wanted.bayId(),
                old.fixed().candidateId(),
                old.conduct().tester().id(),
                keys.wholeScheme(old),
                who.getName());
        return new Started(assessments
                .append(next.id(), wanted.eventId(), event, who.getName())
                .id());
    }
}
