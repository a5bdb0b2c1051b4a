package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.limits.Breaker;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Evidence;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Device;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Way;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * A circuit that is really longer than drawn. The truth is another rig, compiled with other lengths, and the readings are what
 * its network gives: nothing here knows how the explainer moves a reading.
 */
class BuiltWorldsTest {
    private static final CircuitId SECOND = new CircuitId("circuit-2");
    private static final Key DRAWN = Key.of(rig(1), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    /** @param factor on the lengths of the second circuit */
    private static Rig rig(double factor) {
        List<Circuit> circuits = new ArrayList<>();
        for (int c = 1; c <= 3; c++) {
            List<Point> points = new ArrayList<>();
            for (int i = 1; i <= 4; i++) {
                points.add(new Point(
                        Rigs.socket(i), "socket " + i, PointKind.TWIN_SOCKET, (c == 2 ? factor : 1) * (6 + c) * i));
            }
            circuits.add(Rigs.radial(new CircuitId("circuit-" + c), c, points));
        }
        return Rigs.rig(Rigs.usual(), circuits);
    }

    private static Map<SlotId, String> readAt(Rig really) {
        Key key = Key.of(really, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            if (e.slot().step() != TestKind.R2) {
                texts.put(e.slot().id(), e.withFaults().shown());
            }
        }
        return texts;
    }

    private static Set<Cause> causes(Map<SlotId, String> texts) {
        return Set.copyOf(Explainer.explain(DRAWN, WrittenSheet.read(texts, DRAWN)).values().stream()
                .flatMap(e -> e.stream().limit(1))
                .map(Explanation::cause)
                .toList());
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.25, 1.33, 1.5, 1.65, 0.7})
    void aCircuitThatIsBuiltOtherwiseIsTheRigs(double factor) {
        Map<SlotId, String> texts = readAt(rig(factor));
        Map<SlotId, List<Explanation>> told = Explainer.explain(DRAWN, WrittenSheet.read(texts, DRAWN));
        assertThat(told).isNotEmpty();
        assertThat(told.values())
                .allSatisfy(e -> assertThat(e.getFirst().cause()).isEqualTo(Cause.CIRCUIT_AS_BUILT));
        assertThat(told.keySet()).allMatch(id -> id.value().startsWith("circuit-2/"));
        assertThat(told.keySet()).anyMatch(id -> id.value().contains("/zs/"));
    }

    @Test
    void nobodyLosesAMarkForItBeforeTheRigWasLookedAt() {
        MarkedSheet sheet = Marker.mark(DRAWN, new CandidateRecord(readAt(rig(1.4)), Map.of(), List.of()));
        List<Mark> measured = sheet.marks().stream()
                .filter(m -> m.of().circuit().filter(SECOND::equals).isPresent())
                .filter(m -> m.evidence() instanceof Evidence.ByTheRig || m.evidence() instanceof Evidence.Measured)
                .toList();
        assertThat(measured).anyMatch(Mark::isLookedAtFirst);
        assertThat(measured).allMatch(m -> m.award() != Mark.Award.NONE && m.award() != Mark.Award.HALF);
    }

    /** Leads are in every low-ohm reading of the circuit, by the same amount, and in no Zs. */
    @Test
    void leadsInOneCircuitAreStillTheLeads() {
        Map<SlotId, String> texts = readAt(rig(1));
        texts.replaceAll((id, text) -> id.value().startsWith("circuit-2/r1r2/") && text.endsWith("Ω")
                ? String.format(java.util.Locale.ROOT, "%.2f", Double.parseDouble(text.split("[^0-9.]")[0]) + 0.16)
                : text);
        assertThat(causes(texts)).doesNotContain(Cause.CIRCUIT_AS_BUILT);
        assertThat(causes(texts)).containsAnyOf(Cause.LEADS_NOT_NULLED, Cause.NULLED_WRONG);
    }

    /** R1+R2 of a longer cable with the Zs of the drawn one is no cable: something else was done. */
    @Test
    void aZsThatIsAsDrawnSpeaksAgainstIt() {
        Map<SlotId, String> texts = readAt(rig(1));
        Map<SlotId, String> longer = readAt(rig(1.5));
        texts.replaceAll((id, text) -> id.value().startsWith("circuit-2/r1r2/") ? longer.get(id) : text);
        Map<SlotId, List<Explanation>> told = Explainer.explain(DRAWN, WrittenSheet.read(texts, DRAWN));
        double share = told.values().stream()
                .flatMap(List::stream)
                .filter(e -> e.cause() == Cause.CIRCUIT_AS_BUILT)
                .mapToDouble(Explanation::likelihood)
                .max()
                .orElse(0);
        assertThat(share).isLessThan(0.5);
    }

    /** Whoever stands at the same rig reads the same. */
    @Test
    void anotherRecordOfTheRigSpeaksForItOrAgainstIt() {
        Map<SlotId, String> texts = readAt(rig(1.33));
        texts.keySet().removeIf(id -> id.value().contains("/zs"));
        double alone = share(texts, Beside.NOTHING);
        assertThat(share(texts, new Beside(Map.of(), Set.of(), List.of(), List.of(readAt(rig(1.33))))))
                .isGreaterThanOrEqualTo(alone);
        assertThat(share(texts, new Beside(Map.of(), Set.of(), List.of(), List.of(readAt(rig(1))))))
                .isLessThanOrEqualTo(alone);
    }

    private static double share(Map<SlotId, String> texts, Beside beside) {
        return Explainer.explain(DRAWN, WrittenSheet.read(texts, DRAWN), beside).values().stream()
                .flatMap(List::stream)
                .filter(e -> e.cause() == Cause.CIRCUIT_AS_BUILT)
                .mapToDouble(Explanation::likelihood)
                .average()
                .orElse(0);
    }

    /**
     * Each time at half of what the device takes: both move alike, so that the two of them agree with each other, and neither is
     * within its window.
     */
    @Test
    void whatIsFarOutsideItsWindowIsToldThoughItSharesItsErrorWithAnother() {
        Key key = Key.of(
                Rigs.rig(Rigs.usual(), List.of(withResidualDevice())),
                FaultSet.NONE,
                Testers.usual(),
                Schemes.fullSequence());
        Map<SlotId, String> texts = new LinkedHashMap<>();
        List<SlotId> times = new ArrayList<>();
        for (Expectation e : key.expectations()) {
            boolean time = e.slot() instanceof Slot.Measured m
                    && m.function() == Tester.Function.RCD_TIME
                    && e.withFaults() instanceof Reading.Value;
            if (time) {
                times.add(e.slot().id());
            }
            texts.put(
                    e.slot().id(),
                    time
                            ? String.format(
                                    java.util.Locale.ROOT,
                                    "%.0f ms",
                                    e.withFaults().base() / 2)
                            : e.withFaults().shown());
        }
        assertThat(times).hasSizeGreaterThan(1);
        assertThat(Explainer.explain(key, WrittenSheet.read(texts, key))).containsKeys(times.toArray(SlotId[]::new));
    }

    private static Circuit withResidualDevice() {
        ResidualDevice residual = new ResidualDevice(
                ResidualDevice.Type.A, 30, false, new ResidualDevice.Behaviour(22, 41, 33, 19, 12, true));
        CircuitHead head = new CircuitHead(
                SECOND,
                SECOND.value(),
                Way.of(1),
                new Device(Device.Kind.RCBO, new Breaker(Breaker.Curve.B, 20), 6, Optional.of(residual)),
                new Cable(2.5, 1.5));
        return new Radial(head, false, List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 9)));
    }
}
