package prantel.core.procedure;

import prantel.core.rig.BoardId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;

/** What keeps fingers out. */
public sealed interface Cover {
    record OfBoard(BoardId board) implements Cover {}

    /** An accessory's front, plate or lid. */
    record OfPoint(CircuitId circuit, PointId point) implements Cover {}
}
