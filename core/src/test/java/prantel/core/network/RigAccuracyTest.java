package prantel.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Rigs;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Ring;

/** A compiled rig against exact fractions: milliohms and gigaohms of one network, both to 1e-12. */
class RigAccuracyTest {
    private static final Percentage EXACT = Percentage.withPercentage(1e-10);
    private static final CircuitId RING = new CircuitId("ring");

    private static Network ring() {
        List<Point> points = List.of(
                new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 9),
                new Point(Rigs.socket(2), "socket 2", PointKind.TWIN_SOCKET, 23));
        Rig rig = Rigs.rig(Rigs.usual(), List.of(new Ring(Rigs.head(RING, 1, 32, new Cable(2.5, 1.5)), 41, points)));
        return RigCompiler.compile(rig)
                .with(List.of(
                        new Edit.Open(Places.breaker(RING, Conductor.LINE)),
                        new Edit.Open(Places.terminationAtBoard(RING, Conductor.NEUTRAL)),
                        new Edit.Open(Places.secondTerminationAtBoard(RING, Conductor.NEUTRAL))));
    }

    private static void agrees(Terminal a, Terminal b) {
        Network network = ring();
        assertThat(network.resistance(a, b)).isCloseTo(RationalTwin.resistance(network.branches(), a, b), EXACT);
    }

    @Test
    void endsOfAConductorReadMilliohms() {
        agrees(Places.cableAtBoard(RING, Conductor.NEUTRAL), Places.front(RING, Rigs.socket(2), Conductor.NEUTRAL));
    }

    @Test
    void conductorsAgainstEachOtherReadHundredsOfMegohms() {
        agrees(Places.cableAtBoard(RING, Conductor.LINE), Places.cableAtBoard(RING, Conductor.NEUTRAL));
        agrees(Places.cableAtBoard(RING, Conductor.LINE), Places.earthBar(Board.MAIN));
    }

    @Test
    void bondAndEarthingReadTheirParallelPaths() {
        agrees(Places.MET, Places.part(Rigs.WATER));
    }
}
