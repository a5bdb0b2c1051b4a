package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Faults by box and by hand in the Hostel, with its simulated fault box, until the rig is healthy again. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SettingFlowTest {
    private static final String BOX = "/api/simulated-boxes/bay-5";
    private static String id;

    @Autowired
    private MockMvc mvc;

    private Browser assessor;
    private String path;

    @BeforeEach
    void signIn() {
        assessor = Browser.of(mvc, "ada");
        path = "/api/assessments/" + id;
    }

    private Browser.Answer choose(List<Map<String, Object>> faults, String from) {
        Map<String, Object> choice = new HashMap<>();
        choice.put("eventId", Browser.event());
        choice.put("basedOn", assessor.get(path + "/set").json().get("basedOn").asInt());
        choice.put("faults", faults);
        choice.put("from", from);
        return assessor.put(path + "/faults", choice);
    }

    private Browser.Answer event(String what) {
        return assessor.post(path + what, Map.of("eventId", Browser.event()));
    }

    private void measure(String where, JsonNode checks) {
        Bays.measure(assessor, path, where, checks);
    }

    @Test
    @Order(1)
    void setIsProposedWithReasonsAndTheSameForTheSameSeed() {
        id = assessor.post(
                        "/api/assessments",
                        Map.of("bayId", "bay-5", "candidateId", "mona", "testerId", "t1", "schemeId", "workshop"))
                .json()
                .get("id")
                .asString();
        path = "/api/assessments/" + id;
        Map<String, Object> wanted = Map.of("stage", "DEAD", "count", 3, "target", 2.5, "seed", 7);
        JsonNode one = assessor.post(path + "/faults/propose", wanted).json();
        assertThat(one.get("faults")).hasSize(3);
        assertThat(one.get("reasons").toString()).contains("difficulty");
        assertThat(assessor.post(path + "/faults/propose", wanted).json()).isEqualTo(one);
        JsonNode review = assessor.post(path + "/faults/review", Map.of("faults", one.get("faults")))
                .json();
        assertThat(review.get("fair").asBoolean()).isTrue();
        assertThat(assessor.post(
                                path + "/faults/propose",
                                Map.of("stage", "DEAD", "count", 90, "target", 2.5, "seed", 7))
                        .status())
                .isEqualTo(400);
    }

    @Test
    @Order(2)
    void maskedSetIsSaidToBeUnfairAndWhatReadsAlikeCanBeAccepted() {
        List<Map<String, Object>> masked = List.of(
                Bays.fault("cpc-open-after", "kitchen/socket-1", List.of("cpc"), null),
                Bays.fault("high-resistance-joint", "kitchen/socket-3", List.of("cpc"), 0.8));
        JsonNode review =
                assessor.post(path + "/faults/review", Map.of("faults", masked)).json();
        assertThat(review.get("fair").asBoolean()).isFalse();
        assertThat(review.get("conflicts").toString()).contains("hides");

        choose(List.of(Bays.fault("dead-short", "kitchen/socket-2", List.of("line", "neutral"), null)), null);
        Map<String, Object> reads = Bays.fault("dead-short", "kitchen/socket-3", List.of("line", "neutral"), null);
        assertThat(assessor.put(
                                path + "/answers",
                                Map.of(
                                        "eventId",
                                        Browser.event(),
                                        "answers",
                                        List.of(Map.of("fault", 0, "reads", reads))))
                        .status())
                .isEqualTo(200);
        assertThat(assessor.put(
                                path + "/answers",
                                Map.of(
                                        "eventId",
                                        Browser.event(),
                                        "answers",
                                        List.of(Map.of("fault", 4, "reads", reads))))
                        .status())
                .as("no such fault in the set")
                .isEqualTo(400);
    }

    @Test
    @Order(3)
    void placeTellsWhatEveryKindWouldDoThere() {
        JsonNode here = assessor.get(path + "/faults/here?at=kitchen/socket-2").json();
        assertThat(here.toString()).contains("cpc-open-after", "R1+R2, method 1", "difficulty");
        assertThat(assessor.get(path + "/faults/here?at=kitchen/socket-99").status())
                .isEqualTo(400);
    }

    @Test
    @Order(4)
    void setIsKeptInTheLibraryComparedAndTakenFromIt() {
        List<Map<String, Object>> faults = List.of(
                Bays.fault("cpc-open-after", "kitchen/socket-2", List.of("cpc"), null),
                Bays.fault("strapper-leak", "stairs-lights/second-switch", List.of("strapper-2"), 0.5),
                Bays.fault("line-neutral-reversed", "alarms/alarm-2", List.of("line", "neutral"), null));
        String ref = assessor.post(path + "/library", Map.of("name", "Stairs and alarms", "faults", faults))
                .json()
                .get("ref")
                .asString();
        assertThat(ref).isEqualTo("hostel-stairs-and-alarms@1");
        assertThat(assessor.post(path + "/library", Map.of("name", "Stairs and alarms", "faults", faults))
                        .text())
                .as("what says the same makes no version")
                .contains("@1");
        assertThat(assessor.post(path + "/library", Map.of("name", "Stairs and alarms", "faults", faults.subList(0, 2)))
                        .text())
                .contains("@2");
        assertThat(assessor.post(path + "/library", Map.of("name", "Nothing", "faults", List.of()))
                        .status())
                .isEqualTo(400);
        JsonNode compared = assessor.get(path + "/compare?with=" + ref).json();
        assertThat(compared.get("onlySecond")).hasSize(3);
        assertThat(compared.get("readings").toString()).contains("Smoke alarms");
        assertThat(choose(faults, ref).status()).isEqualTo(200);
        JsonNode library = assessor.get(path + "/library").json();
        assertThat(library.get(0).get("used").toString()).contains("bay 5");
        assertThat(assessor.get(path + "/compare?with=no-such@1").status()).isEqualTo(404);
    }

    @Test
    @Order(5)
    void cardListsEveryStepAndWindow() {
        JsonNode card = assessor.get(path + "/card").json();
        assertThat(card.get("byBox")).hasSize(2);
        assertThat(card.get("byHand")).hasSize(1);
        assertThat(card.get("lockOff").toString()).contains("key on you");
        assertThat(card.get("checks").size()).isBetween(1, 6);
        assertThat(Browser.of(mvc, "mona").get(path + "/card").status()).isEqualTo(403);
    }

    /** Not by a cached page either: no browser may keep what tells the faults. */
    @Test
    @Order(5)
    void answersAreNeverStored() throws Exception {
        String cache = mvc.perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(path + "/card")
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.user("ada")
                                        .roles("ASSESSOR")))
                .andReturn()
                .getResponse()
                .getHeader("Cache-Control");
        assertThat(cache).contains("no-store");
    }

    @Test
    @Order(6)
    void boxIsArmedOnlyOnALockedOffRigAndReadBack() {
        assertThat(event("/proof/arm").status()).isEqualTo(409);
        event("/lock-off");
        JsonNode armed = event("/proof/arm").json();
        assertThat(armed.get("box").get("closed").toString()).isEqualTo("[2,4]");
        assertThat(armed.get("box").get("armed").asBoolean()).isTrue();
        assertThat(choose(List.of(), null).text())
                .as("another set would not say what is on the rig")
                .contains("release it");
        assertThat(assessor.post(
                                path + "/proof/handled",
                                Map.of("eventId", Browser.event(), "fault", 0, "what", "SET", "done", true))
                        .text())
                .contains("never wired by hand");
    }

    @Test
    @Order(7)
    void wrongRelayIsNoticedAndKeepsTheSheetShut() {
        assessor.post(
                path + "/proof/handled", Map.of("eventId", Browser.event(), "fault", 2, "what", "SET", "done", true));
        assessor.post(BOX + "/weld", weld(2, false));
        JsonNode wrong = event("/proof/arm").json();
        assertThat(wrong.get("box").get("wrong").toString()).isEqualTo("[2]");
        assertThat(wrong.get("whyNotOpen").asString()).contains("relay 2 is not where it should be");
        assessor.post(BOX + "/weld", weld(2, null));
        assertThat(event("/proof/arm").json().get("box").get("wrong")).isEmpty();
    }

    private static Map<String, Object> weld(int relay, Boolean closed) {
        Map<String, Object> weld = new HashMap<>();
        weld.put("relay", relay);
        weld.put("closed", closed);
        return weld;
    }

    @Test
    @Order(8)
    void powerCutIsNoticedAndNothingIsArmedAgainByItself() throws InterruptedException {
        assessor.post(BOX + "/power", Map.of("on", false));
        assertThat(waitFor("contact", false)).isTrue();
        assertThat(assessor.get(path + "/proof").json().get("whyNotOpen").asString())
                .contains("does not answer");
        assessor.post(BOX + "/power", Map.of("on", true));
        assertThat(waitFor("contact", true)).isTrue();
        JsonNode box = assessor.get(path + "/proof").json().get("box");
        assertThat(box.get("closed")).isEmpty();
        assertThat(box.get("says").asString()).contains("arm it again");
        assertThat(event("/proof/arm").json().get("box").get("armed").asBoolean())
                .isTrue();
    }

    /** The box is polled once a second. */
    private boolean waitFor(String field, boolean wanted) throws InterruptedException {
        for (int i = 0; i < 100; i++) {
            if (assessor.get(path + "/proof").json().get("box").get(field).asBoolean() == wanted) {
                return true;
            }
            Thread.sleep(100);
        }
        return false;
    }

    @Test
    @Order(9)
    void readingsProveItAndTheSheetOpens() {
        measure("/proof/readings", assessor.get(path + "/proof").json().get("checks"));
        JsonNode proof = assessor.get(path + "/proof").json();
        assertThat(proof.get("mayOpen").asBoolean())
                .as(proof.get("whyNotOpen").asString())
                .isTrue();
        assertThat(proof.get("hypotheses").get(0).get("asMeant").asBoolean()).isTrue();
        assertThat(event("/proof/open").status()).isEqualTo(200);
        Bays.confirm(assessor, path);
        assertThat(event("/proof/release").status())
                .as("the candidate works with it")
                .isEqualTo(409);
    }

    @Test
    @Order(10)
    void goingLiveWithADeadOnlyFaultIsRefusedWithTheReason() {
        Browser.Answer refused = Bays.on(assessor, path, null);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("dead only", "has no earth");
        Map<String, Object> nothingTicked = Bays.event();
        nothingTicked.put("seen", List.of());
        assertThat(assessor.post(path + "/live/on", nothingTicked).text())
                .as("everything at once, whatever is ticked")
                .contains("dead only", "has no earth", "till open before it goes live");
        assertThat(assessor.get(path + "/live").json().get("mayGoLive").asBoolean())
                .isFalse();
    }

    private static Map<String, Object> off(boolean locked, boolean proved) {
        return Map.of("eventId", Browser.event(), "lockedOff", locked, "provedDead", proved);
    }

    @Test
    @Order(11)
    void liveOnceDeadOnlyFaultsAreOutAndProvedOut() {
        for (int fault = 0; fault < 3; fault++) {
            assessor.post(path + "/live/out", Map.of("eventId", Browser.event(), "fault", fault, "out", true));
        }
        assertThat(Bays.on(assessor, path, null).text()).contains("to go");
        measure("/live/readings", assessor.get(path + "/live").json().get("checks"));
        assertThat(Bays.on(assessor, path, null).text())
                .as("115 boxes of the dead tests are empty")
                .contains("say why");
        Browser.Answer on = Bays.on(assessor, path, "only the loop is assessed today");
        assertThat(on.status()).as(on.text()).isEqualTo(200);
        assertThat(assessor.get("/api/floor").text()).contains("LIVE, your whole attention");
        assertThat(assessor.post(path + "/live/out", Map.of("eventId", Browser.event(), "fault", 0, "out", false))
                        .text())
                .as("nothing is changed on a live rig")
                .contains("make it dead");
        Browser candidate = Browser.of(mvc, "mona");
        assertThat(candidate
                        .post("/api/my/sheets/" + id + "/hand-in", Map.of("eventId", Browser.event()))
                        .text())
                .as("nobody hands in beside a live rig")
                .contains("the rig is live");
        assertThat(event("/clear/release").status())
                .as("a live rig is not cleared")
                .isEqualTo(409);
        assertThat(assessor.post(path + "/live/off", off(true, false)).text()).contains("proved dead");
        assertThat(assessor.get(path + "/live").json().get("energisedAt").isNull())
                .isFalse();
        assertThat(assessor.post(path + "/live/off", off(true, true)).status()).isEqualTo(200);
    }

    @Test
    @Order(12)
    void rigIsClearedAndProvedHealthy() {
        Browser candidate = Browser.of(mvc, "mona");
        candidate.post("/api/my/sheets/" + id + "/hand-in", Map.of("eventId", Browser.event()));
        assertThat(event("/clear/done").text()).contains("to go");
        assertThat(event("/clear/release").status()).isEqualTo(200);
        measure("/clear/checks", assessor.get(path + "/clear").json().get("checks"));
        JsonNode clear = assessor.get(path + "/clear").json();
        assertThat(clear.get("hypotheses").get(0).get("words").asString()).isEqualTo("The rig is healthy.");
        assertThat(event("/clear/done").status()).isEqualTo(200);
    }

    @Test
    @Order(13)
    void everyFaultOfARigIsExploredAndPairsCanBeStopped() {
        JsonNode explored = assessor.get("/api/rigs/hostel/faults?scheme=dead").json();
        assertThat(explored.get("findable").asInt()).isGreaterThan(300);
        assertThat(assessor.get("/api/rigs/no-such/faults").status()).isEqualTo(404);
        assertThat(assessor.get("/api/rigs/hostel/faults/pairs?scheme=dead").text())
                .contains("none");
        assertThat(assessor.post("/api/rigs/hostel/faults/pairs?scheme=dead", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(assessor.delete("/api/rigs/hostel/faults/pairs?scheme=dead").status())
                .isEqualTo(200);
        assertThat(Browser.of(mvc, "paul").get("/api/rigs/hostel/faults").status())
                .isEqualTo(403);
    }
}
