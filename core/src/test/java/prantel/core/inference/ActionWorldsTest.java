package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Supply;
import prantel.core.rig.Variation;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What was left out, left in or left as it was, read at a rig that is built a little otherwise than drawn. Common practice, no source. */
class ActionWorldsTest {
    private static final CircuitId RING = new CircuitId("ring");
    private static final CircuitId LIGHTS = new CircuitId("lights");
    private static final PointId LAMP = new PointId("lamp");
    private static final Rig RIG = rig();
    private static final Key KEY = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static Rig rig() {
        List<Point> sockets = new ArrayList<>();
        for (int i = 1; i <= 5; i++) {
            sockets.add(new Point(
                    Rigs.socket(i),
                    "socket " + i,
                    PointKind.TWIN_SOCKET,
                    9 * i,
                    Optional.empty(),
                    i == 4 ? Optional.of(new Load(Load.Kind.USB_OUTLET, 10)) : Optional.empty(),
                    false));
        }
        List<LightGroup> groups = List.of(new LightGroup(
                "stairs",
                "Stairs",
                LightGroup.Feed.SWITCH,
                List.of(new LightGroup.Lamp(LAMP, "lamp", 4, new Load(Load.Kind.LED_DRIVER, 9), false)),
                List.of(
                        new LightSwitch(new PointId("below"), "switch below", 5),
                        new LightSwitch(new PointId("above"), "switch above", 6))));
        List<Circuit> circuits = List.of(
                new Ring(Rigs.head(RING, 1, 32, new Cable(2.5, 1.5)), 60, sockets),
                Rigs.radial(Rigs.SOCKETS, 2, sockets),
                new Lighting(Rigs.head(LIGHTS, 3, 6, new Cable(1.5, 1)), groups));
        return Rigs.rig(
                Supply.tnCS(230, 0.35, 0.11, 0.09),
                Rigs.usual(),
                List.of(new Board(
                        Board.MAIN, "Board", Optional.empty(), Board.plain().sections(), true)),
                circuits);
    }

    /** What somebody reads who does some tests in another way. @param built how the rig differs from the drawing */
    private static Map<SlotId, String> read(
            Variation built, Predicate<Slot.Measured> where, UnaryOperator<SetUp> otherwise) {
        Bench bench = new Bench(RIG, FaultSet.NONE, built);
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : KEY.expectations()) {
            if (e.slot() instanceof Slot.Measured m
                    && m.step() != TestKind.R2
                    && !(e.withFaults() instanceof Reading.NoReading)) {
                Optional<Meter> meter = KEY.tester().meter(m.function());
                boolean there = where.test(m);
                double base = meter.isEmpty() ? 0 : there ? bench.value(m, otherwise.apply(m.setUp())) : bench.value(m);
                texts.put(
                        m.id(),
                        meter.filter(x -> there
                                        || Double.isFinite(base)
                                        || !m.function().isLive())
                                .map(x -> x.show(base).shown())
                                .orElse(e.withFaults().shown()));
            }
        }
        return texts;
    }

    private static UnaryOperator<SetUp> with(Deed deed) {
        return s -> s.and(deed);
    }

    private static UnaryOperator<SetUp> without(Predicate<Deed> left) {
        return s -> s.without(left);
    }

    private static Map<SlotId, List<Explanation>> told(Map<SlotId, String> texts) {
        return Explainer.explain(KEY, WrittenSheet.read(texts, KEY));
    }

    /** The cause that leads, by box. */
    private static Map<String, Cause> leading(Map<SlotId, String> texts) {
        return told(texts).entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .collect(Collectors.toMap(
                        e -> e.getKey().value(), e -> e.getValue().getFirst().cause()));
    }

    private static Predicate<Slot.Measured> test(TestKind test) {
        return m -> m.step() == test;
    }

    @Test
    void surgeProtectionLeftInForTheBoard() {
        Map<SlotId, String> texts = read(
                Variation.NONE,
                test(TestKind.INSULATION_BOARD),
                with(new Deed.SurgeProtectionIn(RIG.origin().id())));
        Map<SlotId, List<Explanation>> told = told(texts);
        assertThat(told).isNotEmpty().allSatisfy((id, e) -> {
            assertThat(e.getFirst().cause()).isEqualTo(Cause.LOAD_LEFT_IN);
            assertThat(e.getFirst().evidence()).contains("surge protection");
        });
    }

    /** A load that stayed in for the circuit and for the board is one cause of both, and no fault of the rig. */
    @ParameterizedTest
    @ValueSource(doubles = {0.4, 1, 2})
    void aLoadThatStaysInHoweverTheRestLeaks(double leaks) {
        Circuit ring = RIG.circuit(RING);
        Map<SlotId, String> texts = read(
                new Variation(1, 1, leaks, 1, 1, 1, 1),
                m -> m.step() == TestKind.INSULATION_BOARD
                        || m.step() == TestKind.INSULATION
                                && m.circuit().filter(RING::equals).isPresent(),
                with(new Deed.LoadIn(ring.id(), Rigs.socket(4))));
        Map<SlotId, List<Explanation>> told = told(texts);
        assertThat(told.keySet()).anyMatch(id -> id.value().startsWith("ring/"));
        assertThat(told.keySet()).anyMatch(id -> id.value().startsWith("board/"));
        assertThat(told.values())
                .allSatisfy(e -> assertThat(e.getFirst().cause()).isEqualTo(Cause.LOAD_LEFT_IN))
                .allSatisfy(e -> assertThat(e.getFirst().evidence()).contains("socket 4"));
    }

    /** What leaks by itself is no number to hold a load against: a lamp in at a rig that leaks more than drawn. */
    @Test
    void aLampLeftInAtARigThatLeaks() {
        Circuit lights = RIG.circuit(LIGHTS);
        Map<SlotId, String> texts = read(
                new Variation(1, 1, 0.35, 1, 1, 1, 1),
                m -> m.step() == TestKind.INSULATION
                        && m.circuit().filter(LIGHTS::equals).isPresent(),
                with(new Deed.LoadIn(LIGHTS, LAMP)));
        assertThat(leading(texts)).isNotEmpty();
        assertThat(leading(texts).values()).containsOnly(Cause.LOAD_LEFT_IN);
    }

    @Test
    void theEarthNotPutBackBeforeZs() {
        Map<SlotId, String> texts =
                read(Variation.NONE, test(TestKind.ZS), with(new Deed.TakeOut(new End.OfEarthing())));
        assertThat(leading(texts)).isNotEmpty();
        assertThat(leading(texts).values()).containsOnly(Cause.EARTH_LEFT_OFF);
    }

    @Test
    void endsOfTheRingLeftInTheirTerminals() {
        Map<SlotId, String> texts = read(
                Variation.NONE,
                m -> m.step() == TestKind.RING && !m.quantity().startsWith("R1"),
                without(Deed.TakeOut.class::isInstance));
        assertThat(leading(texts))
                .containsEntry("ring/ring/r1", Cause.ENDS_LEFT_IN)
                .containsEntry("ring/ring/rn", Cause.ENDS_LEFT_IN)
                .containsEntry("ring/ring/r2", Cause.ENDS_LEFT_IN);
    }

    @Test
    void legsOfTheRingNotJoinedAtAll() {
        Map<SlotId, String> texts = read(
                Variation.NONE,
                m -> m.quantity().equals("R1+Rn") && m.step() == TestKind.RING,
                without(Deed.Cross.class::isInstance));
        assertThat(leading(texts)).hasSizeGreaterThanOrEqualTo(5);
        assertThat(leading(texts).values()).containsOnly(Cause.LINK_MISSING);
    }

    @Test
    void aSwitchThatWasNotOpenedForPolarity() {
        Map<SlotId, String> texts =
                read(Variation.NONE, test(TestKind.POLARITY), without(Deed.Operate.class::isInstance));
        assertThat(leading(texts)).isNotEmpty();
        assertThat(leading(texts).values()).containsOnly(Cause.OTHER_POSITION);
    }

    /** A strapper that leaks shows in some rounds only; its figure, to the digit, in the first round is that of another position. */
    @Test
    void aRoundWrittenInAnotherOne() {
        Fault leak = KEY.everyFault().stream()
                .filter(f -> f.kind().id().equals("strapper-leak"))
                .findFirst()
                .orElseThrow();
        Key key = KEY.with(FaultSet.of(leak));
        Map<SlotId, String> texts = new LinkedHashMap<>();
        Set<SlotId> copied = new HashSet<>();
        for (Expectation e : key.expectations()) {
            if (e.slot() instanceof Slot.Measured m && m.step() == TestKind.INSULATION) {
                SlotId first = new SlotId(m.id().value().replaceAll("/round-\\d+", "/round-1"));
                boolean leaks = e.withFaults().base() < 1e6
                        && key.expectation(first).withFaults().base() > 1e6;
                // a leak with a size of its own: only the figure tells
                texts.put(m.id(), leaks ? "0.37 MΩ" : e.withFaults().shown());
                if (leaks) {
                    texts.put(first, "0.37 MΩ");
                    copied.add(first);
                }
            }
        }
        Map<SlotId, List<Explanation>> told = Explainer.explain(key, WrittenSheet.read(texts, key));
        assertThat(copied)
                .isNotEmpty()
                .allSatisfy(id -> assertThat(told.get(id).getFirst().cause()).isEqualTo(Cause.OTHER_POSITION));
    }
}
