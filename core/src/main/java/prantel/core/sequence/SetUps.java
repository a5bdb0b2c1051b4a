package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.procedure.Action;
import prantel.core.procedure.Action.Part;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Practice;

/** The set-ups of the tests as actions at the compiled rig. Common practice, no source. */
final class SetUps {
    /** Said first in every set-up with the supply on. Common practice, no source; the fused probes: HSE GS38, from memory. */
    private static final Action LIVE_CAUTION = new Action.Heed(
            "Caution, live: supervised and with permission only; fused probes with short tips, covers on where they can"
                    + " be, bystanders out. Local rules and licensed practice come first");

    private static final Action LOADS_OUT = new Action.TakeLoadsOut("Loads out");
    private static final Optional<String> AND = Optional.of(" ");
    private static final Optional<String> COMMA = Optional.of(", ");

    private final Rig rig;
    /** Before every dead test. */
    private final List<Action> madeDead;
    /** Where the CPC of a circuit in conduit or armour is for method 1. */
    private final Practice.Conduit conduit;

    SetUps(Rig rig) {
        this(rig, Practice.Conduit.ON_BAR);
    }

    SetUps(Rig rig, Practice.Conduit conduit) {
        this.rig = rig;
        this.conduit = conduit;
        this.madeDead = List.of(
                new Action.MainSwitchOff("Main switch off", mainSwitchOff(rig.origin())),
                new Action.LockOff(),
                new Action.ProveDead(Isolation.provedDead(rig)));
    }

    /** Line and neutral of a radial out and linked: R1+Rn at its points. */
    SetUp lineToNeutral(Circuit circuit, Conductor line) {
        return dead(List.of(
                new Action.TakeOut(
                        "Line and neutral of " + circuit.label() + " out of their terminals",
                        Part.CONDUCTOR,
                        List.of(
                                new Edit.Open(Places.terminationAtBoard(circuit.id(), line)),
                                new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.NEUTRAL)))),
                new Action.Link(
                        "and linked",
                        List.of(link(
                                Places.cableAtBoard(circuit.id(), line),
                                Places.cableAtBoard(circuit.id(), Conductor.NEUTRAL))),
                        AND),
                LOADS_OUT,
                new Action.NullLeads("Leads nulled"),
                new Action.PutProbes("probes on the line and N of the point", COMMA)));
    }

    /** Earthing conductor off the MET, two stakes out in a line. */
    SetUp electrode() {
        return dead(List.of(
                new Action.TakeOut(
                        "Whole installation isolated; earthing conductor off the MET",
                        Part.EARTHING_CONDUCTOR,
                        List.of(new Edit.Open(Places.EARTHING_CONDUCTOR_AT_MET))),
                new Action.PutProbes(
                        "Earth tester on the free conductor, current stake far out, voltage stake half-way;"
                                + " again with it nearer and further, and the mean written")));
    }

    /** Isolated, and only looked at or done. @param what in words */
    SetUp looked(String what) {
        return dead(List.of(new Action.Heed(what)));
    }

    /**
     * Line conductor out of its device and into the earth bar: line and CPC are linked at the board. In conduit or armour,
     * whose metal is in parallel, a school may take the CPC off the bar as well and link the two.
     */
    SetUp method1(Circuit circuit, Conductor line, List<Action> more) {
        boolean enclosed = circuit.cable().enclosure().isPresent();
        List<Action> actions = new ArrayList<>(
                enclosed && conduit == Practice.Conduit.OFF_BAR
                        ? linkedOffBar(circuit, line)
                        : linkedOnBar(circuit, line));
        actions.add(LOADS_OUT);
        if (enclosed && conduit == Practice.Conduit.EITHER) {
            actions.add(
                    new Action.Heed("Or the CPC off the bar and linked to the line: without the metal in parallel"));
        }
        actions.addAll(more);
        actions.add(new Action.NullLeads("Leads nulled"));
        actions.add(new Action.PutProbes("probes on the line and E of the point", COMMA));
        return dead(actions);
    }

    private List<Action> linkedOnBar(Circuit circuit, Conductor line) {
        return List.of(
                new Action.TakeOut(
                        name(line) + " of " + circuit.label() + " out of its device",
                        Part.CONDUCTOR,
                        List.of(new Edit.Open(Places.terminationAtBoard(circuit.id(), line)))),
                new Action.Link(
                        "and into the earth bar",
                        List.of(link(
                                Places.cableAtBoard(circuit.id(), line),
                                Places.earthBar(circuit.way().board()))),
                        AND));
    }

    private List<Action> linkedOffBar(Circuit circuit, Conductor line) {
        return List.of(
                new Action.TakeOut(
                        name(line) + " of " + circuit.label() + " out of its device, CPC off the earth bar",
                        Part.CONDUCTOR,
                        List.of(
                                new Edit.Open(Places.terminationAtBoard(circuit.id(), line)),
                                new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.CPC)))),
                new Action.Link(
                        "and both linked",
                        List.of(link(
                                Places.cableAtBoard(circuit.id(), line),
                                Places.cableAtBoard(circuit.id(), Conductor.CPC))),
                        COMMA));
    }

    private static String name(Conductor line) {
        return line == Conductor.LINE ? "Line" : line.word();
    }

    /** Nothing moved: wander lead on the MET, the other on the CPC of the point. */
    SetUp method2(Circuit circuit) {
        return dead(List.of(
                new Action.Operate("Breaker off", devicesOff(circuit)),
                new Action.NullLeads("Wander lead on the MET and nulled with it"),
                new Action.PutProbes("The other lead on E of the point")));
    }

    /** One end of the bond off the MET, so that only this conductor is measured. */
    SetUp bond(MainBond bond) {
        return dead(List.of(
                new Action.TakeOut(
                        "Whole installation isolated; bond to the " + bond.part() + " off the MET",
                        Part.BOND,
                        List.of(new Edit.Open(Places.bondAtMet(bond.id())))),
                new Action.NullLeads("Wander lead on the free end and nulled with it")));
    }

    SetUp bondInPlace(MainBond bond) {
        return dead(List.of(
                new Action.Heed("Whole installation isolated; the bond to the " + bond.part() + " stays connected"),
                new Action.NullLeads("Wander lead on the MET and nulled with it")));
    }

    /** @param probes where they go */
    SetUp nothingMoved(String probes) {
        return dead(List.of(new Action.PutProbes(probes)));
    }

    SetUp earthingConductor() {
        return dead(List.of(
                new Action.TakeOut(
                        "Whole installation isolated; earthing conductor off the MET",
                        Part.EARTHING_CONDUCTOR,
                        List.of(new Edit.Open(Places.EARTHING_CONDUCTOR_AT_MET))),
                new Action.NullLeads(
                        "Wander lead on the free end and nulled with it, the other on the supply's earth terminal")));
    }

    /** All six ends of the ring apart. */
    SetUp ringOpened(Ring ring) {
        return dead(List.of(endsOut(ring), new Action.NullLeads("Leads nulled")));
    }

    /** Line of one leg with the other conductor of the other leg, both pairs. */
    SetUp ringCrossed(Ring ring, Conductor with) {
        return dead(List.of(
                endsOut(ring),
                new Action.Cross(
                        "Line of each leg joined with the " + with.word() + " of the other leg",
                        List.of(
                                joined(ring, Conductor.LINE, false, with, true),
                                joined(ring, Conductor.LINE, true, with, false)))));
    }

    private static Action endsOut(Ring ring) {
        List<Edit> edits = new ArrayList<>();
        for (Conductor conductor : ring.conductors()) {
            edits.add(new Edit.Open(Places.terminationAtBoard(ring.id(), conductor)));
            edits.add(new Edit.Open(Places.secondTerminationAtBoard(ring.id(), conductor)));
        }
        return new Action.TakeOut("All six ends of " + ring.label() + " out of their terminals", Part.CONDUCTOR, edits);
    }

    private Edit joined(Ring ring, Conductor a, boolean aSecond, Conductor b, boolean bSecond) {
        return new Edit.Bridge(end(ring, a, aSecond), end(ring, b, bSecond), 2 * jointOhms());
    }

    private static Terminal end(Ring ring, Conductor conductor, boolean second) {
        return second ? Places.secondCableAtBoard(ring.id(), conductor) : Places.cableAtBoard(ring.id(), conductor);
    }

    /** Device off, neutral out of its bar, CPC on the bar so that a leak to metalwork is seen. */
    SetUp insulation(Circuit circuit, List<Action> more) {
        List<Edit> neutral = new ArrayList<>();
        neutral.add(new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.NEUTRAL)));
        if (circuit instanceof Ring) {
            neutral.add(new Edit.Open(Places.secondTerminationAtBoard(circuit.id(), Conductor.NEUTRAL)));
        }
        List<Action> actions = new ArrayList<>(List.of(
                new Action.Operate("Breaker off", devicesOff(circuit)),
                LOADS_OUT,
                new Action.TakeOut("Neutral of " + circuit.label() + " out of its bar", Part.CONDUCTOR, neutral)));
        actions.addAll(more);
        actions.add(new Action.Heed("CPC on the earth bar"));
        actions.add(new Action.PutProbes("probes on the conductors at the board", Optional.of("; ")));
        return dead(actions);
    }

    /** All live conductors of a circuit joined, for the test to earth only. */
    Action livesJoined(Circuit circuit) {
        List<Edit> edits = new ArrayList<>();
        for (Conductor line : circuit.lines()) {
            edits.add(link(
                    Places.cableAtBoard(circuit.id(), line), Places.cableAtBoard(circuit.id(), Conductor.NEUTRAL)));
        }
        return new Action.Link("Line and neutral joined at the board", edits);
    }

    /** A firm link for a test. */
    Edit link(Terminal a, Terminal b) {
        return new Edit.Bridge(a, b, jointOhms());
    }

    /** A section apart from the rest: its RCD off, its devices on. */
    SetUp section(Board board, Board.Section section, List<Conductor> poles, List<Action> more) {
        List<Edit> edits = new ArrayList<>();
        poles.forEach(p -> edits.add(new Edit.Open(Places.feed(board.id(), section.id(), p))));
        List<Action> actions = new ArrayList<>(List.of(
                new Action.Operate(section.label() + ": feed off, all its devices on", edits),
                new Action.TakeLoadsOut("Loads and surge protection out"),
                new Action.PutProbes("Probes on the section's line bar, neutral bar and the earth bar")));
        actions.addAll(more);
        return dead(actions);
    }

    SetUp board(Board board, List<Action> more) {
        List<Edit> edits = board.id().equals(rig.origin().id()) ? List.of() : mainSwitchOff(board);
        List<Action> actions = new ArrayList<>(List.of(
                new Action.Operate("All devices of " + board.label() + " on, its main switch off", edits),
                new Action.TakeLoadsOut("Loads and surge protection out"),
                new Action.PutProbes("Probes behind the main switch and on the earth bar")));
        actions.addAll(more);
        return dead(actions);
    }

    List<Conductor> poles(Board board) {
        List<Conductor> poles = new ArrayList<>(lines(board));
        poles.add(Conductor.NEUTRAL);
        return poles;
    }

    List<Conductor> lines(Board board) {
        return rig.isThreePhase(board.id()) ? Conductor.THREE_LINES : List.of(Conductor.LINE);
    }

    /** Supply on as far as the main switch of a board, which is off. @param probes where they go */
    SetUp atIncoming(Board board, String probes) {
        return new SetUp(List.of(
                LIVE_CAUTION,
                new Action.MainSwitchOff("Supply on, main switch of " + board.label() + " off", mainSwitchOff(board)),
                new Action.LockOff(),
                new Action.PutProbes(probes)));
    }

    /** As {@link #atIncoming}, with the earthing conductor off the MET. */
    SetUp ze() {
        return new SetUp(List.of(
                LIVE_CAUTION,
                new Action.MainSwitchOff(
                        "Whole installation off but for the incoming supply", mainSwitchOff(rig.origin())),
                new Action.LockOff(),
                new Action.TakeOut(
                        "Earthing conductor off the MET; goes back at once afterwards",
                        Part.EARTHING_CONDUCTOR,
                        List.of(new Edit.Open(Places.EARTHING_CONDUCTOR_AT_MET))),
                new Action.PutProbes("Probes on the incoming line and the free earthing conductor")));
    }

    /** Everything on and connected, loads out. @param what is done then */
    SetUp live(String what) {
        return new SetUp(List.of(
                LIVE_CAUTION,
                new Action.Reinstate("Everything connected and closed up, earth on the MET"),
                new Action.Energise("supply on"),
                new Action.PutProbes(what)));
    }

    List<Edit> mainSwitchOff(Board board) {
        return poles(board).stream()
                .<Edit>map(p -> new Edit.Open(Places.mainSwitch(board.id(), p)))
                .toList();
    }

    private static List<Edit> devicesOff(Circuit circuit) {
        List<Edit> edits = new ArrayList<>();
        circuit.lines().forEach(l -> edits.add(new Edit.Open(Places.breaker(circuit.id(), l))));
        if (circuit.device().residual().isPresent()) {
            edits.add(new Edit.Open(Places.breaker(circuit.id(), Conductor.NEUTRAL)));
        }
        return edits;
    }

    private double jointOhms() {
        return rig.workmanship().terminationMilliohms() / 1000;
    }

    private SetUp dead(List<Action> actions) {
        List<Action> all = new ArrayList<>(madeDead);
        all.addAll(actions);
        return new SetUp(all);
    }
}
