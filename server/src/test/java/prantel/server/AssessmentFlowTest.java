package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
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

/** One assessment from Prepare to Clear over HTTP, in one bay, with what can go wrong on the way. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class AssessmentFlowTest {
    private static final String JOINT_SIZE = "0.62";
    private static String id;

    @Autowired
    private MockMvc mvc;

    private Browser assessor;
    private Browser candidate;

    @BeforeEach
    void people() {
        assessor = Browser.of(mvc, "ada");
        candidate = Browser.of(mvc, "olga");
    }

    private static Map<String, Object> joint(double ohms) {
        Map<String, Object> fault = new HashMap<>();
        fault.put("kind", "high-resistance-joint");
        fault.put("at", "sockets/socket-3");
        fault.put("conductors", List.of("cpc"));
        fault.put("size", ohms);
        fault.put("to", null);
        return fault;
    }

    /** What the simulated tester shows at the rig as it is. */
    private String measured(String assessment, String slot) {
        return assessor.post("/api/assessments/" + assessment + "/proof/simulated", Map.of("slot", slot))
                .json()
                .get("text")
                .asString();
    }

    private static Map<String, Object> choice(int basedOn, List<Map<String, Object>> faults) {
        Map<String, Object> choice = new HashMap<>();
        choice.put("eventId", Browser.event());
        choice.put("basedOn", basedOn);
        choice.put("faults", faults);
        choice.put("from", null);
        return choice;
    }

    private Map<String, Object> reading(String event, String slot, String text, int basedOn) {
        return Map.of("eventId", event, "slot", slot, "text", text, "basedOn", basedOn);
    }

    private JsonNode box(JsonNode sheet, String slot) {
        return sheet.get("steps")
                .valueStream()
                .flatMap(s -> s.get("groups").valueStream())
                .flatMap(g -> g.get("boxes").valueStream())
                .filter(b -> b.get("slot").asString().equals(slot))
                .findFirst()
                .orElseThrow();
    }

    @Test
    @Order(1)
    void bayThatIsTakenIsNotPreparedAgainUntilItIsCleared() {
        String taken = Bays.prepare(assessor, "bay-1", "paul");
        Bays.choose(
                assessor,
                taken,
                List.of(joint(0.88), Bays.fault("low-insulation", "sockets/socket-5", List.of("line", "cpc"), 0.6)));
        Bays.open(assessor, taken);
        Bays.handIn(assessor, Browser.of(mvc, "paul"), taken, "R1_R2", Map.of());
        Map<String, String> wanted =
                Map.of("bayId", "bay-1", "candidateId", "olga", "testerId", "t1", "schemeId", "workshop");
        assertThat(assessor.post("/api/assessments", wanted).status()).isEqualTo(409);

        String paul = taken.replace("/api/assessments/", "");
        String clear = taken + "/clear";
        assertThat(assessor.post(clear + "/done", Map.of("eventId", Browser.event()))
                        .text())
                .contains("readings to go");
        JsonNode first = assessor.get(clear).json();
        String slot0 = first.get("checks").get(0).get("slot").asString();
        JsonNode still = assessor.post(
                        clear + "/checks",
                        Map.of("eventId", Browser.event(), "slot", slot0, "text", measured(paul, slot0)))
                .json();
        assertThat(still.get("checks").get(0).get("fits").asBoolean())
                .as("the faults are still in")
                .isFalse();
        assertThat(still.get("hypotheses").get(0).get("words").asString()).startsWith("Also in, from before");
        for (JsonNode fault : first.get("faults")) {
            assessor.post(
                    clear + "/out",
                    Map.of(
                            "eventId",
                            Browser.event(),
                            "fault",
                            fault.get("index").asInt(),
                            "out",
                            true));
        }
        for (JsonNode check : first.get("checks")) {
            String slot = check.get("slot").asString();
            assessor.post(
                    clear + "/checks", Map.of("eventId", Browser.event(), "slot", slot, "text", measured(paul, slot)));
        }
        assertThat(assessor.post(clear + "/done", Map.of("eventId", Browser.event()))
                        .status())
                .isEqualTo(200);

        Browser.Answer made = assessor.post("/api/assessments", wanted);
        assertThat(made.status()).isEqualTo(200);
        id = made.json().get("id").asString();
    }

    @Test
    @Order(2)
    void sheetIsNotThereForTheCandidateWhileFaultsAreSet() {
        assertThat(candidate.get("/api/my/sheets/" + id).status()).isEqualTo(404);
        assertThat(candidate.get("/api/my/sheets").text()).contains("not open yet");
    }

    @Test
    @Order(3)
    void faultsAreTriedKeptAndRefusedWithTheirPlace() {
        String path = "/api/assessments/" + id + "/faults";
        JsonNode tried = assessor.post(path + "/preview", Map.of("faults", List.of(joint(0.62))))
                .json();
        assertThat(tried.get("faults").get(0).get("visibility").asString()).isEqualTo("findable");
        assertThat(tried.get("tests").toString()).contains("1.00\u2009Ω");

        Browser.Answer tooLarge = assessor.put(path, choice(0, List.of(joint(900))));
        assertThat(tooLarge.status()).isEqualTo(400);
        assertThat(tooLarge.text()).contains("faults/0/ohms").contains("900");

        Browser.Answer kept = assessor.put(path, choice(0, List.of(joint(0.62))));
        assertThat(kept.status()).isEqualTo(200);
        Browser.Answer late = assessor.put(path, choice(0, List.of()));
        assertThat(late.status())
                .as("based on what somebody else changed meanwhile")
                .isEqualTo(409);
    }

    @Test
    @Order(4)
    void sheetOpensOnlyWhenLockedOffAndProvedSet() {
        String path = "/api/assessments/" + id;
        String proof = path + "/proof";
        Map<String, Object> byHand = Map.of("eventId", Browser.event(), "fault", 0, "what", "SET", "done", true);
        assertThat(assessor.post(proof + "/open", Map.of("eventId", Browser.event()))
                        .text())
                .contains("Lock off first");
        assertThat(assessor.post(proof + "/handled", byHand).status())
                .as("nothing is set on a rig that is not locked off")
                .isEqualTo(409);
        assessor.post(path + "/lock-off", Map.of("eventId", Browser.event()));
        assertThat(assessor.post(proof + "/open", Map.of("eventId", Browser.event()))
                        .text())
                .contains("set it and tick it");
        JsonNode checks = assessor.get(proof).json().get("checks");
        assertThat(checks.get(0).get("slot").asString()).startsWith("sockets/r2/");
        for (JsonNode check : checks) {
            String at = check.get("slot").asString();
            Map<String, String> healthy = Map.of("eventId", Browser.event(), "slot", at, "text", measured(id, at));
            assessor.post(proof + "/readings", healthy);
        }
        JsonNode wrong = assessor.get(proof).json();
        assertThat(wrong.get("checks").toString()).contains("does not fit");
        assertThat(wrong.get("hypotheses").get(0).get("words").asString()).contains("reads healthy");
        assessor.post(proof + "/handled", byHand);
        assertThat(assessor.post(proof + "/open", Map.of("eventId", Browser.event()))
                        .text())
                .contains("not prove it yet");
        for (JsonNode check : checks) {
            String at = check.get("slot").asString();
            Map<String, String> set = Map.of("eventId", Browser.event(), "slot", at, "text", measured(id, at));
            assessor.post(proof + "/readings", set);
        }
        JsonNode proved = assessor.get(proof).json();
        assertThat(proved.get("hypotheses").get(0).get("asMeant").asBoolean()).isTrue();
        assertThat(proved.get("checks").get(0).get("by").asString()).isEqualTo("Ada North");
        assertThat(assessor.post(proof + "/open", Map.of("eventId", Browser.event()))
                        .status())
                .isEqualTo(200);
        assertThat(candidate
                        .put("/api/my/sheets/" + id + "/readings", reading(Browser.event(), "sockets/r2", "1", 0))
                        .text())
                .as("nothing is taken before the candidate has confirmed")
                .contains("confirm first");
        Bays.confirm(assessor, "/api/assessments/" + id);
        assertThat(assessor.put(path + "/faults", choice(99, List.of())).status())
                .as("faults stay while the candidate works")
                .isEqualTo(409);
    }

    @Test
    @Order(5)
    void sameWriteTwiceIsKeptOnce() {
        String event = Browser.event();
        String path = "/api/my/sheets/" + id + "/readings";
        JsonNode first = candidate
                .put(path, reading(event, "sockets/r1r2/socket-1", "0,13", 0))
                .json();
        JsonNode again = candidate
                .put(path, reading(event, "sockets/r1r2/socket-1", "0,13", 0))
                .json();
        assertThat(again).isEqualTo(first);
        assertThat(first.get("box").get("understood").asString()).isEqualTo("0.13\u2009Ω");
        assertThat(candidate
                        .put(path, reading(event, "sockets/r1r2/socket-2", "0.27", 0))
                        .status())
                .as("an event id is for one write")
                .isEqualTo(409);
    }

    @Test
    @Order(6)
    void writeBasedOnAnOlderReadingIsRefusedAndNothingIsLost() {
        String path = "/api/my/sheets/" + id + "/readings";
        assertThat(candidate
                        .put(path, reading(Browser.event(), "sockets/r1r2/socket-1", "9", 0))
                        .status())
                .isEqualTo(409);
        assertThat(box(candidate.get("/api/my/sheets/" + id).json(), "sockets/r1r2/socket-1")
                        .get("text")
                        .asString())
                .isEqualTo("0,13");
    }

    @Test
    @Order(7)
    void writesAtTheSameMomentAllArrive() throws Exception {
        List<Callable<Integer>> writes = new ArrayList<>();
        for (int socket = 2; socket <= 5; socket++) {
            String slot = "sockets/r1r2/socket-" + socket;
            writes.add(() -> Browser.of(mvc, "olga")
                    .put(
                            "/api/my/sheets/" + id + "/readings",
                            reading(Browser.event(), slot, "1.0" + slot.charAt(slot.length() - 1), 0))
                    .status());
        }
        try (var pool = Executors.newFixedThreadPool(4)) {
            for (var done : pool.invokeAll(writes)) {
                assertThat(done.get()).isEqualTo(200);
            }
        }
        assertThat(candidate.get("/api/my/sheets/" + id).json().get("filled").asInt())
                .isEqualTo(5);
    }

    @Test
    @Order(8)
    void nobodyElseSeesOrWritesTheSheet() {
        Browser other = Browser.of(mvc, "bela");
        assertThat(other.get("/api/my/sheets").text()).isEqualTo("[]");
        assertThat(other.get("/api/my/sheets/" + id).status()).isEqualTo(404);
        assertThat(other.put("/api/my/sheets/" + id + "/readings", reading(Browser.event(), "sockets/r2", "1", 0))
                        .status())
                .isEqualTo(404);
        assertThat(other.post("/api/my/sheets/" + id + "/hand-in", Map.of("eventId", Browser.event()))
                        .status())
                .isEqualTo(404);
    }

    /** Whatever a candidate may call is read for words and numbers that only the key has. */
    @Test
    @Order(9)
    void nothingACandidateReceivesHoldsAFaultOrAnExpectedValue() {
        List<Browser.Answer> answers = new ArrayList<>(List.of(
                candidate.get("/api/session"),
                candidate.get("/api/my/sheets"),
                candidate.get("/api/my/sheets/" + id),
                candidate.put("/api/my/sheets/" + id + "/readings", reading(Browser.event(), "nowhere", "1", 0)),
                candidate.put("/api/my/sheets/" + id + "/readings", reading(Browser.event(), "sockets/r2", "abc", 0)),
                candidate.put(
                        "/api/my/sheets/" + id + "/judgements",
                        Map.of(
                                "eventId",
                                Browser.event(),
                                "slot",
                                "sockets/r1r2",
                                "satisfactory",
                                true,
                                "basedOn",
                                0))));
        for (String path : List.of(
                "set",
                "watch",
                "conduct",
                "record",
                "paper",
                "brief",
                "marking",
                "clear",
                "live",
                "proof",
                "card",
                "library",
                "faults/here?at=sockets")) {
            Browser.Answer answer = candidate.get("/api/assessments/" + id + "/" + path);
            assertThat(answer.status()).as(path).isEqualTo(403);
            answers.add(answer);
        }
        // socket 3 reads 1.00 Ω and R2 there 0.86 Ω with the set joint; 0.38 and 0.24 Ω healthy
        List<String> secrets = List.of(
                JOINT_SIZE,
                "1.00",
                "0.86",
                "0.38",
                "0.24",
                "withFaults",
                "withSet",
                "healthy",
                "band",
                "expected",
                "findable",
                "instruction",
                "dead only",
                "symptom",
                "remedy\":\"R",
                "Paul",
                "explanations");
        String key = assessor.get("/api/assessments/" + id + "/set").text();
        assertThat(key)
                .as("the scan knows what to look for")
                .contains(JOINT_SIZE, "1.00", "0.86", "0.38", "findable", "instruction");
        for (Browser.Answer answer : answers) {
            for (String secret : secrets) {
                assertThat(answer.text()).as("a candidate's payload").doesNotContain(secret);
            }
        }
        assertThat(candidate.get("/api/my/sheets/" + id).json().propertyNames())
                .containsExactlyInAnyOrder(
                        "id",
                        "rig",
                        "scheme",
                        "bay",
                        "tester",
                        "overRange",
                        "open",
                        "live",
                        "wasLive",
                        "stoppedBecause",
                        "paused",
                        "conducted",
                        "asksForCodes",
                        "handedInAt",
                        "handedBackBecause",
                        "steps",
                        "circuits",
                        "places",
                        "kinds",
                        "reportsSeq",
                        "reports",
                        "reportDamaged",
                        "boxes",
                        "filled");
        assertThat(candidate
                        .get("/api/my/sheets/" + id)
                        .json()
                        .get("conducted")
                        .propertyNames()
                        .toString())
                .isEqualTo("[tester, fromTester, clock, ready, liveAsked, help]");
    }

    @Test
    @Order(10)
    void handedInSheetIsClosedUntilItIsHandedBack() {
        String sheet = "/api/my/sheets/" + id;
        assertThat(assessor.get("/api/assessments/" + id + "/marking").status()).isEqualTo(409);
        assertThat(candidate
                        .post(sheet + "/hand-in", Map.of("eventId", Browser.event()))
                        .status())
                .isEqualTo(200);
        Browser.Answer closed = candidate.put(sheet + "/readings", reading(Browser.event(), "sockets/r1r2", "1.05", 0));
        assertThat(closed.status()).isEqualTo(409);
        assertThat(closed.text()).contains("handed in");

        String back = "/api/assessments/" + id + "/hand-back";
        assertThat(assessor.post(back, Map.of("eventId", Browser.event(), "reason", " "))
                        .status())
                .isEqualTo(400);
        assertThat(assessor.post(back, Map.of("eventId", Browser.event(), "reason", "Insulation is missing"))
                        .status())
                .isEqualTo(200);
        assertThat(candidate.get(sheet).json().get("handedBackBecause").asString())
                .isEqualTo("Insulation is missing");
        assertThat(candidate
                        .put(sheet + "/readings", reading(Browser.event(), "sockets/r1r2", "1.05", 0))
                        .status())
                .isEqualTo(200);
        candidate.post(sheet + "/hand-in", Map.of("eventId", Browser.event()));
    }

    @Test
    @Order(11)
    void marksAreAcceptedOrChangedWithAReasonAndThenTheOutcomeIsDecided() {
        String path = "/api/assessments/" + id + "/marking";
        JsonNode view = assessor.get(path).json();
        int seq = view.get("seq").asInt();
        JsonNode first = view.get("marks").get(0);
        String other = first.get("proposed").asString().equals("FULL") ? "NONE" : "FULL";
        Map<String, Object> silent = Map.of(
                "eventId",
                Browser.event(),
                "mark",
                first.get("id").asString(),
                "given",
                other,
                "reason",
                "",
                "basedOn",
                seq);
        assertThat(assessor.put(path + "/marks", silent).text()).contains("say why");
        Map<String, Object> tooEarly =
                Map.of("eventId", Browser.event(), "given", "REFERRAL", "reason", "", "basedOn", seq);
        assertThat(assessor.put(path + "/outcome", tooEarly).text()).contains("still open");

        List<Map<String, Object>> all = new ArrayList<>();
        for (JsonNode mark : view.get("marks")) {
            all.add(Map.of(
                    "eventId",
                    Browser.event(),
                    "mark",
                    mark.get("id").asString(),
                    "given",
                    mark == first ? other : mark.get("proposed").asString(),
                    "reason",
                    mark == first ? "seen at the rig" : "",
                    "basedOn",
                    seq));
        }
        JsonNode decided =
                assessor.post(path + "/marks", Map.of("decisions", all)).json();
        assertThat(decided.get("outcome").get("mayDecide").asBoolean()).isTrue();
        assertThat(decided.get("marks").get(0).get("reason").asString()).isEqualTo("seen at the rig");

        int now = decided.get("seq").asInt();
        Map<String, Object> otherwise =
                Map.of("eventId", Browser.event(), "given", "PASS", "reason", "", "basedOn", now);
        assertThat(assessor.put(path + "/outcome", otherwise).text()).contains("say why");
        Map<String, Object> outcome =
                Map.of("eventId", Browser.event(), "given", "REFERRAL", "reason", "", "basedOn", now);
        assertThat(assessor.put(path + "/outcome", outcome)
                        .json()
                        .get("outcome")
                        .get("given")
                        .get("verdict")
                        .asString())
                .isEqualTo("REFERRAL");
        assertThat(assessor.put(path + "/marks", all.get(0)).status())
                .as("the same event again is no new decision")
                .isEqualTo(200);
        Map<String, Object> late = new HashMap<>(all.get(1));
        late.put("eventId", Browser.event());
        assertThat(assessor.put(path + "/marks", late).status())
                .as("what is decided stays")
                .isEqualTo(409);
        assertThat(assessor.get("/api/floor")
                        .json()
                        .get("kept")
                        .get(0)
                        .get("verdict")
                        .asString())
                .isEqualTo("Refer these parts");
    }

    @Test
    @Order(12)
    void markingAgainGivesTheSameMarks() {
        String path = "/api/assessments/" + id + "/marking";
        assertThat(assessor.get(path)).isEqualTo(assessor.get(path));
    }
}
