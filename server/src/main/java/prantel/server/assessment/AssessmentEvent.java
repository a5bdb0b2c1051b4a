package prantel.server.assessment;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/**
 * Something that happened in an assessment. Kept for ever as JSON, so a kind is never renamed or given another meaning; a
 * new need is a new kind.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
@JsonSubTypes({
    @JsonSubTypes.Type(value = AssessmentEvent.FaultsChosen.class, name = "faults-chosen"),
    @JsonSubTypes.Type(value = AssessmentEvent.LockedOff.class, name = "locked-off"),
    @JsonSubTypes.Type(value = AssessmentEvent.CheckTaken.class, name = "check-taken"),
    @JsonSubTypes.Type(value = AssessmentEvent.SheetOpened.class, name = "sheet-opened"),
    @JsonSubTypes.Type(value = AssessmentEvent.ReadingWritten.class, name = "reading-written"),
    @JsonSubTypes.Type(value = AssessmentEvent.BoxJudged.class, name = "box-judged"),
    @JsonSubTypes.Type(value = AssessmentEvent.FaultsReported.class, name = "faults-reported"),
    @JsonSubTypes.Type(value = AssessmentEvent.HandedIn.class, name = "handed-in"),
    @JsonSubTypes.Type(value = AssessmentEvent.HandedBack.class, name = "handed-back"),
    @JsonSubTypes.Type(value = AssessmentEvent.MarkDecided.class, name = "mark-decided"),
    @JsonSubTypes.Type(value = AssessmentEvent.OutcomeDecided.class, name = "outcome-decided"),
    @JsonSubTypes.Type(value = AssessmentEvent.ClearCheckTaken.class, name = "clear-check-taken"),
    @JsonSubTypes.Type(value = AssessmentEvent.Cleared.class, name = "cleared"),
    @JsonSubTypes.Type(value = AssessmentEvent.BoxCommanded.class, name = "box-commanded"),
    @JsonSubTypes.Type(value = AssessmentEvent.FaultHandled.class, name = "fault-handled"),
    @JsonSubTypes.Type(value = AssessmentEvent.LiveCheckTaken.class, name = "live-check-taken"),
    @JsonSubTypes.Type(value = AssessmentEvent.Energised.class, name = "energised"),
    @JsonSubTypes.Type(value = AssessmentEvent.BoxFellOut.class, name = "box-fell-out"),
    @JsonSubTypes.Type(value = AssessmentEvent.AnswersAccepted.class, name = "answers-accepted")
})
public sealed interface AssessmentEvent {

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

    /** Answers that read the same as a fault of the set and count as right. @param file a fault-set file, one for each pair @param faults the fault of the set that each stands for */
    record AnswersAccepted(String file, List<Integer> faults) implements AssessmentEvent {
        @Override
        public String subject() {
            return "answers";
        }
    }
}
