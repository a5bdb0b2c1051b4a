package prantel.server.setting;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.Band;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.FaultEffect;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Notation;
import prantel.core.rig.Rig;
import prantel.server.assessment.Assessment;
import prantel.server.assessment.AssessmentEvent;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.picture.Windows;
import prantel.server.web.Refusal;

/** Taking the faults out and proving the rig healthy with the readings that proved them set. */
@RestController
@RequestMapping("/api/assessments/{id}/clear")
class ClearController {
    private final Assessments assessments;
    private final Keys keys;

    ClearController(Assessments assessments, Keys keys) {
        this.assessments = assessments;
        this.keys = keys;
    }

    record ClearView(
            String assessmentId,
            @Nullable OffsetDateTime clearedAt,
            List<ToRemove> faults,
            List<HealthyCheck> checks,
            boolean mayClear,
            String whyNot) {}

    record ToRemove(String title, String place, String remedy) {}

    record HealthyCheck(String slot, String what, String unit, String window, String text, boolean fits) {}

    record CheckTaken(String eventId, String slot, String text) {}

    record JustThis(String eventId) {}

    @GetMapping
    ClearView clear(@PathVariable String id) {
        return view(assessments.get(id));
    }

    @PostMapping("/checks")
    ClearView check(@PathVariable String id, @RequestBody CheckTaken check, Principal who) {
        return view(assessments.append(
                id,
                check.eventId(),
                new AssessmentEvent.ClearCheckTaken(check.slot(), check.text()),
                who.getName(),
                ClearController::mustBeHandedIn));
    }

    @PostMapping("/done")
    ClearView done(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(id, just.eventId(), new AssessmentEvent.Cleared(), who.getName(), assessment -> {
            mustBeHandedIn(assessment);
            ClearView now = view(assessment);
            if (!now.mayClear()) {
                throw Refusal.conflict("not-clear", now.whyNot());
            }
        }));
    }

    private static void mustBeHandedIn(Assessment assessment) {
        if (assessment.handedInAt() == null) {
            throw Refusal.conflict(
                    "not-handed-in", "the sheet is not handed in: the candidate still needs the rig as it is");
        }
    }

    private ClearView view(Assessment assessment) {
        Key key = keys.key(assessment);
        Key healthy = key.with(FaultSet.NONE);
        List<ToRemove> faults = new ArrayList<>();
        Map<String, HealthyCheck> checks = new java.util.LinkedHashMap<>();
        for (FaultEffect effect : FaultEffect.of(key)) {
            faults.add(new ToRemove(
                    effect.fault().title(),
                    effect.fault().place().label(key.rig()),
                    effect.fault().kind().remedy()));
            effect.check()
                    .map(c -> healthy.expectation(c.set().slot().id()))
                    .ifPresent(e -> checks.put(e.slot().id().value(), check(e, assessment.clearChecks(), key.rig())));
        }
        long open = checks.values().stream().filter(c -> !c.fits()).count();
        String whyNot = assessment.clearedAt() != null
                ? "The rig is proved healthy."
                : open == 0 ? "" : "Prove it healthy: " + open + " reading" + (open == 1 ? "" : "s") + " to go.";
        return new ClearView(
                assessment.id(),
                assessment.clearedAt(),
                faults,
                List.copyOf(checks.values()),
                whyNot.isEmpty(),
                whyNot);
    }

    private static HealthyCheck check(Expectation expected, Map<String, String> taken, Rig rig) {
        String slot = expected.slot().id().value();
        String text = taken.getOrDefault(slot, "");
        boolean fits =
                expected.band().sideOf(Notation.read(text, expected.slot().boxUnit())) == Band.Side.INSIDE;
        return new HealthyCheck(
                slot, expected.slot().title(rig), expected.slot().boxUnit().symbol(), Windows.of(expected), text, fits);
    }
}
