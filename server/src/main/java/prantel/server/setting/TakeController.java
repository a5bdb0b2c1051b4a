package prantel.server.setting;

import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Key;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.benchtester.BenchTesters;

/** “Take from tester”: what the bay's bench tester shows for a box. Keeping it is another deed. */
@RestController
@RequestMapping("/api/assessments/{id}/tester")
class TakeController {
    private final Assessments assessments;
    private final Keys keys;
    private final BenchTesters testers;

    TakeController(Assessments assessments, Keys keys, BenchTesters testers) {
        this.assessments = assessments;
        this.keys = keys;
        this.testers = testers;
    }

    record BoxAtHand(String slot) {}

    @PostMapping("/take")
    BenchTesters.TakenReading take(@PathVariable String id, @RequestBody BoxAtHand at) {
        Assessment assessment = assessments.get(id);
        Key key = keys.key(assessment);
        Slot slot = key.expectation(new SlotId(at.slot())).slot();
        if (slot instanceof Slot.Measured measured) {
            return testers.take(assessment.fixed().bayId(), measured.function(), at.slot(), OptionalDouble.empty());
        }
        throw new ProblemsException(
                new Problem("not-measured", "slot", "", "this box is chosen or worked out from others: write it"));
    }
}
