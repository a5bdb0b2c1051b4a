package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** An assessment as it is conducted: checks, halts, handing over, another instrument, another bay, a paired tablet. */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ConductFlowTest {
    private static String path;
    private static String id;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private prantel.server.assessment.Keys keys;

    @Autowired
    private prantel.server.assessment.Assessments assessments;

    private Browser ada() {
        return Browser.of(mvc, "ada");
    }

    private Browser ben() {
        return Browser.of(mvc, "ben");
    }

    private Browser lutz() {
        return Browser.of(mvc, "lutz");
    }

    private static Map<String, Object> event(Object... more) {
        Map<String, Object> event = Bays.event();
        for (int i = 0; i < more.length; i += 2) {
            event.put((String) more[i], more[i + 1]);
        }
        return event;
    }

    private static JsonNode ok(Browser.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    @Test
    @Order(1)
    void whatIsTestedIsSettledBeforeTheSheetOpens() {
        Browser.Answer old = ada().post(
                        "/api/assessments",
                        Map.of("bayId", "bay-5", "candidateId", "lutz", "testerId", "t3", "schemeId", "workshop"));
        assertThat(old.status()).isEqualTo(400);
        assertThat(old.text()).contains("ran out on 2026-09-30");
        path = Bays.prepare(ada(), "bay-5", "lutz");
        id = path.substring(path.lastIndexOf('/') + 1);
        JsonNode before = ok(ada().get(path + "/conduct"));
        List<String> circuits = before.get("circuits")
                .valueStream()
                .map(c -> c.get("id").asString())
                .toList();
        String ring = before.get("circuits")
                .valueStream()
                .filter(c -> c.get("ring").asBoolean())
                .map(c -> c.get("id").asString())
                .findFirst()
                .orElseThrow();
        List<String> others = circuits.stream().filter(c -> !c.equals(ring)).toList();
        assertThat(ada().put(path + "/conduct/circuits", event("circuits", List.of(ring)))
                        .text())
                .contains("at least 2");
        assertThat(ada().put(path + "/conduct/circuits", event("circuits", others))
                        .text())
                .contains("has a ring");
        ok(ada().put(path + "/conduct/circuits", event("circuits", List.of(ring, others.getFirst()))));
        Map<String, Object> outside = event("basedOn", 0, "from", null);
        outside.put("faults", List.of(Bays.fault("cpc-open-after", "kitchen/socket-2", List.of("cpc"), null)));
        assertThat(ada().put(path + "/faults", outside).text()).contains("not among those to be tested");
        ok(ada().put(path + "/conduct/adjustment", event("timeFactor", 1.25, "given", List.of("larger type"))));
        ok(ada().put(path + "/conduct/ticks", event("list", "PREPARE", "item", "calibration", "on", true)));
        Bays.choose(ada(), path, List.of());
        Bays.open(ada(), path);
        String sheet = lutz().get("/api/my/sheets/" + id).text();
        assertThat(sheet).contains("\"slot\":\"" + ring + "/").doesNotContain("\"slot\":\"" + others.getLast() + "/");
        assertThat(ada().put(path + "/conduct/circuits", event("circuits", circuits))
                        .status())
                .isEqualTo(409);
    }

    @Test
    @Order(2)
    void aCandidateConfirmsAndAsksAndTicksNothingElse() {
        ok(lutz().put("/api/my/sheets/" + id + "/ticks", event("list", "READY", "item", "fit", "on", true)));
        assertThat(lutz().put(
                                "/api/my/sheets/" + id + "/ticks",
                                event("list", "LIVE_GIVEN", "item", "permission", "on", true))
                        .text())
                .contains("your assessor ticks that");
        assertThat(lutz().put("/api/my/sheets/" + id + "/ticks", event("list", "READY", "item", "other", "on", true))
                        .status())
                .isEqualTo(400);
        for (String item : List.of("links", "earth", "covers", "ask")) {
            ok(lutz().put("/api/my/sheets/" + id + "/ticks", event("list", "LIVE_ASKED", "item", item, "on", true)));
        }
        JsonNode watch = ok(ada().get(path + "/watch"));
        assertThat(watch.get("asksToGoLive").asBoolean()).isTrue();
        assertThat(watch.get("conduct").get("lists").toString()).contains("Lutz Five");
        assertThat(ok(ada().get("/api/floor")).get("aisle").toString()).contains("asks to go live");
    }

    @Test
    @Order(3)
    void aScreenThatHasTheNewestIsSentNothing() {
        int seq = ok(ada().get(path + "/watch")).get("seq").asInt();
        assertThat(ada().get(path + "/watch?seq=" + seq).status()).isEqualTo(204);
        assertThat(ada().get(path + "/watch?seq=" + (seq - 1)).status()).isEqualTo(200);
    }

    @Test
    @Order(4)
    void theClockStandsStillForARigFaultAndNobodyWrites() {
        String slot = Bays.firstSlot(lutz(), "/api/my/sheets/" + id);
        ok(lutz().put("/api/my/sheets/" + id + "/readings", Bays.reading(slot, "0.03", 0)));
        assertThat(ada().post(
                                path + "/conduct/halt",
                                event("why", "RIG_FAULT", "what", "x", "circuits", List.of("none"), "steps", List.of()))
                        .text())
                .contains("circuits");
        JsonNode halted = ok(ada().post(
                        path + "/conduct/halt",
                        event(
                                "why",
                                "RIG_FAULT",
                                "what",
                                "clamp of the water bond is loose",
                                "circuits",
                                List.of(),
                                "steps",
                                List.of("bonding"))));
        assertThat(halted.get("clock").get("state").asString()).isEqualTo("HALTED");
        Browser.Answer refused = lutz().put("/api/my/sheets/" + id + "/readings", Bays.reading(slot, "0.04", 1));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("clock stands still");
        String sheet = lutz().get("/api/my/sheets/" + id).text();
        assertThat(sheet)
                .contains("Rig fault")
                .as("what is the matter is none of hers")
                .doesNotContain("clamp of");
        ok(ada().post(path + "/conduct/resume", event("what", "tightened by the technician")));
        assertThat(ok(ada().get(path + "/watch")).toString()).contains("tightened by the technician");
    }

    @Test
    @Order(5)
    void anotherInstrumentHoldsFromNowOn() {
        assertThat(ada().post(path + "/conduct/instrument", event("tester", "t2", "reason", " "))
                        .status())
                .isEqualTo(400);
        JsonNode changed =
                ok(ada().post(path + "/conduct/instrument", event("tester", "t2", "reason", "display fails")));
        assertThat(changed.get("tester").asString())
                .isNotEqualTo(ok(ada().get(path + "/conduct"))
                        .get("testers")
                        .get(0)
                        .get("label")
                        .asString());
        assertThat(lutz().get("/api/my/sheets/" + id).json().get("tester").asString())
                .isEqualTo(changed.get("tester").asString());
    }

    @Test
    @Order(6)
    void aBayIsHandedOverByNameAndOnlyWhoWatchesGoesLive() {
        assertThat(ada().post(path + "/conduct/hand-over", event("to", "lutz")).text())
                .contains("choose an assessor");
        ok(ada().post(path + "/conduct/hand-over", event("to", "ben")));
        assertThat(Bays.on(ada(), path, "loop only").text()).contains("Ben South watches this bay");
        ok(Bays.on(ben(), path, "loop only"));
        JsonNode watch = ok(ben().get(path + "/watch"));
        assertThat(watch.get("live").asBoolean()).isTrue();
        assertThat(watch.get("asksToGoLive").asBoolean()).isFalse();
        assertThat(ben().post(path + "/conduct/break-off", event("what", "no")).text())
                .contains("make it dead");
        ok(Bays.off(ben(), path));
    }

    @Test
    @Order(7)
    void whatWasTappedIsTakenBackByWhoTappedIt() {
        String full = Bays.prepareWith(ada(), "bay-4", "axel", "initial-three-phase");
        Bays.choose(ada(), full, List.of());
        Bays.openUnconfirmed(ada(), full);
        ok(ada().put(
                        full + "/watch/observations",
                        event("observation", "locked", "sight", "SLIP", "slip", "key left")));
        assertThat(ben().post(full + "/watch/undo", event()).text()).contains("nothing of yours");
        Map<String, Object> undo = event();
        JsonNode undone = ok(ada().post(full + "/watch/undo", undo));
        assertThat(undone.get("undo").asBoolean()).isFalse();
        assertThat(undone.toString()).doesNotContain("key left\",\"by");

        // carried on elsewhere: what was seen stays, the readings are of this rig
        ok(ada().put(full + "/watch/observations", event("observation", "locked", "sight", "RIGHT", "slip", "")));
        Map<String, Object> carry = event("bayId", "bay-3", "reason", "the board's busbar arcs");
        String next = ok(ada().post(full + "/conduct/carry-on", carry))
                .get("assessmentId")
                .asString();
        assertThat(ok(ada().post(full + "/conduct/carry-on", carry))
                        .get("assessmentId")
                        .asString())
                .as("sent again")
                .isEqualTo(next);
        assertThat(ok(ada().get("/api/assessments/" + next + "/watch")).toString())
                .contains("\"id\":\"locked\"")
                .contains("\"seen\":\"right\"");
        assertThat(ok(ada().get("/api/floor")).get("kept").toString()).contains("Broken off");
        Bays.clear(ada(), full);
        assertThat(ada().get(full + "/marking").status()).as("nothing to mark").isEqualTo(409);
        ok(ada().post("/api/assessments/" + next + "/conduct/break-off", event("what", "candidate was taken ill")));
        Bays.clear(ada(), "/api/assessments/" + next);
    }

    @Test
    @Order(8)
    void aTabletIsLetInToOneSheetWithoutAPassword() {
        String code =
                ok(ben().post(path + "/conduct/pairing", Map.of())).get("code").asString();
        Browser tablet = new Browser(mvc);
        assertThat(tablet.post("/api/pairing", Map.of("code", "000 00")).status())
                .isEqualTo(403);
        assertThat(ok(tablet.post("/api/pairing", Map.of("code", code.substring(0, 3) + " " + code.substring(3))))
                        .get("sheet")
                        .asString())
                .isEqualTo(id);
        assertThat(new Browser(mvc).post("/api/pairing", Map.of("code", code)).status())
                .as("works once")
                .isEqualTo(403);
        assertThat(tablet.get("/api/my/sheets").json()).hasSize(1);
        assertThat(tablet.get("/api/my/sheets/" + id).status()).isEqualTo(200);
        assertThat(tablet.get("/api/me/sign-ins").status())
                .as("no account, one sheet")
                .isEqualTo(403);
        assertThat(tablet.post("/api/me/password", new HashMap<>()).status()).isEqualTo(403);
        assertThat(tablet.get("/api/floor").status()).isEqualTo(403);
        assertThat(tablet.get("/api/session").json().get("person").get("sheet").asString())
                .isEqualTo(id);
        tablet.delete("/api/session");
        assertThat(tablet.get("/api/my/sheets/" + id).status())
                .as("after sign-out")
                .isEqualTo(401);
    }

    @Test
    @Order(9)
    void aLiftedStopGoesOnAndIsKept() {
        ok(ben().post(path + "/watch/stop", event("what", "reached over the busbar")));
        assertThat(ben().post(path + "/conduct/lift-stop", event("what", "goes on"))
                        .text())
                .contains("make it safe first");
        Bays.makeSafe(ben(), path);
        ok(ben().post(path + "/conduct/lift-stop", event("what", "talked over, goes on with covers")));
        JsonNode watch = ok(ben().get(path + "/watch"));
        assertThat(watch.get("stop").isNull()).isTrue();
        assertThat(watch.get("conduct").get("pauses").toString()).contains("goes on with covers");
        ok(lutz().post("/api/my/sheets/" + id + "/hand-in", event()));
        String marks = ok(ben().get(path + "/marking")).toString();
        assertThat(marks).contains("Costs nothing").contains("clamp of the water bond");
        Bays.clear(ben(), path);
    }

    /** The same rig, instrument and faults by two schemes: each is held against the boxes of its own. */
    @Test
    @Order(10)
    void twoSchemesOnOneRigHaveAKeyEach() {
        Browser administrator = Browser.of(mvc, "lea");
        administrator.post("/api/workshop/bays", Map.of("number", 8, "rig", "kiosk"));
        List<Map<String, Object>> faults =
                List.of(Bays.fault("high-resistance-joint", "counter/socket-3", List.of("cpc"), 0.5));
        for (List<String> of :
                List.of(List.of("bay-2", "theo", "workshop"), List.of("bay-8", "pia", "initial-single-phase"))) {
            String at = Bays.prepareWith(ada(), of.get(0), of.get(1), of.get(2));
            Bays.choose(ada(), at, faults);
            String assessment = at.substring(at.lastIndexOf('/') + 1);
            assertThat(keys.key(assessments.get(assessment)).scheme().id()).isEqualTo(of.get(2));
            ada().post(at + "/conduct/break-off", event("what", "only tried"));
            Bays.clear(ada(), at);
        }
    }
}
