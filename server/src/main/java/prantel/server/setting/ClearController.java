package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
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
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.assessment.ClearGate;
import prantel.core.expectation.Key;
import prantel.core.fault.BoxTruth;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.setting.CheckLines.CheckLine;
import prantel.server.setting.Hypotheses.HypothesisLine;
import prantel.server.web.Refusal;

/** Taking the faults out and proving the rig healthy with the fewest readings that tell each of them. */
@RestController
@RequestMapping("/api/assessments/{id}/clear")
class ClearController {
    private final Assessments assessments;
    private final Keys keys;
    private final Plans plans;
    private final BayEquipment equipment;
    private final CheckLines lines;

    ClearController(Assessments assessments, Keys keys, Plans plans, BayEquipment equipment, CheckLines lines) {
        this.assessments = assessments;
        this.keys = keys;
        this.plans = plans;
        this.equipment = equipment;
        this.lines = lines;
    }

    record ClearView(
            @JsonUnwrapped ClearRig rig, @JsonUnwrapped ClearProof proof) {}

    /**
     * The rig as it is.
     *
     * @param relaysIn relays of the bay's box that are still in
     * @param boxSilent whether it does not answer: its plug may be taken out then
     */
    record ClearRig(
            @Nullable OffsetDateTime clearedAt,
            boolean live,
            List<ToRemove> faults,
            List<Integer> relaysIn,
            String boxSays,
            boolean boxSilent) {}

    /** What proves it healthy. */
    record ClearProof(
            List<CheckLine> checks,
            boolean simulated,
            List<HypothesisLine> hypotheses,
            boolean mayClear,
            String whyNot) {}

    /** @param how "box" or "hand" @param look whether only the eye proves it out */
    record ToRemove(int index, String title, String place, String remedy, String how, boolean look, boolean out) {}

    record ProofReading(String eventId, String slot, String text) {}

    record TakenOut(String eventId, int fault, boolean out) {}

    record JustThis(String eventId) {}

    @GetMapping
    ClearView clear(@PathVariable String id) {
        return view(assessments.get(id));
    }

    @PostMapping("/out")
    ClearView out(@PathVariable String id, @RequestBody TakenOut taken, Principal who) {
        return view(assessments.append(
                id,
                taken.eventId(),
                new AssessmentEvent.FaultHandled(taken.fault(), Handling.OUT, taken.out()),
                who.getName()));
    }

    /** Releases every relay of the bay's box. */
    @PostMapping("/release")
    ClearView release(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        Assessment before = assessments.get(id);
        return view(assessments.append(
                id,
                just.eventId(),
                new AssessmentEvent.BoxCommanded(List.of()),
                Assessments.Basis.ANY,
                who.getName(),
                state -> {},
                equipment.move(before.fixed().bayId(), before.relays(), List.of())));
    }

    @PostMapping("/checks")
    ClearView check(@PathVariable String id, @RequestBody ProofReading check, Principal who) {
        keys.key(assessments.get(id)).expectation(new SlotId(check.slot()));
        return view(assessments.append(
                id,
                check.eventId(),
                new AssessmentEvent.ClearCheckTaken(check.slot(), CheckLines.text(check.text())),
                who.getName()));
    }

    @PostMapping("/done")
    ClearView done(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        equipment.truthNow(assessments.get(id));
        return view(assessments.append(id, just.eventId(), new AssessmentEvent.Cleared(), who.getName(), assessment -> {
            ClearProof now = view(assessment).proof();
            if (!now.mayClear()) {
                throw Refusal.conflict("not-clear", now.whyNot());
            }
        }));
    }

    private ClearView view(Assessment assessment) {
        Key key = keys.key(assessment);
        Key healthy = keys.keyWith(assessment, FaultSet.NONE);
        List<Fault> faults = key.faults().faults();
        CheckPlan plan = plans.clearing(healthy, faults);
        List<CheckLine> checks = lines.of(plan.readings(), assessment.clearChecks(), key.rig());
        FaultBox box = FaultBox.of(key.rig());
        List<ToRemove> toRemove = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            boolean relay = box.relayFor(fault).isPresent();
            toRemove.add(new ToRemove(
                    i,
                    fault.title(),
                    fault.where(key.rig()),
                    fault.kind().remedy(),
                    relay ? "box" : "hand",
                    plan.looks().contains(fault),
                    assessment.done(i, Handling.OUT) != null));
        }
        BoxTruth truth = equipment.truth(assessment);
        int looksOpen =
                (int) toRemove.stream().filter(r -> r.look() && !r.out()).count();
        List<String> against =
                ClearGate.shut(assessment, new ClearGate.Facts(truth, looksOpen, (int) CheckLines.open(checks)))
                        .stream()
                        .map(ClearGate.Shut::words)
                        .toList();
        return new ClearView(
                new ClearRig(
                        assessment.clearedAt(),
                        assessment.energisedAt() != null,
                        toRemove,
                        truth.in(),
                        truth.words(),
                        truth.heard() instanceof BoxTruth.Heard.Silent),
                new ClearProof(
                        checks,
                        equipment.hasTester(assessment),
                        Hypotheses.of(
                                healthy,
                                plans.ranking(healthy, assessment.clearChecks(), key.faults(), false),
                                assessment.clearChecks()),
                        against.isEmpty(),
                        String.join(" ", against)));
    }
}
