package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * A circuit that runs from the board past its points and ends at the last; branches may leave it. Sockets, fixed
 * appliances behind an isolator, three-phase sockets and motors.
 *
 * <pre>
 *   board ──run 1── point 1 ──run 2── point 2 ── … ── last point
 *                     └── branch point (after: point 1)
 * </pre>
 */
public record Radial(CircuitHead head, boolean threePhase, List<Point> points) implements Circuit {
    public Radial {
        points = List.copyOf(points);
        Chain.check(points);
        for (int i = 0; i < points.size(); i++) {
            PointKind kind = points.get(i).kind();
            Check.that(
                    kind != PointKind.LAMP && kind != PointKind.SWITCH,
                    "wrong-kind",
                    "points/" + i + "/kind",
                    kind.id(),
                    "lamps and switches belong to a lighting circuit; give a socket, isolator, appliance or motor");
            Check.that(
                    threePhase || kind != PointKind.THREE_PHASE_SOCKET,
                    "wrong-kind",
                    "points/" + i + "/kind",
                    kind.id(),
                    "give the circuit three phases, or another kind of point");
            Check.that(
                    !threePhase || kind == PointKind.THREE_PHASE_SOCKET || !kind.isSocket(),
                    "wrong-kind",
                    "points/" + i + "/kind",
                    kind.id(),
                    "a single-phase socket has a circuit of its own; give a three-phase socket");
        }
    }

    @Override
    public List<Conductor> conductors() {
        return threePhase ? Conductor.THREE_PHASE : Conductor.SINGLE_PHASE;
    }

    @Override
    public boolean goesOn(PointId point) {
        return !Chain.isSpur(points, point) && !Chain.isLastOfChain(points, point);
    }
}
