package prantel.server.setting;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.safety.SafetyCheck;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.core.setting.Exploration;
import prantel.server.assessment.Assessment;
import prantel.server.assessment.AssessmentEvent;
import prantel.server.assessment.AssessmentEvent.Handling;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.assessment.Stage;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.setting.CheckLines.CheckLine;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** Whether the rig may be energised: dead-only faults out and proved out, the rest found harmless by simulation. */
@RestController
@RequestMapping("/api/assessments/{id}/live")
class LiveController {
    private final Assessments assessments;
    private final Keys keys;
    private final Explorations explorations;
    private final FaultBoxes boxes;
    private final CheckLines lines;
    private final OnTheRig onTheRig;
    private final Workshop workshop;

    LiveController(
            Assessments assessments,
            Keys keys,
            Explorations explorations,
            FaultBoxes boxes,
            CheckLines lines,
            OnTheRig onTheRig,
            Workshop workshop) {
        this.assessments = assessments;
        this.keys = keys;
        this.explorations = explorations;
        this.boxes = boxes;
        this.lines = lines;
        this.onTheRig = onTheRig;
        this.workshop = workshop;
    }

    record LiveView(
            @Nullable OffsetDateTime energisedAt,
            List<LiveFault> faults,
            List<SetView.DangerLine> dangers,
            List<CheckLine> checks,
            boolean simulated,
            boolean mayGoLive,
            List<String> whyNot) {}

    record LiveFault(int index, String title, String place, String safety, String how, boolean out) {}

    record JustThis(String eventId) {}

    record TakenOut(String eventId, int fault, boolean out) {}

    record ProofReading(String eventId, String slot, String text) {}

    @GetMapping
    LiveView live(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /** A fault is taken out, by its relay or by hand, or put back in. */
    @PostMapping("/out")
    LiveView out(@PathVariable String id, @RequestBody TakenOut taken, Principal who) {
        Assessment assessment = assessments.get(id);
        mustBeAtWork(assessment);
        mustBeDead(assessment);
        List<Fault> faults = keys.faults(assessment).faults();
        if (taken.fault() < 0 || taken.fault() >= faults.size()) {
            throw Refusal.conflict("no-such-fault", "the set has changed; reload the page");
        }
        FaultBox box = FaultBox.of(keys.rig(assessment));
        box.relayFor(faults.get(taken.fault())).ifPresent(relay -> {
            List<Integer> relays = new ArrayList<>(assessment.relays());
            relays.remove(relay);
            if (!taken.out()) {
                relays.add(relay);
            }
            boxes.command(assessment.fixed().bayId(), relays);
            assessments.append(
                    id, taken.eventId() + "-box", new AssessmentEvent.BoxCommanded(relays), who.getName(), s -> {});
        });
        return view(assessments.append(
                id,
                taken.eventId(),
                new AssessmentEvent.FaultHandled(taken.fault(), Handling.OUT, taken.out()),
                who.getName(),
                state -> {}));
    }

    @PostMapping("/readings")
    LiveView reading(@PathVariable String id, @RequestBody ProofReading reading, Principal who) {
        Assessment assessment = assessments.get(id);
        keys.key(assessment).expectation(new SlotId(reading.slot()));
        return view(assessments.append(
                id,
                reading.eventId(),
                new AssessmentEvent.LiveCheckTaken(
                        reading.slot(), reading.text().strip()),
                who.getName(),
                state -> {
                    mustBeAtWork(state);
                    mustBeDead(state);
                }));
    }

    @PostMapping("/on")
    LiveView on(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(
                id, just.eventId(), new AssessmentEvent.Energised(true), who.getName(), assessment -> {
                    mustBeAtWork(assessment);
                    LiveView now = view(assessment);
                    if (!now.mayGoLive()) {
                        throw Refusal.conflict("not-safe", String.join(" ", now.whyNot()));
                    }
                }));
    }

    @PostMapping("/off")
    LiveView off(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(
                id, just.eventId(), new AssessmentEvent.Energised(false), who.getName(), state -> {}));
    }

    private static void mustBeAtWork(Assessment assessment) {
        if (assessment.stage() != Stage.WATCH) {
            throw Refusal.conflict("not-at-work", "the candidate is not at work: the rig stays dead");
        }
    }

    private static void mustBeDead(Assessment assessment) {
        if (assessment.energisedAt() != null) {
            throw Refusal.conflict("energised", "the rig is live: make it dead and lock it off first");
        }
    }

    private LiveView view(Assessment assessment) {
        Key set = keys.key(assessment);
        List<Fault> all = set.faults().faults();
        List<Fault> in = new ArrayList<>();
        List<Fault> out = new ArrayList<>();
        FaultBox box = FaultBox.of(set.rig());
        List<LiveFault> shown = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            boolean isOut = assessment.done(i, Handling.OUT) != null;
            (isOut ? out : in).add(all.get(i));
            shown.add(new LiveFault(
                    i,
                    all.get(i).title(),
                    all.get(i).where(set.rig()),
                    all.get(i).safety().words(),
                    box.relayFor(all.get(i)).isPresent() ? "box" : "hand",
                    isOut));
        }
        Key left = set.with(new FaultSet(in));
        Exploration singles = explorations.of(set);
        List<CheckLine> checks =
                lines.of(CheckPlan.ofClearing(left, out, singles).readings(), assessment.liveChecks(), set.rig());
        SafetyCheck.Report report = SafetyCheck.of(set.rig(), left.faults());
        List<String> whyNot = whyNot(assessment, in, report, checks);
        return new LiveView(
                assessment.energisedAt(),
                shown,
                report.dangers().stream()
                        .map(d -> new SetView.DangerLine(d.kind().words(), d.finding()))
                        .toList(),
                checks,
                onTheRig.isSimulated(),
                whyNot.isEmpty(),
                whyNot);
    }

    private List<String> whyNot(
            Assessment assessment, List<Fault> in, SafetyCheck.Report report, List<CheckLine> checks) {
        List<String> whyNot = new ArrayList<>();
        in.stream()
                .filter(f -> f.safety() == SafetyClass.DEAD_ONLY)
                .forEach(f -> whyNot.add(
                        f.title() + ", " + f.where(keys.rig(assessment)) + ", is dead only: take it out first."));
        report.dangers().forEach(d -> whyNot.add(d.finding()));
        boxes.of(assessment.fixed().bayId())
                .filter(b -> !assessment.relays().isEmpty() && !b.isRight())
                .ifPresent(b -> whyNot.add(
                        b.contact()
                                ? "Relay " + b.wrong().getFirst() + " of the fault box is not where it should be."
                                : "The fault box does not answer: what is set is not known."));
        long open = CheckLines.open(checks);
        if (open > 0) {
            whyNot.add("Prove the faults out: " + open + (open == 1 ? " reading" : " readings") + " to go.");
        }
        assessments.all().stream()
                .filter(a -> !a.id().equals(assessment.id())
                        && a.energisedAt() != null
                        && a.fixed().assessorId().equals(assessment.fixed().assessorId()))
                .findFirst()
                .ifPresent(
                        a -> whyNot.add("Bay " + workshop.bay(a.fixed().bayId()).number()
                                + " is live and needs your whole attention: never two live stages at once."));
        return whyNot;
    }
}
