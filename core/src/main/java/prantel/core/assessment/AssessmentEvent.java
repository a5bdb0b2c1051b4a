package prantel.core.assessment;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/**
 * Something that happened in an assessment. Kept for ever, so a kind is never renamed or given another meaning; a new need
 * is a new kind.
 */
public sealed interface AssessmentEvent {
    /** The stable name of each kind: what is stored. */
    Map<Class<? extends AssessmentEvent>, String> KINDS = Map.ofEntries(
            Map.entry(FaultsChosen.class, "faults-chosen"),
            Map.entry(LockedOff.class, "locked-off"),
            Map.entry(CheckTaken.class, "check-taken"),
            Map.entry(SheetOpened.class, "sheet-opened"),
            Map.entry(ReadingWritten.class, "reading-written"),
            Map.entry(BoxJudged.class, "box-judged"),
            Map.entry(FaultsReported.class, "faults-reported"),
            Map.entry(HandedIn.class, "handed-in"),
            Map.entry(HandedBack.class, "handed-back"),
            Map.entry(MarkDecided.class, "mark-decided"),
            Map.entry(OutcomeDecided.class, "outcome-decided"),
            Map.entry(ClearCheckTaken.class, "clear-check-taken"),
            Map.entry(Cleared.class, "cleared"),
            Map.entry(BoxCommanded.class, "box-commanded"),
            Map.entry(FaultHandled.class, "fault-handled"),
            Map.entry(LiveCheckTaken.class, "live-check-taken"),
            Map.entry(Energised.class, "energised"),
            Map.entry(BoxFellOut.class, "box-fell-out"),
            Map.entry(BoxAstray.class, "box-astray"),
            Map.entry(BoxUnplugged.class, "box-unplugged"),
            Map.entry(AnswersAccepted.class, "answers-accepted"),
            Map.entry(ExpectedSaid.class, "expected-said"),
            Map.entry(Observed.class, "observed"),
            Map.entry(Asked.class, "asked"),
            Map.entry(Stopped.class, "stopped"),
            Map.entry(StopLifted.class, "stop-lifted"),
            Map.entry(ReadingTaken.class, "reading-taken"),
            Map.entry(Ticked.class, "ticked"),
            Map.entry(Halted.class, "halted"),
            Map.entry(Resumed.class, "resumed"),
            Map.entry(InstrumentChanged.class, "instrument-changed"),
            Map.entry(HandedOver.class, "handed-over"),
            Map.entry(Adjusted.class, "adjusted"),
            Map.entry(CircuitsChosen.class, "circuits-chosen"),
            Map.entry(BrokenOff.class, "broken-off"),
            Map.entry(Continued.class, "continued"),
            Map.entry(ResitOf.class, "resit-of"),
            Map.entry(OpinionAsked.class, "opinion-asked"),
            Map.entry(OpinionGiven.class, "opinion-given"),
            Map.entry(OpinionSigned.class, "opinion-signed"),
            Map.entry(OpinionWithdrawn.class, "opinion-withdrawn"),
            Map.entry(DisputeSettled.class, "dispute-settled"),
            Map.entry(FeedbackGiven.class, "feedback-given"));

    /** The stable name of its kind. */
    default String kind() {
        return Objects.requireNonNull(KINDS.get(getClass()));
    }

    /** What it is about: writes about the same thing are held against each other. */
    default String subject() {
        return "";
    }

    /** What its writer said, without what the server added: a second write with one id must say the same. */
    default Object said() {
        return this;
    }

    /**
     * @param file the whole set as a fault-set file
     * @param from id of the set in the library it was taken from; null for none
     */
    record FaultsChosen(String file, @Nullable String from) implements AssessmentEvent {
        @Override
        public String subject() {
            return "faults";
        }
    }

    /** The rig is isolated and locked off, the key on the person. */
    record LockedOff() implements AssessmentEvent {}

    /** A reading taken to prove faults set. */
    record CheckTaken(String slot, String text) implements AssessmentEvent {
        @Override
        public String subject() {
            return "check/" + slot;
        }
    }

    record SheetOpened() implements AssessmentEvent {}

    /** @param before what stood in the box until now */
    record ReadingWritten(String slot, String text, String before) implements AssessmentEvent {
        @Override
        public String subject() {
            return "reading/" + slot;
        }

        @Override
        public Object said() {
            return text;
        }
    }

    /** @param satisfactory null takes the judgement back */
    record BoxJudged(
            String slot,
            @Nullable Boolean satisfactory,
            @Nullable Boolean before) implements AssessmentEvent {
        @Override
        public String subject() {
            return "judged/" + slot;
        }

        @Override
        public Object said() {
            return String.valueOf(satisfactory);
        }
    }

    /** @param file every fault the candidate names, as a fault-set file */
    record FaultsReported(String file) implements AssessmentEvent {
        @Override
        public String subject() {
            return "reports";
        }
    }

    record HandedIn() implements AssessmentEvent {}

    record HandedBack(String reason) implements AssessmentEvent {}

    /**
     * @param proposed what was proposed
     * @param given what the assessor gives
     * @param reason empty where the proposal is taken
     */
    record MarkDecided(String mark, Award proposed, Award given, String reason) implements AssessmentEvent {
        @Override
        public String subject() {
            return "mark/" + mark;
        }

        @Override
        public Object said() {
            return List.of(given, reason);
        }
    }

    record OutcomeDecided(Verdict proposed, Verdict given, String reason) implements AssessmentEvent {
        @Override
        public String subject() {
            return "outcome";
        }

        @Override
        public Object said() {
            return List.of(given, reason);
        }
    }

    /** A reading taken to prove the rig healthy again. */
    record ClearCheckTaken(String slot, String text) implements AssessmentEvent {
        @Override
        public String subject() {
            return "clear-check/" + slot;
        }
    }

    record Cleared() implements AssessmentEvent {}

    /** The fault box was told which relays to pull in. @param relays numbers; empty to release all */
    record BoxCommanded(List<Integer> relays) implements AssessmentEvent {}

    /**
     * Something done by hand with one fault of the set.
     *
     * @param fault its position in the set, from 0
     * @param what whether it was set, seen to be set, or taken out
     * @param done false takes it back
     */
    record FaultHandled(int fault, Handling what, boolean done) implements AssessmentEvent {
        @Override
        public String subject() {
            return "fault/" + fault + "/" + what;
        }
    }

    enum Handling {
        SET,
        SEEN,
        OUT
    }

    /** A reading taken before energising, to prove that dead-only faults are out. */
    record LiveCheckTaken(String slot, String text) implements AssessmentEvent {
        @Override
        public String subject() {
            return "live-check/" + slot;
        }
    }

    /**
     * The rig was energised with permission; or it is dead again, locked off and proved dead.
     *
     * @param reason why it went live although dead tests were open; null where none was, and for what is dead again
     */
    record Energised(boolean on, @Nullable String reason) implements AssessmentEvent {}

    /** The fault box released its relays by itself: its power or its line was lost. @param relays that fell out */
    record BoxFellOut(List<Integer> relays, String says) implements AssessmentEvent {}

    /**
     * Relays of the fault box are in that nobody pulled in: whatever is measured meanwhile is of a rig with faults that no key
     * knows.
     *
     * @param relays that are in; empty when they are out again
     */
    record BoxAstray(List<Integer> relays) implements AssessmentEvent {
        public BoxAstray {
            relays = List.copyOf(relays);
        }
    }

    /** The fault box does not answer, and somebody took its plug out of the rig. @param what is the matter with it */
    record BoxUnplugged(String what) implements AssessmentEvent {}

    /** Answers that read the same as a fault of the set and count as right. @param file a fault-set file, one for each pair @param faults the fault of the set that each stands for */
    record AnswersAccepted(String file, List<Integer> faults) implements AssessmentEvent {
        @Override
        public String subject() {
            return "answers";
        }
    }

    /** What the candidate expects a box to read, said before it is read. @param before what was said until now */
    record ExpectedSaid(String slot, String text, String before) implements AssessmentEvent {
        @Override
        public String subject() {
            return "expected/" + slot;
        }

        @Override
        public Object said() {
            return text;
        }
    }

    /**
     * Something the assessor saw.
     *
     * @param observation its id in the scheme
     * @param slip what was wrong; empty where it was right or not seen
     */
    record Observed(String observation, Sight sight, String slip) implements AssessmentEvent {
        @Override
        public String subject() {
            return "observation/" + observation;
        }
    }

    enum Sight {
        RIGHT,
        SLIP,
        /** Takes back what was recorded. */
        NOT_SEEN
    }

    /**
     * A question asked, with the points of its answer said so far.
     *
     * @param question its id in the scheme
     * @param points their positions; null takes the question back
     */
    record Asked(String question, @Nullable List<Integer> points) implements AssessmentEvent {
        public Asked {
            points = points == null ? null : List.copyOf(points);
        }

        @Override
        public String subject() {
            return "question/" + question;
        }
    }

    /** The assessment was stopped for safety: the sheet freezes, the rig is made safe. @param what happened */
    record Stopped(String what) implements AssessmentEvent {}

    /** After a stop, and with the rig made safe, the candidate goes on: what follows was decided. @param reason why it goes on */
    record StopLifted(String reason) implements AssessmentEvent {}

    /**
     * A reading was taken over from the bay's tester; writing it is another event.
     *
     * @param text as its display showed it
     * @param function what it was set to
     * @param nulled whether its leads were nulled
     * @param range where its knob was, "9.99 Ω" or "auto"; null or empty where it did not say
     */
    record ReadingTaken(
            String slot,
            String text,
            String instrument,
            String function,
            boolean nulled,
            @Nullable String range) implements AssessmentEvent {
        @Override
        public String subject() {
            return "taken/" + slot;
        }

        /** Where its knob was: ", range 9.99 Ω"; empty where it found the range by itself, or did not say. */
        public String onRange() {
            return range == null || range.isEmpty() || range.equals("auto") ? "" : ", range " + range;
        }

        /** What the tester showed is not the writer's: sent again, it is the same deed. */
        @Override
        public Object said() {
            return slot;
        }
    }

    /** An item of a list was looked at or said. @param on false takes it back */
    record Ticked(Checklist list, String item, boolean on) implements AssessmentEvent {
        @Override
        public String subject() {
            return "tick/" + list.fileName() + "/" + item;
        }
    }

    /**
     * The clock stands still: the rig or the instrument is not as it should be, or something came between.
     *
     * @param what is the matter
     * @param spared what costs the candidate nothing for it
     */
    record Halted(Pause.Why why, String what, Pause.Spared spared) implements AssessmentEvent {}

    /** The clock goes on. @param what was done about it */
    record Resumed(String what) implements AssessmentEvent {}

    /** Another instrument is in use from now on; what was read with the one before stays as it was read. */
    record InstrumentChanged(Pinned.Document tester, String reason) implements AssessmentEvent {}

    /** Another assessor watches from now on. @param to account id */
    record HandedOver(String to) implements AssessmentEvent {
        @Override
        public String subject() {
            return "assessor";
        }
    }

    /** What is granted to the candidate; never why. @param timeFactor of every time, 1 for none @param given in words */
    record Adjusted(double timeFactor, List<String> given) implements AssessmentEvent {
        public Adjusted {
            given = List.copyOf(given);
        }

        @Override
        public String subject() {
            return "adjusted";
        }
    }

    /** The circuits to be tested. @param circuits their ids; empty for all */
    record CircuitsChosen(List<String> circuits) implements AssessmentEvent {
        public CircuitsChosen {
            circuits = List.copyOf(circuits);
        }

        @Override
        public String subject() {
            return "circuits";
        }
    }

    /** It ends without a judgement: a rig fault, a candidate who is ill. @param continuedAs the assessment that carries on; null for none */
    record BrokenOff(String reason, @Nullable String continuedAs) implements AssessmentEvent {}

    /** It carries on from another one, with what was seen and answered there. Seconds are those used there. */
    record Continued(String from, long deadSeconds, long liveSeconds) implements AssessmentEvent {}

    /** Parts of an earlier assessment are done again. @param parts ids of steps, or "faults"; empty for the whole */
    record ResitOf(String of, List<String> parts) implements AssessmentEvent {
        public ResitOf {
            parts = List.copyOf(parts);
        }
    }

    /** Somebody else is to mark the same record without seeing what was given. @param of account id */
    record OpinionAsked(String of, Opinions.Purpose purpose) implements AssessmentEvent {
        @Override
        public String subject() {
            return "opinion/" + of;
        }
    }

    /** What somebody who was asked would give for a mark. @param reason empty where the proposal is taken */
    record OpinionGiven(String mark, Award proposed, Award given, String reason) implements AssessmentEvent {
        @Override
        public String subject() {
            return "opinion-of/" + mark;
        }

        @Override
        public Object said() {
            return List.of(given, reason);
        }
    }

    /** Who was asked has marked it all; from now on each sees what the other gave. @param verdict that the marks given come to */
    record OpinionSigned(Verdict verdict) implements AssessmentEvent {
        @Override
        public String subject() {
            return "opinion-signed";
        }
    }

    /** Somebody who was asked and has not signed is asked no longer: what was given so far counts for nothing. @param of account id */
    record OpinionWithdrawn(String of) implements AssessmentEvent {
        @Override
        public String subject() {
            return "opinion/" + of;
        }
    }

    /** Two opinions on a mark were talked over. Both stay on record. @param given what counts */
    record DisputeSettled(String mark, Award given, String reason) implements AssessmentEvent {
        @Override
        public String subject() {
            return "mark/" + mark;
        }

        @Override
        public Object said() {
            return List.of(given, reason);
        }
    }

    /**
     * What the candidate is told; what was told before is replaced.
     *
     * @param lines in order
     * @param faults what was set, in words: only of a set that is not used again; null where it stays untold
     */
    record FeedbackGiven(
            List<Feedback.Sentence> lines, @Nullable List<String> faults) implements AssessmentEvent {
        public FeedbackGiven {
            lines = List.copyOf(lines);
            faults = faults == null ? null : List.copyOf(faults);
        }

        @Override
        public String subject() {
            return "feedback";
        }
    }
}
