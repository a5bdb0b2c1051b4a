package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import prantel.core.network.Edit;
import prantel.core.procedure.Caution;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.End;
import prantel.core.procedure.Position;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Practice;

/** The set-ups of the tests as deeds at the rig. Common practice, no source. */
final class SetUps {
    private static final Deed LOADS_OUT = new Deed.TakeLoadsOut(false);
    private static final Deed ALL_LOADS_OUT = new Deed.TakeLoadsOut(true);
    private static final Deed LEADS_NULLED = new Deed.NullLeads(Deed.Leads.PAIR);
    private static final Deed WANDER_ON_MET = new Deed.NullLeads(Deed.Leads.WANDER_ON_MET);
    private static final Deed WANDER_ON_FREE_END = new Deed.NullLeads(Deed.Leads.WANDER_ON_FREE_END);
    private static final Deed EARTH_OFF = new Deed.TakeOut(new End.OfEarthing());
    private static final Deed CAUTION_LIVE = new Deed.Heed(Caution.Usual.LIVE);

    private final Rig rig;
    /** Before every dead test. */
    private final List<Deed> madeDead;
    /** Where the CPC of a circuit in conduit or armour is for method 1. */
    private final Practice.Conduit conduit;

    SetUps(Rig rig) {
        this(rig, Practice.Conduit.ON_BAR);
    }

    SetUps(Rig rig, Practice.Conduit conduit) {
        this.rig = rig;
        this.conduit = conduit;
        this.madeDead = List.of(
                new Deed.MainSwitchOff(rig.origin().id()),
                new Deed.LockOff(rig.origin().id()),
                new Deed.ProveDead(rig.origin().id()));
    }

    /** Line and neutral of a radial out and linked: R1+Rn at its points. */
    SetUp lineToNeutral(Circuit circuit, Conductor line) {
        return dead(
                new Deed.TakeOut(List.of(end(circuit, line), end(circuit, Conductor.NEUTRAL))),
                new Deed.Link(joint(end(circuit, line), end(circuit, Conductor.NEUTRAL))),
                LOADS_OUT,
                LEADS_NULLED,
                probes(ProbesAt.Usual.LINE_AND_NEUTRAL_OF_POINT));
    }

    /** Earthing conductor off the MET, two stakes out in a line. */
    SetUp electrode() {
        return dead(EARTH_OFF, probes(ProbesAt.Usual.STAKES));
    }

    /** Isolated, and only looked at or done. */
    SetUp looked(Caution what) {
        return dead(new Deed.Heed(what));
    }

    /**
     * Line conductor out of its device and into the earth bar: line and CPC are linked at the board. In conduit or armour,
     * whose metal is in parallel, a school may take the CPC off the bar as well and link the two.
     */
    SetUp method1(Circuit circuit, Conductor line, Position... more) {
        boolean enclosed = circuit.cable().enclosure().isPresent();
        List<Deed> deeds = new ArrayList<>(
                enclosed && conduit == Practice.Conduit.OFF_BAR
                        ? linkedOffBar(circuit, line)
                        : linkedOnBar(circuit, line));
        deeds.add(LOADS_OUT);
        if (enclosed && conduit == Practice.Conduit.EITHER) {
            deeds.add(new Deed.Heed(Caution.Usual.CPC_OFF_BAR_AS_WELL));
        }
        Stream.of(more).map(Deed.Operate::new).forEach(deeds::add);
        deeds.add(LEADS_NULLED);
        deeds.add(probes(ProbesAt.Usual.LINE_AND_EARTH_OF_POINT));
        return dead(deeds);
    }

    private static List<Deed> linkedOnBar(Circuit circuit, Conductor line) {
        return List.of(
                new Deed.TakeOut(end(circuit, line)),
                new Deed.Link(new Deed.Joint(
                        new Contact.AtEnd(end(circuit, line)),
                        new Contact.EarthBar(circuit.way().board()))));
    }

    private static List<Deed> linkedOffBar(Circuit circuit, Conductor line) {
        return List.of(
                new Deed.TakeOut(List.of(end(circuit, line), end(circuit, Conductor.CPC))),
                new Deed.Link(joint(end(circuit, line), end(circuit, Conductor.CPC))));
    }

    /** Nothing moved: wander lead on the MET, the other on the CPC of the point. */
    SetUp method2(Circuit circuit) {
        return dead(deviceOff(circuit), WANDER_ON_MET, probes(ProbesAt.Usual.EARTH_OF_POINT));
    }

    /** One end of the bond off the MET, so that only this conductor is measured. */
    SetUp bond(MainBond bond) {
        return dead(new Deed.TakeOut(new End.OfBond(bond.id())), WANDER_ON_FREE_END);
    }

    SetUp bondInPlace(MainBond bond) {
        return dead(new Deed.Heed(new Caution.BondStays(bond.id())), WANDER_ON_MET);
    }

    /** From a point to a bonded part beside it. */
    SetUp supplementaryBond() {
        return dead(probes(ProbesAt.Usual.EARTH_AND_PART));
    }

    SetUp earthingConductor() {
        return dead(EARTH_OFF, WANDER_ON_FREE_END, probes(ProbesAt.Usual.SUPPLY_EARTH));
    }

    /** All six ends of the ring apart. */
    SetUp ringOpened(Ring ring) {
        return dead(endsOut(ring), LEADS_NULLED);
    }

    /** Line of one leg with the other conductor of the other leg, both pairs. */
    SetUp ringCrossed(Ring ring, Conductor with) {
        return dead(endsOut(ring), new Deed.Cross(ring.id(), with));
    }

    private static Deed endsOut(Ring ring) {
        return new Deed.TakeOut(ring.conductors().stream()
                .<End>flatMap(c -> Stream.of(end(ring, c), new End.AtBoard(ring.id(), c, true)))
                .toList());
    }

    /**
     * Device off, neutral out of its bar, CPC on the bar so that a leak to metalwork is seen.
     *
     * @param more switches of a round; live conductors joined
     */
    SetUp insulation(Circuit circuit, List<Deed> more) {
        List<Deed> deeds = new ArrayList<>(List.of(
                deviceOff(circuit),
                LOADS_OUT,
                new Deed.TakeOut(
                        circuit instanceof Ring
                                ? List.of(
                                        end(circuit, Conductor.NEUTRAL),
                                        new End.AtBoard(circuit.id(), Conductor.NEUTRAL, true))
                                : List.of(end(circuit, Conductor.NEUTRAL)))));
        deeds.addAll(more);
        deeds.add(new Deed.Heed(Caution.Usual.CPC_ON_BAR));
        deeds.add(probes(ProbesAt.Usual.CONDUCTORS_AT_BOARD));
        return dead(deeds);
    }

    /** All live conductors of a circuit joined, for the test to earth only. */
    static Deed livesJoined(Circuit circuit) {
        return new Deed.Link(circuit.lines().stream()
                .map(l -> joint(end(circuit, l), end(circuit, Conductor.NEUTRAL)))
                .toList());
    }

    /** A section apart from the rest: its RCD off, its devices on. */
    SetUp section(Board board, Board.Section section, List<Deed> more) {
        return together(new Position.Feed(board.id(), section.id(), false), ProbesAt.Usual.SECTION_BARS, more);
    }

    SetUp board(Board board, List<Deed> more) {
        return together(new Position.AllTogether(board.id()), ProbesAt.Usual.BEHIND_MAIN_SWITCH, more);
    }

    private SetUp together(Position position, ProbesAt at, List<Deed> more) {
        List<Deed> deeds = new ArrayList<>(List.of(new Deed.Operate(position), ALL_LOADS_OUT, probes(at)));
        deeds.addAll(more);
        return dead(deeds);
    }

    /** Supply on as far as the main switch of a board, which is off. */
    SetUp atIncoming(Board board, ProbesAt at) {
        return incoming(board, probes(at));
    }

    /** As {@link #atIncoming}, with the main earth connected. */
    SetUp faultCurrent(Board board) {
        return incoming(board, new Deed.Heed(Caution.Usual.PARALLEL_PATHS));
    }

    private SetUp incoming(Board board, Deed last) {
        return new SetUp(
                rig, List.of(CAUTION_LIVE, new Deed.MainSwitchOff(board.id()), new Deed.LockOff(board.id()), last));
    }

    /** As {@link #atIncoming}, with the earthing conductor off the MET. */
    SetUp ze() {
        return new SetUp(
                rig,
                List.of(
                        CAUTION_LIVE,
                        new Deed.MainSwitchOff(rig.origin().id()),
                        new Deed.LockOff(rig.origin().id()),
                        EARTH_OFF,
                        probes(ProbesAt.Usual.INCOMING_AND_FREE_EARTH)));
    }

    /** Everything on and connected, loads out. @param what is done then */
    SetUp live(ProbesAt what) {
        return new SetUp(
                rig,
                List.of(
                        CAUTION_LIVE,
                        new Deed.CloseUp(),
                        new Deed.Energise(rig.origin().id()),
                        probes(what)));
    }

    /** What a position does to the network, for what is operated while it is looked at. */
    List<Edit> edits(Position position) {
        return new DeedEdits(rig).of(new Deed.Operate(position));
    }

    private static Deed deviceOff(Circuit circuit) {
        return new Deed.Operate(new Position.Device(circuit.id(), false));
    }

    private static Deed probes(ProbesAt at) {
        return new Deed.PutProbes(at);
    }

    private static End end(Circuit circuit, Conductor conductor) {
        return new End.AtBoard(circuit.id(), conductor);
    }

    private static Deed.Joint joint(End a, End b) {
        return new Deed.Joint(new Contact.AtEnd(a), new Contact.AtEnd(b));
    }

    private SetUp dead(Deed... deeds) {
        return dead(List.of(deeds));
    }

    private SetUp dead(List<Deed> deeds) {
        List<Deed> all = new ArrayList<>(madeDead);
        all.addAll(deeds);
        return new SetUp(rig, all);
    }
}
