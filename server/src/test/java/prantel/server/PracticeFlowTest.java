package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.benmanes.caffeine.cache.Cache;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Practice through the interface: each person's own, told nothing that is to be found, and there again after a restart. */
@TestServer
class PracticeFlowTest {
    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate sql;

    @Autowired
    private ApplicationContext context;

    private Browser learner;

    @BeforeEach
    void signIn() {
        learner = Browser.of(mvc, "ada");
    }

    private static String rigFor(JsonNode offer, String drill) {
        return offer.get("rigs")
                .valueStream()
                .filter(r ->
                        r.get("drills").valueStream().anyMatch(d -> d.asString().equals(drill)))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private JsonNode begin(String way, String drill, int faults) {
        JsonNode offer = learner.get("/api/practice").json();
        String rig = drill.isEmpty() ? offer.get("rigs").get(0).get("id").asString() : rigFor(offer, drill);
        Map<String, Object> begin = Map.of(
                "id",
                UUID.randomUUID().toString(),
                "rig",
                rig,
                "way",
                way,
                "drill",
                drill,
                "scheme",
                "",
                "faults",
                faults,
                "difficulty",
                2);
        Browser.Answer answer = learner.post("/api/practice", begin);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(learner.post("/api/practice", begin).json().get("id"))
                .as("asked twice it is begun once")
                .isEqualTo(answer.json().get("id"));
        return answer.json();
    }

    private static Map<String, Object> deed(JsonNode state, String verb, Object... more) {
        Map<String, Object> deed = new HashMap<>(Map.of("verb", verb));
        for (int i = 0; i < more.length; i += 2) {
            deed.put((String) more[i], more[i + 1]);
        }
        return Map.of("after", state.get("deedCount").asInt(), "deed", deed);
    }

    /** Follows what is shown until the reading stands on the display. */
    private JsonNode untilRead(String path, JsonNode state) {
        for (int i = 0; i < 40 && !state.get("next").isNull(); i++) {
            Browser.Answer answer = learner.post(
                    path + "/deeds", deed(state, "NEXT", "at", state.get("box").asString()));
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            state = answer.json();
        }
        assertThat(state.get("tester").get("shown").isNull())
                .as(state.toString())
                .isFalse();
        return state;
    }

    @Test
    void aDrillIsShownDeedByDeedWrittenAndFinished() {
        JsonNode opened = begin("SHOWN", "continuity", 0);
        String path = "/api/practice/" + opened.get("id").asString();
        JsonNode state = opened.get("state");
        assertThat(state.get("next").get("why").asString()).isNotBlank();
        for (JsonNode ignored : opened.get("state").get("boxes")) {
            state = untilRead(path, state);
            assertThat(state.get("advice").get(0).get("kind").asString())
                    .as(state.get("advice").toString())
                    .isEqualTo("RIGHT");
            state = learner.put(
                            path + "/readings",
                            Map.of(
                                    "box", state.get("box").asString(),
                                    "text", state.get("tester").get("shown").asString()))
                    .json();
        }
        assertThat(state.get("boxes").valueStream().map(b -> b.get("right").asBoolean()))
                .doesNotContain(false);
        JsonNode result = learner.post(path + "/finish", Map.of()).json().get("result");
        assertThat(result.get("right").asInt()).isEqualTo(state.get("boxes").size());
        assertThat(result.get("slips").asInt()).isZero();
        assertThat(result.get("dangers").asInt()).isZero();
        assertThat(learner.post(
                                path + "/undo",
                                Map.of("after", state.get("deedCount").asInt()))
                        .status())
                .as("finished")
                .isEqualTo(409);
    }

    /** What is kept are the deeds: worked out again they give the same to the last digit. */
    @Test
    void itIsThereAgainAfterARestart() {
        JsonNode opened = begin("SHOWN", "ring-crossing", 0);
        String path = "/api/practice/" + opened.get("id").asString();
        JsonNode state = untilRead(path, opened.get("state"));
        Object practices = context.getBean("practices");
        ((Cache<?, ?>) ReflectionTestUtils.getField(practices, "going")).invalidateAll();
        JsonNode again = learner.get(path).json().get("state");
        assertThat(again).isEqualTo(state);
        JsonNode before = learner.post(
                        path + "/undo", Map.of("after", state.get("deedCount").asInt()))
                .json();
        assertThat(before.get("deedCount").asInt())
                .isEqualTo(state.get("deedCount").asInt() - 1);
        assertThat(before.get("tester").get("shown").isNull()).isTrue();
    }

    /** A deed kept by an earlier version that this one refuses: the practice opens all the same, and goes on. */
    @Test
    void whatCannotBeRepeatedStaysInItsPlace() {
        JsonNode opened = begin("COACHED", "continuity", 0);
        String id = opened.get("id").asString();
        String path = "/api/practice/" + id;
        JsonNode state = learner.post(path + "/deeds", deed(opened.get("state"), "PROVE_INDICATOR"))
                .json();
        sql.update(
                "update practice_deed set deed = ? where practice_id = ?",
                "{\"verb\":\"UNCROSS\",\"at\":\"no-such-ring\"}",
                id);
        Object practices = context.getBean("practices");
        ((Cache<?, ?>) ReflectionTestUtils.getField(practices, "going")).invalidateAll();
        JsonNode again = learner.get(path).json().get("state");
        assertThat(again.get("deedCount")).isEqualTo(state.get("deedCount"));
        assertThat(again.get("log").toString()).contains("cannot repeat");
        assertThat(learner.post(path + "/deeds", deed(again, "PROVE_INDICATOR")).status())
                .isEqualTo(200);
    }

    @Test
    void whoeverTouchesLivePartsIsToldAndCanTakeItBack() {
        JsonNode opened = begin("COACHED", "continuity", 0);
        String path = "/api/practice/" + opened.get("id").asString();
        JsonNode board = opened.get("layout").get("boards").get(0);
        String end = board.get("circuits").get(0).get("places").get(0).get("id").asString();
        Browser.Answer covered =
                learner.post(path + "/deeds", deed(opened.get("state"), "TAKE_OUT", "places", List.of(end)));
        assertThat(covered.status()).isBetween(400, 499);
        assertThat(covered.text()).contains("cover");
        JsonNode open = learner.post(
                        path + "/deeds",
                        deed(
                                opened.get("state"),
                                "COVER",
                                "at",
                                board.get("cover").asString()))
                .json();
        JsonNode out = learner.post(path + "/deeds", deed(open, "TAKE_OUT", "places", List.of(end)))
                .json();
        assertThat(out.get("advice").get(0).get("kind").asString()).isEqualTo("DANGER");
        assertThat(out.get("advice").toString()).contains("Isolate first", "Lock it off", "Prove dead");
        assertThat(learner.post(path + "/deeds", deed(open, "CLOSE_UP")).status())
                .as("a screen that does not know what was done meanwhile")
                .isEqualTo(409);
        learner.post(path + "/undo", Map.of("after", 2));
        JsonNode result = learner.post(path + "/finish", Map.of()).json().get("result");
        assertThat(result.get("dangers").asInt())
                .as("taken back, and done all the same")
                .isPositive();
    }

    /** Only at the end; and never to anybody else. */
    @Test
    void nothingOfTheFaultsIsToldBeforeTheEnd() {
        JsonNode opened = begin("ALONE", "", 2);
        String id = opened.get("id").asString();
        String path = "/api/practice/" + id;
        String kept = sql.queryForObject("select faults from practice where practice_id = ?", String.class, id);
        assertThat(kept).contains("\"kind\"");
        JsonNode state = learner.post(path + "/deeds", deed(opened.get("state"), "PROVE_INDICATOR"))
                .json();
        assertThat(state.get("result").isNull()).isTrue();
        assertThat(state.get("next").isNull()).isTrue();
        assertThat(state.toString()).doesNotContain("\"faults\"", "seed", "remedy");
        assertThat(learner.get(path + "/path").json().get("path").isNull()).isTrue();
        assertThat(learner.get(path + "/profile").json().get("profile").isNull())
                .isTrue();
        assertThat(learner.post(
                                path + "/deeds",
                                deed(state, "NEXT", "at", state.get("box").asString()))
                        .status())
                .as("alone nobody is shown the way")
                .isEqualTo(409);
        Browser other = Browser.of(mvc, "olga");
        assertThat(other.get(path).status()).isIn(404, 409);
        assertThat(other.post(path + "/finish", Map.of()).status()).isIn(404, 409);
        JsonNode result = learner.post(path + "/finish", Map.of()).json().get("result");
        assertThat(result.get("faults").size()).isEqualTo(2);
        assertThat(result.get("faults").get(0).get("named").asBoolean()).isFalse();
        learner.delete("/api/practice");
        assertThat(learner.get(path).status()).isEqualTo(404);
        assertThat(sql.queryForObject("select count(*) from practice where account_id = 'ada'", Integer.class))
                .isZero();
    }

    /** A rig to try things on would be an answer book. */
    @Test
    void nobodyPractisesWhileTheyAreAssessed() {
        Browser candidate = Browser.of(mvc, "olga");
        JsonNode offer = candidate.get("/api/practice").json();
        Map<String, Object> begin = Map.of(
                "id",
                UUID.randomUUID().toString(),
                "rig",
                offer.get("rigs").get(0).get("id").asString(),
                "way",
                "COACHED",
                "drill",
                "",
                "scheme",
                "",
                "faults",
                0,
                "difficulty",
                2);
        if (!offer.get("beingAssessed").asBoolean()) {
            assertThat(candidate.post("/api/practice", begin).status()).isEqualTo(200);
            Bays.prepare(learner, "bay-2", "olga");
        }
        assertThat(candidate.get("/api/practice").json().get("beingAssessed").asBoolean())
                .isTrue();
        // what was read before is not to be looked up either
        String before = "/api/practice/" + begin.get("id");
        assertThat(candidate.get(before).status()).isEqualTo(409);
        assertThat(candidate.get(before + "/path").status()).isEqualTo(409);
        assertThat(candidate.post(before + "/finish", Map.of()).status()).isEqualTo(409);
        Map<String, Object> another = new HashMap<>(begin);
        another.put("id", UUID.randomUUID().toString());
        assertThat(candidate.post("/api/practice", another).status()).isEqualTo(409);
        assertThat(candidate
                        .post(
                                "/api/practice/" + begin.get("id") + "/deeds",
                                Map.of("after", 0, "deed", Map.of("verb", "PROVE_INDICATOR")))
                        .status())
                .isEqualTo(409);
    }

    /** What the eye finds is looked at; what it comes to is the learner's to write, and no form asks for more. */
    @Test
    void theWholeSequenceIsPractisedWithWhatIsLookedAt() {
        JsonNode opened = begin("SHOWN", "", 1);
        String path = "/api/practice/" + opened.get("id").asString();
        JsonNode state = opened.get("state");
        List<JsonNode> byEye = state.get("boxes")
                .valueStream()
                .filter(b -> b.get("byEye").asBoolean())
                .toList();
        assertThat(byEye).isNotEmpty();
        JsonNode box = byEye.getFirst();
        state = learner.put(path + "/box", Map.of("box", box.get("id").asString()))
                .json();
        state = untilRead(path, state);
        String said = state.get("tester").get("shown").asString();
        assertThat(box.get("keys").valueStream().map(JsonNode::asString)).contains(said);
        Browser.Answer looked = learner.post(
                path + "/deeds", deed(state, "LOOK", "at", box.get("id").asString()));
        assertThat(looked.json().get("advice").toString()).contains("You see");
        assertThat(opened.get("namesFaults").asBoolean()).isTrue();
    }

    /** An assessor's own drill is a file, done by anybody; who has begun it keeps it as it was. */
    @Test
    void anAssessorWritesADrill() {
        Browser assessor = Browser.of(mvc, "ben");
        Map<String, Object> drill = Map.of(
                "id",
                "joint-hunt",
                "title",
                "Joint hunt",
                "idea",
                "Find the joint that is not tight.",
                "tests",
                List.of("r1-r2"),
                "most",
                3,
                "faults",
                List.of("high-resistance-joint"));
        assertThat(assessor.put("/api/drills", drill).status()).isEqualTo(200);
        assertThat(Browser.of(mvc, "olga").put("/api/drills", drill).status())
                .as("not a candidate's to write")
                .isEqualTo(403);
        Map<String, Object> shipped = new HashMap<>(drill);
        shipped.put("id", "zs");
        assertThat(assessor.put("/api/drills", shipped).text()).contains("ships with Prantel");
        Map<String, Object> wrong = new HashMap<>(drill);
        wrong.put("tests", List.of("juggling"));
        assertThat(assessor.put("/api/drills", wrong).status()).isBetween(400, 499);
        assertThat(assessor.get("/api/drills/joint-hunt/file").text()).contains("prantel-drill-1");
        JsonNode opened = begin("COACHED", "joint-hunt", 0);
        assertThat(opened.get("state").get("boxes").size()).isEqualTo(3);
        assertThat(opened.get("namesFaults").asBoolean()).isTrue();
        String kept = sql.queryForObject(
                "select faults from practice where practice_id = ?",
                String.class,
                opened.get("id").asString());
        assertThat(kept).contains("high-resistance-joint");
        Map<String, Object> shorter = new HashMap<>(drill);
        shorter.put("most", 1);
        assessor.put("/api/drills", shorter);
        Object practices = context.getBean("practices");
        ((Cache<?, ?>) ReflectionTestUtils.getField(practices, "going")).invalidateAll();
        assertThat(learner.get("/api/practice/" + opened.get("id").asString())
                        .json()
                        .get("state")
                        .get("boxes")
                        .size())
                .as("begun with three")
                .isEqualTo(3);
        assessor.delete("/api/drills/joint-hunt");
        assertThat(learner.get("/api/practice").json().get("drills").toString()).doesNotContain("joint-hunt");
    }

    /** To the one assessor who is chosen, and to nobody else; taken back it is gone. */
    @Test
    void howSomebodyGetsOnIsSeenByTheAssessorTheyChoose() {
        JsonNode opened = begin("COACHED", "ring-spur", 0);
        String path = "/api/practice/" + opened.get("id").asString();
        learner.post(path + "/finish", Map.of());
        JsonNode mine = learner.get("/api/practice/progress").json();
        assertThat(mine.get("drills").get(0).get("goes").asInt()).isPositive();
        assertThat(mine.get("kinds").get(0).get("named").asInt()).isZero();
        Browser assessor = Browser.of(mvc, "ben");
        assertThat(assessor.get("/api/practice/progress/of/ada").status()).isEqualTo(404);
        assertThat(learner.put("/api/practice/progress/shown", Map.of("assessor", "olga"))
                        .status())
                .as("a candidate is no assessor")
                .isBetween(400, 499);
        learner.put("/api/practice/progress/shown", Map.of("assessor", "ben"));
        assertThat(assessor.get("/api/practice/progress/of").json().toString()).contains("ada");
        assertThat(assessor.get("/api/practice/progress/of/ada")
                        .json()
                        .get("drills")
                        .size())
                .isPositive();
        assertThat(Browser.of(mvc, "olga").get("/api/practice/progress/of/ada").status())
                .isEqualTo(404);
        learner.put("/api/practice/progress/shown", Map.of("assessor", ""));
        assertThat(assessor.get("/api/practice/progress/of/ada").status()).isEqualTo(404);
    }
}
