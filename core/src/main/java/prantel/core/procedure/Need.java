package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import prantel.core.rig.BoardId;
import prantel.core.rig.Rig;

/** What must be true before a deed. Common practice, no source; proving dead before touching: HSE GS38, from memory. */
public enum Need {
    ISOLATED("isolate first: the main switch off"),
    LOCKED("lock it off first, the key on you"),
    PROVED_DEAD("prove dead first: every pair, the indicator proved before and after"),
    END_OUT("take the ends out of their terminals first"),
    CLOSED_UP("close up first: links out, conductors, bonds and earth back and tight, covers on");

    private final String caution;

    Need(String caution) {
        this.caution = caution;
    }

    /** What to do first, in words. */
    public String caution() {
        return caution;
    }

    /** What a deed needs and is not so; empty where it may be done. */
    public static List<Need> missing(RigState state, Deed deed) {
        return switch (deed) {
            // a lock on a switch that is on holds the rig live
            case Deed.LockOff lock -> dead(state, List.of(lock.board()), false, false);
            case Deed.ProveDead prove -> dead(state, List.of(prove.board()), true, false);
            case Deed.TakeOut out -> toTakeOut(state, out);
            case Deed.PutBack back -> dead(state, boards(state.rig(), back.ends()), true, !earthOnly(back.ends()));
            case Deed.PutElsewhere elsewhere -> toPutElsewhere(state, elsewhere);
            case Deed.Link link -> dead(state, boardsOf(state.rig(), link.joints()), true, true);
            case Deed.Unlink unlink -> dead(state, boardsOf(state.rig(), List.of(unlink.joint())), true, true);
            case Deed.Cross cross -> toCross(state, cross);
            case Deed.Energise energise -> state.isClosedUp() ? List.of() : List.of(CLOSED_UP);
            case Deed.Uncross uncross ->
                dead(state, List.of(state.rig().circuit(uncross.ring()).way().board()), true, true);
            // with the cover off what is live can be touched
            // a live test is taken at open terminals too: a caution, and no slip
            case Deed.CoverOff coverOff -> List.of();
            case Deed.CoverOn coverOn -> List.of();
            case Deed.Unlock unlock -> state.isClosedUp() ? List.of() : List.of(CLOSED_UP);
            case Deed.LoadOut loadOut -> List.of();
            case Deed.SurgeProtectionOut surgeOut -> List.of();
            case Deed.ProveIndicator proveIndicator -> List.of();
            case Deed.SetTestCurrent testCurrent -> List.of();
            case Deed.TakeReading takeReading -> List.of();
            case Deed.MainSwitchOff mainSwitchOff -> List.of();
            case Deed.Operate operate -> List.of();
            case Deed.TakeLoadsOut takeLoadsOut -> List.of();
            case Deed.LoadIn loadIn -> List.of();
            case Deed.SurgeProtectionIn surgeProtectionIn -> List.of();
            case Deed.NullLeads nullLeads -> List.of();
            case Deed.Choose choose -> List.of();
            case Deed.PutProbes putProbes -> List.of();
            case Deed.PressTestButton pressTestButton -> List.of();
            case Deed.Reset reset -> List.of();
            case Deed.CloseUp closeUp -> List.of();
            case Deed.Heed heed -> List.of();
        };
    }

    /** Deeds that were done before what they need, in order. */
    public static List<Deed> tooEarly(Rig rig, List<Deed> deeds) {
        List<Deed> early = new ArrayList<>();
        RigState state = RigState.untouched(rig);
        for (Deed deed : deeds) {
            if (!missing(state, deed).isEmpty()) {
                early.add(deed);
            }
            state = state.after(deed);
        }
        return early;
    }

    /** The earthing conductor comes off for Ze with the incoming supply on: isolated and locked, and no more. */
    private static List<Need> toTakeOut(RigState state, Deed.TakeOut out) {
        return dead(state, boards(state.rig(), out.ends()), true, !earthOnly(out.ends()));
    }

    private static boolean earthOnly(List<End> ends) {
        return ends.stream().allMatch(End.OfEarthing.class::isInstance);
    }

    private static List<Need> toPutElsewhere(RigState state, Deed.PutElsewhere elsewhere) {
        List<Need> missing = new ArrayList<>(dead(state, boards(state.rig(), List.of(elsewhere.end())), true, true));
        if (!state.isOut(elsewhere.end())) {
            missing.add(END_OUT);
        }
        return missing;
    }

    private static List<Need> toCross(RigState state, Deed.Cross cross) {
        BoardId board = state.rig().circuit(cross.ring()).way().board();
        List<Need> missing = new ArrayList<>(dead(state, List.of(board), true, true));
        if (!state.isOut(new End.AtBoard(cross.ring(), cross.with()))) {
            missing.add(END_OUT);
        }
        return missing;
    }

    private static List<Need> dead(RigState state, List<BoardId> boards, boolean locked, boolean proved) {
        List<Need> missing = new ArrayList<>();
        for (BoardId board : boards) {
            if (state.isEnergised(board)) {
                missing.add(ISOLATED);
            }
            if (locked && !state.isLocked(board)) {
                missing.add(LOCKED);
            }
            if (proved && !state.isProvedDead(board)) {
                missing.add(PROVED_DEAD);
            }
        }
        return missing.stream().distinct().sorted().toList();
    }

    private static List<BoardId> boards(Rig rig, List<End> ends) {
        return ends.stream().map(e -> board(rig, e)).distinct().toList();
    }

    private static List<BoardId> boardsOf(Rig rig, List<Deed.Joint> joints) {
        return joints.stream()
                .flatMap(j -> Stream.of(board(rig, j.a()), board(rig, j.b())))
                .distinct()
                .toList();
    }

    private static BoardId board(Rig rig, End end) {
        return switch (end) {
            case End.AtBoard at -> rig.circuit(at.circuit()).way().board();
            case End.AtPoint at -> rig.circuit(at.circuit()).way().board();
            case End.OfBond bond -> rig.origin().id();
            case End.OfNeutralTail tail -> tail.board();
            case End.OfEarthing earthing -> rig.origin().id();
        };
    }

    private static BoardId board(Rig rig, Contact contact) {
        return switch (contact) {
            case Contact.AtEnd at -> board(rig, at.end());
            case Contact.EarthBar bar -> bar.board();
            case Contact.Bar bar -> bar.board();
            case Contact.BehindMainSwitch behind -> behind.board();
            // before the main switch nothing of the rig makes it dead
            case Contact.Incoming in -> in.board();
            case Contact.Met met -> rig.origin().id();
            case Contact.DeviceOut out -> rig.circuit(out.circuit()).way().board();
            case Contact.SupplyEarth supply -> rig.origin().id();
            case Contact.Stake stake -> rig.origin().id();
            case Contact.Behind behind -> rig.circuit(behind.circuit()).way().board();
            case Contact.Front front -> rig.circuit(front.circuit()).way().board();
            case Contact.Metalwork metal -> rig.circuit(metal.circuit()).way().board();
            case Contact.Clamp clamp -> rig.origin().id();
            case Contact.Part part -> rig.origin().id();
        };
    }
}
