package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** Accounts as a workshop needs them. */
@TestServer
class AccountsTest {
    private static final String PEOPLE = "/api/workshop/people";

    @Autowired
    private MockMvc mvc;

    private Browser administrator() {
        return Browser.of(mvc, "lea");
    }

    private void add(String id, String role) {
        Browser.Answer added = administrator()
                .post(
                        PEOPLE,
                        Map.of(
                                "signInName",
                                id,
                                "name",
                                "Some One",
                                "roles",
                                List.of(role),
                                "password",
                                "first-pass-1"));
        assertThat(added.status()).as(added.text()).isEqualTo(200);
    }

    private static Map<String, Object> credentials(String id, String password) {
        return Map.of("id", id, "password", password);
    }

    private JsonNode line(String id) {
        return administrator()
                .get(PEOPLE)
                .json()
                .get("people")
                .valueStream()
                .filter(p -> p.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whoeverIsInvitedChoosesAPasswordOnce() {
        JsonNode made = administrator()
                .post(
                        PEOPLE,
                        Map.of("signInName", "guest-1", "name", "Guest", "roles", List.of("ASSESSOR"), "password", ""))
                .json();
        String code = made.get("code").get("code").asString();
        assertThat(line("guest-1").get("invited").asBoolean()).isTrue();
        Browser guest = new Browser(mvc);
        Map<String, Object> accept = Map.of(
                "signInName", "guest-1", "code", code.toUpperCase(java.util.Locale.ROOT), "password", "my own pass");
        assertThat(guest.post(
                                "/api/invitations",
                                Map.of("signInName", "guest-1", "code", "wrong", "password", "my own pass"))
                        .status())
                .isEqualTo(400);
        assertThat(guest.post("/api/invitations", accept).status()).isEqualTo(200);
        assertThat(guest.post("/api/invitations", accept).text())
                .as("works once")
                .contains("ask for a");
        assertThat(guest.post("/api/session", credentials("guest-1", "my own pass"))
                        .status())
                .isEqualTo(200);
        assertThat(guest.get("/api/floor").status()).isEqualTo(200);
        assertThat(line("guest-1").get("invited").asBoolean()).isFalse();
        assertThat(administrator().get(PEOPLE).text()).doesNotContain(code);
    }

    @Test
    void anotherPasswordEndsTheSessionsOfBefore() {
        add("changer", "ASSESSOR");
        Browser tablet = Browser.of(mvc, "changer", "first-pass-1");
        Browser desk = Browser.of(mvc, "changer", "first-pass-1");
        assertThat(desk.post("/api/me/password", Map.of("present", "not-it-at-all", "password", "second-pass-2"))
                        .text())
                .contains("present");
        assertThat(desk.post("/api/me/password", Map.of("present", "first-pass-1", "password", "short"))
                        .status())
                .isEqualTo(400);
        assertThat(desk.post("/api/me/password", Map.of("present", "first-pass-1", "password", "second-pass-2"))
                        .status())
                .isEqualTo(200);
        assertThat(desk.get("/api/floor").status()).as("this one stays").isEqualTo(200);
        assertThat(tablet.get("/api/floor").status()).isEqualTo(401);
        assertThat(new Browser(mvc)
                        .post("/api/session", credentials("changer", "first-pass-1"))
                        .status())
                .isEqualTo(401);
    }

    @Test
    void whoIsBlockedOrHasLeftIsOutAtOnceAndRecordsStay() {
        add("goer", "ASSESSOR");
        Browser goer = Browser.of(mvc, "goer", "first-pass-1");
        administrator().put(PEOPLE + "/goer/standing", Map.of("blocked", true, "left", false));
        assertThat(goer.get("/api/floor").status()).isEqualTo(401);
        assertThat(goer.post("/api/session", credentials("goer", "first-pass-1"))
                        .text())
                .contains("closed for now");
        administrator().put(PEOPLE + "/goer/standing", Map.of("blocked", false, "left", false));
        assertThat(goer.post("/api/session", credentials("goer", "first-pass-1"))
                        .status())
                .isEqualTo(200);
        administrator().put(PEOPLE + "/goer/standing", Map.of("blocked", false, "left", true));
        assertThat(goer.get("/api/floor").status()).isEqualTo(401);
        assertThat(line("goer").get("leftAt").isNull()).isFalse();
    }

    @Test
    void otherRolesCountFromTheNextCallOn() {
        add("mover", "TECHNICIAN");
        Browser mover = Browser.of(mvc, "mover", "first-pass-1");
        assertThat(mover.get("/api/rigs").status()).isEqualTo(200);
        assertThat(mover.get("/api/floor").status()).isEqualTo(403);
        administrator().put(PEOPLE + "/mover/roles", Map.of("roles", List.of("TECHNICIAN", "ASSESSOR")));
        assertThat(mover.get("/api/rigs").status()).as("signs in anew").isEqualTo(401);
        mover.post("/api/session", credentials("mover", "first-pass-1"));
        assertThat(mover.get("/api/floor").status()).isEqualTo(200);
        assertThat(administrator()
                        .put(PEOPLE + "/mover/roles", Map.of("roles", List.of("CANDIDATE", "ASSESSOR")))
                        .text())
                .contains("not assessed by them");
    }

    @Test
    void nobodyLocksTheWorkshopOut() {
        for (Map<String, Object> standing : List.<Map<String, Object>>of(
                Map.of("blocked", true, "left", false), Map.of("blocked", false, "left", true))) {
            Browser.Answer answer = administrator().put(PEOPLE + "/lea/standing", standing);
            assertThat(answer.status()).isEqualTo(400);
            assertThat(answer.text()).contains("somebody else an administrator");
        }
        assertThat(administrator()
                        .put(PEOPLE + "/lea/roles", Map.of("roles", List.of("ASSESSOR")))
                        .status())
                .isEqualTo(400);
        assertThat(administrator().get(PEOPLE).status()).isEqualTo(200);
    }

    @Test
    void whoWasLockedOutIsLetTryAgain() {
        add("forgetful", "CANDIDATE");
        Browser device = new Browser(mvc);
        for (int i = 0; i < 6; i++) {
            device.post("/api/session", credentials("forgetful", "wrong-" + i));
        }
        assertThat(device.post("/api/session", credentials("forgetful", "first-pass-1"))
                        .status())
                .isEqualTo(429);
        assertThat(line("forgetful").get("locked").asBoolean()).isTrue();
        administrator().post(PEOPLE + "/forgetful/unlock", Map.of());
        assertThat(device.post("/api/session", credentials("forgetful", "first-pass-1"))
                        .status())
                .isEqualTo(200);
        String reset = administrator()
                .post(PEOPLE + "/forgetful/reset", Map.of())
                .json()
                .get("code")
                .get("code")
                .asString();
        assertThat(device.get("/api/my/sheets").status())
                .as("a reset ends sessions")
                .isEqualTo(401);
        assertThat(device.post("/api/session", credentials("forgetful", "first-pass-1"))
                        .status())
                .isEqualTo(401);
        device.post("/api/invitations", Map.of("signInName", "forgetful", "code", reset, "password", "third-pass-3"));
        assertThat(device.post("/api/session", credentials("forgetful", "third-pass-3"))
                        .status())
                .isEqualTo(200);
        assertThat(device.get("/api/me/sign-ins").json()).hasSizeGreaterThanOrEqualTo(2);
    }

    @Test
    void whatManyPeopleUseAsAPasswordIsRefused() {
        for (String common : List.of("password1", "12345678", "qwertyuiop", "letmein123", "guest-91")) {
            Browser.Answer refused = administrator()
                    .post(
                            PEOPLE,
                            Map.of(
                                    "signInName",
                                    "guest-9",
                                    "name",
                                    "Guest Nine",
                                    "roles",
                                    List.of("ASSESSOR"),
                                    "password",
                                    common));
            assertThat(refused.status()).as(common).isEqualTo(400);
            assertThat(refused.text()).as(common).contains("common-password", "three words");
        }
    }

    @Test
    void onesOtherDevicesAreSignedOutAndThisOneStays() {
        add("ender", "ASSESSOR");
        Browser tablet = Browser.of(mvc, "ender", "first-pass-1");
        Browser desk = Browser.of(mvc, "ender", "first-pass-1");
        assertThat(desk.delete("/api/me/sign-ins").status()).isEqualTo(200);
        assertThat(desk.get("/api/floor").status()).isEqualTo(200);
        assertThat(tablet.get("/api/floor").status()).isEqualTo(401);
    }

    @Test
    void peopleAreRenamedAndASecondAdministratorIsAskedFor() {
        add("namer", "ASSESSOR");
        assertThat(administrator()
                        .put(PEOPLE + "/namer/name", Map.of("name", "Nam Er"))
                        .status())
                .isEqualTo(200);
        assertThat(line("namer").get("name").asString()).isEqualTo("Nam Er");
        assertThat(administrator().get(PEOPLE).json().get("advice").asString())
                .contains("only administrator", "reset-administrator");
    }

    /** A tablet that was let in stayed in after the sheet was handed in. */
    @Test
    void aTabletsSessionEndsWithTheNextTabletAndWithHandingIn() {
        Browser assessor = Browser.of(mvc, "ada");
        String path = Bays.prepare(assessor, "bay-3", "lutz");
        Bays.choose(assessor, path, List.of());
        Bays.open(assessor, path);
        String sheet = path.replace("/api/assessments", "/api/my/sheets");
        Browser first = paired(assessor, path);
        assertThat(first.get(sheet).status()).isEqualTo(200);
        assertThat(first.get("/api/me/sign-ins").status())
                .as("one sheet and nothing else")
                .isEqualTo(403);
        Browser second = paired(assessor, path);
        assertThat(first.get(sheet).status()).as("another tablet was let in").isEqualTo(401);
        assertThat(second.post(sheet + "/hand-in", Bays.event()).status()).isEqualTo(200);
        assertThat(second.get(sheet).status()).as("handed in").isEqualTo(401);
        assertThat(assessor.post(path + "/conduct/pairing", Map.of()).text()).contains("handed in");
    }

    private Browser paired(Browser assessor, String path) {
        JsonNode pairing = assessor.post(path + "/conduct/pairing", Map.of()).json();
        assertThat(pairing.get("link").asString())
                .startsWith(pairing.get("address").asString());
        Browser tablet = new Browser(mvc);
        assertThat(tablet.post(
                                "/api/pairing",
                                Map.of("code", pairing.get("code").asString()))
                        .status())
                .isEqualTo(200);
        return tablet;
    }
}
