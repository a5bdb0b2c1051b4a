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
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.assessment.Chain;
import tools.jackson.databind.JsonNode;

/** A scheme from its file to the outcome: read, pinned, written by, watched by, marked by, kept. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SchemeFlowTest {
    private static String path;
    private static String sheet;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate sql;

    private Browser assessor;
    private Browser candidate;

    @BeforeEach
    void signIn() {
        assessor = Browser.of(mvc, "ada");
        candidate = Browser.of(mvc, "olga");
    }

    private static Map<String, Object> event(Object... more) {
        Map<String, Object> event = Bays.event();
        for (int i = 0; i < more.length; i += 2) {
            event.put((String) more[i], more[i + 1]);
        }
        return event;
    }

    private JsonNode step(String test) {
        for (JsonNode step : candidate.get(sheet).json().get("steps")) {
            if (step.get("id").asString().equals(test)) {
                return step;
            }
        }
        throw new AssertionError("no step " + test);
    }

    private static JsonNode box(JsonNode step, int group, int box) {
        return step.get("groups").get(group).get("boxes").get(box);
    }

    /** The version that ships: it goes up with every change of the file. */
    private int shipped() {
        return assessor.get("/api/schemes")
                .json()
                .valueStream()
                .filter(s -> s.get("id").asString().equals("ring-drill"))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asInt();
    }

    @Test
    @Order(1)
    void schemesAreListedReadAndTakenAway() {
        JsonNode all = assessor.get("/api/schemes").json();
        assertThat(all).hasSizeGreaterThan(7);
        JsonNode one = assessor.get("/api/schemes/ring-drill/" + shipped()).json();
        assertThat(one.get("steps")).hasSize(4);
        assertThat(one.get("fits").toString()).contains("Cottage");
        assertThat(assessor.get("/api/schemes/ring-drill/" + shipped() + "/file")
                        .text())
                .startsWith("{\n  \"format\"");
        assertThat(assessor.get("/api/schemes/ring-drill/9").status()).isEqualTo(404);
        assertThat(candidate.get("/api/schemes").status()).isEqualTo(403);
    }

    @Test
    @Order(2)
    void aVersionIsKeptForEverAndItsDifferenceTold() {
        int version = shipped();
        String file = assessor.get("/api/schemes/ring-drill/" + version + "/text")
                .json()
                .get("text")
                .asString();
        String heavier = file.replace(
                "\"title\": \"Leads nulled\", \"weight\": 1", "\"title\": \"Leads nulled\", \"weight\": 4");
        Browser.Answer used = assessor.put("/api/schemes", Map.of("text", heavier));
        assertThat(used.status()).isEqualTo(400);
        assertThat(used.text()).contains("give version " + (version + 1));
        Browser.Answer next = assessor.put(
                "/api/schemes",
                Map.of("text", heavier.replace("\"version\": " + version, "\"version\": " + (version + 1))));
        assertThat(next.status()).as(next.text()).isEqualTo(200);
        JsonNode changes = assessor.get("/api/schemes/ring-drill/difference?from=" + version + "&to=" + (version + 1))
                .json();
        assertThat(changes.toString())
                .contains("criteria, prepared, weight")
                .contains("\"before\":\"1\"")
                .contains("\"after\":\"4\"");
        JsonNode bad = assessor.post("/api/schemes/check", Map.of("text", file.replace("\"ring\"", "\"wring\"")))
                .json();
        assertThat(bad.get("problems").toString()).contains("/tests/");
    }

    @Test
    @Order(3)
    void anAssessmentIsPreparedByAScheme() {
        Map<String, Object> wanted = new HashMap<>(Map.of("bayId", "bay-5", "candidateId", "olga", "testerId", "t1"));
        wanted.put("schemeId", "no-such-scheme");
        assertThat(assessor.post("/api/assessments", wanted).text()).contains("choose a scheme");
        wanted.put("schemeId", "initial-single-phase");
        path = "/api/assessments/"
                + assessor.post("/api/assessments", wanted).json().get("id").asString();
        sheet = path.replace("/api/assessments", "/api/my/sheets");
        Bays.open(assessor, path);
        assertThat(candidate.get(sheet).json().get("scheme").asString())
                .isEqualTo("Initial verification, single-phase");
    }

    @Test
    @Order(4)
    void expectedValuesLockOnceAReadingIsIn() {
        JsonNode ring = step("RING");
        JsonNode crossed = null;
        for (JsonNode b : ring.get("groups").get(0).get("boxes")) {
            if (!b.get("said").isNull()) {
                crossed = b;
                break;
            }
        }
        assertThat(crossed).isNotNull();
        String slot = crossed.get("slot").asString();
        assertThat(candidate
                        .put(sheet + "/expected", event("slot", slot, "text", "0.28", "basedOn", 0))
                        .status())
                .isEqualTo(200);
        Browser stranger = Browser.of(mvc, "mona");
        for (String route : List.of("/expected", "/readings")) {
            assertThat(stranger.put(sheet + route, event("slot", slot, "text", "0.28", "basedOn", 0))
                            .status())
                    .as("another candidate")
                    .isEqualTo(404);
        }
        assertThat(stranger.get(sheet + "/standing").status()).isEqualTo(404);
        // the reading of another socket of the same step is enough
        String other = slot.replaceAll("[^/]+$", "") + "socket-2";
        assertThat(candidate
                        .put(sheet + "/readings", event("slot", other, "text", "0.28", "basedOn", 0))
                        .status())
                .isEqualTo(200);
        assertThat(candidate
                        .put(sheet + "/expected", event("slot", slot, "text", "0.30", "basedOn", 1))
                        .text())
                .contains("a reading is in");
    }

    @Test
    @Order(5)
    void liveBoxesOpenWithTheBay() {
        String ze = box(step("ZE"), 0, 0).get("slot").asString();
        assertThat(step("ZE").get("closedBecause").asString()).contains("live test");
        assertThat(candidate
                        .put(sheet + "/readings", event("slot", ze, "text", "0.21", "basedOn", 0))
                        .text())
                .contains("live-step-closed");
        assertThat(Bays.on(assessor, path, "the loop only").status()).isEqualTo(200);
        assertThat(candidate.get(sheet + "/standing").json().get("live").asBoolean())
                .isTrue();
        assertThat(candidate
                        .put(sheet + "/readings", event("slot", ze, "text", "0.21", "basedOn", 0))
                        .status())
                .isEqualTo(200);
        assertThat(Bays.off(assessor, path).status()).isEqualTo(200);
        assertThat(candidate
                        .put(sheet + "/readings", event("slot", ze, "text", "0.22", "basedOn", 1))
                        .status())
                .as("put right after it is dead")
                .isEqualTo(200);
    }

    @Test
    @Order(6)
    void whatIsSeenAndAskedIsKeptAndOnlyTheAssessorDoesIt() {
        Map<String, Object> tap = event("observation", "locked", "sight", "RIGHT", "slip", "");
        assertThat(candidate.put(path + "/watch/observations", tap).status()).isEqualTo(403);
        JsonNode watch = assessor.put(path + "/watch/observations", tap).json();
        assertThat(watch.toString()).contains("\"id\":\"locked\"").contains("\"seen\":\"right\"");
        assertThat(assessor.put(
                                path + "/watch/observations",
                                event("observation", "locked", "sight", "SLIP", "slip", " "))
                        .text())
                .contains("say what was wrong");
        assertThat(assessor.put(
                                path + "/watch/observations",
                                event("observation", "nonsense", "sight", "RIGHT", "slip", ""))
                        .status())
                .isEqualTo(400);
        assertThat(assessor.put(path + "/watch/questions", event("question", "key", "points", List.of(0, 1, 1)))
                        .text())
                .contains("\"said\":[0,1]");
        assertThat(assessor.put(path + "/watch/questions", event("question", "key", "points", List.of(7)))
                        .status())
                .isEqualTo(400);
    }

    @Test
    @Order(7)
    void aStopFreezesTheSheetAndIsWhatComesOut() {
        assertThat(assessor.post(path + "/watch/stop", event("what", " ")).status())
                .isEqualTo(400);
        assertThat(assessor.post(path + "/watch/stop", event("what", "worked over an exposed live part"))
                        .status())
                .isEqualTo(200);
        String slot = box(step("BONDING"), 0, 0).get("slot").asString();
        assertThat(candidate
                        .put(sheet + "/readings", event("slot", slot, "text", "0.02", "basedOn", 0))
                        .text())
                .contains("stopped for safety");
        assertThat(Bays.on(assessor, path, "again").status()).isEqualTo(409);
        assertThat(assessor.post(path + "/watch/end", event()).text()).contains("make it safe first");
        Bays.makeSafe(assessor, path);
        assertThat(assessor.post(path + "/watch/end", event()).status()).isEqualTo(200);
        JsonNode marking = assessor.get(path + "/marking").json();
        assertThat(marking.get("outcome").get("proposed").asString()).isEqualTo("STOPPED");
        assertThat(marking.get("outcome").get("reasons").toString()).contains("Nothing unsafe");
    }

    @Test
    @Order(8)
    void whatWasDecidedStaysThoughTheSchemeChanges() {
        JsonNode marking = assessor.get(path + "/marking").json();
        List<Map<String, Object>> decisions = new java.util.ArrayList<>();
        marking.get("marks").forEach(m -> {
            if (!m.get("wants").asString().equals("NOTHING")) {
                decisions.add(event(
                        "mark", m.get("id").asString(),
                        "given", m.get("proposed").asString(),
                        "reason", "",
                        "basedOn", marking.get("seq").asInt()));
            }
        });
        assertThat(assessor.post(path + "/marking/marks", Map.of("decisions", decisions))
                        .status())
                .isEqualTo(200);
        Browser.Answer decided =
                assessor.put(path + "/marking/outcome", event("given", "STOPPED", "reason", "", "basedOn", 100_000));
        assertThat(decided.status()).as(decided.text()).isEqualTo(200);
        double points = decided.json().get("outcome").get("points").asDouble();
        assertThat(decided.json().get("differsToday")).isEmpty();

        // as if the rules had been others then: the record says what it said
        sql.update(
                "update assessment_result set json = replace(json, '\"title\" : \"Leads nulled\",', '\"title\" : \"Leads nulled, old\",')"
                        + " where assessment_id = ?",
                path.replaceAll(".*/", ""));
        sql.update(
                "update assessment_result set json = regexp_replace(json, '(\"id\" : \"prepared\"[^}]*\"weight\" : )1.0', '$13.0')"
                        + " where assessment_id = ?",
                path.replaceAll(".*/", ""));
        JsonNode later = assessor.get(path + "/marking").json();
        assertThat(later.get("differsToday").toString()).contains("Leads nulled");
        assertThat(later.get("marks").toString()).contains("Leads nulled, old");
        assertThat(later.get("outcome").get("points").asDouble()).isGreaterThanOrEqualTo(points);

        JsonNode tried = assessor.post(path + "/marking/compare", Map.of("scheme", "initial-earlier-practice"))
                .json();
        assertThat(tried.get("scheme").asString()).contains("earlier practice");
        assertThat(assessor.get(path + "/marking")
                        .json()
                        .get("outcome")
                        .get("given")
                        .get("verdict")
                        .asString())
                .isEqualTo("STOPPED");
    }

    @Test
    @Order(9)
    void eachStoredEventIsLinkedToTheOneBefore() {
        String id = path.replaceAll(".*/", "");
        String[] before = {Chain.START};
        int[] count = {0};
        sql.query(
                "select seq, event_id, payload, happened_at, account_id, chain, kind from assessment_event where assessment_id = ? order by seq",
                row -> {
                    before[0] = Chain.next(
                            before[0],
                            new Chain.Link(
                                    id,
                                    row.getInt(1),
                                    row.getString(2),
                                    row.getString(3),
                                    row.getObject(4, java.time.OffsetDateTime.class),
                                    row.getString(5)));
                    assertThat(row.getString(6)).as("event " + row.getInt(1)).isEqualTo(before[0]);
                    assertThat(row.getString(3))
                            .as("the name in the payload is the kind's own")
                            .contains("\"event\":\"" + row.getString(7) + "\"");
                    count[0]++;
                },
                id);
        assertThat(count[0]).isGreaterThan(20);
    }
}
