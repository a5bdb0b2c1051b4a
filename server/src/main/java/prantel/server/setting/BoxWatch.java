package prantel.server.setting;

import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.server.assessment.Assessments;
import prantel.server.faultbox.FaultBoxes;

/**
 * Writes into the record of an assessment that its fault box let the relays go: what the candidate measured after that is
 * the healthy rig, and costs nobody anything.
 */
@Component
class BoxWatch {
    private static final Logger LOG = LoggerFactory.getLogger(BoxWatch.class);

    private final FaultBoxes boxes;
    private final Assessments assessments;

    BoxWatch(FaultBoxes boxes, Assessments assessments) {
        this.boxes = boxes;
        this.assessments = assessments;
    }

    @Scheduled(fixedDelay = 1000)
    void look() {
        boxes.fellOut()
                .forEach((bay, says) -> assessments.inBay(bay).ifPresent(a -> {
                    try {
                        record(a, says);
                    } catch (RuntimeException e) {
                        LOG.warn("That the box of {} let go could not be recorded: {}", bay, e.getMessage());
                    }
                }));
    }

    private void record(Assessment assessment, String says) {
        List<Integer> relays = assessment.relays();
        if (!relays.isEmpty() && assessment.relaysOutSince() == null) {
            assessments.append(
                    assessment.id(),
                    UUID.randomUUID().toString(),
                    new AssessmentEvent.BoxFellOut(relays, says),
                    assessment.conduct().assessor(),
                    state -> {});
        }
    }
}
