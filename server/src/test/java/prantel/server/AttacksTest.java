package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.benmanes.caffeine.cache.Cache;
import java.time.OffsetDateTime;
import java.util.ArrayList;
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
import org.springframework.test.util.AopTestUtils;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.test.web.servlet.MockMvc;
import prantel.server.assessment.Assessments;
import tools.jackson.databind.JsonNode;

/** What somebody can send, by mistake or on purpose, and what must come of it: a clear word, and nothing else. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class AttacksTest {
    private static String path;
    private static String sheet;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate sql;

    @Autowired
    private Assessments assessments;

    private Browser assessor;
    private Browser candidate;

    @BeforeEach
    void people() {
        assessor = Browser.of(mvc, "ada");
        candidate = Browser.of(mvc, "olga");
    }

    private static Map<String, Object> report(String remedy, int basedOn) {
        Map<String, Object> reports = Bays.event();
        reports.putAll(Map.of(
                "basedOn",
                basedOn,
                "reports",
                List.of(Map.of(
                        "kind",
                        "cpc-open-after",
                        "at",
                        "outside/lamp-1",
                        "conductors",
                        List.of("cpc"),
                        "remedy",
                        remedy,
                        "evidence",
                        "",
                        "code",
                        ""))));
        return reports;
    }

    @Test
    @Order(1)
    void firstNumberACandidateSeesTellsNothingOfTheFaults() {
        path = Bays.prepare(assessor, "bay-2", "olga");
        sheet = path.replace("/api/assessments", "/api/my/sheets");
        Bays.open(assessor, path);
        String slot = Bays.firstSlot(candidate, sheet);
        JsonNode changed = candidate
                .put(sheet + "/readings", Bays.reading(slot, "0.05", 0))
                .json();
        assertThat(changed.get("box").get("seq").asInt())
                .as("proving the rig took dozens of events before")
                .isEqualTo(1);
        JsonNode again = candidate
                .put(sheet + "/readings", Bays.reading(slot, "0.06", 1))
                .json();
        assertThat(again.get("box").get("seq").asInt()).isEqualTo(2);
        assertThat(changed.toString().length())
                .as("an answer carries what changed, not every place and kind")
                .isLessThan(800);
    }

    @Test
    @Order(2)
    void remedyThatIsTooLongIsRefusedAndNotStored() {
        String place = candidate
                .get(sheet)
                .json()
                .get("places")
                .valueStream()
                .map(p -> p.get("id").asString())
                .filter(p -> p.matches("[a-z0-9-]+/[a-z0-9-]+"))
                .findFirst()
                .orElseThrow();
        Map<String, Object> tooLong = report("x".repeat(501), 0);
        assertThat(candidate.put(sheet + "/fault-reports", at(tooLong, place)).status())
                .isEqualTo(400);
        JsonNode still = candidate.get(sheet).json();
        assertThat(still.get("reportsSeq").asInt()).isZero();
        assertThat(candidate
                        .put(sheet + "/fault-reports", at(report("x".repeat(500), 0), place))
                        .status())
                .isEqualTo(200);
        assertThat(assessor.get("/api/floor").status()).isEqualTo(200);
        assertThat(assessor.get(path + "/watch").status()).isEqualTo(200);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> at(Map<String, Object> reports, String place) {
        Map<String, Object> one = new HashMap<>(((List<Map<String, Object>>) reports.get("reports")).getFirst());
        one.put("at", place);
        reports.put("reports", List.of(one));
        return reports;
    }

    @Test
    @Order(3)
    void badStoredReportTakesNobodyElseDownAndCanBeMended() {
        int changed = sql.update(
                "update assessment_event set payload = replace(payload, 'cpc-open-after', 'no-such-kind') where kind = 'faults-reported'");
        assertThat(changed).isPositive();
        forgetStates();
        assertThat(assessor.get("/api/floor").status()).isEqualTo(200);
        assertThat(assessor.get(path + "/watch").status()).isEqualTo(200);
        JsonNode damaged = candidate.get(sheet).json();
        assertThat(damaged.get("reportDamaged").asBoolean()).isTrue();
        Map<String, Object> mended = Bays.event();
        mended.putAll(Map.of("basedOn", 1, "reports", List.of()));
        assertThat(candidate.put(sheet + "/fault-reports", mended).status()).isEqualTo(200);
        assertThat(candidate.get(sheet).json().get("reportDamaged").asBoolean()).isFalse();
    }

    /** As after a restart. */
    private void forgetStates() {
        Object target = AopTestUtils.getTargetObject(assessments);
        Cache<?, ?> states = (Cache<?, ?>) ReflectionTestUtils.getField(target, "states");
        assertThat(states).isNotNull();
        states.invalidateAll();
    }

    @Test
    @Order(4)
    void assessmentThatCannotBeReadLeavesTheOthersOnTheFloor() {
        String other = Bays.prepare(assessor, "bay-4", "bela");
        sql.update("update assessment_event set payload = '{' where assessment_id = ?", id(path));
        forgetStates();
        Browser.Answer floor = assessor.get("/api/floor");
        assertThat(floor.status()).isEqualTo(200);
        assertThat(floor.text()).contains(id(other));

        // one that was there before, and cannot be read: what it left is not known, and everything is proved anew
        sql.update("insert into assessment select 'unreadable', bay_id, candidate_id, assessor_id, rig_id, rig_version,"
                + " tester_id, tester_version, scheme_id, scheme_version, engine_version,"
                + " dateadd('HOUR', -1, prepared_at) from assessment where assessment_id = '" + id(other) + "'");
        sql.update(
                "insert into assessment_event (assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id,"
                        + " chain) select 'unreadable', seq, random_uuid(), kind, subject, '{', happened_at, account_id, chain"
                        + " from assessment_event"
                        + " where assessment_id = '" + id(path) + "' and seq <= 3");
        Bays.choose(assessor, other, List.of());
        assessor.post(other + "/lock-off", Bays.event());
        Browser.Answer proof = assessor.get(other + "/proof");
        assertThat(proof.status()).as(proof.text()).isEqualTo(200);
        assertThat(proof.json().get("healthySince").isNull()).isTrue();
    }

    private static String id(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** Nothing on the Floor is read from what is over: thousands of marked sheets with records nobody could read. */
    @Test
    @Order(5)
    void floorReadsNoHistory() {
        for (int i = 0; i < 300; i++) {
            String old = "past-" + i;
            sql.update(
                    "insert into assessment select ?, bay_id, candidate_id, assessor_id, rig_id, rig_version, tester_id,"
                            + " tester_version, scheme_id, scheme_version, engine_version, prepared_at from assessment"
                            + " where assessment_id = ?",
                    old,
                    id(path));
            sql.update(
                    "insert into assessment_event (assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id, chain)"
                            + " values (?, 1, ?, 'cleared', '', '{', ?, 'ada', 'x')",
                    old,
                    "past-event-" + i,
                    OffsetDateTime.now());
            sql.update(
                    "insert into assessment_standing (assessment_id, seq, bay_id, live_with, marked, cleared, verdict, overridden,"
                            + " decided_at, from_library) values (?, 1, null, null, true, true, 'PASS', false, ?, null)",
                    old,
                    OffsetDateTime.now());
        }
        forgetStates();
        JsonNode floor = assessor.get("/api/floor").json();
        assertThat(floor.get("kept").size()).isBetween(1, 50);
        assertThat(assessor.get("/api/bays/bay-3/prepare").status()).isEqualTo(200);
    }

    @Test
    @Order(6)
    void sameEventIdWithAnotherTextIsRefusedAndNotSilentlyDropped() {
        String other = Bays.prepare(assessor, "bay-3", "bela");
        Bays.openUnconfirmed(assessor, other);
        Browser writer = Browser.of(mvc, "bela");
        String own = "/api/my/sheets/" + id(other);
        for (String item : List.of("identity", "fit", "instrument", "rules")) {
            Map<String, Object> tick = Bays.event();
            tick.putAll(Map.of("list", "READY", "item", item, "on", true));
            assertThat(writer.put(own + "/ticks", tick).status()).isEqualTo(200);
        }
        String slot = Bays.firstSlot(writer, own);
        Map<String, Object> reading = Bays.reading(slot, "0.05", 0);
        assertThat(writer.put(own + "/readings", reading).status()).isEqualTo(200);
        assertThat(writer.put(own + "/readings", reading).status()).isEqualTo(200);
        reading.put("text", "0.99");
        assertThat(writer.put(own + "/readings", reading).status()).isEqualTo(409);
        // a foreign candidate, with a box that is there and a body that is whole
        assertThat(candidate
                        .put(own + "/readings", Bays.reading(slot, "9.99", 1))
                        .status())
                .isEqualTo(404);
        Map<String, Object> reports = Bays.event();
        reports.putAll(Map.of("basedOn", 0, "reports", List.of()));
        assertThat(candidate.put(own + "/fault-reports", reports).status()).isEqualTo(404);
        assertThat(candidate.post(own + "/hand-in", Bays.event()).status()).isEqualTo(404);
        // as written: a moment may have the same figures
        assertThat(writer.get(own).text()).doesNotContain("\"9.99");
    }

    @Test
    @Order(7)
    void everyBadRequestSaysWhichField() {
        Browser administrator = Browser.of(mvc, "lea");
        List<Browser.Answer> answers = List.of(
                administrator.post(
                        "/api/workshop/people",
                        Map.of("signInName", "neu", "name", "Neu", "roles", List.of(0), "password", "long-enough-1")),
                administrator.post(
                        "/api/workshop/people",
                        Map.of(
                                "signInName",
                                "neu",
                                "name",
                                "A\u202eB",
                                "roles",
                                List.of("CANDIDATE"),
                                "password",
                                "long-enough-1")),
                administrator.post(
                        "/api/workshop/people",
                        Map.of(
                                "signInName",
                                "neu",
                                "name",
                                "Neu",
                                "roles",
                                List.of("CANDIDATE"),
                                "password",
                                "é".repeat(40))),
                administrator.put("/api/workshop/bays/bay-1/fault-box", Map.of("address", "127.0.0.1:65536")),
                administrator.post("/api/workshop/bays", "{\"number\": 1.5, \"rig\": \"kiosk\"}"),
                assessor.post("/api/assessments", Map.of("bayId", "bay-1", "candidateId", "olga")));
        List<String> fields = List.of("roles/0", "name", "password", "address", "number", "testerId");
        for (int i = 0; i < answers.size(); i++) {
            assertThat(answers.get(i).status()).as(answers.get(i).text()).isEqualTo(400);
            assertThat(answers.get(i).json().get("problems").get(0).get("where").asString())
                    .as(answers.get(i).text())
                    .isEqualTo(fields.get(i));
        }
        assertThat(administrator.get("/api/workshop/people").text()).doesNotContain("\"neu\"");
    }

    @Test
    @Order(8)
    void nothingOnACalculatorIsAWordAndNotAFailure() {
        Map<String, Object> values = new HashMap<>();
        values.put("ze", null);
        Browser.Answer answer = candidate.post("/api/reference/zs", Map.of("values", values));
        assertThat(answer.status()).isLessThan(500);
        assertThat(answer.text()).contains("Ze");
        assertThat(candidate.post("/api/reference/zs", "{\"values\": null}").status())
                .isEqualTo(400);
    }

    @Test
    @Order(9)
    void reasonsAreBoundedBecauseEverySheetCarriesThem() {
        Map<String, Object> back = Bays.event();
        back.put("reason", "x".repeat(100_000));
        assertThat(assessor.post(path + "/hand-back", back).status()).isIn(400, 409);
        Map<String, Object> hidden = Bays.event();
        hidden.put("reason", "look\u0000here");
        assertThat(assessor.post(path + "/hand-back", hidden).status()).isIn(400, 409);
    }

    @Test
    @Order(10)
    void largeBodiesOfStrangersAreNotRead() {
        Browser stranger = new Browser(mvc);
        Browser.Answer answer = stranger.post("/api/session", Map.of("id", "ada", "password", "x".repeat(20_000)));
        assertThat(answer.status()).isIn(413, 401);
        assertThat(answer.text()).contains("problems");
    }

    @Test
    @Order(11)
    void namesThatAreNotThereAnswerLikeThoseThatAre() {
        List<Integer> known = new ArrayList<>();
        List<Integer> unknown = new ArrayList<>();
        for (int i = 0; i < 7; i++) {
            known.add(new Browser(mvc)
                    .post("/api/session", Map.of("id", "mona", "password", "no-" + i))
                    .status());
            unknown.add(new Browser(mvc)
                    .post("/api/session", Map.of("id", "nobody-here", "password", "no-" + i))
                    .status());
        }
        assertThat(known).isEqualTo(unknown).containsExactly(401, 401, 401, 401, 401, 429, 429);
    }

    private static <T> List<T> together(List<java.util.concurrent.Callable<T>> deeds) throws Exception {
        try (var threads = java.util.concurrent.Executors.newFixedThreadPool(deeds.size())) {
            List<T> done = new ArrayList<>();
            for (var f : threads.invokeAll(deeds)) {
                done.add(f.get());
            }
            return done;
        }
    }

    private String newBay(int number) {
        assertThat(Browser.of(mvc, "lea")
                        .post("/api/workshop/bays", Map.of("number", number, "rig", "cabin"))
                        .status())
                .isEqualTo(200);
        return "bay-" + number;
    }

    /** 9 of 25 were 500. */
    @Test
    @Order(90)
    void oneEventIdOnTwoAssessmentsAtOnceIsKeptOnce() throws Exception {
        String one = Bays.prepare(assessor, newBay(31), "lutz");
        String other = Bays.prepare(assessor, newBay(32), "axel");
        for (int round = 0; round < 12; round++) {
            Map<String, Object> event = Bays.event();
            List<Integer> statuses = together(List.of(
                    () -> assessor.post(one + "/lock-off", event).status(),
                    () -> assessor.post(other + "/lock-off", event).status()));
            assertThat(statuses).as("round " + round).containsExactlyInAnyOrder(200, 409);
        }
    }

    /** Up to four "saved" on the same base, and 15 × 500. */
    @Test
    @Order(91)
    void fourSavesOfOneRigOnTheSameBaseMakeOneVersion() throws Exception {
        Browser lead = Browser.of(mvc, "lea");
        JsonNode page = lead.get("/api/rigs/kiosk").json();
        int base = page.get("version").asInt();
        List<java.util.concurrent.Callable<Browser.Answer>> saves = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            String file =
                    page.get("file").asString().replaceFirst("\"name\" : \"[^\"]*\"", "\"name\" : \"Kiosk " + i + "\"");
            saves.add(() -> lead.post("/api/rigs", Map.of("file", file, "basedOn", base)));
        }
        List<Browser.Answer> answers = together(saves);
        assertThat(answers.stream().map(Browser.Answer::status))
                .containsOnlyOnce(200)
                .containsOnly(200, 409);
        assertThat(answers.stream()
                        .filter(a -> a.status() == 409)
                        .findFirst()
                        .orElseThrow()
                        .text())
                .contains("was saved meanwhile by Lea West", "and changed");
        assertThat(lead.get("/api/rigs/kiosk").json().get("version").asInt()).isEqualTo(base + 1);
    }

    @Test
    @Order(92)
    void wrongTextsForCheckReadingsAreBounded() {
        String path = Bays.prepare(assessor, newBay(33), "theo");
        assessor.post(path + "/lock-off", Bays.event());
        Map<String, Object> reading = Bays.event();
        reading.put(
                "slot",
                assessor.get(path + "/proof").json().get("checks").size() > 0
                        ? assessor.get(path + "/proof")
                                .json()
                                .get("checks")
                                .get(0)
                                .get("slot")
                                .asString()
                        : "supply/ze");
        reading.put("text", "9".repeat(5000));
        assertThat(assessor.post(path + "/proof/readings", reading).status()).isEqualTo(400);
    }

    @Test
    @Order(93)
    void devicesAreLookedForInTheWorkshopOnly() {
        Browser lead = Browser.of(mvc, "lea");
        for (String elsewhere : List.of("8.8.8.8:502", "169.254.169.254:80", "no.such.host.invalid:502")) {
            assertThat(lead.put("/api/workshop/bays/bay-1/bench-tester", Map.of("address", elsewhere))
                            .text())
                    .as(elsewhere)
                    .contains("bad-address");
        }
    }
}
