package prantel.server.conduct;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Pinned;
import prantel.core.quantity.Check;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Step;
import prantel.server.account.PairingCodes;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.conduct.ConductView.Tick;
import prantel.server.web.OwnAddress;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** The assessor conducts an assessment: ticks, stops the clock, hands over, changes the instrument, breaks off. */
@RestController
@RequestMapping("/api/assessments/{id}/conduct")
class ConductController {
    private static final int LONGEST = 500;
    private static final int FEWEST_CIRCUITS = 2;

    private final Assessments assessments;
    private final Conducts conducts;
    private final Keys keys;
    private final Workshop workshop;
    private final Ticks ticks;
    private final PairingCodes codes;
    private final OwnAddress own;

    ConductController(
            Assessments assessments,
            Conducts conducts,
            Keys keys,
            Workshop workshop,
            Ticks ticks,
            PairingCodes codes,
            OwnAddress own) {
        this.own = own;
        this.codes = codes;
        this.assessments = assessments;
        this.conducts = conducts;
        this.keys = keys;
        this.workshop = workshop;
        this.ticks = ticks;
    }

    record Ticking(String eventId, Checklist list, String item, boolean on) {}

    /** @param circuits and @param steps what costs the candidate nothing for it; both may be empty */
    record Halting(String eventId, Pause.Why why, String what, List<String> circuits, List<String> steps) {}

    record Saying(String eventId, String what) {}

    record HandingOver(String eventId, String to) {}

    record Changing(String eventId, String tester, String reason) {}

    record Adjusting(String eventId, double timeFactor, List<String> given) {}

    record Choosing(String eventId, List<String> circuits) {}

    record CarryingOn(String eventId, String bayId, String reason) {}

    @GetMapping
    ConductView conduct(@PathVariable String id, Principal who) {
        return view(assessments.get(id), who);
    }

    @PutMapping("/ticks")
    ConductView tick(@PathVariable String id, @RequestBody Ticking tick, Principal who) {
        return view(ticks.set(id, tick.eventId(), new Tick(tick.list(), tick.item()), tick.on(), who.getName()), who);
    }

    /** The clock stands still; a safety stop is its own deed. */
    @PostMapping("/halt")
    ConductView halt(@PathVariable String id, @RequestBody Halting halt, Principal who) {
        Check.that(halt.why() != Pause.Why.SAFETY, "bad-reason", "why", "SAFETY", "stop it for safety instead");
        said(halt.what(), "what", "say what is the matter; it is kept");
        Assessment assessment = assessments.get(id);
        Set<String> circuits = keys.rig(assessment).circuits().stream()
                .map(c -> c.id().value())
                .collect(Collectors.toSet());
        Set<String> steps =
                keys.scheme(assessment).steps().stream().map(Step::id).collect(Collectors.toSet());
        halt.circuits().forEach(c -> known(circuits, c, "circuits"));
        halt.steps().forEach(s -> known(steps, s, "steps"));
        return append(
                id,
                halt.eventId(),
                new AssessmentEvent.Halted(
                        halt.why(), halt.what().strip(), new Pause.Spared(halt.circuits(), halt.steps())),
                who);
    }

    private static void known(Set<String> all, String one, String where) {
        Check.that(all.contains(one), "unknown", where, Check.quoted(one), "reload the page");
    }

    @PostMapping("/resume")
    ConductView resume(@PathVariable String id, @RequestBody Saying resume, Principal who) {
        Check.text(resume.what(), LONGEST, "what");
        return append(
                id, resume.eventId(), new AssessmentEvent.Resumed(resume.what().strip()), who);
    }

    /** After a stop for safety the candidate goes on: decided, with its reason. */
    @PostMapping("/lift-stop")
    ConductView liftStop(@PathVariable String id, @RequestBody Saying lift, Principal who) {
        said(lift.what(), "what", "say why it goes on; it is kept");
        return append(
                id, lift.eventId(), new AssessmentEvent.StopLifted(lift.what().strip()), who);
    }

    @PostMapping("/hand-over")
    ConductView handOver(@PathVariable String id, @RequestBody HandingOver over, Principal who) {
        conducts.mustBeAbleToWatch(over.to());
        return append(id, over.eventId(), new AssessmentEvent.HandedOver(over.to()), who);
    }

    @PostMapping("/instrument")
    ConductView instrument(@PathVariable String id, @RequestBody Changing change, Principal who) {
        said(change.reason(), "reason", "say why; it is kept");
        DocumentRef tester = workshop.latestTester(change.tester());
        workshop.mustBeInDate(tester);
        return append(
                id,
                change.eventId(),
                new AssessmentEvent.InstrumentChanged(
                        new Pinned.Document(tester.id(), tester.version()),
                        change.reason().strip()),
                who);
    }

    /** Extra time and what else is granted. The reason is not asked for, so that nobody keeps it here. */
    @PutMapping("/adjustment")
    ConductView adjust(@PathVariable String id, @RequestBody Adjusting adjust, Principal who) {
        Check.between(adjust.timeFactor(), 1, 4, "timeFactor", "(times the usual)");
        Check.that(
                adjust.given().size() <= 8, "too-many", "given", adjust.given().size() + " lines", "give at most 8");
        adjust.given().forEach(g -> Check.name(g, "given"));
        return append(id, adjust.eventId(), new AssessmentEvent.Adjusted(adjust.timeFactor(), adjust.given()), who);
    }

    /** Two circuits at least, a ring among them where the rig has one. */
    @PutMapping("/circuits")
    ConductView circuits(@PathVariable String id, @RequestBody Choosing choosing, Principal who) {
        Rig rig = keys.rig(assessments.get(id));
        Set<String> all = rig.circuits().stream().map(c -> c.id().value()).collect(Collectors.toSet());
        Set<String> chosen = new HashSet<>(choosing.circuits());
        chosen.forEach(c -> known(all, c, "circuits"));
        Check.that(
                chosen.size() >= Math.min(FEWEST_CIRCUITS, all.size()),
                "too-few",
                "circuits",
                chosen.size() + " chosen",
                "choose at least " + FEWEST_CIRCUITS);
        boolean hasRing = rig.circuits().stream().anyMatch(Ring.class::isInstance);
        Check.that(
                !hasRing || rig.circuits().stream().anyMatch(c -> c instanceof Ring && chosen.contains(c.id().value())),
                "no-ring",
                "circuits",
                "no ring among them",
                "this rig has a ring: choose it too");
        keys.faults(assessments.get(id))
                .mustLieIn(chosen.stream().map(CircuitId::new).collect(Collectors.toSet()));
        List<String> inOrder = rig.circuits().stream()
                .map(c -> c.id().value())
                .filter(chosen::contains)
                .toList();
        return append(
                id,
                choosing.eventId(),
                new AssessmentEvent.CircuitsChosen(inOrder.size() == all.size() ? List.of() : inOrder),
                who);
    }

    /** It ends here without a judgement, and the bay is cleared. */
    @PostMapping("/break-off")
    ConductView breakOff(@PathVariable String id, @RequestBody Saying off, Principal who) {
        said(off.what(), "what", "say why; it is kept, and costs the candidate nothing");
        return append(
                id, off.eventId(), new AssessmentEvent.BrokenOff(off.what().strip(), null), who);
    }

    record CarriedOn(String assessmentId) {}

    /** It is carried on in another bay, with what was seen and answered kept. */
    @PostMapping("/carry-on")
    CarriedOn carryOn(@PathVariable String id, @RequestBody CarryingOn on, Principal who) {
        said(on.reason(), "reason", "say why; it is kept, and costs the candidate nothing");
        return new CarriedOn(
                conducts.carryOn(id, on.eventId(), on.bayId(), on.reason().strip(), who.getName())
                        .id());
    }

    /**
     * @param code eight figures
     * @param link where a tablet goes with it, whole
     * @param address where it finds the server, for whoever types it
     * @param warning why it may not reach that; empty where it does
     * @param minutes how long it works, once
     */
    record Pairing(String code, String link, String address, String warning, long minutes) {}

    /** Lets a tablet in to this sheet without a password; a code made before opens nothing any more. */
    @PostMapping("/pairing")
    Pairing pairing(@PathVariable String id, HttpServletRequest request) {
        Assessment assessment = assessments.get(id);
        if (assessment.handedInAt() != null) {
            throw Refusal.conflict("sheet-closed", "this sheet is handed in; hand it back first");
        }
        String code = codes.make(new PairingCodes.Sheet(id, assessment.fixed().candidateId()));
        OwnAddress.Found found = own.of(request);
        return new Pairing(
                code, found.url() + "/pair?code=" + code, found.url(), found.warning(), PairingCodes.LASTS.toMinutes());
    }

    private static void said(String text, String where, String mend) {
        Check.that(!text.isBlank(), "no-reason", where, "", mend);
        Check.text(text, LONGEST, where);
    }

    private ConductView append(String id, String eventId, AssessmentEvent event, Principal who) {
        return view(assessments.append(id, eventId, event, who.getName()), who);
    }

    private ConductView view(Assessment assessment, Principal who) {
        return conducts.view(assessment, who.getName());
    }
}
