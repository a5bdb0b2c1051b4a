package prantel.core.procedure;

import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.SectionId;

/** Somewhere a link, a probe or a conductor's end can be put. */
public sealed interface Contact {
    /** A conductor's own end, in its terminal or out of it. */
    record AtEnd(End end) implements Contact {}

    record EarthBar(BoardId board) implements Contact {}

    /** A section's line bar or neutral bar. */
    record Bar(BoardId board, SectionId section, Conductor pole) implements Contact {}

    record BehindMainSwitch(BoardId board, Conductor pole) implements Contact {}

    /** Before the main switch: live while the supply is. */
    record Incoming(BoardId board, Conductor pole) implements Contact {}

    record Met() implements Contact {}

    /** Front of an accessory. */
    record Front(CircuitId circuit, PointId point, Conductor conductor) implements Contact {}

    record Metalwork(CircuitId circuit, PointId point) implements Contact {}

    /** Bare metal of a bonded part. */
    record Part(BondId bond) implements Contact {}
}
