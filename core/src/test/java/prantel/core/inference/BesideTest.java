package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What lies beside a record: others of the same rig, what the tester filled in, what proved the set. Common practice, no source. */
class BesideTest {
    private static final Key KEY = Key.of(
            Rigs.fiveSockets(),
            FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8)),
            Testers.usual(),
            Schemes.fullSequence());

    /** Read by a hand that is a digit or two off here and there. */
    private static Map<SlotId, String> honest(Key rig, long seed) {
        Random random = new Random(seed);
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : rig.expectations()) {
            if (e.slot() instanceof Slot.Measured m && m.step() != TestKind.R2) {
                boolean moves = m.function().isContinuity() || m.function().isLoop();
                texts.put(
                        m.id(),
                        moves && e.withFaults() instanceof Reading.Value v && Double.isFinite(v.base())
                                ? String.format(
                                        Locale.ROOT, "%.2f", Math.max(0, v.base() + 0.012 * random.nextGaussian()))
                                : e.withFaults().shown());
            }
        }
        return texts;
    }

    private static Set<Cause> causes(Map<SlotId, String> texts, Beside beside) {
        Set<Cause> all = new HashSet<>();
        Explainer.explain(KEY, WrittenSheet.read(texts, KEY), beside).values().stream()
                .flatMap(l -> l.stream().limit(1))
                .forEach(e -> all.add(e.cause()));
        return all;
    }

    private static Beside besides(Map<SlotId, String> other) {
        return new Beside(Map.of(), Set.of(), List.of(new Beside.Other("the record before", other)), List.of());
    }

    @Test
    void aRecordThatIsAnotherOnesToTheDigitIsAskedAbout() {
        Map<SlotId, String> first = honest(KEY, 1);
        assertThat(causes(first, Beside.NOTHING)).isEmpty();
        assertThat(causes(first, besides(first))).containsExactly(Cause.COPIED_RECORD);
        assertThat(Cause.COPIED_RECORD.onlyAsks()).isTrue();
    }

    @Test
    void twoHonestPeopleAtOneRigAreNot() {
        for (int seed = 2; seed < 22; seed++) {
            assertThat(causes(honest(KEY, 1000 + seed), besides(honest(KEY, seed))))
                    .as("seed %d", seed)
                    .isEmpty();
        }
    }

    @Test
    void whatTheTesterFilledInNobodyCopied() {
        Map<SlotId, String> first = honest(KEY, 1);
        assertThat(causes(
                        first,
                        new Beside(
                                Map.of(),
                                first.keySet(),
                                List.of(new Beside.Other("the record before", first)),
                                List.of())))
                .isEmpty();
    }

    @Test
    void valuesMadeUpAreAskedAboutAndNotCalledAMistakeOfTheHands() {
        Map<SlotId, String> texts = honest(KEY, 1);
        String[] madeUp = {"0.20", "0.30", "0.55", "1.50", "2.00"};
        int i = 0;
        for (Expectation e : KEY.expectations()) {
            if (e.slot() instanceof Slot.Measured m && m.step() == TestKind.R1_R2) {
                texts.put(m.id(), madeUp[i++ % madeUp.length]);
            }
        }
        assertThat(i).isGreaterThanOrEqualTo(4);
        assertThat(causes(texts, Beside.NOTHING)).containsExactly(Cause.ROUND_NUMBERS);
    }

    /** Two that agree among fives of the last digit are a weaker sign of another point's value; one display for all is none of fives. */
    @ParameterizedTest
    @CsvSource({"0.15 0.25 0.25 0.60 0.75, 5", "0.15 0.25 0.26 0.60 0.75, 1", "0.25 0.25 0.25 0.25 0.25, 1"})
    void whatIsWrittenInFivesAgreesMoreOften(String values, int step) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (String value : values.split(" ")) {
            texts.put(new SlotId("sockets/r1r2/socket-" + (texts.size() + 1)), value);
        }
        WrittenSheet sheet = WrittenSheet.read(texts, KEY);
        Boxes boxes = new Boxes(KEY, KEY.asDone(sheet::at), sheet, Beside.NOTHING);
        assertThat(boxes.stepInDigits(
                        KEY.expectation(new SlotId("sockets/r1r2/socket-2")).slot()))
                .isEqualTo(step);
    }

    /** No reading of the candidate's tells a copied healthy value from a fault that is not there; the readings before do. */
    @Test
    void theReadingsThatProvedTheSetDecideWhatTheSheetAloneCannot() {
        Key healthy = KEY.with(FaultSet.NONE);
        Map<SlotId, String> texts = honest(healthy, 5);
        Map<SlotId, String> checks = new LinkedHashMap<>();
        for (String box : List.of("sockets/r2/socket-3", "sockets/r2/socket-5")) {
            SlotId id = new SlotId(box);
            checks.put(id, KEY.expectation(id).withFaults().shown());
        }
        SlotId slot = new SlotId("sockets/r1r2/socket-5");
        double alone = share(texts, Beside.NOTHING, slot, Cause.FAULT_NOT_SET);
        double proved = share(texts, new Beside(checks, Set.of(), List.of(), List.of()), slot, Cause.FAULT_NOT_SET);
        assertThat(alone).isGreaterThan(0.2);
        assertThat(proved).isLessThan(0.1 * alone);
        Optional<Explanation> first = Explainer.explain(
                        KEY, WrittenSheet.read(texts, KEY), new Beside(checks, Set.of(), List.of(), List.of()))
                .get(slot)
                .stream()
                .findFirst();
        assertThat(first).get().extracting(Explanation::cause).isEqualTo(Cause.HEALTHY_VALUE);
    }

    private static double share(Map<SlotId, String> texts, Beside beside, SlotId slot, Cause cause) {
        return Explainer.explain(KEY, WrittenSheet.read(texts, KEY), beside).get(slot).stream()
                .filter(e -> e.cause() == cause)
                .mapToDouble(Explanation::likelihood)
                .sum();
    }
}
