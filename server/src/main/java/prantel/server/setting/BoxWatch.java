package prantel.server.setting;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.fault.BoxTruth;
import prantel.core.fault.BoxTruth.Trouble;
import prantel.server.assessment.Assessments;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/**
 * Writes into the record of an assessment what its fault box does by itself: it let relays go, or one is in that nobody pulled
 * in. What the candidate measures meanwhile is another rig, and costs nobody anything.
 */
@Component
class BoxWatch {
    private static final Logger LOG = LoggerFactory.getLogger(BoxWatch.class);

    private final FaultBoxes boxes;
    private final BayEquipment equipment;
    private final Assessments assessments;
    private final Workshop workshop;
    /** What was the matter in a bay at the last look: a command that is under way is no trouble, and is over by the next. */
    private final Map<String, Look> before = new HashMap<>();

    BoxWatch(FaultBoxes boxes, BayEquipment equipment, Assessments assessments, Workshop workshop) {
        this.boxes = boxes;
        this.equipment = equipment;
        this.assessments = assessments;
        this.workshop = workshop;
    }

    private record Look(String assessmentId, List<Integer> commanded, List<BoxTruth.Matter> matters) {}

    @Scheduled(fixedDelay = 1000)
    void look() {
        workshop.bays().stream()
                .filter(b -> b.faultBox() != null)
                .map(Bay::bayId)
                .forEach(this::look);
    }

    private void look(String bay) {
        @Nullable Look now = null;
        try {
            now = assessments
                    .inBay(bay)
                    .filter(a -> a.boxUnpluggedAt() == null)
                    .map(this::lookAt)
                    .orElse(null);
        } catch (RuntimeException e) {
            // a record that cannot be read keeps nobody from watching the other boxes
            LOG.debug("The record in {} cannot be read", bay, e);
        }
        @Nullable Look last = now == null ? before.remove(bay) : before.put(bay, now);
        if (now != null && Objects.equals(now, last)) {
            keep(assessments.get(now.assessmentId()), bay);
        }
    }

    private Look lookAt(Assessment assessment) {
        return new Look(
                assessment.id(),
                assessment.relays(),
                equipment.truth(assessment).matters());
    }

    private void keep(Assessment assessment, String bay) {
        BoxTruth truth = equipment.truth(assessment);
        try {
            List<Integer> missing = truth.relays(Trouble.NOT_IN);
            if (!missing.isEmpty() && assessment.relaysOutSince() == null) {
                String says = boxes.of(bay)
                        .map(s -> s.says())
                        .filter(s -> !s.isEmpty())
                        .orElseGet(truth::words);
                append(assessment, new AssessmentEvent.BoxFellOut(missing, says));
            }
            List<Integer> astray = truth.relays(Trouble.NOT_COMMANDED);
            boolean heard = truth.heard() instanceof BoxTruth.Heard.Answering;
            if (heard && !astray.equals(assessment.relaysAstray())) {
                append(assessment, new AssessmentEvent.BoxAstray(astray));
            }
        } catch (RuntimeException e) {
            LOG.warn("What the fault box of {} does could not be recorded: {}", bay, e.getMessage());
        }
    }

    private void append(Assessment assessment, AssessmentEvent event) {
        assessments.append(
                assessment.id(),
                UUID.randomUUID().toString(),
                event,
                assessment.conduct().assessor());
    }
}
