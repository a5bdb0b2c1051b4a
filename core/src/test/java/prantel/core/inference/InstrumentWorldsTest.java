package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Probing;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Judged;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Tester;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.rig.Conductor;
import prantel.core.rig.Variation;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** A knob on one range, a display that stands still: what is shown, and what is said of it. What meters show: common practice, no source. */
class InstrumentWorldsTest {
    private static final Tester TESTER = Testers.usual();

    private static Key key(Fault... faults) {
        return Key.of(Rigs.fiveSockets(), FaultSet.of(faults), TESTER, Schemes.fullSequence());
    }

    /** What this tester shows with its knob there for one test, and as it should for all others. */
    private static Map<SlotId, String> shown(Key key, TestKind test, Range range) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            if (e.slot().step() != TestKind.R2) {
                boolean there = e.slot() instanceof Slot.Measured && e.slot().step() == test;
                texts.put(
                        e.slot().id(),
                        Probing.of(e, TESTER, true, 1, 0, there ? Optional.of(range) : Optional.empty())
                                .shown());
            }
        }
        return texts;
    }

    private static List<Cause> causes(Key key, Map<SlotId, String> texts) {
        return Explainer.explain(key, WrittenSheet.read(texts, key)).values().stream()
                .flatMap(e -> e.stream().limit(1))
                .map(Explanation::cause)
                .distinct()
                .toList();
    }

    @Test
    void aRangeTooLowShowsOverRangeWhereThereIsAValue() {
        Range lowest = TESTER.insulationTester().ranges().getFirst();
        Key key = key(Faults.lowInsulation(3, Conductor.LINE, Conductor.CPC, 15));
        Map<SlotId, String> texts = shown(key, TestKind.INSULATION, lowest);
        assertThat(texts).containsValue(">9.99\u2009MΩ");
        assertThat(causes(key, texts)).containsExactly(Cause.WRONG_RANGE);
    }

    @Test
    void aRangeTooHighLeavesDigitsOutAndIsNotCalledMadeUp() {
        Key key = key(Faults.joint(2, Conductor.CPC, 0.5));
        Range coarse = TESTER.ohmmeter().ranges().get(2);
        Map<SlotId, String> texts = shown(key, TestKind.R1_R2, coarse);
        assertThat(texts.values()).anySatisfy(t -> assertThat(t).matches("[01]\u2009Ω"));
        assertThat(causes(key, texts)).contains(Cause.WRONG_RANGE).doesNotContain(Cause.ROUND_NUMBERS);
    }

    /** A flat battery: five points of a radial that all read as the first. Everybody looks at the tester first. */
    @Test
    void aDisplayThatStandsStillIsTheTesters() {
        Key key = key();
        Map<SlotId, String> texts = new LinkedHashMap<>();
        String first = "";
        for (Expectation e : key.expectations()) {
            if (e.slot().step() == TestKind.R1_R2 && e.slot() instanceof Slot.Measured) {
                first = first.isEmpty() ? e.withFaults().shown() : first;
                texts.put(e.slot().id(), first);
            } else if (e.slot().step() != TestKind.R2) {
                texts.put(e.slot().id(), e.withFaults().shown());
            }
        }
        assertThat(causes(key, texts)).contains(Cause.TESTER_STUCK).doesNotContain(Cause.ANOTHER_POINT);
        assertThat(Cause.TESTER_STUCK.isOfTheRig()).isTrue();
    }

    /** Points so near each other that one reading alone is odd: that all are the same to the digit is what tells. */
    @Test
    void aDisplayThatStandsStillBetweenPointsThatLieNear() {
        Key key = Key.of(Rigs.rig(Rigs.usual(), 20, 22, 23, 24, 30), FaultSet.NONE, TESTER, Schemes.fullSequence());
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            if (e.slot().step() == TestKind.R1_R2 && e.slot() instanceof Slot.Measured) {
                texts.put(
                        e.slot().id(),
                        texts.isEmpty()
                                ? e.withFaults().shown()
                                : texts.values().iterator().next());
            }
        }
        assertThat(causes(key, texts)).containsExactly(Cause.TESTER_STUCK);
    }

    @Test
    void aMeterOnOneRangeShowsNothingAboveIt() {
        Meter ohms = TESTER.ohmmeter();
        Range first = ohms.ranges().getFirst();
        assertThat(ohms.on(first).show(9.5).shown()).isEqualTo(ohms.show(9.5).shown());
        assertThat(ohms.on(first).show(12).shown()).isEqualTo(">9.99\u2009Ω");
        assertThat(ohms.holding(12)).contains(ohms.ranges().get(1));
        assertThat(ohms.holding(1e9)).isEmpty();
        assertThat(first.label()).isEqualTo("9.99 Ω");
    }

    /** What leaks in the leads lies beside all that they are put on: conductances add up (Kirchhoff's current law). */
    @ParameterizedTest
    @ValueSource(doubles = {2e6, 6e6, 12e6, 17e6})
    void leadsThatLeakAreNobodys(double leak) {
        for (long seed : new long[] {3, 7, 11}) {
            Key key = Key.of(RandomRigs.rig(new SplittableRandom(seed)), FaultSet.NONE, TESTER, Schemes.fullSequence());
            Map<SlotId, String> texts = insulation(key, ohms -> 1 / (1 / ohms + 1 / leak));
            assertThat(causes(key, texts)).as(leak + " of " + seed).containsExactly(Cause.LEADS_LEAK);
            MarkedSheet sheet = Marker.mark(key, new CandidateRecord(texts, Judged.rightly(key), List.of()));
            assertThat(sheet.outcome().points()).isEqualTo(sheet.outcome().outOf());
        }
    }

    /** A circuit that is low while the others are not is no tester that leaks. */
    @Test
    void oneLowCircuitIsNotTheLeads() {
        Key key = Key.of(RandomRigs.rig(new SplittableRandom(3)), FaultSet.NONE, TESTER, Schemes.fullSequence());
        Map<SlotId, String> texts = insulation(key, ohms -> ohms);
        texts.replaceAll((id, text) -> id.value().startsWith("circuit-0/ir") ? "3.0 MΩ" : text);
        assertThat(causes(key, texts)).isNotEmpty().doesNotContain(Cause.LEADS_LEAK);
    }

    private static Map<SlotId, String> insulation(Key key, DoubleUnaryOperator shown) {
        Bench bench = new Bench(key.rig(), key.faults(), Variation.NONE);
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            if (e.slot() instanceof Slot.Measured m && m.function().isInsulation()) {
                texts.put(
                        m.id(),
                        TESTER.meter(m.function())
                                .orElseThrow()
                                .show(shown.applyAsDouble(bench.value(m)))
                                .shown());
            } else if (e.slot().step() != TestKind.R2) {
                texts.put(e.slot().id(), e.withFaults().shown());
            }
        }
        return texts;
    }
}
