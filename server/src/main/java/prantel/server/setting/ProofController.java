package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
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
import prantel.core.assessment.ProveGate;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.BoxTruth;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.quantity.Check;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.faultbox.BoxState;
import prantel.server.setting.CheckLines.CheckLine;
import prantel.server.setting.Hypotheses.HypothesisLine;
import prantel.server.web.Refusal;

/** Setting the faults on the rig, by box and by hand, proving them set, opening the candidate's sheet. */
@RestController
@RequestMapping("/api/assessments/{id}/proof")
class ProofController {
    private static final int LONGEST_REASON = 500;

    private final Assessments assessments;
    private final Keys keys;
    private final Plans plans;
    private final BayEquipment equipment;
    private final CheckLines lines;
    private final Accounts accounts;
    private final OnTheRig onTheRig;

    ProofController(
            Assessments assessments,
            Keys keys,
            Plans plans,
            BayEquipment equipment,
            CheckLines lines,
            Accounts accounts,
            OnTheRig onTheRig) {
        this.assessments = assessments;
        this.keys = keys;
        this.plans = plans;
        this.equipment = equipment;
        this.lines = lines;
        this.accounts = accounts;
        this.onTheRig = onTheRig;
    }

    record ProofView(
            @JsonUnwrapped ProofStanding standing,
            @JsonUnwrapped ProofSetting setting,
            @JsonUnwrapped ProofReadings proving) {}

    /**
     * How far setting is.
     *
     * @param relaysOutSince since when the box has let go of what it should hold; null while it holds it
     */
    record ProofStanding(
            boolean sheetOpen,
            @Nullable OffsetDateTime lockedOffAt,
            @Nullable OffsetDateTime relaysOutSince,
            boolean mayOpen,
            String whyNotOpen) {}

    /**
     * What is set, by hand and by the box.
     *
     * @param box null for a bay without one
     */
    record ProofSetting(List<SetStep> steps, @Nullable BoxView box) {}

    /**
     * What proves it, and what the readings say.
     *
     * @param simulated whether a simulated tester can take the readings
     * @param notTold what no reading tells from the set, in words
     * @param fewest whether fewer readings were proved not to do
     * @param live whether the rig is live at this moment, to prove what only a live reading tells
     * @param healthySince when the rig was proved healthy after the last sitting on it, with nothing set since: that proves a set
     *     without a fault, and no reading is asked for; null where it was not, and for a set with faults
     */
    record ProofReadings(
            List<CheckLine> checks,
            boolean simulated,
            List<HypothesisLine> hypotheses,
            List<String> notTold,
            boolean fewest,
            boolean live,
            @Nullable OffsetDateTime healthySince) {}

    /** One fault to be set. */
    record SetStep(
            @JsonUnwrapped StepWhat what,
            @JsonUnwrapped StepHow how,
            @JsonUnwrapped StepDone done) {}

    /** Which fault. */
    record StepWhat(int index, String title, String place) {}

    /**
     * How it is set.
     *
     * @param how "box", "hand" or "nothing"
     * @param look whether it is proved by looking and not by a reading
     * @param deadOnly whether it may never be in with the supply on
     */
    record StepHow(String how, int relay, String instruction, boolean look, boolean deadOnly) {}

    /**
     * Whether it is.
     *
     * @param state "set", "to do", "wrong", "no contact"
     * @param seen whether somebody looked
     */
    record StepDone(String state, String by, @Nullable OffsetDateTime at, boolean seen) {}

    record BoxView(
            @JsonUnwrapped BoxHeard heard, @JsonUnwrapped BoxTrouble trouble) {}

    /** What it was told and what it says. */
    record BoxHeard(
            boolean contact,
            boolean armed,
            List<Integer> commanded,
            List<Integer> closed,
            @Nullable OffsetDateTime heardAt,
            String says) {}

    /**
     * What is the matter with it.
     *
     * @param wrong relays that are not where they should be
     * @param matter in words; empty for nothing
     * @param mayUnplug whether somebody may say that its plug is out of the rig
     */
    record BoxTrouble(List<Integer> wrong, String matter, boolean mayUnplug) {}

    record JustThis(String eventId) {}

    record Handled(String eventId, int fault, Handling what, boolean done) {}

    record ProofReading(String eventId, String slot, String text) {}

    record SimulatedSlot(String slot) {}

    record SimulatedReading(String text) {}

    @GetMapping
    ProofView proof(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /**
     * Pulls in the relays of all faults that have one: before the sheet is opened, or again on a dead rig whose box let them
     * go while the candidate was at work.
     */
    @PostMapping("/arm")
    ProofView arm(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return commanded(id, just.eventId(), wanted(assessments.get(id)), who, state -> {
            if (state.relaysOutSince() == null) {
                mustNotBeOpen(state);
            }
        });
    }

    @PostMapping("/release")
    ProofView release(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return commanded(id, just.eventId(), List.of(), who, ProofController::mustNotBeOpen);
    }

    /** A relay moves last, when the event is known to be kept. */
    private ProofView commanded(
            String id, String eventId, List<Integer> relays, Principal who, Consumer<Assessment> allowed) {
        Assessment before = assessments.get(id);
        return view(assessments.append(
                id,
                eventId,
                new AssessmentEvent.BoxCommanded(relays),
                Assessments.Basis.ANY,
                who.getName(),
                allowed,
                equipment.move(before.fixed().bayId(), before.relays(), relays)));
    }

    /** @param what is the matter with the box */
    record Unplugging(String eventId, String what) {}

    /** The box does not answer, and its plug was taken out of the dead rig: it sets nothing any more. */
    @PostMapping("/unplugged")
    ProofView unplugged(@PathVariable String id, @RequestBody Unplugging unplugging, Principal who) {
        Check.that(
                !unplugging.what().isBlank(),
                "no-reason",
                "what",
                "",
                "say what is the matter with the box; it is kept");
        Check.text(unplugging.what(), LONGEST_REASON, "what");
        BoxTruth truth = equipment.truthNow(assessments.get(id));
        if (!(truth.heard() instanceof BoxTruth.Heard.Silent)) {
            throw Refusal.conflict("box-answers", "the fault box answers: release its relays instead");
        }
        return view(assessments.append(
                id,
                unplugging.eventId(),
                new AssessmentEvent.BoxUnplugged(unplugging.what().strip()),
                who.getName()));
    }

    /** The whole set goes in and out while the candidate does not work with it. */
    private static void mustNotBeOpen(Assessment assessment) {
        if (assessment.openedAt() != null) {
            throw Refusal.conflict(
                    "sheet-open", "the candidate's sheet is open: faults stay as they are until it is handed in");
        }
    }

    /** Relays of the set's faults; while something is still to be read live, of those that may stay in meanwhile. */
    private List<Integer> wanted(Assessment assessment) {
        FaultBox box = FaultBox.of(keys.rig(assessment));
        boolean liveFirst = isLiveFirst(assessment);
        return keys.faults(assessment).faults().stream()
                .filter(f -> !liveFirst || f.safety() != SafetyClass.DEAD_ONLY)
                .flatMap(f -> box.relayFor(f).stream())
                .toList();
    }

    /** What only a live reading tells is proved before a fault that is dead only goes in. */
    private boolean isLiveFirst(Assessment assessment) {
        Key key = keys.key(assessment);
        boolean deadOnly = key.faults().faults().stream().anyMatch(f -> f.safety() == SafetyClass.DEAD_ONLY);
        List<Expectation> live =
                plans.proving(key).readings().stream().filter(CheckPlan::isLive).toList();
        return deadOnly
                && assessment.openedAt() == null
                && CheckLines.open(lines.of(live, assessment.checks(), key.rig())) > 0;
    }

    /** Something set or seen by hand. */
    @PostMapping("/handled")
    ProofView handled(@PathVariable String id, @RequestBody Handled handled, Principal who) {
        Assessment assessment = assessments.get(id);
        List<Fault> faults = keys.faults(assessment).faults();
        if (handled.fault() < 0 || handled.fault() >= faults.size() || handled.what() == Handling.OUT) {
            throw Refusal.conflict("no-such-fault", "the set has changed; reload the page");
        }
        FaultBox box = FaultBox.of(keys.rig(assessment));
        if (handled.what() == Handling.SET && !box.isByHand(faults.get(handled.fault()))) {
            throw Refusal.conflict(
                    "not-by-hand", "this fault is never wired by hand: it is set by the fault box or not at all");
        }
        if (handled.done()
                && faults.get(handled.fault()).safety() == SafetyClass.DEAD_ONLY
                && isLiveFirst(assessment)) {
            throw Refusal.conflict(
                    "live-first",
                    "take the readings with the supply on first: this fault is dead only, and nothing is read live with it in");
        }
        return view(assessments.append(
                id,
                handled.eventId(),
                new AssessmentEvent.FaultHandled(handled.fault(), handled.what(), handled.done()),
                who.getName()));
    }

    @PostMapping("/readings")
    ProofView reading(@PathVariable String id, @RequestBody ProofReading reading, Principal who) {
        Assessment assessment = assessments.get(id);
        mustFitTheSupply(assessment, keys.key(assessment).expectation(new SlotId(reading.slot())));
        return view(assessments.append(
                id,
                reading.eventId(),
                new AssessmentEvent.CheckTaken(reading.slot(), CheckLines.text(reading.text())),
                who.getName()));
    }

    /** What the simulated tester shows on the simulated rig, with what is really set on it. */
    @PostMapping("/simulated")
    SimulatedReading simulated(@PathVariable String id, @RequestBody SimulatedSlot slot) {
        return new SimulatedReading(onTheRig.reading(assessments.get(id), new SlotId(slot.slot())));
    }

    /** No dead reading is taken on a live rig, and no live one on a dead rig. */
    private static void mustFitTheSupply(Assessment assessment, Expectation box) {
        boolean live = assessment.energisedAt() != null;
        if (CheckPlan.isLive(box) && !live) {
            throw Refusal.conflict(
                    "supply-off", "this is read with the supply on: make the rig live first, through its gate");
        }
        if (!CheckPlan.isLive(box) && live) {
            throw Refusal.conflict("supply-on", "this is read dead: make the rig dead first, lock off and prove it");
        }
    }

    @PostMapping("/open")
    ProofView open(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        equipment.truthNow(assessments.get(id));
        return view(assessments.append(
                id, just.eventId(), new AssessmentEvent.SheetOpened(), who.getName(), assessment -> {
                    ProofStanding now = view(assessment).standing();
                    if (!now.mayOpen()) {
                        throw Refusal.conflict("not-ready", now.whyNotOpen());
                    }
                }));
    }

    private ProofView view(Assessment assessment) {
        Key key = keys.key(assessment);
        CheckPlan plan = plans.proving(key);
        List<CheckLine> checks = lines.of(plan.readings(), assessment.checks(), key.rig());
        BoxState box = equipment.box(assessment).orElse(null);
        List<ProveGate.ToSet> toSet = toSet(assessment, key, plan.looks(), box);
        OffsetDateTime healthySince = onTheRig.healthySince(assessment);
        int proofsOpen = healthySince == null ? (int) CheckLines.open(checks) : 0;
        List<String> against =
                ProveGate.shut(assessment, new ProveGate.Facts(toSet, equipment.truth(assessment), proofsOpen)).stream()
                        .map(ProveGate.Shut::words)
                        .toList();
        return new ProofView(
                new ProofStanding(
                        assessment.openedAt() != null,
                        assessment.lockedOffAt(),
                        assessment.relaysOutSince(),
                        against.isEmpty(),
                        String.join(" ", against)),
                new ProofSetting(
                        steps(assessment, key, plan.looks(), toSet),
                        box == null ? null : boxView(box, wanted(assessment), equipment.truth(assessment), assessment)),
                new ProofReadings(
                        checks,
                        equipment.hasTester(assessment),
                        Hypotheses.of(
                                key,
                                plans.ranking(key, assessment.checks(), onTheRig.before(assessment), true),
                                assessment.checks()),
                        plan.notTold().stream().map(s -> words(s, key)).toList(),
                        plan.fewest(),
                        assessment.energisedAt() != null,
                        healthySince));
    }

    private static String words(FaultSet set, Key key) {
        return set.isEmpty()
                ? "the healthy rig"
                : String.join(
                        "; ",
                        set.faults().stream()
                                .map(f -> f.title() + ", " + f.where(key.rig()))
                                .toList());
    }

    private static BoxView boxView(BoxState state, List<Integer> wanted, BoxTruth truth, Assessment assessment) {
        boolean silent = truth.heard() instanceof BoxTruth.Heard.Silent;
        return new BoxView(
                new BoxHeard(
                        state.contact(),
                        state.contact() && !wanted.isEmpty() && state.closed().equals(Set.copyOf(wanted)),
                        sorted(state.commanded()),
                        sorted(state.closed()),
                        state.heardAt(),
                        state.says()),
                new BoxTrouble(
                        truth.matters().stream()
                                .flatMap(m -> m.relays().stream())
                                .sorted()
                                .toList(),
                        truth.words(),
                        silent && assessment.lockedOffAt() != null && assessment.energisedAt() == null));
    }

    private static List<Integer> sorted(Set<Integer> relays) {
        return List.copyOf(new TreeSet<>(relays));
    }

    /** What the gate has to know of each fault. @param looks those that only the eye proves */
    private List<ProveGate.ToSet> toSet(Assessment assessment, Key key, List<Fault> looks, @Nullable BoxState state) {
        FaultBox box = FaultBox.of(key.rig());
        List<ProveGate.ToSet> toSet = new ArrayList<>();
        List<Fault> faults = key.faults().faults();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            int relay = box.relayFor(fault).orElse(0);
            toSet.add(new ProveGate.ToSet(
                    fault.title() + ", " + fault.where(key.rig()),
                    relay > 0 ? ProveGate.How.BOX : box.canSet(fault) ? ProveGate.How.HAND : ProveGate.How.NOTHING,
                    relay,
                    relay > 0
                            ? relayState(relay, assessment, state)
                            : assessment.done(i, Handling.SET) == null ? ProveGate.State.TO_DO : ProveGate.State.SET,
                    looks.contains(fault) && assessment.done(i, Handling.SEEN) == null));
        }
        return toSet;
    }

    private static ProveGate.State relayState(int relay, Assessment assessment, @Nullable BoxState state) {
        if (state == null || !state.contact()) {
            return ProveGate.State.NO_CONTACT;
        }
        boolean in = state.closed().contains(relay);
        boolean meant = assessment.relays().contains(relay);
        return in != meant ? ProveGate.State.WRONG : in ? ProveGate.State.SET : ProveGate.State.TO_DO;
    }

    private List<SetStep> steps(Assessment assessment, Key key, List<Fault> looks, List<ProveGate.ToSet> toSet) {
        List<SetStep> steps = new ArrayList<>();
        List<Fault> faults = key.faults().faults();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            ProveGate.ToSet one = toSet.get(i);
            Assessment.Done set = assessment.done(i, Handling.SET);
            steps.add(new SetStep(
                    new StepWhat(i, fault.title(), fault.where(key.rig())),
                    new StepHow(
                            word(one.how()),
                            one.relay(),
                            fault.instruction(key.rig()),
                            looks.contains(fault),
                            fault.safety() == SafetyClass.DEAD_ONLY),
                    new StepDone(
                            word(one.state()),
                            set == null ? "" : accounts.get(set.by()).name(),
                            set == null ? null : set.at(),
                            assessment.done(i, Handling.SEEN) != null)));
        }
        return steps;
    }

    private static String word(Enum<?> one) {
        return one.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
