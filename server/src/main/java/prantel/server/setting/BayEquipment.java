package prantel.server.setting;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
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

    /** Moves relays: those named in, all others out. */
    void command(String bayId, List<Integer> relays) {
        boxes.command(bayId, relays);
    }

    boolean hasTester(Assessment assessment) {
        return testers.isThere(assessment.fixed().bayId());
    }

    /** "Bay 2". */
    String nameOf(String bayId) {
        return "Bay " + workshop.bay(bayId).number();
    }
}
