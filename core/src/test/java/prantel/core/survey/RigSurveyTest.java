package prantel.core.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.SectionId;
import prantel.core.rig.Supply;

/** Rules of thumb with the sources that RigSurvey names. */
class RigSurveyTest {
    private static final Board BEHIND_RCD = new Board(
            Board.MAIN,
            "Board",
            Optional.empty(),
            List.of(new Board.Section(
                    new SectionId("main"),
                    "All ways",
                    Optional.of(ResidualDevice.sound(ResidualDevice.Type.A, 30, false)))),
            false);

    private static List<String> codes(Board board, Circuit circuit) {
        Rig rig = Rigs.rig(Supply.tnCS(230, 0.35, 0.11, 0.09), Rigs.usual(), List.of(board), List.of(circuit));
        return RigSurvey.of(Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence())).stream()
                .map(Warning::code)
                .distinct()
                .toList();
    }

    private static Radial radial(double amps, Cable cable, double metres) {
        return new Radial(
                Rigs.head(new CircuitId("sockets"), 1, amps, cable),
                false,
                List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, metres)));
    }

    @Test
    void soundCircuitGivesNoWarning() {
        assertThat(codes(BEHIND_RCD, radial(20, new Cable(2.5, 1.5), 20))).isEmpty();
    }

    /** BS 7671 536.4.1.4, from memory: two in series are told apart by current or by delay. */
    @Test
    void twoRcdsOfOneRatingInSeriesWarn() {
        ResidualDevice thirty = ResidualDevice.sound(ResidualDevice.Type.A, 30, false);
        assertThat(codes(with(thirty), radial(20, new Cable(2.5, 1.5), 20))).containsExactly("rcds-not-selective");
        assertThat(codes(
                        with(ResidualDevice.sound(ResidualDevice.Type.A, 300, true)),
                        radial(20, new Cable(2.5, 1.5), 20)))
                .doesNotContain("rcds-not-selective");
    }

    private static Board with(ResidualDevice main) {
        return new Board(Board.MAIN, "Board", Optional.of(main), BEHIND_RCD.sections(), false);
    }

    @Test
    void socketsWithoutAnRcdWarn() {
        assertThat(codes(Board.plain(), radial(20, new Cable(2.5, 1.5), 20))).containsExactly("no-rcd-for-sockets");
    }

    @Test
    void cableSmallerThanItsDeviceWarns() {
        assertThat(codes(BEHIND_RCD, radial(32, new Cable(1.5, 1.0), 5))).containsExactly("cable-too-small");
    }

    @Test
    void loopTooLongForTheDeviceWarns() {
        assertThat(codes(BEHIND_RCD, radial(20, new Cable(2.5, 1.5), 190))).contains("limit-not-met");
    }

    @Test
    void spurOffASpurWarns() {
        Point socket = new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 10);
        Point spur = spur("spur-1", 14, socket.id());
        Ring ring = new Ring(
                Rigs.head(new CircuitId("ring"), 1, 32, new Cable(2.5, 1.5)),
                40,
                List.of(socket, spur, spur("spur-2", 18, spur.id())));
        assertThat(codes(BEHIND_RCD, ring)).containsExactly("spur-off-spur");
    }

    private static Point spur(String id, double at, PointId after) {
        return new Point(new PointId(id), id, PointKind.SINGLE_SOCKET, at, Optional.of(after), Optional.empty(), false);
    }
}
