package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
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

    private static List<Mark> marked(Key meant, Key rig, CandidateRecord.FaultReport... named) {
        return Marker.mark(meant, new CandidateRecord(read(rig), Map.of(), List.of(named)))
                .marks();
    }

    private static Mark found(List<Mark> marks, Fault fault) {
        String place = fault.place().label(MEANT.rig());
        return marks.stream()
                .filter(m -> m.part() == Part.FAULTS && m.title().equals(fault.title() + ", " + place))
                .findFirst()
                .orElseThrow();
    }

    private static CandidateRecord.FaultReport named(Fault fault) {
        return new CandidateRecord.FaultReport(fault.kind(), fault.place(), fault.conductors(), "put it right");
    }

    private static final Fault JOINT = Faults.joint(3, Conductor.LINE, 0.9);
    private static final Fault LEAK = Faults.lowInsulation(3, Conductor.LINE, Conductor.CPC, 0.5);
    private static final Key WITH_BOTH = MEANT.with(FaultSet.of(JOINT, LEAK));

    /** A relay that does not close: whoever reads the rig as it is has nothing to find there. */
    @Test
    void aFaultThatIsNotThereIsNobodysToFind() {
        List<Mark> marks = marked(WITH_BOTH, MEANT.with(FaultSet.of(LEAK)), named(LEAK));
        Mark joint = found(marks, JOINT);
        assertThat(joint.award()).isEqualTo(Award.NOT_SEEN);
        assertThat(joint.isLookedAtFirst()).isTrue();
        assertThat(joint.words()).contains("not on the rig as it was set").contains("nothing");
        assertThat(found(marks, LEAK).award()).isEqualTo(Award.FULL);
    }

    /** One socket further on than it was meant to be, and found there: the look comes first, and no half mark. */
    @Test
    void aFaultThatStandsElsewhereAndIsFoundThereWaitsForTheLook() {
        Fault there = Faults.joint(5, Conductor.LINE, 0.9);
        List<Mark> marks = marked(WITH_BOTH, MEANT.with(FaultSet.of(there, LEAK)), named(LEAK), named(there));
        Mark joint = found(marks, JOINT);
        assertThat(joint.award()).isEqualTo(Award.NOT_SEEN);
        assertThat(joint.words()).contains("socket 5");
    }

    @Test
    void whatWasLeftOverAndIsNamedIsNotInvented() {
        Key meant = MEANT.with(FaultSet.of(LEAK));
        List<Mark> marks = marked(meant, WITH_BOTH, named(LEAK), named(JOINT));
        assertThat(invented(marks).award()).isEqualTo(Award.FULL);
        Fault nowhere = Faults.joint(1, Conductor.NEUTRAL, 0.9);
        assertThat(invented(marked(meant, WITH_BOTH, named(LEAK), named(nowhere)))
                        .award())
                .as("what no reading shows is")
                .isEqualTo(Award.NONE);
    }

    private static Mark invented(List<Mark> marks) {
        return marks.stream()
                .filter(m -> m.evidence() instanceof Evidence.Invented || m.id().contains("invented"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aFaultThatIsThereAndNotNamedIsNotFound() {
        List<Mark> marks = marked(WITH_BOTH, WITH_BOTH, named(LEAK));
        assertThat(found(marks, JOINT).award()).isEqualTo(Award.NONE);
        assertThat(found(marks, JOINT).isLookedAtFirst()).isFalse();
    }
}
