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

    /** The outgoing terminal of a circuit's device. */
    record DeviceOut(CircuitId circuit, Conductor pole) implements Contact {}

    /** Where the supply's means of earthing is brought in: the other end of the earthing conductor. */
    record SupplyEarth() implements Contact {}

    /** A stake in the ground, far enough from every electrode. */
    record Stake() implements Contact {}

    /** The accessory's own terminal, behind its cover. */
    record Behind(CircuitId circuit, PointId point, Conductor conductor) implements Contact {}

    /** Front of an accessory. */
    record Front(CircuitId circuit, PointId point, Conductor conductor) implements Contact {}

    record Metalwork(CircuitId circuit, PointId point) implements Contact {}

    /** The clamp of a bonding conductor. */
    record Clamp(BondId bond) implements Contact {}

    /** Bare metal of a bonded part. */
    record Part(BondId bond) implements Contact {}
}
