package prantel.core.rig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/**
 * A training rig: everything on the wall that a reading depends on. Immutable; a change makes another version.
 *
 * @param nameplate what it is called
 * @param intake what it is supplied by and earthed with
 * @param boards the first one is at the origin; each other one is fed by exactly one {@link Submain}
 * @param relays what its fault box can set; empty for a rig without one
 */
public record Rig(
        Nameplate nameplate,
        Intake intake,
        Workmanship workmanship,
        List<Board> boards,
        List<Circuit> circuits,
        List<Relay> relays) {
    private static final int MOST_COMMENT = 4000;

    /** @param comments for people; empty for none */
    public record Nameplate(String id, String name, String comments) {
        public Nameplate {
            Check.id(id, "id");
            Check.name(name, "name");
            Check.text(comments, MOST_COMMENT, "comments");
        }
    }

    /** What comes in at the origin of the installation, and its earth. */
    public record Intake(Supply supply, MainEarthing earthing) {}

    public Rig {
        boards = List.copyOf(boards);
        circuits = List.copyOf(circuits);
        relays = List.copyOf(relays);
        Check.distinct(relays, r -> String.valueOf(r.number()), "faultBox", "relay");
        Check.that(!boards.isEmpty(), "bad-count", "boards", "no board", "give at least one board");
        Check.that(!circuits.isEmpty(), "bad-count", "circuits", "no circuit", "give at least one circuit");
        Check.distinct(boards, b -> b.id().value(), "boards");
        Check.distinct(circuits, c -> c.id().value(), "circuits");
        List<Problem> problems = new ArrayList<>();
        checkWays(boards, circuits, problems);
        checkPhases(intake.supply(), circuits, problems);
        checkFeeds(boards, circuits, problems);
        checkNames(boards, circuits, problems);
        ProblemsException.throwIfAny(problems);
        checkSupplementaryBonds(intake.earthing(), circuits);
    }

    public String id() {
        return nameplate.id();
    }

    public String name() {
        return nameplate.name();
    }

    public String comments() {
        return nameplate.comments();
    }

    public Supply supply() {
        return intake.supply();
    }

    public MainEarthing earthing() {
        return intake.earthing();
    }

    /** Circuits whose conductors are the board's own: all but those behind a separating transformer. */
    public List<Circuit> atBoardVoltage() {
        return circuits.stream().filter(c -> !c.nature().isSeparated()).toList();
    }

    private static void checkWays(List<Board> boards, List<Circuit> circuits, List<Problem> problems) {
        Map<List<Object>, CircuitId> ways = new HashMap<>();
        for (int i = 0; i < circuits.size(); i++) {
            Way way = circuits.get(i).way();
            CircuitId first = ways.putIfAbsent(
                    List.of(way.board(), way.number()), circuits.get(i).id());
            if (first != null) {
                problems.add(new Problem(
                        "way-taken",
                        "circuits/" + i + "/way",
                        String.valueOf(way.number()),
                        "circuit " + first + " is on that way; give each circuit its own"));
            }
            Board board = boards.stream()
                    .filter(b -> b.id().equals(way.board()))
                    .findFirst()
                    .orElse(null);
            if (board == null) {
                problems.add(new Problem(
                        "unknown-board",
                        "circuits/" + i + "/board",
                        Check.quoted(way.board().value()),
                        "give one of "
                                + boards.stream().map(b -> b.id().value()).collect(Collectors.joining(", "))));
            } else if (board.sections().stream().noneMatch(s -> s.id().equals(way.section()))) {
                problems.add(new Problem(
                        "unknown-section",
                        "circuits/" + i + "/section",
                        Check.quoted(way.section().value()),
                        "give one of "
                                + board.sections().stream()
                                        .map(s -> s.id().value())
                                        .collect(Collectors.joining(", "))));
            }
        }
    }

    private static void checkPhases(Supply supply, List<Circuit> circuits, List<Problem> problems) {
        if (supply.isThreePhase()) {
            return;
        }
        for (int i = 0; i < circuits.size(); i++) {
            if (circuits.get(i).isThreePhase() || circuits.get(i).way().phase() > 1) {
                problems.add(new Problem(
                        "no-such-phase",
                        "circuits/" + i + "/phase",
                        circuits.get(i).label(),
                        "the supply has one line: give it three, or put the circuit on phase 1"));
            }
        }
    }

    private static void checkFeeds(List<Board> boards, List<Circuit> circuits, List<Problem> problems) {
        for (int b = 0; b < boards.size(); b++) {
            BoardId id = boards.get(b).id();
            long feeds = circuits.stream()
                    .filter(c -> c instanceof Submain s && s.feeds().equals(id))
                    .count();
            if (feeds != (b == 0 ? 0 : 1)) {
                problems.add(new Problem(
                        "bad-feed",
                        "boards/" + b,
                        Check.quoted(id.value()) + ", fed by " + feeds + " submains",
                        b == 0
                                ? "the first board is at the origin: no submain feeds it"
                                : "give exactly one submain that feeds it"));
            }
        }
        for (int i = 0; i < circuits.size(); i++) {
            if (circuits.get(i) instanceof Submain submain) {
                int from = indexOf(boards, submain.way().board());
                int to = indexOf(boards, submain.feeds());
                if (to < 0 || from >= to) {
                    problems.add(new Problem(
                            "bad-feed",
                            "circuits/" + i + "/feeds",
                            Check.quoted(submain.feeds().value()),
                            "name a board that stands later in the list than the one it starts from"));
                }
            }
        }
    }

    /** Boards, circuits and the origin share one name space in fault sets. */
    private static void checkNames(List<Board> boards, List<Circuit> circuits, List<Problem> problems) {
        java.util.Set<String> taken = new java.util.HashSet<>(
                List.of("supply", "bond", "residual", "supplementary-bond", "earthing-conductor"));
        for (int i = 0; i < boards.size(); i++) {
            String id = boards.get(i).id().value();
            if (!taken.add(id)) {
                problems.add(new Problem(
                        "name-taken",
                        "boards/" + i + "/id",
                        Check.quoted(id),
                        "fault sets call something at the origin so; give the board another id"));
            }
        }
        for (int i = 0; i < circuits.size(); i++) {
            String id = circuits.get(i).id().value();
            if (taken.contains(id)) {
                problems.add(new Problem(
                        "name-taken",
                        "circuits/" + i + "/id",
                        Check.quoted(id),
                        "a board or the origin has that id; give the circuit another"));
            }
        }
    }

    private static int indexOf(List<Board> boards, BoardId id) {
        for (int i = 0; i < boards.size(); i++) {
            if (boards.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    private static void checkSupplementaryBonds(MainEarthing earthing, List<Circuit> circuits) {
        for (int i = 0; i < earthing.supplementaryBonds().size(); i++) {
            SupplementaryBond bond = earthing.supplementaryBonds().get(i);
            String where = "supplementaryBonds/" + i;
            Check.that(
                    earthing.bonds().stream().anyMatch(b -> b.id().equals(bond.part())),
                    "unknown-bond",
                    where + "/part",
                    Check.quoted(bond.part().value()),
                    "name a main bond of this rig: its part is what is bonded");
            Check.that(
                    circuits.stream()
                            .anyMatch(c -> c.id().equals(bond.circuit())
                                    && c.points().stream().anyMatch(p -> p.id().equals(bond.point()))),
                    "unknown-point",
                    where + "/point",
                    Check.quoted(bond.circuit() + "/" + bond.point()),
                    "name a circuit and one of its points");
        }
    }

    /** The same rig with another device in front of a circuit. */
    public Rig withDevice(CircuitId wanted, Device device) {
        List<Circuit> changed = circuits.stream()
                .map(c -> c.id().equals(wanted) ? c.with(device) : c)
                .toList();
        return new Rig(nameplate, intake, workmanship, boards, changed, relays);
    }

    public List<MainBond> bonds() {
        return earthing().bonds();
    }

    /** The board at the origin. */
    public Board origin() {
        return boards.getFirst();
    }

    public Board board(BoardId wanted) {
        return boards.get(indexOf(boards, wanted));
    }

    /** The submain that feeds a board; empty for the origin. */
    public java.util.Optional<Submain> feedOf(BoardId board) {
        for (Circuit circuit : circuits) {
            if (circuit instanceof Submain submain && submain.feeds().equals(board)) {
                return java.util.Optional.of(submain);
            }
        }
        return java.util.Optional.empty();
    }

    /** Whether every line arrives at a board. */
    public boolean isThreePhase(BoardId board) {
        return feedOf(board).map(Circuit::isThreePhase).orElse(supply().isThreePhase());
    }

    /** The lines that arrive at a board. */
    public List<Conductor> lines(BoardId board) {
        return isThreePhase(board) ? Conductor.THREE_LINES : List.of(Conductor.LINE);
    }

    /** The poles of a board: its lines and the neutral. */
    public List<Conductor> poles(BoardId board) {
        List<Conductor> poles = new ArrayList<>(lines(board));
        poles.add(Conductor.NEUTRAL);
        return poles;
    }

    /** Circuits of a section, in order of their ways. */
    public List<Circuit> circuitsOf(BoardId board, SectionId section) {
        return circuits.stream()
                .filter(c -> c.way().board().equals(board) && c.way().section().equals(section))
                .sorted(java.util.Comparator.comparingInt(c -> c.way().number()))
                .toList();
    }

    /** @throws ProblemsException if the rig has no such circuit, naming those it has */
    public Circuit circuit(CircuitId wanted) {
        return circuits.stream()
                .filter(c -> c.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-circuit",
                        "circuit",
                        Check.quoted(wanted.value()),
                        "give a circuit of rig " + id() + ": "
                                + circuits.stream().map(c -> c.id().value()).collect(Collectors.joining(", ")))));
    }

    /** @throws ProblemsException if the rig has no such bond, naming those it has */
    public MainBond bond(BondId wanted) {
        return bonds().stream()
                .filter(b -> b.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-bond",
                        "bond",
                        Check.quoted(wanted.value()),
                        "give a bond of rig " + id() + ": "
                                + bonds().stream().map(b -> b.id().value()).collect(Collectors.joining(", ")))));
    }
}
