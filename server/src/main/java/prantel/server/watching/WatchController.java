package prantel.server.watching;

import java.security.Principal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.QuestionsDrawn;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.conduct.Conducts;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.web.Refusal;

/** The assessor watches: taps what is seen and said, stops what is unsafe. */
@RestController
@RequestMapping("/api/assessments/{id}/watch")
class WatchController {
    private static final int LONGEST_NOTE = 500;

    private final Assessments assessments;
    private final Keys keys;
    private final Conducts conducts;
    private final FaultBoxes boxes;

    WatchController(Assessments assessments, Keys keys, Conducts conducts, FaultBoxes boxes) {
        this.boxes = boxes;
        this.assessments = assessments;
        this.keys = keys;
        this.conducts = conducts;
    }

    /** @param slip what was wrong; empty where it was right or is taken back */
    record Tapped(String eventId, String observation, Sight sight, String slip) {}

    /** @param points positions of the points said; null takes the question back */
    record Said(String eventId, String question, @Nullable List<Integer> points) {}

    record SafetyStop(String eventId, String what) {}

    record Ended(String eventId) {}

    /** @param seq what the screen has @param box what it says of the fault box; where both are the newest nothing is sent again */
    @GetMapping
    ResponseEntity<WatchView> watch(
            @PathVariable String id,
            @RequestParam(name = "seq", required = false) @Nullable Integer seq,
            @RequestParam(name = "box", defaultValue = "") String box,
            Principal who) {
        Assessment assessment = assessments.get(id);
        return seq != null && seq == assessment.seq() && box.equals(box(assessment))
                ? ResponseEntity.noContent().build()
                : ResponseEntity.ok(view(assessment, who));
    }

    /** Takes back what this person tapped last. */
    @PostMapping("/undo")
    WatchView undo(@PathVariable String id, @RequestBody Ended undo, Principal who) {
        AssessmentEvent back = assessments.get(id).undo(who.getName());
        if (back == null) {
            throw Refusal.conflict("nothing-to-undo", "there is nothing of yours to take back here");
        }
        return view(assessments.append(id, undo.eventId(), back, who.getName()), who);
    }

    @PutMapping("/observations")
    WatchView tap(@PathVariable String id, @RequestBody Tapped tapped, Principal who) {
        Scheme scheme = keys.scheme(assessments.get(id));
        boolean known = scheme.observations().stream().anyMatch(o -> o.id().equals(tapped.observation()));
        Check.that(known, "unknown-observation", "observation", Check.quoted(tapped.observation()), "reload the page");
        Check.text(tapped.slip(), LONGEST_NOTE, "slip");
        Check.that(
                tapped.sight() != Sight.SLIP || !tapped.slip().isBlank(),
                "no-slip",
                "slip",
                "",
                "say what was wrong: tap a reason or write a note");
        return view(
                assessments.append(
                        id,
                        tapped.eventId(),
                        new AssessmentEvent.Observed(
                                tapped.observation(),
                                tapped.sight(),
                                tapped.slip().strip()),
                        who.getName()),
                who);
    }

    @PutMapping("/questions")
    WatchView ask(@PathVariable String id, @RequestBody Said said, Principal who) {
        Question question = keys.scheme(assessments.get(id)).questions().stream()
                .filter(q -> q.id().equals(said.question()))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(
                        new Problem("unknown-question", "question", Check.quoted(said.question()), "reload the page")));
        List<Integer> points = said.points();
        if (points != null) {
            points.forEach(p -> Check.between(p, 0, question.points().size() - 1.0, "points", "(position)"));
            points = points.stream().distinct().sorted().toList();
        }
        return view(
                assessments.append(
                        id, said.eventId(), new AssessmentEvent.Asked(said.question(), points), who.getName()),
                who);
    }

    /** Ends the candidate's work at once: the sheet freezes; the rig is made dead before anything else. */
    @PostMapping("/stop")
    WatchView stop(@PathVariable String id, @RequestBody SafetyStop stop, Principal who) {
        Check.that(!stop.what().isBlank(), "no-reason", "what", "", "say what happened; it is kept");
        Check.text(stop.what(), LONGEST_NOTE, "what");
        return view(
                assessments.append(
                        id,
                        stop.eventId(),
                        new AssessmentEvent.Stopped(stop.what().strip()),
                        who.getName()),
                who);
    }

    /** After a stop, and with the rig dead, the sheet goes to be marked as it is. */
    @PostMapping("/end")
    WatchView end(@PathVariable String id, @RequestBody Ended ended, Principal who) {
        return view(
                assessments.append(
                        id,
                        ended.eventId(),
                        new AssessmentEvent.HandedIn(),
                        Assessments.Basis.ANY,
                        who.getName(),
                        state -> {
                            if (state.stop() == null) {
                                throw Refusal.conflict("not-stopped", "the candidate hands the sheet in");
                            }
                        },
                        Assessments.Effect.NONE),
                who);
    }

    private String box(Assessment assessment) {
        return assessment.occupiesBay()
                ? boxes.truth(assessment.fixed().bayId(), assessment.relays(), assessment.boxUnpluggedAt() != null)
                        .words()
                : "";
    }

    private WatchView view(Assessment assessment, Principal who) {
        Scheme scheme = keys.scheme(assessment);
        Set<String> already = new HashSet<>();
        for (Assessment other : assessments.ofCandidate(assessment.fixed().candidateId())) {
            if (!other.id().equals(assessment.id())) {
                already.addAll(other.questions().keySet());
            }
        }
        return WatchView.of(
                assessment,
                keys.key(assessment),
                keys.sheet(assessment),
                keys.reports(assessment).size(),
                QuestionsDrawn.of(scheme, assessment.id(), already),
                conducts.view(assessment, who.getName()),
                box(assessment),
                who.getName());
    }
}
