package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.InsulationMinimum;
import prantel.core.limits.Limit;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Insulation per pair, per switch round, per section and of a whole board. */
final class InsulationSlots {
    private final Rig rig;
    private final Headings headings;
    private final Scheme scheme;
    private final SetUps setUps;
    /** The same at every voltage. */
    private final Map<Round, SetUp> known = new HashMap<>();

    private record Round(CircuitId circuit, int round) {}

    InsulationSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
    }

    List<Slot> circuits() {
        List<Slot> slots = new ArrayList<>();
        for (int volts : scheme.practice().insulation().volts()) {
            rig.atBoardVoltage().forEach(c -> slots.addAll(circuit(c, volts)));
        }
        rig.circuits().stream()
                .filter(c -> c.nature().isSeparated())
                .forEach(c -> slots.addAll(circuit(c, c.nature().insulationVolts())));
        return slots;
    }

    private List<Slot> circuit(Circuit circuit, int volts) {
        List<Slot> slots = new ArrayList<>();
        boolean rounds = hasRounds(circuit);
        for (int round : roundsOf(circuit)) {
            SetUp setUp = known.computeIfAbsent(new Round(circuit.id(), round), r -> setUp(circuit, round));
            for (Conductor[] pair : pairs(circuit.lines())) {
                slots.add(slot(
                        BoxAddress.of(TestKind.INSULATION, Quantity.INSULATION, new Site.Whole(circuit.id()))
                                .between(pair)
                                .at(volts, rounds ? round + 1 : 0),
                        setUp,
                        atBoard(circuit, pair[0]),
                        atBoard(circuit, pair[1]),
                        limit(circuit, volts)));
            }
        }
        if (rounds && scheme.isOneFigure(TestKind.INSULATION)) {
            for (Conductor[] pair : pairs(circuit.lines())) {
                slots.add(lowestOfRounds(circuit, volts, pair, slots));
            }
        }
        return slots;
    }

    /** The insulation of a pair is as good as in its worst round. */
    private Slot lowestOfRounds(Circuit circuit, int volts, Conductor[] pair, List<Slot> rounds) {
        return new Slot.Composed(
                headings.of(BoxAddress.of(TestKind.INSULATION, Quantity.INSULATION, new Site.Whole(circuit.id()))
                        .between(pair)
                        .at(volts, 0)
                        .forTheRecord()),
                Slot.Rule.LOWEST,
                rounds.stream()
                        .filter(s -> s.address().detail().conductors().equals(List.of(pair))
                                && s.address().detail().round() > 0)
                        .map(Slot::id)
                        .toList(),
                limit(circuit, volts));
    }

    private SetUp setUp(Circuit circuit, int round) {
        List<Deed> more = new ArrayList<>();
        if (hasRounds(circuit)) {
            more.add(new Deed.Operate(new Position.Round(circuit.id(), round)));
        }
        if (isJoined()) {
            more.add(SetUps.livesJoined(circuit));
        }
        return setUps.insulation(circuit, more);
    }

    private static boolean hasRounds(Circuit circuit) {
        return circuit instanceof Lighting lighting && LightStates.rounds(lighting) > 1;
    }

    private List<Integer> roundsOf(Circuit circuit) {
        if (!(circuit instanceof Lighting lighting)) {
            return List.of(0);
        }
        int count = LightStates.rounds(lighting);
        if (scheme.practice().insulation().rounds() == Practice.Rounds.FIRST_AND_LAST && count > 1) {
            return List.of(0, count - 1);
        }
        return java.util.stream.IntStream.range(0, count).boxed().toList();
    }

    /** Every two of lines, neutral and CPC; with live conductors joined only one of them to the CPC. */
    private List<Conductor[]> pairs(List<Conductor> lines) {
        List<Conductor[]> pairs = new ArrayList<>();
        if (isJoined()) {
            pairs.add(new Conductor[] {lines.getFirst(), CPC});
            return pairs;
        }
        List<Conductor> all = new ArrayList<>(lines);
        all.add(NEUTRAL);
        all.add(CPC);
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                pairs.add(new Conductor[] {all.get(i), all.get(j)});
            }
        }
        return pairs;
    }

    /** All circuits of a section together, then of a board: the parallel value. */
    List<Slot> boards() {
        int volts = scheme.practice().insulation().judgedVolts();
        List<Slot> slots = new ArrayList<>();
        for (Board board : rig.boards()) {
            List<Conductor> poles = rig.poles(board.id());
            if (board.sections().size() > 1) {
                for (Board.Section section : board.sections()) {
                    addAll(
                            slots,
                            new Site.AtSection(board.id(), section.id()),
                            volts,
                            setUps.section(
                                    board, section, joined(poles, c -> new Contact.Bar(board.id(), section.id(), c))),
                            poles,
                            c -> Places.bar(board.id(), section.id(), c),
                            board);
                }
            }
            addAll(
                    slots,
                    new Site.AtBoard(board.id()),
                    volts,
                    setUps.board(board, joined(poles, c -> new Contact.BehindMainSwitch(board.id(), c))),
                    poles,
                    c -> Places.behindMainSwitch(board.id(), c),
                    board);
        }
        return slots;
    }

    /** Where the school joins live conductors for the test, all poles of the board joined as well. */
    private List<Deed> joined(List<Conductor> poles, java.util.function.Function<Conductor, Contact> bar) {
        if (!isJoined()) {
            return List.of();
        }
        return List.of(new Deed.Link(poles.subList(1, poles.size()).stream()
                .map(p -> new Deed.Joint(bar.apply(poles.getFirst()), bar.apply(p)))
                .toList()));
    }

    private void addAll(
            List<Slot> slots,
            Site site,
            int volts,
            SetUp setUp,
            List<Conductor> poles,
            java.util.function.Function<Conductor, Terminal> bar,
            Board board) {
        for (Conductor[] pair : pairs(poles.subList(0, poles.size() - 1))) {
            slots.add(slot(
                    BoxAddress.of(TestKind.INSULATION_BOARD, Quantity.INSULATION, site)
                            .between(pair)
                            .at(volts, 0),
                    setUp,
                    bar.apply(pair[0]),
                    pair[1] == CPC ? Places.earthBar(board.id()) : bar.apply(pair[1]),
                    Optional.of(Limit.atLeast(InsulationMinimum.UP_TO_500_VOLTS_OHMS, InsulationMinimum.SOURCE, ""))));
        }
    }

    private Slot slot(BoxAddress address, SetUp setUp, Terminal a, Terminal b, Optional<Limit> limit) {
        return new Slot.Measured(
                headings.of(address),
                new Measurement.TwoProbe(Function.insulation(address.detail().volts()), a, b),
                setUp,
                limit,
                Optional.empty());
    }

    /** A separated circuit is judged at the voltage of its nature, any other at the last of the scheme's. */
    private Optional<Limit> limit(Circuit circuit, int volts) {
        boolean judged = circuit.nature().isSeparated()
                || volts == scheme.practice().insulation().judgedVolts();
        return judged
                ? Optional.of(Limit.atLeast(circuit.nature().leastInsulationOhms(), InsulationMinimum.SOURCE, ""))
                : Optional.empty();
    }

    private static Terminal atBoard(Circuit circuit, Conductor conductor) {
        return conductor == CPC ? Places.earthBar(circuit.way().board()) : Places.cableAtBoard(circuit.id(), conductor);
    }

    private boolean isJoined() {
        return scheme.practice().insulation().pairs() == Practice.Pairs.JOINED_TO_EARTH;
    }
}
