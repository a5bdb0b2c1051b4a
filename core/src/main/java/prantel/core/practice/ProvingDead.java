package prantel.core.practice;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.SuppliedRig;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.Isolation;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

/** The two-pole indicator: what proves a board dead, pair by pair or in one go. */
final class ProvingDead {
    private final PracticeRig practice;
    private final Rig rig;

    ProvingDead(PracticeRig practice) {
        this.practice = practice;
        this.rig = practice.rig();
    }

    /** The indicator on its proving unit: after every pair was found dead the proof is complete. */
    Moment indicated(Moment now) {
        Moment next = now.with(new Moment.Proof(true, now.proof().pairs()));
        if (now.proof().indicator()) {
            for (Board board : rig.boards()) {
                if (now.proof().pairs().containsAll(pairs(board.id()))) {
                    next = next.with(next.state().after(new Deed.ProveDead(board.id())));
                }
            }
        }
        return next.with(new Moment.Proof(true, Set.of()));
    }

    private List<Moment.Pair> pairs(BoardId board) {
        List<Conductor> there = new ArrayList<>(rig.poles(board));
        there.add(Conductor.CPC);
        return Isolation.pairs(rig).stream()
                .filter(there::containsAll)
                .map(p -> new Moment.Pair(board, Set.copyOf(p)))
                .toList();
    }

    /** Every pair in one go, the indicator proved before and after. */
    Moment proved(Moment now, Deed.ProveDead dead, List<Consequence> consequences) {
        SuppliedRig supplied = practice.supplied(now);
        for (Moment.Pair pair : pairs(dead.board())) {
            List<Conductor> of = List.copyOf(pair.of());
            Contact a = behind(dead.board(), of.getFirst());
            Contact b = behind(dead.board(), of.getLast());
            double volts = now.harm().supplyLost()
                    ? 0
                    : supplied.volts(
                            practice.edits().terminal(a), practice.edits().terminal(b));
            if (volts >= PracticeRig.TOUCH_VOLTS) {
                consequences.add(new Consequence.NotDead(a, b, volts));
                return now.with(Moment.Proof.NONE);
            }
        }
        return now.with(now.state().after(dead)).with(new Moment.Proof(true, Set.of()));
    }

    private static Contact behind(BoardId board, Conductor pole) {
        return pole == Conductor.CPC ? new Contact.EarthBar(board) : new Contact.BehindMainSwitch(board, pole);
    }

    /** Which pair behind a main switch two probes are on; empty for any other places. */
    static Optional<Moment.Pair> pair(List<Contact> probes) {
        if (probes.size() != 2) {
            return Optional.empty();
        }
        Set<Conductor> of = new HashSet<>();
        Set<BoardId> boards = new HashSet<>();
        for (Contact probe : probes) {
            switch (probe) {
                case Contact.BehindMainSwitch(BoardId board, Conductor pole) -> {
                    of.add(pole);
                    boards.add(board);
                }
                case Contact.EarthBar(BoardId board) -> {
                    of.add(Conductor.CPC);
                    boards.add(board);
                }
                default -> {}
            }
        }
        return of.size() == 2 && boards.size() == 1
                ? Optional.of(new Moment.Pair(boards.iterator().next(), of))
                : Optional.empty();
    }
}
