package prantel.core.rig;

import java.util.List;
import prantel.core.limits.Breaker;

/** A final circuit. Each kind knows its shape; the compiler turns each kind into branches. */
public sealed interface Circuit permits Radial {
    CircuitId id();

    String label();

    /** Number of its way in the board, from 1. */
    int way();

    Breaker breaker();

    /** In order of cable distance from the board. */
    List<Point> points();

    /** @throws prantel.core.quantity.ProblemsException if the circuit has no such point */
    default Point point(PointId id) {
        return points().stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new prantel.core.quantity.ProblemsException(new prantel.core.quantity.Problem(
                        "unknown-point",
                        "point",
                        prantel.core.quantity.Check.quoted(id.value()),
                        "give a point of circuit " + id() + ": "
                                + String.join(
                                        ", ",
                                        points().stream()
                                                .map(p -> p.id().value())
                                                .toList()))));
    }
}
