package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** What is proved before a sheet opens, in which order, and when it was proved already; a sheet that shows no boxes. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ProvingFlowTest {
    private static String path;
    private static String sheet;

    @Autowired
    private MockMvc mvc;

    /** Nothing is read live with a fault in that is dead only: what only a live reading tells is read before. */
    @Test
    @Order(1)
    void whatIsDeadOnlyGoesInAfterTheLiveProofs() {
        Browser assessor = Browser.of(mvc, "ada");
        path = Bays.prepareWith(assessor, "bay-2", "mona", "full-sequence");
        Map<String, Object> reversed =
                Bays.fault("line-neutral-reversed", "counter/socket-2", List.of("line", "neutral"), null);
        Bays.choose(assessor, path, List.of(Bays.fault("high-ze", "supply", List.of(), 1.0), reversed));
        assessor.post(path + "/lock-off", Bays.event());
        JsonNode proof = assessor.get(path + "/proof").json();
        assertThat(proof.get("checks").valueStream().map(c -> c.get("live").asBoolean()))
                .as("there is something to read live")
                .contains(true);
        Browser.Answer refused = handled(assessor, 1);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("live-first");
        Bays.choose(assessor, path, List.of(reversed));
        assertThat(handled(assessor, 0).status())
                .as("nothing is to be read live for this one")
                .isEqualTo(200);
        Bays.open(assessor, path);
    }

    private static Browser.Answer handled(Browser assessor, int fault) {
        Map<String, Object> set = Bays.event();
        set.putAll(Map.of("fault", fault, "what", "SET", "done", true));
        return assessor.post(path + "/proof/handled", set);
    }

    /** A rig that was just proved healthy was to be proved healthy again, 59 to 83 readings long. */
    @Test
    @Order(2)
    void aClearingProvedSinceTheLastSittingCounts() {
        Browser assessor = Browser.of(mvc, "ada");
        Browser mona = Browser.of(mvc, "mona");
        assertThat(mona.post(path.replace("/api/assessments", "/api/my/sheets") + "/hand-in", Bays.event())
                        .status())
                .isEqualTo(200);
        Bays.clear(assessor, path);
        String next = Bays.prepareWith(assessor, "bay-2", "olga", "workshop");
        Bays.choose(assessor, next, List.of());
        assessor.post(next + "/lock-off", Bays.event());
        JsonNode proof = assessor.get(next + "/proof").json();
        assertThat(proof.get("healthySince").isNull()).as("said with its time").isFalse();
        assertThat(proof.get("mayOpen").asBoolean()).isTrue();
        assertThat(assessor.post(next + "/proof/open", Bays.event()).status()).isEqualTo(200);
        assessor.post(next + "/conduct/break-off", breakOff());
        Bays.clear(assessor, next);
    }

    private static Map<String, Object> breakOff() {
        Map<String, Object> event = Bays.event();
        event.put("what", "only tried");
        return event;
    }

    @Test
    @Order(3)
    void withoutHelpTheSheetShowsNoEmptyBox() {
        Browser assessor = Browser.of(mvc, "ada");
        String drill = assessor.get("/api/schemes")
                .json()
                .valueStream()
                .filter(s -> s.get("id").asString().equals("ring-drill"))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asString();
        String text = assessor.get("/api/schemes/ring-drill/" + drill + "/text")
                .json()
                .get("text")
                .asString()
                .replace("\"id\": \"ring-drill\"", "\"id\": \"ring-from-memory\"")
                .replace("\"version\": " + drill, "\"version\": 1")
                .replace("\"recording\": {", "\"recording\": {\"help\": \"none\", ");
        Browser.Answer kept = assessor.put("/api/schemes", Map.of("text", text));
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);

        String from = Bays.prepareWith(assessor, "bay-5", "olga", "ring-from-memory");
        Bays.choose(assessor, from, List.of());
        Bays.open(assessor, from);
        sheet = from.replace("/api/assessments", "/api/my/sheets");
        Browser olga = Browser.of(mvc, "olga");
        JsonNode shown = olga.get(sheet).json();
        for (JsonNode step : shown.get("steps")) {
            assertThat(step.get("setUp")).isEmpty();
            for (JsonNode group : step.get("groups")) {
                assertThat(group.get("boxes")).as(step.get("label").asString()).isEmpty();
            }
        }
        assertThat(shown.get("boxes").asInt()).as("not even how many").isZero();
        assertThat(olga.get("/api/reference").status()).isNotEqualTo(200);
        assertThat(olga.get("/api/reference/glossary").status()).isNotEqualTo(200);

        JsonNode isolation = shown.get("steps").get(0);
        JsonNode group = isolation.get("groups").get(0);
        String ask = sheet + "/box?test=" + isolation.get("id").asString() + "&group="
                + group.get("label").asString() + "&quantity="
                + group.get("choice").get("quantities").get(0).asString();
        JsonNode box = olga.get(ask + "&place="
                        + group.get("choice").get("places").get(0).asString())
                .json();
        String slot = box.get("slot").asString();
        assertThat(olga.put(
                                sheet + "/readings",
                                Bays.reading(slot, "dead", box.get("seq").asInt()))
                        .status())
                .isEqualTo(200);
        JsonNode written =
                olga.get(sheet).json().get("steps").get(0).get("groups").get(0).get("boxes");
        assertThat(written.valueStream().map(b -> b.get("slot").asString())).containsExactly(slot);
        Browser.Answer nowhere = olga.get(ask + "&place=the moon");
        assertThat(nowhere.status()).isEqualTo(409);
        assertThat(nowhere.text()).contains("no-such-box");
        assertThat(Browser.of(mvc, "mona").get(ask + "&place=the moon").status())
                .as("somebody else's")
                .isEqualTo(404);
        JsonNode paper = assessor.get(from + "/paper").json();
        assertThat(paper.get("steps").get(0).get("groups").get(0).get("boxes"))
                .as("who enters from paper sees every box")
                .isNotEmpty();
    }
}
