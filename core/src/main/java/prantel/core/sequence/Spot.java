package prantel.core.sequence;

import java.util.Optional;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;

/**
 * Where a reading belongs.
 *
 * @param where "socket 3", "water pipe, on the clamp"
 * @param atMetres cable distance from the board, m; negative where it has none
 */
public record Spot(Optional<CircuitId> circuit, Optional<PointId> point, String where, double atMetres) {
    public static final double NO_DISTANCE = -1;

    static Spot of(Circuit circuit, Point point) {
        return new Spot(Optional.of(circuit.id()), Optional.of(point.id()), point.label(), point.atMetres());
    }

    static Spot of(Circuit circuit, Point point, String more) {
        return new Spot(
                Optional.of(circuit.id()), Optional.of(point.id()), point.label() + ", " + more, point.atMetres());
    }

    static Spot of(Circuit circuit, String where) {
        return new Spot(Optional.of(circuit.id()), Optional.empty(), where, NO_DISTANCE);
    }

    static Spot at(String where) {
        return new Spot(Optional.empty(), Optional.empty(), where, NO_DISTANCE);
    }
}
