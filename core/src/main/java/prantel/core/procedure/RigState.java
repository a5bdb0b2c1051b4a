package prantel.core.procedure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import prantel.core.rig.BoardId;
import prantel.core.rig.Rig;
import prantel.core.rig.Submain;

/**
 * What is true of a rig by what was done to it and by nothing else. What is physically so follows from the deeds that
 * stand; that it is locked or proved dead is known only by who did that. A value: each deed gives another state.
 */
public final class RigState {
    private final Rig rig;
    /** What is still as these deeds left it, in the order they were done. */
    private final List<Deed> standing;
    /** What somebody knows, or has done away from the network. */
    private final Known known;

    /**
     * @param locked boards whose main switch is locked off
     * @param proved boards proved dead behind it, and not live since
     * @param openedUp whether anything was out of its terminal or linked since everything was closed up
     */
    private record Known(Set<BoardId> locked, Set<BoardId> proved, boolean openedUp) {
        static final Known NOTHING = new Known(Set.of(), Set.of(), false);

        Known opened() {
            return new Known(locked, proved, true);
        }

        Known closed() {
            return new Known(locked, proved, false);
        }

        Known locking(BoardId board) {
            return new Known(with(locked, board), proved, openedUp);
        }

        Known unlocking(BoardId board) {
            return new Known(without(locked, board), proved, openedUp);
        }

        Known proving(BoardId board) {
            return new Known(locked, with(proved, board), openedUp);
        }

        /** What is switched on is neither locked nor known to be dead. */
        Known switching(BoardId board) {
            return new Known(without(locked, board), without(proved, board), openedUp);
        }

        private static Set<BoardId> with(Set<BoardId> boards, BoardId board) {
            Set<BoardId> all = new HashSet<>(boards);
            all.add(board);
            return all;
        }

        private static Set<BoardId> without(Set<BoardId> boards, BoardId board) {
            Set<BoardId> all = new HashSet<>(boards);
            all.remove(board);
            return all;
        }
    }

    private RigState(Rig rig, List<Deed> standing, Known known) {
        this.rig = rig;
        this.standing = List.copyOf(standing);
        this.known = known;
    }

    /** As a rig stands before anybody comes: live, closed up. */
    public static RigState untouched(Rig rig) {
        return new RigState(rig, List.of(), Known.NOTHING);
    }

    /** After a list of deeds, from {@link #untouched} on. */
    public static RigState of(Rig rig, List<Deed> deeds) {
        RigState state = untouched(rig);
        for (Deed deed : deeds) {
            state = state.after(deed);
        }
        return state;
    }

    /**
     * Deeds that still show in the network, in the order they were done: what was put back, switched on or taken out again
     * is no longer among them.
     */
    public List<Deed> standing() {
        return standing;
    }

    public Rig rig() {
        return rig;
    }

    /** Right or wrong, in order or not: whether it may be done is {@link Need}'s question. */
    public RigState after(Deed deed) {
        return switch (deed) {
            case Deed.MainSwitchOff off -> with(without(off::equals), off, known);
            case Deed.Energise on ->
                new RigState(rig, without(new Deed.MainSwitchOff(on.board())::equals), known.switching(on.board()));
            case Deed.LockOff lock -> new RigState(rig, standing, known.locking(lock.board()));
            case Deed.Unlock unlock -> new RigState(rig, standing, known.unlocking(unlock.board()));
            case Deed.ProveDead dead -> new RigState(rig, standing, known.proving(dead.board()));
            case Deed.TakeOut out -> with(ended(standing, out.ends()), out, known.opened());
            case Deed.PutBack back -> new RigState(rig, ended(standing, back.ends()), known);
            case Deed.PutElsewhere elsewhere ->
                with(
                        // an end is in one place
                        without(d -> d instanceof Deed.PutElsewhere e && e.end().equals(elsewhere.end())),
                        elsewhere,
                        known.opened());
            case Deed.Link link -> with(standing, link, known.opened());
            case Deed.Unlink unlink -> new RigState(rig, unlinked(unlink.joint()), known);
            case Deed.Cross cross ->
                with(without(d -> d instanceof Deed.Cross c && c.ring().equals(cross.ring())), cross, known.opened());
            case Deed.Uncross uncross ->
                new RigState(
                        rig, without(d -> d instanceof Deed.Cross c && c.ring().equals(uncross.ring())), known);
            case Deed.Operate operate ->
                with(
                        without(d -> d instanceof Deed.Operate o
                                && o.position().what().equals(operate.position().what())),
                        operate,
                        known);
            case Deed.TakeLoadsOut out ->
                new RigState(
                        rig,
                        without(d -> d instanceof Deed.LoadIn || out.surge() && d instanceof Deed.SurgeProtectionIn),
                        known);
            case Deed.LoadIn in -> with(without(in::equals), in, known);
            case Deed.SurgeProtectionIn in -> with(without(in::equals), in, known);
            case Deed.LoadOut out ->
                new RigState(rig, without(new Deed.LoadIn(out.circuit(), out.point())::equals), known);
            case Deed.SurgeProtectionOut out ->
                new RigState(rig, without(new Deed.SurgeProtectionIn(out.board())::equals), known);
            case Deed.CoverOff off -> this;
            case Deed.CoverOn on -> this;
            case Deed.ProveIndicator prove -> this;
            case Deed.SetTestCurrent current -> this;
            case Deed.TakeReading take -> this;
            case Deed.NullLeads leads -> this;
            case Deed.CloseUp up -> new RigState(rig, without(RigState::isOpening), known.closed());
            case Deed.Choose choose -> this;
            case Deed.PutProbes putProbes -> this;
            case Deed.PressTestButton pressTestButton -> this;
            case Deed.Reset reset -> this;
            case Deed.Heed heed -> this;
        };
    }

    private RigState with(List<Deed> before, Deed deed, Known now) {
        List<Deed> all = new ArrayList<>(before);
        all.add(deed);
        return new RigState(rig, all, now);
    }

    private List<Deed> without(Predicate<Deed> gone) {
        return standing.stream().filter(gone.negate()).toList();
    }

    /** Whether a deed leaves something out of its place or joined. */
    public static boolean isOpening(Deed deed) {
        return deed instanceof Deed.TakeOut
                || deed instanceof Deed.PutElsewhere
                || deed instanceof Deed.Link
                || deed instanceof Deed.Cross;
    }

    /** With these ends in nobody's hands: neither out nor somewhere else. */
    private static List<Deed> ended(List<Deed> deeds, List<End> ends) {
        List<Deed> rest = new ArrayList<>();
        for (Deed deed : deeds) {
            if (deed instanceof Deed.TakeOut out) {
                List<End> still =
                        out.ends().stream().filter(e -> !ends.contains(e)).toList();
                if (!still.isEmpty()) {
                    rest.add(new Deed.TakeOut(still));
                }
            } else if (!(deed instanceof Deed.PutElsewhere elsewhere && ends.contains(elsewhere.end()))) {
                rest.add(deed);
            }
        }
        return rest;
    }

    private List<Deed> unlinked(Deed.Joint joint) {
        List<Deed> rest = new ArrayList<>();
        for (Deed deed : standing) {
            if (deed instanceof Deed.Link link) {
                List<Deed.Joint> still =
                        link.joints().stream().filter(j -> !j.equals(joint)).toList();
                if (!still.isEmpty()) {
                    rest.add(new Deed.Link(still));
                }
            } else {
                rest.add(deed);
            }
        }
        return rest;
    }

    /** Whether the supply reaches behind a board's main switch. */
    public boolean isEnergised(BoardId board) {
        return path(board).noneMatch(this::isOff)
                && rig.feedOf(board).map(this::feeds).orElse(true);
    }

    /** Whether a submain passes the supply on: its own device, its section and all before it. */
    private boolean feeds(Submain feed) {
        boolean on = standing.stream()
                .noneMatch(d -> d instanceof Deed.Operate(Position.Device(var circuit, boolean stays))
                                && circuit.equals(feed.id())
                                && !stays
                        || d instanceof Deed.Operate(Position.Feed(var board, var section, boolean live))
                                && board.equals(feed.way().board())
                                && section.equals(feed.way().section())
                                && !live);
        return on && rig.feedOf(feed.way().board()).map(this::feeds).orElse(true);
    }

    private boolean isOff(BoardId board) {
        return standing.stream()
                .anyMatch(d ->
                        d instanceof Deed.MainSwitchOff off && off.board().equals(board)
                                || d instanceof Deed.Operate(Position.FarSwitch(var far, boolean on))
                                        && far.equals(board)
                                        && !on
                                || d instanceof Deed.Operate(Position.AllTogether(var all)) && all.equals(board));
    }

    /** Whether nothing can come back on by itself: its main switch, or one before it, is off and locked. */
    public boolean isLocked(BoardId board) {
        return path(board).anyMatch(b -> isOff(b) && known.locked().contains(b));
    }

    /** Whether a lock is on the main switch of this very board. */
    public boolean locks(BoardId board) {
        return known.locked().contains(board);
    }

    /** Whether it was proved dead, here or at a board before it, and the switch there is still off. */
    public boolean isProvedDead(BoardId board) {
        return path(board).anyMatch(b -> isOff(b) && known.proved().contains(b));
    }

    /** A board and those before it. */
    private java.util.stream.Stream<BoardId> path(BoardId board) {
        List<BoardId> all = new ArrayList<>();
        Optional<BoardId> at = Optional.of(board);
        while (at.isPresent()) {
            all.add(at.get());
            at = rig.feedOf(at.get()).map(f -> f.way().board());
        }
        return all.stream();
    }

    public boolean isOut(End end) {
        return standing.stream()
                .anyMatch(d -> d instanceof Deed.TakeOut out && out.ends().contains(end));
    }

    /** Whether anything is joined that is not when the rig is closed up. */
    public boolean isLinked() {
        return standing.stream()
                .anyMatch(d -> d instanceof Deed.Link || d instanceof Deed.Cross || d instanceof Deed.PutElsewhere);
    }

    /** Whether everything is in its place, tight, and the covers are on. */
    public boolean isClosedUp() {
        return !known.openedUp();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof RigState o && rig.equals(o.rig) && standing.equals(o.standing) && known.equals(o.known);
    }

    @Override
    public int hashCode() {
        return 31 * standing.hashCode() + known.hashCode();
    }
}
