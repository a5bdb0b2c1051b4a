package prantel.core.rig;

import prantel.core.network.BranchId;
import prantel.core.network.Terminal;

/**
 * What the compiler calls each terminal and branch of a rig, so that set-ups, faults and probes can name them.
 *
 * <pre>
 *  bar ─terminationAtBoard─ cableAtBoard ─run 1─ cableIn ─incoming─ accessory ─outgoing─ cableOut ─run 2─ …
 *                                                                      │contact
 *                                                                    front   (where the probe goes)
 * </pre>
 */
public final class Places {
    public static final Terminal MET = new Terminal("met");
    /** Free end of the earthing conductor when it is off the MET. */
    public static final Terminal EARTHING_CONDUCTOR_END = new Terminal("earthing-conductor/met-end");

    public static final Terminal EARTH_BAR = new Terminal("board/earth");
    public static final Terminal NEUTRAL_BAR = new Terminal("board/neutral");
    public static final Terminal LINE_BAR = new Terminal("board/line");
    public static final BranchId EARTHING_CONDUCTOR_AT_MET = new BranchId("earthing-conductor/at-met");

    private Places() {}

    /** One pole of the main switch; closed as compiled. */
    public static BranchId mainSwitch(Conductor pole) {
        return new BranchId("board/main-switch/" + pole.id());
    }

    /** The contact of a circuit's breaker; closed as compiled. */
    public static BranchId breaker(CircuitId circuit) {
        return new BranchId(circuit + "/breaker");
    }

    public static Terminal breakerOut(CircuitId circuit) {
        return new Terminal(circuit + "/breaker/out");
    }

    /** The joint between a circuit's conductor and its breaker, neutral bar or earth bar. */
    public static BranchId terminationAtBoard(CircuitId circuit, Conductor conductor) {
        return new BranchId(circuit + "/board/" + conductor.id() + "/termination");
    }

    /** The conductor's end at the board: free once its termination is open. */
    public static Terminal cableAtBoard(CircuitId circuit, Conductor conductor) {
        return new Terminal(circuit + "/board/" + conductor.id());
    }

    /** The run of cable that ends at a point. */
    public static BranchId run(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "run");
    }

    /** The joint where the incoming conductor meets the accessory. */
    public static BranchId incoming(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "incoming");
    }

    /** The joint where the outgoing conductor leaves the accessory; the last point has none. */
    public static BranchId outgoing(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "outgoing");
    }

    /** From the accessory's terminal (FROM) to its front (TO). */
    public static BranchId contact(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "contact");
    }

    public static BranchId insulation(CircuitId circuit, PointId point, Conductor a, Conductor b) {
        return new BranchId(circuit + "/" + point + "/insulation-" + a.id() + "-" + b.id());
    }

    /** The incoming cable's conductor end, before its joint. */
    public static Terminal cableIn(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(circuit + "/" + point + "/" + conductor.id() + "/in");
    }

    /** The outgoing cable's conductor end, after its joint. */
    public static Terminal cableOut(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(circuit + "/" + point + "/" + conductor.id() + "/out");
    }

    /** The accessory's own terminal, at the rear. */
    public static Terminal accessory(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(circuit + "/" + point + "/" + conductor.id());
    }

    /** Where a probe is held at the accessory's front. */
    public static Terminal front(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(circuit + "/" + point + "/" + conductor.id() + "/front");
    }

    /** The joint between a bonding conductor and the MET. */
    public static BranchId bondAtMet(BondId bond) {
        return new BranchId("bond/" + bond + "/at-met");
    }

    /** The bonding conductor's end at the MET: free once its joint is open. */
    public static Terminal bondMetEnd(BondId bond) {
        return new Terminal("bond/" + bond + "/met-end");
    }

    public static BranchId bondConductor(BondId bond) {
        return new BranchId("bond/" + bond + "/conductor");
    }

    /** The clamp itself. */
    public static Terminal clamp(BondId bond) {
        return new Terminal("bond/" + bond + "/clamp");
    }

    /** Where the clamp bears on the part. */
    public static BranchId clampOnPart(BondId bond) {
        return new BranchId("bond/" + bond + "/clamp-on-part");
    }

    /** The bare metal of the part beside the clamp. */
    public static Terminal part(BondId bond) {
        return new Terminal("bond/" + bond + "/part");
    }

    private static BranchId at(CircuitId circuit, PointId point, Conductor conductor, String what) {
        return new BranchId(circuit + "/" + point + "/" + conductor.id() + "/" + what);
    }
}
