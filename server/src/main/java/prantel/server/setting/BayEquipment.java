package prantel.server.setting;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.fault.BoxTruth;
import prantel.server.assessment.Assessments;
import prantel.server.benchtester.BenchTesters;
import prantel.server.faultbox.BoxState;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.workshop.Workshop;

/** What stands in a bay beside its rig: fault box and bench tester. */
@Component
class BayEquipment {
    private final FaultBoxes boxes;
    private final BenchTesters testers;
    private final Workshop workshop;

    BayEquipment(FaultBoxes boxes, BenchTesters testers, Workshop workshop) {
        this.boxes = boxes;
        this.testers = testers;
        this.workshop = workshop;
    }

    /** What the fault box shows; empty for a bay without one. */
    Optional<BoxState> box(Assessment assessment) {
        return boxes.of(assessment.fixed().bayId());
    }

    /** What is the matter with the fault box, as it was last heard. */
    BoxTruth truth(Assessment assessment) {
        return boxes.truth(assessment.fixed().bayId(), assessment.relays(), assessment.boxUnpluggedAt() != null);
    }

    /** The same, heard at this moment: before anything is decided by it. */
    BoxTruth truthNow(Assessment assessment) {
        boxes.ask(assessment.fixed().bayId());
        return truth(assessment);
    }

    /** Moves relays: those named in, all others out. @param before those that were in until then */
    Assessments.Effect move(String bayId, List<Integer> before, List<Integer> relays) {
        return new Assessments.Effect() {
            @Override
            public void happen() {
                boxes.command(bayId, relays);
            }

            @Override
            public void undo() {
                boxes.command(bayId, before);
            }
        };
    }

    boolean hasTester(Assessment assessment) {
        return testers.isThere(assessment.fixed().bayId());
    }

    /** "Bay 2". */
    String nameOf(String bayId) {
        return "Bay " + workshop.bay(bayId).number();
    }
}
