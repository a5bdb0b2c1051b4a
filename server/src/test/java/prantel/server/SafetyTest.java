package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** What must never happen at a rig that is, or may be, live. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SafetyTest {
    private static final String BOX = "/api/simulated-boxes/bay-5";
    private static String kiosk;
    private static String dairy;
    private static String hostel;

    @Autowired
    private MockMvc mvc;

    private Browser assessor;

    @BeforeEach
    void signIn() {
        assessor = Browser.of(mvc, "ada");
    }

    private JsonNode live(String path) {
        return assessor.get(path + "/live").json();
    }

    @Test
    @Order(1)
    void twoRequestsAtOnceMakeOneBayLiveAndNotTwo() throws Exception {
        kiosk = Bays.prepare(assessor, "bay-2", "olga");
        dairy = Bays.prepare(assessor, "bay-4", "bela");
        Bays.open(assessor, kiosk);
        Bays.open(assessor, dairy);
        for (int race = 0; race < 12; race++) {
            try (var both = Executors.newFixedThreadPool(2)) {
                List<Callable<Integer>> on = List.of(
                        () -> Bays.on(assessor, kiosk, "race").status(),
                        () -> Bays.on(assessor, dairy, "race").status());
                int went = 0;
                for (var done : both.invokeAll(on)) {
                    assertThat(done.get()).isIn(200, 409);
                    went += done.get() == 200 ? 1 : 0;
                }
                assertThat(went).as("race " + race).isEqualTo(1);
            }
            for (String path : List.of(kiosk, dairy)) {
                if (!live(path).get("energisedAt").isNull()) {
                    assertThat(Bays.off(assessor, path).status()).isEqualTo(200);
                }
            }
        }
    }

    @Test
    @Order(2)
    void liveRigIsNeitherHandedInNorClearedNorDoesAnythingMoveOnIt() {
        Browser candidate = Browser.of(mvc, "olga");
        String sheet = kiosk.replace("/api/assessments", "/api/my/sheets");
        assertThat(Bays.on(assessor, kiosk, "").text())
                .as("no test done, no reason given")
                .contains("say why");
        assertThat(Bays.on(assessor, kiosk, "the loop only").status()).isEqualTo(200);
        assertThat(candidate.post(sheet + "/hand-in", Bays.event()).text()).contains("the rig is live");
        for (String what : List.of("/clear/done", "/clear/release", "/proof/arm", "/proof/open")) {
            assertThat(assessor.post(kiosk + what, Bays.event()).status())
                    .as(what)
                    .isEqualTo(409);
        }
        Map<String, Object> half = Bays.event();
        half.putAll(Map.of("lockedOff", true, "provedDead", false));
        assertThat(assessor.post(kiosk + "/live/off", half).status()).isEqualTo(409);
        assertThat(Bays.off(assessor, kiosk).status()).isEqualTo(200);
        assertThat(candidate.post(sheet + "/hand-in", Bays.event()).status()).isEqualTo(200);
        assertThat(Bays.on(assessor, kiosk, "again").text()).contains("not at work");
        Bays.clear(assessor, kiosk);
    }

    @Test
    @Order(3)
    void refusedCommandMovesNoRelay() {
        hostel = Bays.prepare(assessor, "bay-5", "mona");
        assertThat(assessor.get("/api/rigs/hostel").text()).contains("cpc-open-after");
        Bays.choose(assessor, hostel, List.of(Bays.fault("cpc-open-after", "kitchen/socket-2", List.of("cpc"), null)));
        assessor.post(hostel + "/lock-off", Bays.event());
        assertThat(assessor.post(hostel + "/proof/arm", Map.of("eventId", "x")).status())
                .as("a bad event id")
                .isEqualTo(400);
        assertThat(closed()).isEmpty();
    }

    private List<Integer> closed() {
        return assessor.get(hostel + "/proof")
                .json()
                .get("box")
                .get("closed")
                .valueStream()
                .map(JsonNode::asInt)
                .toList();
    }

    private void stick(int relay, Boolean closed) {
        Map<String, Object> stuck = new java.util.HashMap<>(Map.of("relay", relay));
        stuck.put("closed", closed);
        assertThat(assessor.post(BOX + "/weld", stuck).status()).isEqualTo(200);
    }

    @Test
    @Order(4)
    void relayThatNobodyCommandedStopsGoingLive() {
        Bays.choose(assessor, hostel, List.of());
        Bays.open(assessor, hostel);
        assertThat(live(hostel).get("mayGoLive").asBoolean()).isTrue();
        stick(6, true);
        await().untilAsserted(() -> assertThat(live(hostel).get("whyNot").toString())
                .contains("Relay 6 of the fault box is in, and nobody pulled it in"));
        assertThat(Bays.on(assessor, hostel, "all the same").status()).isEqualTo(409);
        stick(6, null);
        await().untilAsserted(() ->
                assertThat(live(hostel).get("mayGoLive").asBoolean()).isTrue());
    }

    private List<String> needs() {
        return assessor.get("/api/floor")
                .json()
                .get("aisle")
                .valueStream()
                .map(n -> n.get("urgency").asString() + ": " + n.get("what").asString())
                .toList();
    }

    /** 5 of 6 went through: what was known of the box was a second old. */
    @Test
    @Order(5)
    void theBoxIsHeardAtTheMomentOfGoingLive() {
        for (int i = 0; i < 4; i++) {
            stick(6, true);
            Browser.Answer on = Bays.on(assessor, hostel, "at once");
            stick(6, null);
            assertThat(on.status()).as(on.text()).isEqualTo(409);
            assertThat(on.text()).contains("Relay 6");
        }
    }

    @Test
    @Order(6)
    void aRelayThatNobodyPulledInIsToldFirstEverywhereAndKept() {
        Browser candidate = Browser.of(mvc, "mona");
        String sheet = hostel.replace("/api/assessments", "/api/my/sheets");
        stick(6, true);
        await().untilAsserted(() -> assertThat(needs().getFirst()).startsWith("SAFETY: Relay 6"));
        await().untilAsserted(() -> assertThat(assessor.get(hostel + "/record/view")
                        .json()
                        .get("deeds")
                        .toString())
                .contains("nobody pulled it in"));
        JsonNode watch = assessor.get(hostel + "/watch").json();
        assertThat(watch.get("box").asString()).contains("Relay 6", "nobody pulled it in");
        assertThat(assessor.get(hostel + "/watch?seq=" + watch.get("seq").asInt())
                        .status())
                .as("a screen that says nothing of the box is told, though nothing else happened")
                .isEqualTo(200);
        assertThat(candidate.get(sheet).text())
                .as("no candidate is told of relays")
                .doesNotContain("Relay 6");
        String slot = Bays.firstSlot(candidate, sheet);
        assertThat(candidate
                        .put(sheet + "/readings", Bays.reading(slot, "9.9", 0))
                        .status())
                .isEqualTo(200);
        stick(6, null);
        await().untilAsserted(() -> assertThat(needs()).noneMatch(n -> n.contains("Relay 6")));
        await().untilAsserted(() -> assertThat(assessor.get(hostel + "/record/view")
                        .json()
                        .get("deeds")
                        .toString())
                .contains("as it was told again"));
    }

    /** "The rig is proved healthy", and the box did not answer. */
    @Test
    @Order(7)
    void aSilentBoxStopsClearingUntilItsPlugIsOut() {
        Browser candidate = Browser.of(mvc, "mona");
        assertThat(candidate
                        .post(hostel.replace("/api/assessments", "/api/my/sheets") + "/hand-in", Bays.event())
                        .status())
                .isEqualTo(200);
        assertThat(assessor.post(BOX + "/power", Map.of("on", false)).status()).isEqualTo(200);
        Bays.measure(
                assessor,
                hostel,
                "/clear/checks",
                assessor.get(hostel + "/clear").json().get("checks"));
        Browser.Answer refused = assessor.post(hostel + "/clear/done", Bays.event());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("does not answer");
        Map<String, Object> nothing = Bays.event();
        nothing.put("what", " ");
        assertThat(assessor.post(hostel + "/proof/unplugged", nothing).status()).isEqualTo(400);
        Map<String, Object> out = Bays.event();
        out.put("what", "its fuse is gone");
        assertThat(assessor.post(hostel + "/proof/unplugged", out).status()).isEqualTo(200);
        assertThat(Browser.of(mvc, "lea")
                        .put("/api/workshop/bays/bay-5/fault-box", Map.of("address", ""))
                        .text())
                .as("an address is not taken from a bay in use")
                .contains("bay-in-use");
        Browser.Answer done = assessor.post(hostel + "/clear/done", Bays.event());
        assertThat(done.status()).as(done.text()).isEqualTo(200);
        assessor.post(BOX + "/power", Map.of("on", true));
    }

    @Test
    @Order(8)
    void everyLiveSetUpAndTheGoLiveViewCarryTheirCaution() {
        assertThat(live(hostel).get("cautions").toString())
                .contains("supervised", "fused probes", "licensed practice come first");
    }
}
