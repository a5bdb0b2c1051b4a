package prantel.server.setting;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.quantity.Check;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.safety.SafetyCheck;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.setting.CheckLines.CheckLine;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** Whether the rig may be energised: dead-only faults out and proved out, the rest found harmless by simulation. */
@RestController
@RequestMapping("/api/assessments/{id}/live")
class LiveController {
    private static final int LONGEST_REASON = 1000;

    private final Assessments assessments;
    private final Keys keys;
    private final Plans plans;
    private final FaultBoxes boxes;
    private final CheckLines lines;
    private final OnTheRig onTheRig;
    private final Workshop workshop;

    LiveController(
            Assessments assessments,
            Keys keys,
            Plans plans,
            FaultBoxes boxes,
            CheckLines lines,
            OnTheRig onTheRig,
            Workshop workshop) {
        this.assessments = assessments;
        this.keys = keys;
        this.plans = plans;
        this.boxes = boxes;
        this.lines = lines;
        this.onTheRig = onTheRig;
        this.workshop = workshop;
    }

    /**
     * @param openDead boxes of dead tests that are still empty: going live then needs a reason
     * @param cautions to be read before
     */
    record LiveView(
            @Nullable OffsetDateTime energisedAt,
            List<LiveFault> faults,
            List<SetView.DangerLine> dangers,
            List<CheckLine> checks,
            boolean simulated,
            boolean mayGoLive,
            List<String> whyNot,
            int openDead,
            List<String> cautions) {}

    record LiveFault(int index, String title, String place, String safety, String how, boolean out) {}

    /** @param reason why now, while dead tests are open; null where none is */
    record GoingLive(String eventId, @Nullable String reason) {}

    /** The rig is off, locked, and proved dead: each is said. */
    record MadeDead(String eventId, boolean lockedOff, boolean provedDead) {}

    record TakenOut(String eventId, int fault, boolean out) {}

    record ProofReading(String eventId, String slot, String text) {}

    @GetMapping
    LiveView live(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /** A fault is taken out, by its relay or by hand, or put back in; both are kept, or neither is. */
    @PostMapping("/out")
    @Transactional
    LiveView out(@PathVariable String id, @RequestBody TakenOut taken, Principal who) {
        Assessment assessment = assessments.get(id);
        List<Fault> faults = keys.faults(assessment).faults();
        if (taken.fault() < 0 || taken.fault() >= faults.size()) {
            throw Refusal.conflict("no-such-fault", "the set has changed; reload the page");
        }
        Assessment handled = assessments.append(
                id,
                taken.eventId(),
                new AssessmentEvent.FaultHandled(taken.fault(), Handling.OUT, taken.out()),
                who.getName());
        Optional<Integer> relay = FaultBox.of(keys.rig(assessment)).relayFor(faults.get(taken.fault()));
        if (relay.isEmpty()) {
            return view(handled);
        }
        List<Integer> relays = new ArrayList<>(handled.relays());
        relays.remove(relay.get());
        if (!taken.out()) {
            relays.add(relay.get());
        }
        String bay = assessment.fixed().bayId();
        return view(assessments.append(
                id,
                taken.eventId() + "-box",
                new AssessmentEvent.BoxCommanded(relays),
                Assessments.Basis.ANY,
                who.getName(),
                state -> {},
                () -> boxes.command(bay, relays)));
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
                who.getName()));
    }

    @PostMapping("/on")
    LiveView on(@PathVariable String id, @RequestBody GoingLive going, Principal who) {
        String reason = going.reason() == null ? "" : going.reason().strip();
        Check.text(reason, LONGEST_REASON, "reason");
        return view(assessments.append(
                id,
                going.eventId(),
                new AssessmentEvent.Energised(true, reason.isEmpty() ? null : reason),
                who.getName(),
                assessment -> {
                    LiveView now = view(assessment);
                    if (!now.mayGoLive()) {
                        throw Refusal.conflict("not-safe", String.join(" ", now.whyNot()));
                    }
                    if (now.openDead() > 0 && reason.isEmpty()) {
                        throw Refusal.conflict(
                                "dead-tests-open",
                                now.openDead() + " boxes of the dead tests are empty: say why the rig goes live now");
                    }
                }));
    }

    @PostMapping("/off")
    LiveView off(@PathVariable String id, @RequestBody MadeDead dead, Principal who) {
        if (!dead.lockedOff() || !dead.provedDead()) {
            throw Refusal.conflict(
                    "not-dead", "say that it is locked off, and that it is proved dead: until then it counts as live");
        }
        return view(assessments.append(id, dead.eventId(), new AssessmentEvent.Energised(false, null), who.getName()));
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
        Key left = keys.keyWith(assessment, new FaultSet(in));
        List<CheckLine> checks = lines.of(plans.clearing(left, out).readings(), assessment.liveChecks(), set.rig());
        FaultSet reallyIn = withWhatTheBoxShows(assessment, left.faults(), box);
        SafetyCheck.Report report = plans.safety(set.rig(), reallyIn);
        List<String> whyNot = whyNot(assessment, reallyIn.faults(), report, checks, !box.isEmpty());
        return new LiveView(
                assessment.energisedAt(),
                shown,
                report.dangers().stream()
                        .map(d -> new SetView.DangerLine(d.kind().words(), d.finding()))
                        .toList(),
                checks,
                onTheRig.isSimulated(),
                whyNot.isEmpty(),
                whyNot,
                openDead(assessment, set),
                cautions(all, set.rig()));
    }

    /** What the box really shows counts, whoever commanded it. */
    private FaultSet withWhatTheBoxShows(Assessment assessment, FaultSet left, FaultBox box) {
        List<Fault> there = new ArrayList<>(left.faults());
        boxes.of(assessment.fixed().bayId())
                .ifPresent(state -> state.closed()
                        .forEach(relay -> box.faultOf(relay)
                                .filter(f -> there.stream().noneMatch(f::isSameBut))
                                .ifPresent(there::add)));
        return new FaultSet(there);
    }

    /** Empty boxes of dead tests; of the two ways to prove a circuit's CPC the one with fewer. */
    private static int openDead(Assessment assessment, Key key) {
        int open = 0;
        Map<Optional<CircuitId>, int[]> methods = new HashMap<>();
        for (Expectation e : key.expectations()) {
            Slot slot = e.slot();
            Assessment.Entry<String> written =
                    assessment.readings().get(slot.id().value());
            boolean empty = written == null || written.value().isBlank();
            if (slot.step().isLive() || !empty) {
                continue;
            }
            if (key.scheme().alternativeTo(slot.step()).isPresent()) {
                methods.computeIfAbsent(slot.circuit(), c -> new int[2])[slot.step() == TestKind.R2 ? 1 : 0]++;
            } else {
                open++;
            }
        }
        for (int[] empty : methods.values()) {
            open += Math.min(empty[0], empty[1]);
        }
        return open;
    }

    private static List<String> cautions(List<Fault> faults, Rig rig) {
        List<String> cautions = new ArrayList<>(List.of(
                "Live work: supervised, fused probes with short tips, covers on, bystanders out. Local rules and licensed"
                        + " practice come first."));
        faults.stream()
                .map(f -> f.caution(rig))
                .filter(c -> !c.isEmpty())
                .distinct()
                .forEach(cautions::add);
        return cautions;
    }

    private List<String> whyNot(
            Assessment assessment,
            List<Fault> in,
            SafetyCheck.Report report,
            List<CheckLine> checks,
            boolean relaysWired) {
        List<String> whyNot = new ArrayList<>();
        in.stream()
                .filter(f -> f.safety() == SafetyClass.DEAD_ONLY)
                .forEach(f -> whyNot.add(
                        f.title() + ", " + f.where(keys.rig(assessment)) + ", is dead only: take it out first."));
        report.dangers().forEach(d -> whyNot.add(d.finding()));
        boxes.of(assessment.fixed().bayId()).ifPresent(b -> {
            Set<Integer> wrong = new TreeSet<>(b.closed());
            wrong.addAll(assessment.relays());
            wrong.removeIf(r -> b.closed().contains(r) && assessment.relays().contains(r));
            if (!b.contact() && (relaysWired || !assessment.relays().isEmpty())) {
                whyNot.add("The fault box does not answer: what is set is not known.");
            } else if (b.contact() && !wrong.isEmpty()) {
                whyNot.add("Relay " + wrong.iterator().next() + " of the fault box is not where it should be.");
            }
        });
        long open = CheckLines.open(checks);
        if (open > 0) {
            whyNot.add("Prove the faults out: " + open + (open == 1 ? " reading" : " readings") + " to go.");
        }
        assessments
                .liveBayOf(assessment.fixed().assessorId())
                .filter(bay -> !bay.equals(assessment.fixed().bayId()))
                .ifPresent(bay -> whyNot.add("Bay " + workshop.bay(bay).number()
                        + " is live and needs your whole attention: never two live stages at once."));
        return whyNot;
    }
}
