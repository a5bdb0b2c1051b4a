package prantel.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Rigs;
import prantel.core.quantity.ProblemsException;

class RigTest {

    private static Radial radial(String id, int way, Point... points) {
        return Rigs.radial(new CircuitId(id), way, List.of(points));
    }

    private static Point point(String id, double metres) {
        return new Point(new PointId(id), id, PointKind.TWIN_SOCKET, metres);
    }

    @Test
    void pointsMustBeInOrderAndApart() {
        assertThatThrownBy(() -> radial("a", 1, point("p-1", 6), point("p-2", 6)))
                .hasMessageContaining("points/1/atMetres")
                .hasMessageContaining("6 m after 6 m");
        assertThatThrownBy(() -> point("p-1", -3))
                .hasMessageContaining("atMetres")
                .hasMessageContaining("-3 m");
        assertThatThrownBy(() -> point("p-1", Double.NaN)).isInstanceOf(ProblemsException.class);
    }

    @Test
    void idsAndWaysAreUsedOnce() {
        assertThatThrownBy(() -> radial("a", 1, point("p-1", 6), point("p-1", 9)))
                .hasMessageContaining("points/1/id");
        Rig rig = Rigs.fiveSockets();
        assertThatThrownBy(() -> Rigs.rig(
                        rig.workmanship(), List.of(radial("a", 1, point("p", 5)), radial("b", 1, point("p", 5)))))
                .hasMessageContaining("circuits/1/way")
                .hasMessageContaining("circuit a");
        assertThatThrownBy(() -> new CircuitId("No Spaces")).hasMessageContaining("lower-case");
    }

    @Test
    void unknownPartsNameTheKnownOnes() {
        Rig rig = Rigs.fiveSockets();
        assertThatThrownBy(() -> rig.circuit(new CircuitId("ring"))).hasMessageContaining("sockets");
        assertThatThrownBy(() -> rig.bond(new BondId("oil"))).hasMessageContaining("gas, water");
        assertThatThrownBy(() -> rig.circuit(Rigs.SOCKETS).point(new PointId("socket-9")))
                .hasMessageContaining("socket-1");
        assertThatThrownBy(() -> new Cable(2.5, 7)).hasMessageContaining("7 mm²");
    }

    @Test
    void everyVariationCompilesToTheSameTerminals() {
        Rig rig = Rigs.fiveSockets();
        assertThat(RigCompiler.compile(rig, new Variation(0.9, 3, 0.2, 1, 1.1, 1, 1))
                        .terminals())
                .isEqualTo(RigCompiler.compile(rig).terminals());
    }
}
