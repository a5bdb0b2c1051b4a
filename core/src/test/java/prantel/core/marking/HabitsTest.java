package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** A habit is one thing to learn: it costs once, wherever it shows. Common practice, no source. */
class HabitsTest {
    private static final Rig RIG = severalCircuits();
    private static final Key KEY = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static Rig severalCircuits() {
        java.util.SplittableRandom random = new java.util.SplittableRandom(5);
        Rig rig = RandomRigs.rig(random);
        while (rig.circuits().size() < 3) {
            rig = RandomRigs.rig(random);
        }
        return rig;
    }

    private static Map<SlotId, String> honest() {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : KEY.expectations()) {
            texts.put(e.slot().id(), e.withFaults().shown());
        }
        return texts;
    }

    private static List<Mark> marks(Map<SlotId, String> texts) {
        return Marker.mark(KEY, new CandidateRecord(texts, Map.of(), List.of())).marks();
    }

    private static double lost(Map<SlotId, String> texts) {
        List<Mark> best = marks(honest());
        List<Mark> now = marks(texts);
        return best.stream().mapToDouble(Mark::points).sum()
                - now.stream().mapToDouble(Mark::points).sum();
    }

    /** Ω written as kΩ in every Zs box of the rig: one mark's worth, and told where it is not charged. */
    @Test
    void theSameUnitSlipEverywhereCostsOneMark() {
        Map<SlotId, String> one = honest();
        Map<SlotId, String> everywhere = honest();
        String first = "";
        int circuits = 0;
        for (Expectation e : KEY.expectations()) {
            if (e.slot().step() == TestKind.R1_R2 && e.withFaults() instanceof Reading.Value) {
                String circuit = e.slot().circuit().map(Object::toString).orElse("");
                String slipped = e.withFaults().shown().replaceAll("[^0-9.].*$", "") + " kΩ";
                everywhere.put(e.slot().id(), slipped);
                if (first.isEmpty() || first.equals(circuit)) {
                    circuits += first.isEmpty() ? 1 : 0;
                    first = circuit;
                    one.put(e.slot().id(), slipped);
                }
            }
        }
        assertThat(circuits).isPositive();
        assertThat(lost(one)).isPositive();
        List<Mark> measured = marks(everywhere).stream()
                .filter(m -> m.id().endsWith("/r1r2/measured"))
                .toList();
        assertThat(measured).filteredOn(m -> m.award() != Award.FULL).hasSize(1);
        assertThat(measured)
                .filteredOn(m -> m.evidence() instanceof Evidence.ChargedOnce)
                .isNotEmpty()
                .allSatisfy(m -> assertThat(m.words()).contains("costs there"));
    }

    /** Beside the habit something else is off: that is charged as ever. */
    @Test
    void whatElseIsOffCostsAsEver() {
        Map<SlotId, String> texts = honest();
        SlotId other = null;
        String firstCircuit = "";
        for (Expectation e : KEY.expectations()) {
            if (e.slot().step() == TestKind.R1_R2
                    && e.withFaults() instanceof Reading.Value
                    && e.slot() instanceof prantel.core.sequence.Slot.Measured) {
                String circuit = e.slot().circuit().map(Object::toString).orElse("");
                firstCircuit = firstCircuit.isEmpty() ? circuit : firstCircuit;
                texts.put(e.slot().id(), e.withFaults().shown().replaceAll("[^0-9.].*$", "") + " kΩ");
                if (!circuit.equals(firstCircuit)) {
                    other = e.slot().id();
                }
            }
        }
        texts.put(java.util.Objects.requireNonNull(other), "7.77 Ω");
        List<Mark> measured = marks(texts).stream()
                .filter(m -> m.id().endsWith("/r1r2/measured") && m.award() != Award.FULL)
                .toList();
        assertThat(measured).hasSizeGreaterThan(1);
    }
}
