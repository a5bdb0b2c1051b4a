package prantel.core.sequence;

import java.util.Optional;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;

/**
 * Where a reading belongs.
 *
 * @param atMetres cable distance from the board, m; negative where it has none
 */
public record Spot(Optional<CircuitId> circuit, Optional<PointId> point, double atMetres) {
    public static final double NO_DISTANCE = -1;
}
