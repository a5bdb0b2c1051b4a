package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * A ring final circuit: both ends of its cable at the board, spurs where points say after which one they come.
 *
 * <pre>
 *   board ══ leg 1 ══ socket 1 ══ … ══ last socket ══ leg 2 ══ back to the board
 *                        └── spur
 * </pre>
 *
 * @param ringMetres length of cable all the way round, m
 */
public record Ring(CircuitHead head, double ringMetres, List<Point> points) implements Circuit {
    public Ring {
        Check.that(
                head.nature() == Nature.LOW,
                "wrong-nature",
                "nature",
                head.nature().id(),
                "only a radial may be SELV, PELV, FELV or above 500 V; leave it out");
        points = List.copyOf(points);
        Chain.check(points);
        Check.between(ringMetres, 1, 2000, "ringMetres", "m");
        double last = 0;
        for (int i = 0; i < points.size(); i++) {
            Point point = points.get(i);
            if (point.after().isEmpty()) {
                last = Math.max(last, point.atMetres());
            }
            Check.that(
                    point.kind().isSocket() && point.kind() != PointKind.THREE_PHASE_SOCKET
                            || point.kind() == PointKind.FUSED_CONNECTION
                            || point.after().isPresent(),
                    "wrong-kind",
                    "points/" + i + "/kind",
                    point.kind().id(),
                    "a ring carries sockets and fused connections");
        }
        Check.that(
                ringMetres > last,
                "ring-too-short",
                "ringMetres",
                Check.plain(ringMetres) + " m",
                "give the whole way round, more than the " + Check.plain(last) + " m to the last socket");
    }

    /** Sockets on the ring itself, in order round it. */
    public List<Point> onRing() {
        return points.stream().filter(p -> p.after().isEmpty()).toList();
    }

    /** Run of the leg from the last socket back to the board, m. */
    public double returnMetres() {
        return ringMetres - onRing().getLast().atMetres();
    }

    /** End to end along the whole ring, without joints, Ω. */
    public double openLoopOhms(Conductor conductor) {
        return cable().milliohmPerMetre(conductor) * ringMetres / 1000;
    }

    @Override
    public List<Conductor> conductors() {
        return Conductor.SINGLE_PHASE;
    }

    @Override
    public boolean goesOn(PointId point) {
        return !Chain.isSpur(points, point);
    }
}
