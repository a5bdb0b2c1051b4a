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

    @Test
    @Order(5)
    void everyLiveSetUpAndTheGoLiveViewCarryTheirCaution() {
        assertThat(live(hostel).get("cautions").toString())
                .contains("supervised", "fused probes", "licensed practice come first");
    }
}
