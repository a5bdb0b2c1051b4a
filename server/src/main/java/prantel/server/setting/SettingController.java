package prantel.server.setting;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.SlotId;
import prantel.formats.FaultSetFile;
import prantel.server.assessment.Assessment;
import prantel.server.assessment.AssessmentEvent;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.web.Refusal;

/** Choosing faults, seeing what they do, locking off, proving them set, opening the candidate's sheet. */
@RestController
@RequestMapping("/api/assessments/{id}")
class SettingController {
    private final Assessments assessments;
    private final Keys keys;

    SettingController(Assessments assessments, Keys keys) {
        this.assessments = assessments;
        this.keys = keys;
    }

    record ChosenFaults(String eventId, int basedOn, List<FaultInput> faults) {}

    record FaultsToTry(List<FaultInput> faults) {}

    record JustThis(String eventId) {}

    record CheckTaken(String eventId, String slot, String text) {}

    @GetMapping("/set")
    SetView set(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /** What a set would do, without keeping it. */
    @PostMapping("/faults/preview")
    SetView.Preview preview(@PathVariable String id, @RequestBody FaultsToTry tried) {
        return SetView.preview(keys.keyWith(assessments.get(id), FaultInput.toSet(tried.faults())));
    }

    @PutMapping("/faults")
    SetView chooseFaults(@PathVariable String id, @RequestBody ChosenFaults chosen, Principal who) {
        Assessment assessment = assessments.get(id);
        FaultSet set = FaultInput.toSet(chosen.faults());
        set.checkOn(keys.rig(assessment));
        String file = new String(FaultSetFile.write(set, keys.rig(assessment)), StandardCharsets.UTF_8);
        return view(assessments.append(
                id,
                chosen.eventId(),
                new AssessmentEvent.FaultsChosen(file),
                chosen.basedOn(),
                who.getName(),
                SettingController::mustNotBeOpen));
    }

    @PostMapping("/lock-off")
    @ResponseStatus(HttpStatus.OK)
    SetView lockOff(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(
                id, just.eventId(), new AssessmentEvent.LockedOff(), who.getName(), SettingController::mustNotBeOpen));
    }

    @PostMapping("/checks")
    SetView check(@PathVariable String id, @RequestBody CheckTaken check, Principal who) {
        Key key = keys.key(assessments.get(id));
        key.expectation(new SlotId(check.slot()));
        return view(assessments.append(
                id,
                check.eventId(),
                new AssessmentEvent.CheckTaken(check.slot(), check.text()),
                who.getName(),
                SettingController::mustNotBeOpen));
    }

    @PostMapping("/open")
    SetView open(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(
                id, just.eventId(), new AssessmentEvent.SheetOpened(), who.getName(), assessment -> {
                    SetView now = view(assessment);
                    if (!now.mayOpen()) {
                        throw Refusal.conflict("not-ready", now.whyNotOpen());
                    }
                }));
    }

    private static void mustNotBeOpen(Assessment assessment) {
        if (assessment.openedAt() != null) {
            throw Refusal.conflict(
                    "sheet-open", "the candidate's sheet is open: faults stay as they are until it is handed in");
        }
    }

    private SetView view(Assessment assessment) {
        return SetView.of(assessment, keys.key(assessment));
    }
}
