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

/**
 * A whole sitting with a fault that is dead only: the dead tests are read with it in, then it is taken out and proved out, and
 * the live tests are read without it. Each box is held against the rig as it was when it was written.
 */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FaultsTakenOutTest {
    private static String path;
    private static String sheet;

    @Autowired
    private MockMvc mvc;

    private void fill(Browser assessor, Browser candidate, boolean live) {
        for (JsonNode step : candidate.get(sheet).json().get("steps")) {
            if (step.get("live").asBoolean() != live) {
                continue;
            }
            for (JsonNode group : step.get("groups")) {
                for (JsonNode box : group.get("boxes")) {
                    if (box.get("chosenFrom").isEmpty()) {
                        String slot = box.get("slot").asString();
                        String text = assessor.post(path + "/proof/simulated", Map.of("slot", slot))
                                .json()
                                .get("text")
                                .asString();
                        Browser.Answer kept = candidate.put(sheet + "/readings", Bays.reading(slot, text, 0));
                        assertThat(kept.status()).as(slot + ": " + kept.text()).isEqualTo(200);
                    }
                }
            }
        }
    }

    @Test
    @Order(1)
    void deadTestsAreReadWithTheFaultIn() {
        Browser assessor = Browser.of(mvc, "ada");
        Browser candidate = Browser.of(mvc, "mona");
        path = Bays.prepareWith(assessor, "bay-5", "mona", "full-sequence");
        sheet = path.replace("/api/assessments", "/api/my/sheets");
        Bays.choose(
                assessor,
                path,
                List.of(Bays.fault("line-neutral-reversed", "kitchen/socket-2", List.of("line", "neutral"), null)));
        Bays.open(assessor, path);
        fill(assessor, candidate, false);
        assertThat(floorTile(assessor).get("faultsSet").asInt()).isEqualTo(1);
    }

    private static JsonNode floorTile(Browser assessor) {
        return assessor.get("/api/floor")
                .json()
                .get("bays")
                .valueStream()
                .filter(b -> b.get("id").asString().equals("bay-5"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    @Order(2)
    void itComesOutAndTheFloorSaysSo() {
        Browser assessor = Browser.of(mvc, "ada");
        Map<String, Object> out = Bays.event();
        out.putAll(Map.of("fault", 0, "out", true));
        assertThat(assessor.post(path + "/live/out", out).status()).isEqualTo(200);
        assertThat(floorTile(assessor).get("faultsSet").asInt()).isZero();
        Bays.measure(
                assessor,
                path,
                "/live/readings",
                assessor.get(path + "/live").json().get("checks"));
        Browser.Answer on = Bays.on(assessor, path, "what is chosen from readings is chosen at the end");
        assertThat(on.status()).as(on.text()).isEqualTo(200);
    }

    /** 500 V on a live circuit was taken without a word. */
    @Test
    @Order(3)
    void noDeadTestIsWrittenWhileTheRigIsLive() {
        Browser candidate = Browser.of(mvc, "mona");
        JsonNode dead = candidate
                .get(sheet)
                .json()
                .get("steps")
                .valueStream()
                .filter(s -> s.get("id").asString().equals("INSULATION"))
                .findFirst()
                .orElseThrow();
        assertThat(dead.get("closedBecause").asString()).contains("dead test", "the rig is live");
        String slot = dead.get("groups").get(0).get("boxes").get(0).get("slot").asString();
        assertThat(candidate
                        .put(sheet + "/readings", Bays.reading(slot, "500 MΩ", 1))
                        .text())
                .contains("dead-step-closed");
        fill(Browser.of(mvc, "ada"), candidate, true);
    }

    /** Right readings were asked about as "value of the healthy circuit", and Zs was expected as "no supply". */
    @Test
    @Order(4)
    void everyHonestReadingCountsInFullAndNobodyIsAsked() {
        Browser assessor = Browser.of(mvc, "ada");
        Browser candidate = Browser.of(mvc, "mona");
        assertThat(Bays.off(assessor, path).status()).isEqualTo(200);
        assertThat(candidate.post(sheet + "/hand-in", Bays.event()).status()).isEqualTo(200);
        JsonNode view = assessor.get(path + "/marking").json();
        List<String> odd = view.get("lines")
                .valueStream()
                .filter(l -> !l.get("written").asString().isEmpty())
                .filter(l -> !l.get("side").asString().equals("inside")
                        || !l.get("explanations").isEmpty())
                .map(l -> l.get("slot").asString() + " " + l.get("written").asString() + " "
                        + l.get("sideWords").asString() + " " + l.get("explanations"))
                .toList();
        assertThat(odd).isEmpty();
        List<String> measured = view.get("marks")
                .valueStream()
                .filter(m -> m.get("id").asString().contains("measured"))
                .map(m -> m.get("id").asString() + " " + m.get("proposed").asString())
                .toList();
        assertThat(measured).isNotEmpty().allMatch(m -> m.endsWith(" FULL"));
    }

    /** What would only be right with the fault still in counted as right, written after it was out. */
    @Test
    @Order(5)
    void aReadingOfTheFaultWrittenAfterItWasOutIsNotRight() {
        Browser assessor = Browser.of(mvc, "ada");
        JsonNode atTheFault = assessor.get(path + "/marking")
                .json()
                .get("lines")
                .valueStream()
                .filter(l -> l.get("slot").asString().startsWith("kitchen/")
                        && l.get("slot").asString().contains("zs/socket-2"))
                .findFirst()
                .orElseThrow();
        assertThat(atTheFault.get("expected").asString())
                .isEqualTo(atTheFault.get("healthy").asString());
    }
}
