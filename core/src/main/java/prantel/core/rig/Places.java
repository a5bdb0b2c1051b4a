package prantel.core.rig;

import prantel.core.network.BranchId;
import prantel.core.network.Terminal;

/**
 * What the compiler calls each terminal and branch of a rig, so that set-ups, faults and probes can name them.
 *
 * <pre>
 *  bar ─terminationAtBoard─ cableAtBoard ─run 1─ cableIn ─incoming─ accessory ─outgoing─ cableOut ─run 2─ …
 *                                                                      │pole of an isolator, if it is one
 *                                                                   loadSide
 *                                                                      │contact
 *                                                                    front   (where the probe goes)
 * </pre>
 */
public final class Places {
    public static final Terminal SOURCE = new Terminal("supply/source");
    public static final Terminal MASS_OF_EARTH = new Terminal("mass-of-earth");
    public static final Terminal SUPPLY_EARTH = new Terminal("supply/earth");
    public static final Terminal MET = new Terminal("met");
    /** Free end of the earthing conductor when it is off the MET. */
    public static final Terminal EARTHING_CONDUCTOR_END = new Terminal("earthing-conductor/met-end");

    /** The earthing conductor itself, with its joint at the supply's earth terminal. */
    public static final BranchId EARTHING_CONDUCTOR = new BranchId("earthing-conductor");

    public static final BranchId EARTHING_CONDUCTOR_AT_MET = new BranchId("earthing-conductor/at-met");
    /** The source's own electrode. */
    static final BranchId SOURCE_ELECTRODE = new BranchId("supply/source-electrode");

    /** Link between the MET and the earth bar of the origin's board. */
    public static final BranchId EARTH_LINK = new BranchId("met/earth-link");

    private Places() {}

    /** Source impedance of a pole, or the link or path to the supply's earth terminal for {@link Conductor#CPC}. */
    public static BranchId source(Conductor pole) {
        return new BranchId(pole == Conductor.CPC ? "supply/earth-path" : "supply/" + pole.id() + "-impedance");
    }

    /** Where a pole arrives at a board: the supply terminals at the origin. */
    public static Terminal incoming(Rig rig, BoardId board, Conductor pole) {
        return rig.origin().id().equals(board)
                ? new Terminal("supply/" + pole.id())
                : new Terminal(of(board) + "/incoming/" + pole.id());
    }

    /** One pole of the main switch; closed as compiled. */
    public static BranchId mainSwitch(BoardId board, Conductor pole) {
        return new BranchId(of(board) + "/main-switch/" + pole.id());
    }

    /** Behind the main switch, before the sections part. */
    public static Terminal behindMainSwitch(BoardId board, Conductor pole) {
        return new Terminal(of(board) + "/" + pole.id());
    }

    /** From behind the main switch to a section's bar: a pole of its RCD where it has one; closed as compiled. */
    public static BranchId feed(BoardId board, SectionId section, Conductor pole) {
        return new BranchId(of(board) + of(section) + "/feed/" + pole.id());
    }

    /** A section's line bar or neutral bar. */
    public static Terminal bar(BoardId board, SectionId section, Conductor pole) {
        return new Terminal(of(board) + of(section) + "/" + pole.id());
    }

    public static Terminal earthBar(BoardId board) {
        return new Terminal(of(board) + "/earth");
    }

    /** A pole of the surge protective device; open as compiled. */
    public static BranchId surge(BoardId board, Conductor a, Conductor b) {
        return new BranchId(of(board) + "/surge-protection/" + a.id() + "-" + b.id());
    }

    /** The contact of a circuit's device in a line, closed as compiled; for {@link Conductor#NEUTRAL} that of an RCBO. */
    public static BranchId breaker(CircuitId circuit, Conductor pole) {
        return new BranchId(of(circuit) + "/device/" + pole.id());
    }

    public static Terminal breakerOut(CircuitId circuit, Conductor pole) {
        return new Terminal(of(circuit) + "/device/" + pole.id() + "/out");
    }

    /** The return of a circuit behind a separating transformer, at the board: no bar of the board's. */
    static Terminal separatedNeutral(CircuitId circuit) {
        return new Terminal(of(circuit) + "/separated/neutral");
    }

    /** The joint between a circuit's conductor and its device, neutral bar or earth bar. */
    public static BranchId terminationAtBoard(CircuitId circuit, Conductor conductor) {
        return new BranchId(of(circuit) + "/board/" + conductor.id() + "/termination");
    }

    /** The conductor's end at the board: free once its termination is open. */
    public static Terminal cableAtBoard(CircuitId circuit, Conductor conductor) {
        return new Terminal(of(circuit) + "/board/" + conductor.id());
    }

    /** The same of a ring's other end. */
    public static BranchId secondTerminationAtBoard(CircuitId circuit, Conductor conductor) {
        return new BranchId(of(circuit) + "/board/" + conductor.id() + "/second-termination");
    }

    public static Terminal secondCableAtBoard(CircuitId circuit, Conductor conductor) {
        return new Terminal(of(circuit) + "/board/" + conductor.id() + "/second");
    }

    /** The leg of a ring from its last socket back to the board. */
    public static BranchId returnRun(CircuitId circuit, Conductor conductor) {
        return new BranchId(of(circuit) + "/return/" + conductor.id() + "/run");
    }

    /** The run of a submain. */
    public static BranchId submainRun(CircuitId circuit, Conductor conductor) {
        return new BranchId(of(circuit) + "/" + conductor.id() + "/run");
    }

    /** The run of cable that ends at a point. */
    public static BranchId run(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "run");
    }

    /** The joint where the incoming conductor meets the accessory. */
    public static BranchId incoming(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "incoming");
    }

    /** The joint where the outgoing conductor leaves the accessory for the next of the chain; the last point has none. */
    public static BranchId outgoing(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "outgoing");
    }

    /** The joint where the cable of a spur, branch, lamp or switch leaves the accessory it comes from. */
    public static BranchId departing(CircuitId circuit, PointId to, Conductor conductor) {
        return at(circuit, to, conductor, "departing");
    }

    /** From the accessory's load side (FROM) to its front (TO). */
    public static BranchId contact(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "contact");
    }

    /** A pole of an isolator; closed as compiled. */
    public static BranchId pole(CircuitId circuit, PointId point, Conductor conductor) {
        return at(circuit, point, conductor, "pole");
    }

    /** A contact of a light switch: "1" and "2" lead to the strappers; an intermediate has straight and crossed ones. */
    public static BranchId switchContact(CircuitId circuit, PointId point, String which) {
        return new BranchId(of(circuit) + of(point) + "/switch/" + which);
    }

    public static BranchId insulation(CircuitId circuit, PointId point, Conductor a, Conductor b) {
        return new BranchId(of(circuit) + of(point) + "/insulation-" + a.id() + "-" + b.id());
    }

    /** A load between two conductors of a point; open as compiled. */
    public static BranchId load(CircuitId circuit, PointId point, Conductor a, Conductor b) {
        return new BranchId(of(circuit) + of(point) + "/load-" + a.id() + "-" + b.id());
    }

    /** The incoming cable's conductor end, before its joint. */
    public static Terminal cableIn(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(of(circuit) + of(point) + "/" + conductor.id() + "/in");
    }

    /** The outgoing cable's conductor end, after its joint. */
    public static Terminal cableOut(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(of(circuit) + of(point) + "/" + conductor.id() + "/out");
    }

    /** Where the cable to a spur, branch, lamp or switch begins, after its joint. */
    public static Terminal cableFrom(CircuitId circuit, PointId to, Conductor conductor) {
        return new Terminal(of(circuit) + of(to) + "/" + conductor.id() + "/from");
    }

    /** The accessory's own terminal, at the rear; the supply side of an isolator. */
    public static Terminal accessory(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(of(circuit) + of(point) + "/" + conductor.id());
    }

    /** Behind an isolator's pole. */
    public static Terminal loadSide(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(of(circuit) + of(point) + "/" + conductor.id() + "/load-side");
    }

    /** The side of an intermediate switch that is further from the lamp's feed. */
    public static Terminal onward(CircuitId circuit, PointId point, Conductor strapper) {
        return new Terminal(of(circuit) + of(point) + "/" + strapper.id() + "/onward");
    }

    /** Where a probe is held at the accessory's front. */
    public static Terminal front(CircuitId circuit, PointId point, Conductor conductor) {
        return new Terminal(of(circuit) + of(point) + "/" + conductor.id() + "/front");
    }

    /** Exposed metal of a point. */
    public static Terminal metalwork(CircuitId circuit, PointId point) {
        return new Terminal(of(circuit) + of(point) + "/metalwork");
    }

    /** From a point's earth terminal to its metalwork. */
    public static BranchId metalworkEarth(CircuitId circuit, PointId point) {
        return new BranchId(of(circuit) + of(point) + "/metalwork-earth");
    }

    /** Insulation between two conductors of a run: of a submain, or of the return leg of a ring. */
    static BranchId runInsulation(CircuitId circuit, Conductor a, Conductor b) {
        return new BranchId(of(circuit) + "/insulation-" + a.id() + "-" + b.id());
    }

    /** Conduit or armour along a submain, or along the return leg of a ring. */
    static BranchId runEnclosure(CircuitId circuit) {
        return new BranchId(of(circuit) + "/enclosure-run");
    }

    public static BranchId partToEarth(BondId bond) {
        return new BranchId(of(bond) + "/part-to-earth");
    }

    /** Conduit or armour at a point. */
    public static Terminal enclosure(CircuitId circuit, PointId point) {
        return new Terminal(of(circuit) + of(point) + "/enclosure");
    }

    public static BranchId enclosureRun(CircuitId circuit, PointId point) {
        return new BranchId(of(circuit) + of(point) + "/enclosure-run");
    }

    /** Where conduit or armour meets the earth terminal of a point. */
    public static BranchId enclosureJoint(CircuitId circuit, PointId point) {
        return new BranchId(of(circuit) + of(point) + "/enclosure-joint");
    }

    /** The joint between a bonding conductor and the MET. */
    public static BranchId bondAtMet(BondId bond) {
        return new BranchId(of(bond) + "/at-met");
    }

    /** The bonding conductor's end at the MET: free once its joint is open. */
    public static Terminal bondMetEnd(BondId bond) {
        return new Terminal(of(bond) + "/met-end");
    }

    public static BranchId bondConductor(BondId bond) {
        return new BranchId(of(bond) + "/conductor");
    }

    /** The clamp itself. */
    public static Terminal clamp(BondId bond) {
        return new Terminal(of(bond) + "/clamp");
    }

    /** Where the clamp bears on the part. */
    public static BranchId clampOnPart(BondId bond) {
        return new BranchId(of(bond) + "/clamp-on-part");
    }

    /** The bare metal of the part beside the clamp. */
    public static Terminal part(BondId bond) {
        return new Terminal(of(bond) + "/part");
    }

    public static BranchId supplementaryBond(BondId bond) {
        return new BranchId("supplementary-" + of(bond) + "/conductor");
    }

    // ids of a file have no colon: what they name can never be taken for a word of the network's own

    private static String of(CircuitId circuit) {
        return "circuit:" + circuit;
    }

    private static String of(PointId point) {
        return "/point:" + point;
    }

    private static String of(BoardId board) {
        return "board:" + board;
    }

    private static String of(SectionId section) {
        return "/section:" + section;
    }

    private static String of(BondId bond) {
        return "bond:" + bond;
    }

    private static BranchId at(CircuitId circuit, PointId point, Conductor conductor, String what) {
        return new BranchId(of(circuit) + of(point) + "/" + conductor.id() + "/" + what);
    }
}
