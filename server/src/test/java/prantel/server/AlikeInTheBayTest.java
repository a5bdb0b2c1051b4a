package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Two candidates at the same rig, one after the other, read alike and otherwise than it is described. */
@TestServer
class AlikeInTheBayTest {
    @Autowired
    private MockMvc mvc;

    private static final Map<String, String> LOOSE =
            Map.of("kitchen/r1r2/socket-3", "0.93", "kitchen/r1r2/socket-4", "1.05");

    /** Everything as the simulated tester reads it, but for a joint that worked loose in the kitchen. */
    private String handedIn(Browser assessor, String candidateId) {
        String path = Bays.prepare(assessor, "bay-5", candidateId);
        Bays.choose(assessor, path, List.of());
        Bays.open(assessor, path);
        Bays.handIn(assessor, Browser.of(mvc, candidateId), path, "R1_R2", LOOSE);
        return path;
    }

    private static List<String> slots(JsonNode rigFirst) {
        List<String> slots = new ArrayList<>();
        rigFirst.get("slots").forEach(s -> slots.add(s.asString()));
        return slots;
    }

    @Test
    void theRigIsSuspectedFirstForBothAndTheTechnicianIsTold() {
        Browser assessor = Browser.of(mvc, "ada");
        String first = handedIn(assessor, "lutz");
        assertThat(assessor.get(first + "/marking").json().get("rigFirst").isNull())
                .as("one person alone")
                .isTrue();
        JsonNode alone = assessor.get(first + "/marking").json();
        assertThat(alone.get("marks").toString())
                .as("a joint that came loose accounts for all that is off: the mark waits for somebody who looked")
                .contains("A_LOOK_AT_THE_RIG", "hardly the reader's doing");
        assertThat(alone.get("outcome").get("whyNot").asString()).contains("when the rig or the tester was looked at");
        Bays.clear(assessor, first);
        String second = handedIn(assessor, "axel");
        JsonNode rigFirst = assessor.get(second + "/marking").json().get("rigFirst");
        assertThat(slots(rigFirst)).contains("kitchen/r1r2/socket-3", "kitchen/r1r2/socket-4");
        assertThat(rigFirst.get("words").asString()).contains("Look at the rig first");
        assertThat(slots(assessor.get(first + "/marking").json().get("rigFirst")))
                .as("for the one before as well")
                .contains("kitchen/r1r2/socket-3");

        // the second sheet is the first one's to the digit: asked about, by nobody's name
        assertThat(assessor.get(second + "/marking").text())
                .contains("Agrees to the digit with another record of this rig", "as in the record handed in on")
                .doesNotContain("Lutz");
        assertThat(assessor.get(first + "/marking").text())
                .as("whoever handed in before copied nothing of what came after")
                .doesNotContain("another record of this rig");
        assertThat(Browser.of(mvc, "axel")
                        .get("/api/my/sheets/" + second.replaceAll(".*/", ""))
                        .text())
                .contains("kitchen/r1r2/socket-3")
                .doesNotContain("another record", "COPIED");

        Bays.markAsProposed(assessor, second);
        Browser.Answer draft = assessor.get(second + "/feedback");
        assertThat(draft.json().get("draft").toString())
                .as("nobody is told to do otherwise what the rig may have done")
                .doesNotContain("you wrote 0.93", "you wrote 1.05", "another record");
        Browser technician = Browser.of(mvc, "tim");
        JsonNode notes = technician.get("/api/rigs/hostel/notes").json();
        assertThat(notes.size()).isEqualTo(1);
        assertThat(notes.get(0).get("text").asString()).contains("socket 3").doesNotContain("Lutz", "Axel", "0.93");
        assertThat(assessor.get("/api/floor").text()).contains("Several people read alike here");
        Bays.markAsProposed(assessor, first);
        assertThat(technician.get("/api/rigs/hostel/notes").json().size())
                .as("said once")
                .isEqualTo(1);

        String note = "/api/rigs/hostel/notes/" + notes.get(0).get("noteId").asInt();
        assertThat(technician.put(note, Map.of("what", " ")).text()).contains("say what you found");
        JsonNode done = technician
                .put(note, Map.of("what", "joint behind socket 3 remade"))
                .json();
        assertThat(done.get(0).get("done").get("by").asString()).isEqualTo("Tim East");
        assertThat(assessor.get("/api/floor").text()).doesNotContain("Several people read alike here");
        assertThat(Browser.of(mvc, "lutz").get("/api/rigs/hostel/notes").status())
                .isEqualTo(403);
        assertThat(technician.get(second + "/marking").status()).isEqualTo(403);
    }
}
