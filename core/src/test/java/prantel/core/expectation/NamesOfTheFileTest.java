package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;

/** No id that a file can spell is one of the network's own names: whatever things are called, they read the same. */
class NamesOfTheFileTest {
    private static final double[] AT = {6, 13, 19, 27, 36};

    private static Rig rig(String circuit, String firstPoint) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < AT.length; i++) {
            points.add(new Point(
                    new PointId(i == 0 ? firstPoint : "socket-" + (i + 1)),
                    "socket " + (i + 1),
                    PointKind.TWIN_SOCKET,
                    AT[i]));
        }
        List<Circuit> circuits = List.of(
                Rigs.radial(new CircuitId(circuit), 1, points),
                Rigs.radial(
                        new CircuitId("other"),
                        2,
                        List.of(new Point(new PointId("far"), "far", PointKind.TWIN_SOCKET, 20))));
        return Rigs.rig(Rigs.usual(), circuits);
    }

    private static List<String> shown(Rig rig) {
        return Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence()).expectations().stream()
                .map(e -> e.slot().quantity() + " " + e.withFaults().shown() + " "
                        + e.slot().limit().map(l -> l.demand().toString()).orElse(""))
                .toList();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "board",
                "device",
                "supply",
                "incoming",
                "whole",
                "return",
                "main",
                "met",
                "source",
                "earth",
                "neutral",
                "line",
                "cpc",
                "r2",
                "r1r2",
                "zs",
                "off",
                "metalwork",
                "clamp",
                "part",
                "board-2",
                "origin",
                "bond"
            })
    void everyWordIsAnIdLikeAnyOther(String word) {
        List<String> plain = shown(rig("sockets", "socket-1"));
        assertThat(shown(rig("sockets", word))).as("a point called " + word).isEqualTo(plain);
        if (List.of("board", "supply", "bond").contains(word)) {
            // a place "board/…" is one of the board: two things of one name are refused, not mixed up
            assertThat(catchThrowableOfType(ProblemsException.class, () -> rig(word, "socket-1"))
                            .problems())
                    .extracting(p -> p.where())
                    .containsExactly("circuits/0/id");
        } else {
            assertThat(shown(rig(word, "socket-1")))
                    .as("a circuit called " + word)
                    .isEqualTo(plain);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"device", "return", "incoming"})
    void faultsChangeTheSameThingsWhateverItIsCalled(String word) {
        Rig plain = rig("sockets", "socket-1");
        Rig named = rig(word, word);
        var faults = FaultCatalogue.everyFault(plain);
        var same = FaultCatalogue.everyFault(named);
        assertThat(same).hasSameSizeAs(faults);
        for (int i = 0; i < faults.size(); i += 7) {
            assertThat(changes(named, same.get(i))).as(faults.get(i).title()).isEqualTo(changes(plain, faults.get(i)));
        }
    }

    private static List<String> changes(Rig rig, prantel.core.fault.Fault fault) {
        return Key.of(rig, FaultSet.of(fault), Testers.usual(), Schemes.workshop()).expectations().stream()
                .map(e -> e.withFaults().shown() + " " + e.visibility())
                .toList();
    }
}
