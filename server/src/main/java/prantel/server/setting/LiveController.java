package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Course;
import prantel.core.assessment.LiveGate;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.safety.Danger;
import prantel.core.safety.SafetyCheck;
import prantel.core.sequence.SlotId;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.conduct.ConductView;
import prantel.server.conduct.Ticks;
import prantel.server.setting.CheckLines.CheckLine;
import prantel.server.web.Refusal;

/** Whether the rig may be energised: dead-only faults out and proved out, the rest found harmless by simulation. */
@RestController
@RequestMapping("/api/assessments/{id}/live")
class LiveController {
    private static final int LONGEST_REASON = 1000;

    private final Assessments assessments;
    private final Keys keys;
    private final Plans plans;
    private final BayEquipment equipment;
    private final CheckLines lines;
    private final Ticks ticks;
    private final Accounts accounts;

    LiveController(
            Assessments assessments,
            Keys keys,
            Plans plans,
            BayEquipment equipment,
            CheckLines lines,
            Ticks ticks,
            Accounts accounts) {
        this.assessments = assessments;
        this.keys = keys;
        this.plans = plans;
        this.equipment = equipment;
        this.lines = lines;
        this.ticks = ticks;
        this.accounts = accounts;
    }

    record LiveView(
            @JsonUnwrapped LiveRig rig, @JsonUnwrapped LiveGateView gate) {}

    /** The rig as it is. */
    record LiveRig(
            @Nullable OffsetDateTime energisedAt,
            List<LiveFault> faults,
            List<SetView.DangerLine> dangers,
            List<CheckLine> checks,
            boolean simulated) {}

    /**
     * Whether it may go live.
     *
     * @param openDead steps of the dead tests that have empty boxes: going live then needs a reason
     * @param cautions to be read before
     */
    record LiveGateView(
            boolean mayGoLive,
            List<String> whyNot,
            List<Course.OpenDead> openDead,
            List<ConductView.ListView> lists,
            List<String> cautions) {}

    record LiveFault(int index, String title, String place, String safety, String how, boolean out) {}

    /**
     * @param reason why now, while dead tests are open; null where none is
     * @param seen what the assessor ticks with it, by item of each list: what the candidate asked by word of mouth, what was
     *     seen
     */
    record GoingLive(String eventId, @Nullable String reason, List<ConductView.Tick> seen) {}

    /** The rig is off, locked, and proved dead: each is said. */
    record MadeDead(String eventId, boolean lockedOff, boolean provedDead) {}

    record TakenOut(String eventId, int fault, boolean out) {}

    record ProofReading(String eventId, String slot, String text) {}

    @GetMapping
    LiveView live(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /**
     * A fault is taken out, by its relay or by hand, or put back in; both are kept, or neither is. What is to be done is
     * gathered before, the relay moves last, and the answer is made when all of it stands.
     */
    @PostMapping("/out")
    LiveView out(@PathVariable String id, @RequestBody TakenOut taken, Principal who) {
        Assessment assessment = assessments.get(id);
        List<Fault> faults = keys.faults(assessment).faults();
        if (taken.fault() < 0 || taken.fault() >= faults.size()) {
            throw Refusal.conflict("no-such-fault", "the set has changed; reload the page");
        }
        Optional<Integer> relay = FaultBox.of(keys.rig(assessment)).relayFor(faults.get(taken.fault()));
        var handled = new AssessmentEvent.FaultHandled(taken.fault(), Handling.OUT, taken.out());
        if (relay.isEmpty()) {
            return view(assessments.append(id, taken.eventId(), handled, who.getName()));
        }
        String bay = assessment.fixed().bayId();
        return view(assessments.together(() -> {
            List<Integer> before = assessments
                    .append(id, taken.eventId(), handled, who.getName())
                    .relays();
            List<Integer> relays = new ArrayList<>(before);
            relays.remove(relay.get());
            if (!taken.out()) {
                relays.add(relay.get());
            }
            return assessments.append(
                    id,
                    taken.eventId() + "-box",
                    new AssessmentEvent.BoxCommanded(relays),
                    Assessments.Basis.ANY,
                    who.getName(),
                    state -> {},
                    equipment.move(bay, before, relays));
        }));
    }

    @PostMapping("/readings")
    LiveView reading(@PathVariable String id, @RequestBody ProofReading reading, Principal who) {
        Assessment assessment = assessments.get(id);
        keys.key(assessment).expectation(new SlotId(reading.slot()));
        return view(assessments.append(
                id,
                reading.eventId(),
                new AssessmentEvent.LiveCheckTaken(reading.slot(), CheckLines.text(reading.text())),
                who.getName()));
    }

    /** Ticks and the deed itself are kept together, or neither is. The fault box is heard at this moment and not as it was a second ago. */
    @PostMapping("/on")
    LiveView on(@PathVariable String id, @RequestBody GoingLive going, Principal who) {
        String reason = going.reason() == null ? "" : going.reason().strip();
        Check.text(reason, LONGEST_REASON, "reason");
        equipment.truthNow(assessments.get(id));
        return view(assessments.together(() -> {
            ticks.keep(id, going.eventId(), going.seen(), who.getName());
            Assessment ticked = assessments.get(id);
            // before the rules of the stream, which tell only the first thing; a repeat of what is kept is not asked
            // again
            if (ticked.energisedAt() == null) {
                mustBeOpen(ticked, reason, who);
            }
            return assessments.append(
                    id,
                    going.eventId(),
                    new AssessmentEvent.Energised(true, reason.isEmpty() ? null : reason),
                    who.getName(),
                    assessment -> mustBeOpen(assessment, reason, who));
        }));
    }

    /** Everything that stands against it is told at once, the rig first. */
    private void mustBeOpen(Assessment assessment, String reason, Principal who) {
        String watching = assessment.conduct().assessor();
        if (!watching.equals(who.getName())) {
            throw Refusal.conflict(
                    "not-watching", accounts.nameOf(watching) + " watches this bay: take it over before it goes live");
        }
        List<LiveGate.Shut> shut = LiveGate.shut(assessment, openDead(assessment), reason, facts(assessment));
        if (!shut.isEmpty()) {
            throw Refusal.conflict(
                    shut.getFirst().kind() == LiveGate.Kind.DEAD_TESTS_OPEN ? "dead-tests-open" : "not-safe",
                    shut.stream().map(LiveGate.Shut::words).collect(Collectors.joining(" ")));
        }
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
        FaultBox box = FaultBox.of(set.rig());
        List<Fault> all = set.faults().faults();
        List<LiveFault> shown = new ArrayList<>();
        // to prove what is set, nothing is taken out here: it is not put in yet
        for (int i = 0; assessment.openedAt() != null && i < all.size(); i++) {
            shown.add(new LiveFault(
                    i,
                    all.get(i).title(),
                    all.get(i).where(set.rig()),
                    all.get(i).safety().words(),
                    box.relayFor(all.get(i)).isPresent() ? "box" : "hand",
                    assessment.done(i, Handling.OUT) != null));
        }
        Known known = known(assessment);
        List<String> whyNot = LiveGate.ofTheRig(facts(assessment, known)).stream()
                .map(LiveGate.Shut::words)
                .toList();
        return new LiveView(
                new LiveRig(
                        assessment.energisedAt(),
                        shown,
                        known.report().dangers().stream()
                                .map(d -> new SetView.DangerLine(d.kind().words(), d.finding()))
                                .toList(),
                        known.checks(),
                        equipment.hasTester(assessment)),
                new LiveGateView(
                        whyNot.isEmpty(),
                        whyNot,
                        openDead(assessment),
                        (assessment.openedAt() == null
                                        ? Stream.of(Checklist.LIVE_GIVEN)
                                        : Stream.of(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN))
                                .map(list -> ticks.list(assessment, list))
                                .toList(),
                        cautions(all, set.rig())));
    }

    /** Nobody has a sheet yet while faults are set. */
    private List<Course.OpenDead> openDead(Assessment assessment) {
        return assessment.openedAt() == null
                ? List.of()
                : keys.course(assessment).openDead();
    }

    /** @param in faults that are really there @param checks readings that prove the others out */
    private record Known(FaultSet in, SafetyCheck.Report report, List<CheckLine> checks) {}

    private Known known(Assessment assessment) {
        List<Fault> all = keys.faults(assessment).faults();
        List<Fault> in = new ArrayList<>();
        List<Fault> out = new ArrayList<>();
        // while faults are set, what is in is what was set by hand, and what the box shows
        boolean setting = assessment.openedAt() == null;
        for (int i = 0; i < all.size(); i++) {
            if (!setting) {
                (assessment.done(i, Handling.OUT) != null ? out : in).add(all.get(i));
            } else if (assessment.done(i, Handling.SET) != null) {
                in.add(all.get(i));
            }
        }
        Key left = keys.keyWith(assessment, new FaultSet(in));
        FaultBox box = FaultBox.of(left.rig());
        FaultSet reallyIn = withWhatTheBoxShows(assessment, left.faults(), box);
        return new Known(
                reallyIn,
                plans.safety(left.rig(), reallyIn),
                lines.of(plans.clearing(left, out).readings(), assessment.liveChecks(), left.rig()));
    }

    private LiveGate.Facts facts(Assessment assessment) {
        return facts(assessment, known(assessment));
    }

    private LiveGate.Facts facts(Assessment assessment, Known known) {
        Rig rig = keys.rig(assessment);
        return new LiveGate.Facts(
                known.in().faults().stream()
                        .filter(f -> f.safety() == SafetyClass.DEAD_ONLY)
                        .map(f -> f.title() + ", " + f.where(rig))
                        .toList(),
                known.report().dangers().stream().map(Danger::finding).toList(),
                equipment.truth(assessment),
                (int) CheckLines.open(known.checks()),
                assessments
                        .liveBayOf(assessment.conduct().assessor())
                        .filter(bay -> !bay.equals(assessment.fixed().bayId()))
                        .map(equipment::nameOf));
    }

    /** What the box really shows counts, whoever commanded it. */
    private FaultSet withWhatTheBoxShows(Assessment assessment, FaultSet left, FaultBox box) {
        List<Fault> there = new ArrayList<>(left.faults());
        equipment
                .truth(assessment)
                .in()
                .forEach(relay -> box.faultOf(relay)
                        .filter(f -> there.stream().noneMatch(f::isSameBut))
                        .ifPresent(there::add));
        return new FaultSet(there);
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
}
