package prantel.server.setting;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.SlotId;
import prantel.server.PrantelSettings;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.web.Refusal;

/** What is really set on a rig: relays that are in, and what was set by hand. The simulated tester measures that. */
@Component
class OnTheRig {
    private final Assessments assessments;
    private final Keys keys;
    private final FaultBoxes boxes;
    private final PrantelSettings settings;

    OnTheRig(Assessments assessments, Keys keys, FaultBoxes boxes, PrantelSettings settings) {
        this.assessments = assessments;
        this.keys = keys;
        this.boxes = boxes;
        this.settings = settings;
    }

    /** @throws Refusal where the rigs are real */
    String reading(Assessment assessment, SlotId slot) {
        if (!settings.demo()) {
            throw Refusal.conflict("no-simulated-rig", "these rigs are real: measure with a real tester");
        }
        Key key = keys.keyWith(assessment, faults(assessment));
        return key.expectation(slot).withFaults().shown();
    }

    FaultSet faults(Assessment assessment) {
        FaultBox box = FaultBox.of(keys.rig(assessment));
        List<Fault> there = new ArrayList<>();
        boxes.truth(assessment.fixed().bayId(), assessment.relays(), assessment.boxUnpluggedAt() != null)
                .in()
                .forEach(r -> box.faultOf(r).ifPresent(there::add));
        List<Fault> set = keys.faults(assessment).faults();
        for (int i = 0; i < set.size(); i++) {
            boolean in = assessment.done(i, Handling.SET) != null && assessment.done(i, Handling.OUT) == null;
            if (in && there.stream().noneMatch(set.get(i)::isSameBut)) {
                there.add(set.get(i));
            }
        }
        return new FaultSet(there);
    }

    /**
     * When the rig was proved healthy after the last sitting on it, for a set without a fault: nothing was set since. Null where
     * something is to be set, where the last sitting was not cleared, and where it was cleared without a reading.
     */
    @Nullable
    OffsetDateTime healthySince(Assessment assessment) {
        return keys.faults(assessment).isEmpty()
                ? assessments
                        .before(assessment)
                        .filter(b -> !b.clearChecks().isEmpty())
                        .map(Assessment::clearedAt)
                        .orElse(null)
                : null;
    }

    /** What was set on this bay's rig the last time before. */
    FaultSet before(Assessment assessment) {
        return assessments.before(assessment).map(keys::faults).orElse(FaultSet.NONE);
    }
}
