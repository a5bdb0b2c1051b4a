package prantel.core.assessment;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.sequence.Slot;

/**
 * What may happen next, by where an assessment stands. Asked before any event is kept; what depends on more than the
 * assessment itself (whether faults are proved, what the box shows) is asked besides, by who knows it.
 */
public final class Rules {
    private Rules() {}

    /** Why something may not happen, as data. @param code stable @param words for people: what stands against it, what to do */
    public record Why(String code, String words) {}

    private static final Why OPEN =
            new Why("sheet-open", "the candidate's sheet is open: faults stay as they are until it is handed in");
    private static final Why ARMED =
            new Why("box-armed", "the fault box has relays pulled in: release it, then change the set");
    private static final Why NOT_LOCKED =
            new Why("not-locked-off", "lock off first: nothing is set on a rig that is not locked off");
    private static final Why NOT_AT_WORK = new Why("not-at-work", "the candidate is not at work: the rig stays dead");
    private static final Why NOTHING_SET = new Why("not-at-work", "the sheet is handed in: nothing is set any more");
    private static final Why LIVE =
            new Why("energised", "the rig is live: make it dead, lock it off and prove it dead first");
    private static final Why CLOSED =
            new Why("sheet-closed", "this sheet is handed in; ask your assessor to hand it back");
    private static final Why FROZEN =
            new Why("stopped", "this assessment was stopped for safety: the sheet stays as it is");
    private static final Why LIVE_HAND_IN = new Why(
            "energised",
            "the rig is live: your assessor makes it dead, locks it off and proves it dead first; your sheet stays as it is");
    private static final Why NOT_HANDED_IN =
            new Why("not-handed-in", "the sheet is not handed in: the candidate still needs the rig as it is");
    private static final Why NOT_BACK =
            new Why("not-back", "a sheet goes back only while it is being marked and the rig is still as it was");
    private static final Why MARKED = new Why("marked", "this sheet is marked; what was decided stays as it is");
    private static final Why OWN_WORD = new Why(
            "own-word",
            "what is safety was not seen, so nothing is proposed: give an outcome in your own word, with the reason");
    private static final Why DECIDED =
            new Why("decided", "the outcome is decided: the answers it was decided with stay as they are");
    private static final Why READ_ALREADY =
            new Why("read-already", "a reading is in: what was expected stays as it was said before");
    private static final Why HALTED = new Why("halted", "the clock stands still: your assessor lets you go on");
    private static final Why NOT_HALTED = new Why("not-halted", "the clock runs; nothing stands still");
    private static final Why NOT_STOPPED = new Why("not-stopped", "it was not stopped for safety");
    private static final Why NOT_SAFE_YET =
            new Why("make-safe", "make it safe first: tick every item of “Make safe”, then decide what follows");
    private static final Why BEGUN =
            new Why("sheet-open", "the sheet is open: which circuits are tested was settled before");
    private static final Why NOT_FIRST =
            new Why("begun", "it can only carry on from another one before anything is recorded");

    private static final Why SECOND_SIGNED = new Why(
            "second-signed",
            "somebody else has marked it too: where the two differ, settle it; the rest stays as given");
    private static final Why SECOND_OPEN =
            new Why("second-open", "a second mark was asked for and is not given yet: the outcome waits for it");
    private static final Why DISPUTES_OPEN =
            new Why("disputes-open", "two opinions differ: settle each of them before the outcome is signed");
    private static final Why NO_DISPUTE = new Why("no-dispute", "nobody differs on this mark");
    private static final Why NOT_MARKED_YET = new Why("not-handed-in", "there is nothing to mark yet");
    private static final Why ASKED_ALREADY = new Why("asked-already", "this person was asked before");
    private static final Why NOT_OPEN =
            new Why("not-asked", "this person is not asked, or has signed: what is signed stays");
    private static final Why OWN_MARKS =
            new Why("own-marks", "this person could see what was given: ask somebody who could not");
    private static final Why NOT_YOURS_TO_WITHDRAW =
            new Why("not-yours", "only who asked for it, or a lead assessor, takes a second mark back");
    private static final Why NOT_DECIDED = new Why("not-decided", "the outcome is not decided yet: that comes first");
    private static final Why USED_AGAIN = new Why(
            "used-again",
            "this set is in the library and will be used again: its faults and what was expected stay untold");
    private static final Why NOT_ASKED_TO_MARK =
            new Why("not-asked", "nobody asked you to mark this record, or you have signed already");
    private static final Why BLIND = new Why(
            "blind", "you were asked to mark this by yourself: sign your own marks first, then look at what was given");

    private static final Why OVER = new Why("over", "this assessment is over: nothing more is recorded");

    private static final Why NOT_WHILE_LIVE = new Why(
            "dead-step-closed",
            "this is a dead test and the rig is live: its boxes open when your assessor has made the rig dead again");
    private static final Why NOT_CONFIRMED = new Why(
            "not-confirmed",
            "confirm first what stands at the top of your sheet: then the clock starts and the boxes open");
    private static final Why STILL_DEAD =
            new Why("live-step-closed", "this is a live test: its boxes open when your assessor has made the rig live");

    /**
     * Whether a candidate may write in a box: the boxes of live tests open when the rig first goes live, and no dead test is
     * read on a rig that is live. What is looked at may be written at any time.
     */
    public static Optional<Why> mayWrite(Slot slot, Assessment state) {
        if (!state.conduct().open(Checklist.READY).isEmpty()) {
            return Optional.of(NOT_CONFIRMED);
        }
        if (slot.step().isLive()) {
            return state.wasLive() ? Optional.empty() : Optional.of(STILL_DEAD);
        }
        boolean read =
                slot instanceof Slot.Measured measured && measured.measurement().isReading();
        return read && state.energisedAt() != null ? Optional.of(NOT_WHILE_LIVE) : Optional.empty();
    }

    /** Whether what is expected may still be said: not once one of the readings it is about is in. */
    public static Optional<Why> mayExpect(List<Slot.Measured> about, Assessment state) {
        boolean read = about.stream()
                .map(s -> state.readings().get(s.id().value()))
                .anyMatch(e -> e != null && !e.value().isBlank());
        return read ? Optional.of(READ_ALREADY) : Optional.empty();
    }

    /** Empty if it may; else why not. */
    public static Optional<Why> mayHappen(AssessmentEvent event, Assessment state) {
        return Optional.ofNullable(
                switch (event) {
                    case AssessmentEvent.FaultsChosen chosen ->
                        state.openedAt() != null
                                ? OPEN
                                : state.energisedAt() != null
                                        ? LIVE
                                        : state.relays().isEmpty() ? null : ARMED;
                    case AssessmentEvent.LockedOff locked -> state.openedAt() != null ? OPEN : null;
                    case AssessmentEvent.CheckTaken check -> state.openedAt() != null ? OPEN : null;
                    case AssessmentEvent.SheetOpened opened ->
                        state.openedAt() != null ? OPEN : state.energisedAt() != null ? LIVE : null;
                    case AssessmentEvent.FaultHandled handled -> handling(handled, state);
                    case AssessmentEvent.BoxCommanded box -> relays(box, state);
                    case AssessmentEvent.BoxFellOut fell -> null;
                    case AssessmentEvent.BoxAstray astray -> null;
                    case AssessmentEvent.BoxUnplugged unplugged -> unplugging(state);
                    case AssessmentEvent.LiveCheckTaken check -> atWorkAndDead(state);
                    case AssessmentEvent.Energised energised -> energised.on() ? goingLive(state) : null;
                    case AssessmentEvent.ReadingWritten written -> writing(state);
                    case AssessmentEvent.BoxJudged judged -> writing(state);
                    case AssessmentEvent.FaultsReported reported -> writing(state);
                    case AssessmentEvent.ExpectedSaid said -> writing(state);
                    case AssessmentEvent.ReadingTaken taken -> writing(state);
                    case AssessmentEvent.HandedIn in -> handingIn(state);
                    case AssessmentEvent.HandedBack back ->
                        state.stage() != Stage.MARK || !state.occupiesBay() || state.stop() != null ? NOT_BACK : null;
                    case AssessmentEvent.Observed observed -> watching(state);
                    case AssessmentEvent.Asked asked -> watching(state);
                    case AssessmentEvent.Stopped stopped ->
                        state.stage() == Stage.WATCH && state.stop() == null ? null : NOT_AT_WORK;
                    case AssessmentEvent.MarkDecided mark ->
                        state.stage() != Stage.MARK
                                ? MARKED
                                : state.opinions()
                                                .second()
                                                .anyMatch(o -> o.signed().isPresent())
                                        ? SECOND_SIGNED
                                        : null;
                    case AssessmentEvent.OutcomeDecided outcome ->
                        outcome.given().isGiven() ? deciding(state) : OWN_WORD;
                    case AssessmentEvent.AnswersAccepted answers -> state.outcome() != null ? DECIDED : null;
                    case AssessmentEvent.ClearCheckTaken check -> clearing(state);
                    case AssessmentEvent.Cleared cleared -> clearing(state);
                    case AssessmentEvent.StopLifted lifted ->
                        state.stop() == null || state.stage() != Stage.WATCH ? NOT_STOPPED : madeSafe(state);
                    case AssessmentEvent.Ticked tick -> ticking(tick, state);
                    case AssessmentEvent.Halted halted ->
                        state.stage() != Stage.WATCH
                                ? NOT_AT_WORK
                                : state.stop() != null
                                        ? FROZEN
                                        : state.conduct().pause().isPresent() ? HALTED : null;
                    case AssessmentEvent.Resumed resumed ->
                        state.stop() != null || state.conduct().pause().isEmpty() ? NOT_HALTED : null;
                    case AssessmentEvent.InstrumentChanged changed ->
                        state.handedInAt() != null ? CLOSED : state.energisedAt() != null ? LIVE : null;
                    case AssessmentEvent.HandedOver over -> state.stage() == Stage.DONE ? OVER : null;
                    case AssessmentEvent.Adjusted adjusted -> state.handedInAt() != null ? CLOSED : null;
                    case AssessmentEvent.CircuitsChosen chosen -> state.openedAt() != null ? BEGUN : null;
                    case AssessmentEvent.BrokenOff broken ->
                        state.handedInAt() != null ? CLOSED : state.energisedAt() != null ? LIVE : null;
                    case AssessmentEvent.Continued from -> state.seq() > 0 ? NOT_FIRST : null;
                    case AssessmentEvent.ResitOf resit -> state.seq() > 0 ? NOT_FIRST : null;
                    case AssessmentEvent.OpinionAsked asked -> askingFor(asked, state);
                    case AssessmentEvent.OpinionGiven given -> state.handedInAt() == null ? NOT_MARKED_YET : null;
                    case AssessmentEvent.OpinionSigned signed -> state.handedInAt() == null ? NOT_MARKED_YET : null;
                    case AssessmentEvent.OpinionWithdrawn withdrawn ->
                        state.opinions().isBlind(withdrawn.of()) ? null : NOT_OPEN;
                    case AssessmentEvent.DisputeSettled dispute ->
                        state.stage() != Stage.MARK
                                ? MARKED
                                : state.opinions().disputes(state.decisions()).contains(dispute.mark())
                                                || state.opinions().settled().containsKey(dispute.mark())
                                        ? null
                                        : NO_DISPUTE;
                    case AssessmentEvent.FeedbackGiven feedback -> feedback(feedback, state);
                });
    }

    /**
     * Whether this person may do it; what anybody may not do is told by {@link #mayHappen}. Whoever is to mark a record alone
     * writes their opinion on it and nothing else: each other deed would show them something, or change what counts.
     *
     * @param lead whether this person is a lead assessor
     */
    public static Optional<Why> mayBeBy(AssessmentEvent event, String by, boolean lead, Assessment state) {
        boolean blind = state.opinions().isBlind(by);
        return Optional.ofNullable(
                switch (event) {
                    case AssessmentEvent.OpinionGiven given -> blind ? null : NOT_ASKED_TO_MARK;
                    case AssessmentEvent.OpinionSigned signed -> blind ? null : NOT_ASKED_TO_MARK;
                    case AssessmentEvent.OpinionWithdrawn withdrawn ->
                        blind ? BLIND : withdrawing(withdrawn, by, lead, state);
                    // the box speaks for itself, whoever watches
                    case AssessmentEvent.BoxFellOut fell -> null;
                    case AssessmentEvent.BoxAstray astray -> null;
                    default -> blind ? BLIND : confirmed(event, by, state);
                });
    }

    /** Nothing is taken from a candidate who has not confirmed; what an assessor enters from paper was confirmed there. */
    private static @Nullable Why confirmed(AssessmentEvent event, String by, Assessment state) {
        boolean work = switch (event) {
            case AssessmentEvent.ReadingWritten written -> true;
            case AssessmentEvent.ReadingTaken taken -> true;
            case AssessmentEvent.ExpectedSaid said -> true;
            case AssessmentEvent.BoxJudged judged -> true;
            case AssessmentEvent.FaultsReported reported -> true;
            case AssessmentEvent.HandedIn in -> true;
            case AssessmentEvent.Ticked tick -> tick.list() == Checklist.LIVE_ASKED;
            default -> false;
        };
        return work
                        && by.equals(state.fixed().candidateId())
                        && !state.conduct().open(Checklist.READY).isEmpty()
                ? NOT_CONFIRMED
                : null;
    }

    /** Taken back by who asked, or by a lead. */
    private static @Nullable Why withdrawing(
            AssessmentEvent.OpinionWithdrawn withdrawn, String by, boolean lead, Assessment state) {
        Opinions.Opinion opinion = state.opinions().of().get(withdrawn.of());
        return lead || opinion == null || opinion.askedBy().equals(by) ? null : NOT_YOURS_TO_WITHDRAW;
    }

    private static @Nullable Why deciding(Assessment state) {
        if (state.stage() != Stage.MARK) {
            return MARKED;
        }
        if (state.opinions().second().anyMatch(o -> o.signed().isEmpty())) {
            return SECOND_OPEN;
        }
        return state.opinions().disputes(state.decisions()).isEmpty() ? null : DISPUTES_OPEN;
    }

    private static @Nullable Why askingFor(AssessmentEvent.OpinionAsked asked, Assessment state) {
        if (state.handedInAt() == null || state.conduct().brokenOff() != null) {
            return NOT_MARKED_YET;
        }
        if (state.opinions().of().containsKey(asked.of())) {
            return ASKED_ALREADY;
        }
        boolean had = state.opinions().couldSee().contains(asked.of())
                || asked.of().equals(state.conduct().assessor())
                || state.decisions().values().stream().anyMatch(d -> d.by().equals(asked.of()));
        if (had) {
            return OWN_MARKS;
        }
        return switch (asked.purpose()) {
            case SECOND -> state.outcome() != null ? MARKED : null;
            case EXERCISE -> state.outcome() == null ? NOT_DECIDED : null;
        };
    }

    private static @Nullable Why feedback(AssessmentEvent.FeedbackGiven feedback, Assessment state) {
        if (state.outcome() == null) {
            return NOT_DECIDED;
        }
        return feedback.faults() != null && state.fromLibrary() != null ? USED_AGAIN : null;
    }

    private static @Nullable Why atWork(Assessment state) {
        return state.stage() == Stage.WATCH ? null : NOT_AT_WORK;
    }

    /** Asked for by the candidate, seen and given by the assessor, each item by itself. */
    private static @Nullable Why goingLive(Assessment state) {
        if (state.stop() != null) {
            return FROZEN;
        }
        boolean proving = state.stage() == Stage.SET;
        if (!proving && state.stage() != Stage.WATCH) {
            return NOT_AT_WORK;
        }
        if (state.conduct().pause().isPresent()) {
            return HALTED;
        }
        // while faults are set nobody asks: the assessor proves what shows with the supply on
        for (Checklist list :
                proving ? List.of(Checklist.LIVE_GIVEN) : List.of(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN)) {
            List<Checklist.Item> open = state.conduct().open(list);
            if (!open.isEmpty()) {
                return new Why(
                        "not-asked-or-given",
                        "still open before it goes live (" + list.title() + "): "
                                + open.stream().map(Checklist.Item::words).collect(Collectors.joining("; ")));
            }
        }
        return null;
    }

    private static @Nullable Why handingIn(Assessment state) {
        if (state.stage() != Stage.WATCH) {
            return CLOSED;
        }
        if (state.energisedAt() != null) {
            return LIVE_HAND_IN;
        }
        return state.stop() != null ? madeSafe(state) : state.conduct().pause().isPresent() ? HALTED : null;
    }

    private static @Nullable Why madeSafe(Assessment state) {
        return state.energisedAt() != null
                ? LIVE
                : state.conduct().open(Checklist.MAKE_SAFE).isEmpty() ? null : NOT_SAFE_YET;
    }

    private static @Nullable Why ticking(AssessmentEvent.Ticked tick, Assessment state) {
        return switch (tick.list()) {
            case PREPARE -> state.handedInAt() != null ? CLOSED : null;
            case READY -> state.stage() == Stage.WATCH ? null : NOT_AT_WORK;
            case LIVE_ASKED -> state.stop() != null ? FROZEN : atWorkAndDead(state);
            case LIVE_GIVEN ->
                state.stop() != null
                        ? FROZEN
                        : state.stage() == Stage.SET ? state.energisedAt() != null ? LIVE : null : atWorkAndDead(state);
            case MAKE_SAFE -> state.stop() == null || state.stage() != Stage.WATCH ? NOT_STOPPED : null;
        };
    }

    private static @Nullable Why atWorkAndDead(Assessment state) {
        return state.stage() != Stage.WATCH ? NOT_AT_WORK : state.energisedAt() != null ? LIVE : null;
    }

    /** A fault is set before the sheet is open; it comes out before a live stage, or when the sheet is in; never live. */
    private static @Nullable Why handling(AssessmentEvent.FaultHandled handled, Assessment state) {
        if (handled.what() == Handling.OUT) {
            return state.stage() == Stage.WATCH ? atWorkAndDead(state) : clearing(state);
        }
        return state.openedAt() != null
                ? OPEN
                : state.energisedAt() != null ? LIVE : state.lockedOffAt() == null ? NOT_LOCKED : null;
    }

    /** A plug is taken out of a rig that is dead and locked off, and of no other. */
    private static @Nullable Why unplugging(Assessment state) {
        return state.energisedAt() != null ? LIVE : state.lockedOffAt() == null ? NOT_LOCKED : null;
    }

    /** No relay moves on a live rig, none goes in on one that is not locked off. */
    private static @Nullable Why relays(AssessmentEvent.BoxCommanded box, Assessment state) {
        if (state.energisedAt() != null) {
            return LIVE;
        }
        if (state.handedInAt() != null) {
            return box.relays().isEmpty() ? null : NOTHING_SET;
        }
        return box.relays().isEmpty() || state.lockedOffAt() != null ? null : NOT_LOCKED;
    }

    private static @Nullable Why writing(Assessment state) {
        return state.stage() != Stage.WATCH
                ? CLOSED
                : state.stop() != null ? FROZEN : state.conduct().pause().isPresent() ? HALTED : null;
    }

    /**
     * While the candidate works, and until the outcome: an assessor remembers something later. What carries on from another
     * bay brings with it what was seen there.
     */
    private static @Nullable Why watching(Assessment state) {
        boolean begun = state.openedAt() != null || state.conduct().continued() != null;
        boolean over = state.outcome() != null || state.conduct().brokenOff() != null;
        return !begun ? NOT_AT_WORK : over ? OVER : null;
    }

    private static @Nullable Why clearing(Assessment state) {
        return state.handedInAt() == null ? NOT_HANDED_IN : state.energisedAt() != null ? LIVE : null;
    }
}
