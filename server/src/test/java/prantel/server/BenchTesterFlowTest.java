package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import prantel.formats.RecordFile;
import tools.jackson.databind.JsonNode;

/** Readings taken from simulated bench testers over TCP, and a sheet entered from paper. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class BenchTesterFlowTest {
    private static String path;

    @Autowired
    private MockMvc mvc;

    private Browser ada() {
        return Browser.of(mvc, "ada");
    }

    private Browser.Answer take(String slot) {
        return ada().post(path + "/tester/take", Map.of("slot", slot));
    }

    private List<JsonNode> boxes() {
        return ada().get(path + "/paper")
                .json()
                .get("steps")
                .valueStream()
                .flatMap(s -> s.get("groups").valueStream())
                .flatMap(g -> g.get("boxes").valueStream())
                .toList();
    }

    private String box(String part) {
        return boxes().stream()
                .map(b -> b.get("slot").asString())
                .filter(s -> s.contains(part))
                .findFirst()
                .orElseThrow();
    }

    @Test
    @Order(1)
    void itReadsWhatIsReallySetWithAGainAndANoiseOfItsOwn() {
        path = Bays.prepareWith(ada(), "bay-2", "pia", "full-sequence");
        String slot = ada().get("/api/rigs/kiosk/paper?scheme=full-sequence")
                .json()
                .toString()
                .replaceAll(".*\"slot\":\"([^\"]*/r2/[^\"]*)\".*", "$1");
        Bays.choose(ada(), path, List.of());
        Bays.open(ada(), path);
        String right = ada().post(path + "/proof/simulated", Map.of("slot", slot))
                .json()
                .get("text")
                .asString();
        assertThat(take(slot).text())
                .as("before it is isolated and proved dead")
                .contains("Voltage at the probes");
        Bays.isolate(Browser.of(mvc, "pia"), path.replace("/api/assessments", "/api/my/sheets"));
        Browser.Answer taken = take(slot);
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        double read = number(taken.json().get("text").asString());
        assertThat(read).isCloseTo(number(right), org.assertj.core.data.Offset.offset(0.02 + 0.02 * number(right)));
        assertThat(taken.json().get("instrument").asString()).contains("SIM");
        assertThat(taken.json().get("nulled").asBoolean()).isTrue();
    }

    private static double number(String text) {
        return Double.parseDouble(text.replaceAll("[^0-9.]", ""));
    }

    @Test
    @Order(2)
    void aLiveTestFindsNoSupplyOnADeadRigAndADeadTestIsRefusedOnALiveOne() {
        assertThat(take(box("/zs/")).json().get("text").asString()).isEqualTo("no supply");
        assertThat(Bays.on(ada(), path, "loop only").status()).isEqualTo(200);
        assertThat(take(box("/zs/")).json().get("text").asString()).contains("Ω");
        Browser.Answer refused = take(box("/r1r2/"));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Voltage at the probes");
        Bays.off(ada(), path);
    }

    @Test
    @Order(3)
    void whatGoesWrongIsToldAndNothingIsRecorded() {
        Browser administrator = Browser.of(mvc, "lea");
        String chosen = boxes().stream()
                .filter(b -> !b.get("chosenFrom").isEmpty())
                .findFirst()
                .orElseThrow()
                .get("slot")
                .asString();
        int filled = ada().get(path + "/watch").json().get("filled").asInt();
        assertThat(take(chosen).text()).contains("chosen or worked out");
        assertThat(take("nowhere").status()).isEqualTo(400);
        String bay = "/api/workshop/bays/bay-2/bench-tester";
        assertThat(administrator.put(bay, Map.of("address", "nonsense")).text()).contains("host:port");
        String slot = box("/r1r2/");
        administrator.put(bay, Map.of("address", "127.0.0.1:1"));
        assertThat(take(slot).text()).contains("does not answer");
        administrator.put(bay, Map.of("address", ""));
        assertThat(take(slot).text()).contains("no bench tester");
        assertThat(ada().get(path + "/watch").json().get("filled").asInt())
                .as("the boxes of isolation, and no other")
                .isEqualTo(filled);
    }

    @Test
    @Order(4)
    void aSheetFromPaperIsEnteredByAnAssessorAndSaysSo() {
        String slot = box("/r1r2/");
        Map<String, Object> entry = Bays.event();
        entry.putAll(Map.of("slot", slot, "text", "0.43", "satisfactory", true));
        Browser.Answer entered = ada().put(path + "/paper", entry);
        assertThat(entered.status()).as(entered.text()).isEqualTo(200);
        assertThat(ada().put(path + "/paper", entry).status()).as("sent again").isEqualTo(200);
        JsonNode box = boxes().stream()
                .filter(b -> b.get("slot").asString().equals(slot))
                .findFirst()
                .orElseThrow();
        assertThat(box.get("text").asString()).isEqualTo("0.43");
        Browser candidate = Browser.of(mvc, "pia");
        assertThat(candidate.get(path + "/paper").status()).isEqualTo(403);
        assertThat(candidate.get("/api/rigs/kiosk/paper?scheme=workshop").status())
                .isEqualTo(403);
        // live boxes too: on paper they were written when the rig was live
        Map<String, Object> live = Bays.event();
        live.putAll(Map.of("slot", box("/zs/"), "text", "0.9"));
        live.put("satisfactory", null);
        assertThat(ada().put(path + "/paper", live).status()).isEqualTo(200);
        assertThat(ada().put(path + "/paper/hand-in", Bays.event())
                        .json()
                        .get("open")
                        .asBoolean())
                .isFalse();
        assertThat(ada().get(path + "/marking").status()).isEqualTo(200);
        Bays.clear(ada(), path);
    }

    /** What the server exports, the verifier finds whole; one letter changed, and it says where. */
    @Test
    @Order(5)
    void anExportedRecordIsVerifiedWithoutTheServer() {
        String file = ada().get(path + "/record").text();
        RecordFile.Content content = RecordFile.verify(file.getBytes(StandardCharsets.UTF_8));
        assertThat(content.pinned().candidateId()).isEqualTo("pia");
        assertThat(content.events()).hasSizeGreaterThan(10);
        String altered = file.replaceFirst("0\\.43", "0.44");
        assertThat(altered).isNotEqualTo(file);
        assertThatThrownBy(() -> RecordFile.verify(altered.getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("is not as it was written");
        assertThat(Browser.of(mvc, "pia").get(path + "/record").status()).isEqualTo(403);
    }

    /** Where the scheme allows it, a candidate takes a reading over; the record says so, with what the tester was set to. */
    @Test
    @Order(6)
    void aCandidateTakesAReadingOverWhereTheSchemeAllows() {
        String drill = Bays.prepareWith(ada(), "bay-5", "theo", "ring-drill");
        Bays.choose(ada(), drill, List.of());
        Bays.open(ada(), drill);
        String sheet = "/api/my/sheets" + drill.replace("/api/assessments", "");
        Browser theo = Browser.of(mvc, "theo");
        JsonNode box = theo.get(sheet)
                .json()
                .get("steps")
                .valueStream()
                .flatMap(s -> s.get("groups").valueStream())
                .flatMap(g -> g.get("boxes").valueStream())
                .filter(b -> b.get("slot").asString().endsWith("/ring/r1"))
                .findFirst()
                .orElseThrow();
        String slot = box.get("slot").asString();
        assertThat(theo.post(sheet + "/take", taking(slot)).text())
                .as("before it is isolated and proved dead")
                .contains("Voltage at the probes");
        Bays.isolate(theo, sheet);
        Browser.Answer taken = theo.post(sheet + "/take", taking(slot));
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        String text = taken.json().get("text").asString();
        assertThat(theo.put(sheet + "/readings", Bays.reading(slot, text, 0)).status())
                .isEqualTo(200);
        assertThat(ada().get(drill + "/watch").text()).contains("from the tester, CONT");
        assertThat(theo.put(sheet + "/readings", Bays.reading(slot, "9.9", 1)).status())
                .isEqualTo(200);
        assertThat(ada().get(drill + "/watch").text()).doesNotContain("from the tester");
        JsonNode ranges = theo.get(sheet + "/ranges?slot=" + slot).json();
        assertThat(ranges.valueStream().map(JsonNode::asString)).startsWith("9.99 Ω", "99.9 Ω");
        String display = text.replaceAll("[^0-9.]", "");
        assertThat(ada().put(
                                drill + "/watch/observations",
                                Map.of(
                                        "eventId",
                                        Browser.event(),
                                        "observation",
                                        "nulled",
                                        "sight",
                                        "SLIP",
                                        "slip",
                                        "never nulled"))
                        .status())
                .isEqualTo(200);
        Browser.Answer leadsIn = theo.post(sheet + "/take", taking(slot));
        assertThat(Double.parseDouble(leadsIn.json().get("text").asString().replaceAll("[^0-9.]", "")))
                .as("the leads are in it, as the assessor saw")
                .isGreaterThan(Double.parseDouble(display) + 0.05);
        Map<String, Object> coarse = taking(slot);
        coarse.put("range", "99.9 Ω");
        String rough = theo.post(sheet + "/take", coarse).json().get("text").asString();
        assertThat(rough).matches("\\d\\.\\d.Ω");
        theo.put(sheet + "/readings", Bays.reading(slot, rough, 2));
        assertThat(ada().get(drill + "/watch").text()).contains("from the tester, CONT, range 99.9 Ω");
        Map<String, Object> none = taking(slot);
        none.put("range", "7 Ω");
        assertThat(theo.post(sheet + "/take", none).text()).contains("no-such-range");
        ada().post(drill + "/conduct/break-off", Map.of("eventId", Browser.event(), "what", "only tried"));
        assertThat(theo.post(sheet + "/take", taking(slot)).status())
                .as("closed")
                .isEqualTo(409);
        Bays.clear(ada(), drill);
    }

    private static Map<String, Object> taking(String slot) {
        Map<String, Object> take = Bays.event();
        take.put("slot", slot);
        return take;
    }
}
