package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.limits.RingLoop;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.rig.Cable;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Ring;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Readings of a ring against the closed forms of two ways round in parallel (physics; worked values common practice). */
class RingTest {
    private static final CircuitId RING = new CircuitId("ring");
    private static final double METRES = 60;

    private static Rig rig(Cable cable, double metres, double... at) {
        List<Point> points = new java.util.ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            points.add(new Point(Rigs.socket(i + 1), "socket " + (i + 1), PointKind.TWIN_SOCKET, at[i]));
        }
        return Rigs.rig(Rigs.perfect(), List.of(new Ring(Rigs.head(RING, 1, 32, cable), metres, points)));
    }

    private static double value(Rig rig, String slot) {
        Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Slot.Measured measured =
                (Slot.Measured) key.expectation(new SlotId(slot)).slot();
        return new Bench(rig, FaultSet.NONE, Variation.NONE).value(measured);
    }

    @ParameterizedTest
    @CsvSource({"6", "15", "30", "41", "55"})
    void crossedRingReadsTheProductFormAtEachSocket(double at) {
        Rig rig = rig(new Cable(2.5, 1.5), METRES, at);
        double r1 = 7.41e-3 * METRES;
        double r2 = 12.10e-3 * METRES;
        assertThat(value(rig, "ring/ring/step-3/socket-1"))
                .isCloseTo(RingLoop.crossedOhms(r1, r2, at / METRES), within(2e-4));
    }

    @Test
    void equalConductorsReadTheSameAtEverySocketAQuarterOfBoth() {
        Rig rig = rig(new Cable(2.5, 2.5), METRES, 5, 20, 33, 58);
        double expected = 2 * 7.41e-3 * METRES / 4;
        for (int socket = 1; socket <= 4; socket++) {
            assertThat(value(rig, "ring/ring/step-3/socket-" + socket)).isCloseTo(expected, within(2e-4));
            assertThat(value(rig, "ring/ring/step-2/socket-" + socket)).isCloseTo(expected, within(2e-4));
        }
    }

    /** Worked example, common practice: r1 0.10, rn 0.10, r2 0.17 give 0.05 and 0.0675, shown as 0.07. */
    @Test
    void shortRingGivesTheWorkedExample() {
        double metres = 0.10 / 7.41e-3;
        Rig rig = rig(new Cable(2.5, 1.5), metres, metres / 2);
        assertThat(value(rig, "ring/ring/r1")).isCloseTo(0.10, within(1e-4));
        assertThat(value(rig, "ring/ring/r2")).isCloseTo(0.163, within(1e-3));
        assertThat(value(rig, "ring/ring/step-2/socket-1")).isCloseTo(0.05, within(2e-4));
        assertThat(value(rig, "ring/ring/step-3/socket-1")).isCloseTo(0.066, within(1e-3));
    }

    /** The classic mistake: each leg joined to itself gives x(1−x)(r1 + rn). */
    @ParameterizedTest
    @CsvSource({"3", "15", "30", "50"})
    void wrongEndsJoinedReadsNearNothingAtTheFirstSocket(double at) {
        Rig rig = rig(new Cable(2.5, 1.5), METRES, at);
        List<Edit> edits = new java.util.ArrayList<>();
        for (Conductor c : Conductor.SINGLE_PHASE) {
            edits.add(new Edit.Open(Places.terminationAtBoard(RING, c)));
            edits.add(new Edit.Open(Places.secondTerminationAtBoard(RING, c)));
        }
        edits.add(new Edit.Bridge(
                Places.cableAtBoard(RING, Conductor.LINE), Places.cableAtBoard(RING, Conductor.NEUTRAL), 1e-5));
        edits.add(new Edit.Bridge(
                Places.secondCableAtBoard(RING, Conductor.LINE),
                Places.secondCableAtBoard(RING, Conductor.NEUTRAL),
                1e-5));
        Network network = RigCompiler.compile(rig).with(edits);
        double reading = network.resistance(
                Places.front(RING, Rigs.socket(1), Conductor.LINE),
                Places.front(RING, Rigs.socket(1), Conductor.NEUTRAL));
        double r = 7.41e-3 * METRES;
        assertThat(reading).isCloseTo(RingLoop.wrongEndsOhms(r, r, at / METRES), within(2e-4));
    }

    /** A spur reads its own cable on top (physics). */
    @Test
    void spurReadsItsOwnCableOnTop() {
        Point socket = new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 30);
        Point spur = new Point(
                new PointId("spur"),
                "spur",
                PointKind.SINGLE_SOCKET,
                38,
                Optional.of(socket.id()),
                Optional.empty(),
                false);
        Rig rig = Rigs.rig(
                Rigs.perfect(),
                List.of(new Ring(Rigs.head(RING, 1, 32, new Cable(2.5, 1.5)), METRES, List.of(socket, spur))));
        assertThat(value(rig, "ring/ring/step-3/spur") - value(rig, "ring/ring/step-3/socket-1"))
                .isCloseTo(8 * 19.51e-3, within(2e-4));
    }

    @Test
    void arithmeticByHandStandsBesideTheReading() {
        Key key = Key.of(
                rig(new Cable(2.5, 1.5), METRES, 10, 30), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Slot.Measured slot = (Slot.Measured)
                key.expectation(new SlotId("ring/ring/step-3/socket-2")).slot();
        assertThat(slot.byHand().orElseThrow().working()).isEqualTo("(r1 + r2) ÷ 4 = (0.44 + 0.73) ÷ 4 = 0.29 Ω");
        assertThat(slot.byHand().orElseThrow().base()).isCloseTo(19.51e-3 * METRES / 4, within(1e-12));
    }
}
