package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** What the rig very likely accounts for is nobody's mistake before the rig was looked at. Common practice, no source. */
class ByTheRigTest {
    private static final Key MEANT = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
    private static final Key THERE = MEANT.with(FaultSet.of(
            Faults.lowInsulation(3, Conductor.LINE, Conductor.CPC, 0.5), Faults.joint(3, Conductor.LINE, 0.9)));

    private static Map<SlotId, String> read(Key rig) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : rig.expectations()) {
            if (e.slot().step() != TestKind.R2) {
                texts.put(e.slot().id(), e.withFaults().shown());
            }
        }
        return texts;
    }

    private static Mark measured(Map<SlotId, String> texts, String test) {
        List<Mark> marks = Marker.mark(MEANT, new CandidateRecord(texts, Map.of(), List.of()))
                .marks();
        return marks.stream()
                .filter(m -> m.id().endsWith(test + "/measured"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whoReadsWhatWasLeftOverLosesNothing() {
        Mark insulation = measured(read(THERE), "insulation");
        assertThat(insulation.award()).isIn(Award.FULL, Award.NOT_SEEN);
        assertThat(insulation.isLookedAtFirst()).isTrue();
        Mark continuity = measured(read(THERE), "sockets/r1r2");
        assertThat(continuity.award()).isEqualTo(Award.FULL);
        assertThat(continuity.words()).contains("3 of 5 are off").contains("Costs nothing; look at it");
    }

    /** A number that the rig does not account for costs as it did, also beside some that it does. */
    @Test
    void whatTheRigDoesNotAccountForCosts() {
        Map<SlotId, String> texts = read(THERE);
        texts.put(new SlotId("sockets/r1r2/socket-1"), "7.77 Ω");
        texts.put(new SlotId("sockets/r1r2/socket-2"), "0.94 kΩ");
        Mark continuity = measured(texts, "sockets/r1r2");
        assertThat(continuity.award()).isIn(Award.NONE, Award.HALF);
        assertThat(continuity.isLookedAtFirst()).isFalse();
        assertThat(continuity.words()).contains("socket 1").contains("socket 2").doesNotContain("socket 5");
    }
}
