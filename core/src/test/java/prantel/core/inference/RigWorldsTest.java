package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What is on the rig and was not meant to be. What is read is the engine's own; which cause it is, common practice, no source. */
class RigWorldsTest {
    private static final Key KEY = key(Rigs.fiveSockets());
    private static final SlotId LAST = new SlotId("sockets/r1r2/socket-5");

    private static Key key(Rig rig) {
        return Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
    }

    /** What a steady hand reads with these faults on the rig; by R1+R2 alone. */
    private static Map<SlotId, String> read(Key key, Fault... faults) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : key.with(new FaultSet(List.of(faults))).expectations()) {
            if (!(e.slot() instanceof Slot.Measured m) || m.step() != TestKind.R2) {
                texts.put(e.slot().id(), e.withFaults().shown());
            }
        }
        return texts;
    }

    private static Map<SlotId, List<Explanation>> told(Key key, Map<SlotId, String> texts, Beside beside) {
        return Explainer.explain(key, WrittenSheet.read(texts, key), beside);
    }

    private static double leftOver(Map<SlotId, String> texts, List<Map<SlotId, String>> atThisRig) {
        Beside beside = new Beside(Map.of(), Set.of(), List.of(), atThisRig);
        return told(KEY, texts, beside).getOrDefault(LAST, List.of()).stream()
                .filter(e -> e.cause() == Cause.FAULT_LEFT_OVER)
                .mapToDouble(Explanation::likelihood)
                .findFirst()
                .orElse(0);
    }

    @Test
    void whatOthersReadAtTheSameRigSpeaksForTheRig() {
        Map<SlotId, String> right = read(KEY);
        right.keySet().removeIf(id -> !id.value().contains("/r1r2/"));
        Map<SlotId, String> off = new LinkedHashMap<>(right);
        off.put(LAST, "0.95 Ω");
        Map<SlotId, String> alike = new LinkedHashMap<>(right);
        alike.put(LAST, "0.96 Ω");
        double alone = leftOver(off, List.of());
        assertThat(alone).as("one box of one person").isLessThan(0.5);
        assertThat(leftOver(off, List.of(alike))).as("somebody else as well").isGreaterThan(0.6);
        assertThat(leftOver(off, List.of(right))).as("others read it rightly").isLessThanOrEqualTo(alone);
    }

    @Test
    void whatOthersReadSaysNothingOfAPersonsMistakes() {
        Witnesses witnesses = new Witnesses(new Boxes(
                KEY,
                KEY.expectations(),
                WrittenSheet.read(read(KEY), KEY),
                new Beside(Map.of(), Set.of(), List.of(), List.of(Map.of(LAST, "0.95 Ω")))));
        Map<SlotId, Predicted> says = Map.of(LAST, new Predicted.Near(0.95));
        assertThat(witnesses.of(new World(Cause.ANOTHER_POINT, "", says, 1))).isZero();
        assertThat(witnesses.of(new World(Cause.FAULT_LEFT_OVER, "", says, 1))).isGreaterThan(2);
    }

    /** Its own leak lies beside what leaks by itself, not behind it: on a board that leaks at 700 MΩ the sum would be nothing. */
    @Test
    void aLeakThatWasLeftIsSeenInEveryBoxThatItLowers() {
        Fault leak = Faults.lowInsulation(3, Conductor.LINE, Conductor.NEUTRAL, 0.2);
        Map<SlotId, String> texts = read(KEY, leak);
        Map<SlotId, List<Explanation>> told = told(KEY, texts, Beside.NOTHING);
        List<SlotId> lowered = KEY.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured m && m.function().isInsulation())
                .filter(e -> !e.withFaults().shown().equals(texts.get(e.slot().id())))
                .filter(e ->
                        WrittenSheet.read(texts, KEY).at(e.slot().id()) instanceof Written.Number n && n.base() < 1e6)
                .map(e -> e.slot().id())
                .toList();
        assertThat(lowered).hasSizeGreaterThanOrEqualTo(3);
        for (SlotId box : lowered) {
            assertThat(told.get(box).stream().findFirst())
                    .as(box.value())
                    .get()
                    .extracting(Explanation::cause)
                    .isEqualTo(Cause.FAULT_LEFT_OVER);
        }
    }

    @Test
    void asBuiltAddsInSeriesAndLeaksInParallel() {
        Boxes boxes = new Boxes(KEY, KEY.expectations(), WrittenSheet.read(Map.of(), KEY), Beside.NOTHING);
        Slot.Measured leaks = (Slot.Measured) KEY.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured m
                        && m.function().isInsulation()
                        && e.withFaults() instanceof Reading.Value)
                .findFirst()
                .orElseThrow()
                .slot();
        double built = boxes.right(leaks.id()).orElseThrow();
        double described = boxes.bench().value(leaks);
        assertThat(1 / boxes.moved(leaks, 2e5)).isCloseTo(1 / 2e5 + 1 / built - 1 / described, within(1e-9));
        assertThat(boxes.unmoved(leaks, boxes.moved(leaks, 2e5))).isCloseTo(2e5, within(1e-3));
        Slot.Measured joint = (Slot.Measured) KEY.expectation(LAST).slot();
        assertThat(boxes.moved(joint, 1.5))
                .isCloseTo(1.5 + boxes.right(LAST).orElseThrow() - boxes.bench().value(joint), within(1e-12));
    }

    /** A circuit with more places than used to be looked at. */
    @Test
    void theLastPointOfALongCircuitIsLookedAtAsTheFirstIs() {
        Key key = key(Rigs.rig(
                Rigs.fiveSockets().workmanship(),
                IntStream.rangeClosed(1, 14).mapToDouble(i -> 3 * i).toArray()));
        Map<SlotId, String> texts = read(key, Faults.cpcOpenAfter(13));
        Map<SlotId, List<Explanation>> told = told(key, texts, Beside.NOTHING);
        assertThat(told.get(new SlotId("sockets/zs/socket-14")))
                .extracting(Explanation::cause)
                .contains(Cause.FAULT_LEFT_OVER);
    }

    @Test
    void figuresComeFromSomewhere() {
        SlotId one = new SlotId("sockets/r1r2/socket-1");
        World there = new World(Cause.ANOTHER_POINT, "", Map.of(one, Predicted.OVER), 1, Set.of(LAST));
        World back = new World(Cause.ANOTHER_POINT, "", Map.of(LAST, Predicted.OVER), 1, Set.of(one));
        assertThat(there.goesRoundWith(back)).isTrue();
        assertThat(there.goesRoundWith(there)).isFalse();
        assertThat(there.goesRoundWith(new World(Cause.LINK_MISSING, "", Map.of(LAST, Predicted.OVER), 1)))
                .isFalse();

        // two boxes alike and both off: one may be the other's, but not each the other's
        Map<SlotId, String> texts = read(KEY);
        texts.put(LAST, "2.31 Ω");
        texts.put(one, "2.31 Ω");
        Map<SlotId, List<Explanation>> told = told(KEY, texts, Beside.NOTHING);
        long taken = List.of(LAST, one).stream()
                .filter(id -> told.getOrDefault(id, List.of()).stream()
                        .findFirst()
                        .filter(e -> e.cause() == Cause.ANOTHER_POINT)
                        .isPresent())
                .count();
        assertThat(taken).isLessThanOrEqualTo(1);
    }

    /** The highest of several loops where one cannot be read is that it cannot: it is as right as that one. */
    @Test
    void wordsThatWereChosenFollowFromTheBoxTheyComeFrom() {
        Map<SlotId, String> texts = read(KEY, Faults.reversed(5));
        SlotId chosen = new SlotId("sockets/zs");
        assertThat(texts.get(chosen)).isEqualTo("no supply");
        assertThat(told(KEY, texts, Beside.NOTHING)).doesNotContainKey(chosen);
        texts.put(new SlotId("sockets/zs/socket-5"), "0.52 Ω");
        assertThat(told(KEY, texts, Beside.NOTHING)).as("where none says so").containsKey(chosen);
    }
}
