package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.SimulatedRig;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.practice.Answer;
import prantel.core.practice.Drill;
import prantel.core.practice.Guide;
import prantel.core.practice.Moment;
import prantel.core.practice.PracticeRig;
import prantel.core.procedure.Deed;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;

/** A drill is a file: read, written, refused with all that is wrong, and walked through on the rigs that ship. */
class DrillFileTest {
    @Test
    void aDrillIsReadWrittenAndReadToTheSame() {
        for (Drill drill : ShippedDrills.all()) {
            assertThat(DrillFile.read(DrillFile.write(drill))).isEqualTo(drill);
        }
        assertThat(ShippedDrills.all()).extracting(Drill::id).doesNotHaveDuplicates();
    }

    @Test
    void everyMistakeInAFileIsToldWithItsPlace() {
        String file = """
            {"format": "prantel-drill-1", "id": "Bad Id", "title": "", "idea": "x", "tests": ["ring", "juggling"], "most": 0,
             "faults": ["ring-leg-open"]}""";
        assertThat(problems(file)).contains("/id", "/title", "/tests/1", "/most");
        String unknownFault = """
            {"format": "prantel-drill-1", "id": "a", "title": "t", "idea": "x", "tests": ["ring"], "most": 3,
             "faults": ["ring-leg-open", "gremlin"]}""";
        assertThat(problems(unknownFault)).containsExactly("/faults/1/kind");
    }

    private static List<String> problems(String file) {
        List<String> where = new ArrayList<>();
        assertThatThrownBy(() -> DrillFile.read(file.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> e.problems().stream().map(Problem::where).forEach(where::add));
        return where;
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "creamery", "ferry-kiosk"})
    void everyDrillOfARigIsWalkedThroughWithoutASlip(String name) throws Exception {
        Rig rig = DemoRigsTest.rig(name);
        PracticeRig practice = new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, FaultSet.NONE));
        Guide guide = new Guide(practice);
        int drills = 0;
        for (Drill drill : ShippedDrills.all()) {
            Moment now = practice.asFound();
            List<Slot.Measured> boxes = drill.boxes(rig, ShippedSchemes.everyTest());
            for (Slot.Measured box : boxes) {
                for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
                    Answer answer = practice.after(now, next.get());
                    assertThat(answer.slips()).as(drill.id() + next).isEmpty();
                    now = answer.moment();
                }
            }
            drills += boxes.isEmpty() ? 0 : 1;
        }
        assertThat(drills)
                .isGreaterThanOrEqualTo(
                        name.equals("toll-cottage") ? ShippedDrills.all().size() : 5);
    }
}
