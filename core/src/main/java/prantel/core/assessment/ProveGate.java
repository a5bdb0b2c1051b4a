package prantel.core.assessment;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.BoxTruth;
import prantel.core.fault.BoxTruth.Trouble;

/** The gate before a candidate's sheet opens: nothing is measured on a rig that is not proved to be as it was meant. */
public final class ProveGate {
    private ProveGate() {}

    /** How a fault of the set is made in this bay. */
    public enum How {
        BOX,
        HAND,
        /** Never by hand, and no relay makes it. */
        NOTHING
    }

    /** Whether it is in. */
    public enum State {
        SET,
        TO_DO,
        /** Its relay is not where it should be. */
        WRONG,
        /** Its box does not answer. */
        NO_CONTACT
    }

    /**
     * A fault of the set.
     *
     * @param fault its title and place, for people
     * @param relay that makes it; 0 for none
     * @param toLook whether somebody has still to look at it: no figure proves it
     */
    public record ToSet(String fault, How how, int relay, State state, boolean toLook) {}

    /**
     * What is known besides the assessment's own events.
     *
     * @param box what the fault box was told and what it says
     * @param proofsOpen readings that do not prove the set yet
     */
    public record Facts(List<ToSet> faults, BoxTruth box, int proofsOpen) {
        public Facts {
            faults = List.copyOf(faults);
        }
    }

    /** What has to be seen to. */
    public enum Kind {
        SHEET_OPEN,
        NOT_LOCKED_OFF,
        LIVE,
        NOT_SET,
        NOT_SEEN,
        BOX,
        NOT_PROVED
    }

    /** @param words what stands against it, and what to do */
    public record Shut(Kind kind, String words) {}

    /** All that stands against opening the sheet; empty where it may open. */
    public static List<Shut> shut(Assessment assessment, Facts facts) {
        if (assessment.openedAt() != null) {
            return List.of(new Shut(Kind.SHEET_OPEN, "The sheet is open."));
        }
        List<Shut> shut = new ArrayList<>();
        if (assessment.lockedOffAt() == null) {
            shut.add(new Shut(Kind.NOT_LOCKED_OFF, "Lock off first."));
        }
        if (assessment.energisedAt() != null) {
            shut.add(new Shut(Kind.LIVE, "The rig is live: make it dead first."));
        }
        for (ToSet fault : facts.faults()) {
            if (fault.state() != State.SET) {
                shut.add(new Shut(Kind.NOT_SET, fault.fault() + ": " + toDo(fault)));
            } else if (fault.toLook()) {
                shut.add(new Shut(Kind.NOT_SEEN, fault.fault() + ": look at it and tick that it is seen."));
            }
        }
        facts.box().matters().stream()
                .filter(m -> !isToldOfAFault(m.trouble(), facts.faults()))
                .forEach(m -> shut.add(new Shut(Kind.BOX, m.words())));
        if (facts.proofsOpen() > 0) {
            shut.add(new Shut(
                    Kind.NOT_PROVED,
                    facts.proofsOpen() == 1
                            ? "One reading does not prove it yet."
                            : facts.proofsOpen() + " readings do not prove it yet."));
        }
        return shut;
    }

    private static String toDo(ToSet fault) {
        return switch (fault.state()) {
            case WRONG -> "relay " + fault.relay() + " is not where it should be.";
            case NO_CONTACT -> "the fault box does not answer.";
            case TO_DO, SET ->
                switch (fault.how()) {
                    case NOTHING -> "it is never wired by hand and no relay is mapped to it: take it out.";
                    case BOX -> "arm the box.";
                    case HAND -> "set it and tick it.";
                };
        };
    }

    private static boolean isToldOfAFault(Trouble trouble, List<ToSet> faults) {
        return switch (trouble) {
            case NOT_IN -> faults.stream().anyMatch(f -> f.state() == State.WRONG);
            case SILENT -> faults.stream().anyMatch(f -> f.state() == State.NO_CONTACT);
            case NOT_COMMANDED -> false;
        };
    }
}
