package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import prantel.core.network.Edit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;

/** The set-ups of the tests as edits of the compiled rig. Common practice, no source. */
final class SetUps {
    /** Said first in every set-up with the supply on. Common practice, no source; the fused probes: HSE GS38, from memory. */
    private static final String LIVE_CAUTION =
            "Caution, live: supervised and with permission only; fused probes with short tips, covers on where they can"
                    + " be, bystanders out. Local rules and licensed practice come first";

    private final Rig rig;
    /** Of every dead test. */
    private final List<Edit> isolation;

    SetUps(Rig rig) {
        this.rig = rig;
        this.isolation = mainSwitchOff(rig.origin());
    }

    /** Line conductor out of its device and into the earth bar: line and CPC are linked at the board. */
    SetUp method1(Circuit circuit, Conductor line, List<String> moreSteps, List<Edit> moreEdits) {
        List<Edit> edits = new ArrayList<>(moreEdits);
        edits.add(new Edit.Open(Places.terminationAtBoard(circuit.id(), line)));
        edits.add(new Edit.Bridge(
                Places.cableAtBoard(circuit.id(), line),
                Places.earthBar(circuit.way().board()),
                jointOhms()));
        String name = line == Conductor.LINE ? "Line" : line.word();
        List<String> steps = new ArrayList<>(
                List.of(name + " of " + circuit.label() + " out of its device and into the earth bar", "Loads out"));
        steps.addAll(moreSteps);
        steps.add("Leads nulled, probes on the line and E of the point");
        return dead(steps, edits);
    }

    /** Nothing moved: wander lead on the MET, the other on the CPC of the point. */
    SetUp method2(Circuit circuit) {
        return dead(
                List.of("Wander lead on the MET and nulled with it", "The other lead on E of the point"),
                devicesOff(circuit));
    }

    /** One end of the bond off the MET, so that only this conductor is measured. */
    SetUp bond(MainBond bond) {
        return dead(
                List.of(
                        "Whole installation isolated; bond to the " + bond.part() + " off the MET",
                        "Wander lead on the free end and nulled with it"),
                List.of(new Edit.Open(Places.bondAtMet(bond.id()))));
    }

    SetUp bondInPlace(MainBond bond) {
        return dead(
                List.of(
                        "Whole installation isolated; the bond to the " + bond.part() + " stays connected",
                        "Wander lead on the MET and nulled with it"),
                List.of());
    }

    SetUp nothingMoved(String step) {
        return dead(List.of(step), List.of());
    }

    SetUp earthingConductor() {
        return dead(
                List.of(
                        "Whole installation isolated; earthing conductor off the MET",
                        "Wander lead on the free end and nulled with it, the other on the supply's earth terminal"),
                List.of(new Edit.Open(Places.EARTHING_CONDUCTOR_AT_MET)));
    }

    /** All six ends of the ring apart. */
    SetUp ringOpened(Ring ring) {
        return dead(List.of("All six ends of " + ring.label() + " out of their terminals", "Leads nulled"), ends(ring));
    }

    /** Line of one leg with the other conductor of the other leg, both pairs. */
    SetUp ringCrossed(Ring ring, Conductor with) {
        List<Edit> edits = new ArrayList<>(ends(ring));
        edits.add(joined(ring, Conductor.LINE, false, with, true));
        edits.add(joined(ring, Conductor.LINE, true, with, false));
        return dead(
                List.of(
                        "All six ends of " + ring.label() + " out of their terminals",
                        "Line of each leg joined with the " + with.word() + " of the other leg"),
                edits);
    }

    private Edit joined(Ring ring, Conductor a, boolean aSecond, Conductor b, boolean bSecond) {
        return new Edit.Bridge(end(ring, a, aSecond), end(ring, b, bSecond), 2 * jointOhms());
    }

    private static prantel.core.network.Terminal end(Ring ring, Conductor conductor, boolean second) {
        return second ? Places.secondCableAtBoard(ring.id(), conductor) : Places.cableAtBoard(ring.id(), conductor);
    }

    private static List<Edit> ends(Ring ring) {
        List<Edit> edits = new ArrayList<>();
        for (Conductor conductor : ring.conductors()) {
            edits.add(new Edit.Open(Places.terminationAtBoard(ring.id(), conductor)));
            edits.add(new Edit.Open(Places.secondTerminationAtBoard(ring.id(), conductor)));
        }
        return edits;
    }

    /** Device off, neutral out of its bar, CPC on the bar so that a leak to metalwork is seen. */
    SetUp insulation(Circuit circuit, List<String> moreSteps, List<Edit> moreEdits) {
        List<Edit> edits = new ArrayList<>(devicesOff(circuit));
        edits.add(new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.NEUTRAL)));
        if (circuit instanceof Ring) {
            edits.add(new Edit.Open(Places.secondTerminationAtBoard(circuit.id(), Conductor.NEUTRAL)));
        }
        edits.addAll(moreEdits);
        List<String> steps =
                new ArrayList<>(List.of("Breaker off, loads out, neutral of " + circuit.label() + " out of its bar"));
        steps.addAll(moreSteps);
        steps.add("CPC on the earth bar; probes on the conductors at the board");
        return dead(steps, edits);
    }

    /** All live conductors of a circuit joined, for the test to earth only. */
    List<Edit> livesJoined(Circuit circuit) {
        List<Edit> edits = new ArrayList<>();
        for (Conductor line : circuit.lines()) {
            edits.add(new Edit.Bridge(
                    Places.cableAtBoard(circuit.id(), line),
                    Places.cableAtBoard(circuit.id(), Conductor.NEUTRAL),
                    jointOhms()));
        }
        return edits;
    }

    /** A firm link for a test. */
    Edit link(prantel.core.network.Terminal a, prantel.core.network.Terminal b) {
        return new Edit.Bridge(a, b, jointOhms());
    }

    /** A section apart from the rest: its RCD off, its devices on. */
    SetUp section(Board board, Board.Section section, List<Conductor> poles) {
        List<Edit> edits = new ArrayList<>();
        poles.forEach(p -> edits.add(new Edit.Open(Places.feed(board.id(), section.id(), p))));
        return dead(
                List.of(
                        section.label() + ": feed off, all its devices on, loads and surge protection out",
                        "Probes on the section's line bar, neutral bar and the earth bar"),
                edits);
    }

    SetUp board(Board board) {
        List<Edit> edits = new ArrayList<>();
        if (!board.id().equals(rig.origin().id())) {
            poles(board).forEach(p -> edits.add(new Edit.Open(Places.mainSwitch(board.id(), p))));
        }
        return dead(
                List.of(
                        "All devices of " + board.label() + " on, its main switch off, loads and surge protection out",
                        "Probes behind the main switch and on the earth bar"),
                edits);
    }

    List<Conductor> poles(Board board) {
        List<Conductor> poles = new ArrayList<>(lines(board));
        poles.add(Conductor.NEUTRAL);
        return poles;
    }

    List<Conductor> lines(Board board) {
        return rig.isThreePhase(board.id()) ? Conductor.THREE_LINES : List.of(Conductor.LINE);
    }

    /** Supply on as far as the main switch of a board, which is off. */
    SetUp atIncoming(Board board, String step) {
        return new SetUp(
                List.of(LIVE_CAUTION, "Supply on, main switch of " + board.label() + " off and locked", step),
                mainSwitchOff(board),
                List.of());
    }

    /** As {@link #atIncoming}, with the earthing conductor off the MET. */
    SetUp ze() {
        return new SetUp(
                List.of(
                        LIVE_CAUTION,
                        "Whole installation off and locked but for the incoming supply",
                        "Earthing conductor off the MET; goes back at once afterwards",
                        "Probes on the incoming line and the free earthing conductor"),
                isolation,
                List.of(new Edit.Open(Places.EARTHING_CONDUCTOR_AT_MET)));
    }

    /** Everything on and connected, loads out. */
    SetUp live(String step) {
        return new SetUp(
                List.of(LIVE_CAUTION, "Everything connected and closed up, earth on the MET, supply on", step),
                List.of(),
                List.of());
    }

    private List<Edit> mainSwitchOff(Board board) {
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

    private SetUp dead(List<String> steps, List<Edit> edits) {
        List<String> words = new ArrayList<>(List.of("Main switch off, locked, " + Isolation.provedDead(rig)));
        words.addAll(steps);
        return new SetUp(words, isolation, edits);
    }
}
