package prantel.server.assessment;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.springframework.stereotype.Component;
import prantel.core.assessment.AssessmentEvent;
import tools.jackson.databind.json.JsonMapper;

/** Events as they are stored: JSON, with the stable name of the kind in the field {@code event}. */
@Component
class EventJson {
    private final JsonMapper json;

    EventJson(JsonMapper json) {
        this.json = json.rebuild().addMixIn(AssessmentEvent.class, Named.class).build();
    }

    String write(AssessmentEvent event) {
        return json.writerFor(AssessmentEvent.class).writeValueAsString(event);
    }

    AssessmentEvent read(String payload) {
        return json.readValue(payload, AssessmentEvent.class);
    }

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
        @JsonSubTypes.Type(value = AssessmentEvent.AnswersAccepted.class, name = "answers-accepted"),
        @JsonSubTypes.Type(value = AssessmentEvent.ExpectedSaid.class, name = "expected-said"),
        @JsonSubTypes.Type(value = AssessmentEvent.Observed.class, name = "observed"),
        @JsonSubTypes.Type(value = AssessmentEvent.Asked.class, name = "asked"),
        @JsonSubTypes.Type(value = AssessmentEvent.Stopped.class, name = "stopped")
    })
    private interface Named {}
}
