package prantel.server.assessment;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.springframework.stereotype.Component;
import prantel.core.assessment.AssessmentEvent;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;

/** Events as they are stored: JSON, with the stable name of the kind in the field {@code event}. */
@Component
class EventJson {
    private final JsonMapper json;

    EventJson(JsonMapper json) {
        this.json = json.rebuild()
                .addMixIn(AssessmentEvent.class, Named.class)
                .registerSubtypes(AssessmentEvent.KINDS.entrySet().stream()
                        .map(kind -> new NamedType(kind.getKey(), kind.getValue()))
                        .toArray(NamedType[]::new))
                .build();
    }

    String write(AssessmentEvent event) {
        return json.writerFor(AssessmentEvent.class).writeValueAsString(event);
    }

    AssessmentEvent read(String payload) {
        return json.readValue(payload, AssessmentEvent.class);
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
    private interface Named {}
}
