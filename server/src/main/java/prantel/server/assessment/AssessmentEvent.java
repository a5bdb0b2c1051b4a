package prantel.server.assessment;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
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
    @JsonSubTypes.Type(value = AssessmentEvent.Cleared.class, name = "cleared")
})
public sealed interface AssessmentEvent {

    /** What it is about: writes about the same thing are held against each other. */
    default String subject() {
        return "";
    }

    /** @param file the whole set as a fault-set file */
    record FaultsChosen(String file) implements AssessmentEvent {
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
    }

    record OutcomeDecided(Verdict proposed, Verdict given, String reason) implements AssessmentEvent {
        @Override
        public String subject() {
            return "outcome";
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
}
