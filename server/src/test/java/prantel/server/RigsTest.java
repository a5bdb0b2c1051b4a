package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.fixtures.Rigs;
import prantel.formats.RigFile;
import tools.jackson.databind.JsonNode;

/** Rigs over HTTP: list, page, drafts, versions, healthy readings, and who may see them. */
@TestServer
class RigsTest {
    private static final String AS_BUILT = "/api/rigs/cottage/versions/2/as-built";
    private static final String LAST = "sockets/r1r2/socket-5";

    @Autowired
    private MockMvc mvc;

    private Browser assessor;

    @BeforeEach
    void signIn() {
        assessor = Browser.of(mvc, "ada");
    }

    private static String fiveSockets(String id) {
        return new String(RigFile.write(Rigs.fiveSockets()), StandardCharsets.UTF_8)
                .replace("\"test-rig\"", '"' + id + '"');
    }

    @Test
    void listHasTheFiveRigsOfTheWorkshopInTheOrderOfTheirBays() {
        JsonNode list = assessor.get("/api/rigs").json();
        assertThat(list.valueStream().map(r -> r.get("name").asString()).toList())
                .startsWith("Cottage", "Kiosk", "Cabin", "Dairy", "Hostel");
    }

    @Test
    void pageHasDrawingProfilesSheetAndVersions() {
        JsonNode page = assessor.get("/api/rigs/cottage").json();
        assertThat(page.get("version").asInt()).isGreaterThanOrEqualTo(2);
        assertThat(page.get("view").get("sheet").size()).isGreaterThan(150);
        assertThat(page.get("view").get("profiles").size()).isGreaterThan(5);
        assertThat(page.get("view").get("drawing").get("boards").size()).isEqualTo(1);
        assertThat(assessor.get("/api/rigs/cottage?version=1")
                        .json()
                        .get("latest")
                        .asBoolean())
                .isFalse();
        assertThat(assessor.get("/api/rigs/cottage?version=99").status()).isEqualTo(404);
        assertThat(assessor.get("/api/rigs/nothing").status()).isEqualTo(404);
    }

    @Test
    void differenceBetweenVersionsIsReadable() {
        assertThat(assessor.get("/api/rigs/cottage/difference?from=1&to=2").text())
                .contains("Kitchen ring")
                .contains("added");
    }

    @Test
    void draftIsLookedAtAndNothingIsKept() {
        String file = fiveSockets("a-draft");
        JsonNode sound =
                assessor.post("/api/rigs/preview", Map.of("file", file)).json();
        assertThat(sound.get("problems").size()).isZero();
        assertThat(sound.get("view").get("warnings").toString()).contains("no-rcd-for-sockets");
        JsonNode bad = assessor.post(
                        "/api/rigs/preview", Map.of("file", file.replace("\"atMetres\" : 13.0", "\"atMetres\" : 2")))
                .json();
        assertThat(bad.get("problems").get(0).get("where").asString()).isEqualTo("/circuits/0/points/1/atMetres");
        assertThat(bad.get("view").isNull()).isTrue();
        assertThat(bad.get("file").asString()).contains("\"atMetres\" : 2");
        assertThat(assessor.get("/api/rigs/a-draft").status()).isEqualTo(404);
        assertThat(assessor.post("/api/rigs/preview", Map.of("file", "no json")).status())
                .isEqualTo(200);
    }

    /** Whatever stands in the fault box now, even of a circuit that has gone. */
    @Test
    void whatARelayCouldSetIsToldForADraft() {
        String file = assessor.get("/api/rigs/hostel").json().get("file").asString();
        JsonNode choices = assessor.post(
                        "/api/rigs/relay-choices", Map.of("file", file.replace("kitchen/socket-2", "gone/socket-2")))
                .json();
        JsonNode ring = choices.get("places")
                .valueStream()
                .filter(p -> p.get("id").asString().equals("bunk-ring/socket-4"))
                .findFirst()
                .orElseThrow();
        assertThat(ring.get("label").asString()).contains("socket 4");
        assertThat(ring.get("kinds").has("ring-leg-open")).isTrue();
        assertThat(choices.get("kinds").valueStream().map(k -> k.get("id").asString()))
                .contains("ring-leg-open")
                .as("what only the eye finds")
                .doesNotContain("missing-blank");
        assertThat(Browser.of(mvc, "paul")
                        .post("/api/rigs/relay-choices", Map.of("file", file))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void newVersionIsKeptBesideTheOldOneAndALaterOneIsNotOverwritten() {
        String file = fiveSockets("versions");
        assertThat(assessor.post("/api/rigs", Map.of("file", file, "basedOn", 0))
                        .json()
                        .get("version")
                        .asInt())
                .isEqualTo(1);
        assertThat(assessor.post("/api/rigs", Map.of("file", file, "basedOn", 0))
                        .text())
                .contains("there is a rig with that id");
        String changed = file.replace("\"atMetres\" : 36.0", "\"atMetres\" : 37");
        assertThat(assessor.post("/api/rigs", Map.of("file", changed, "basedOn", 1))
                        .json()
                        .get("version")
                        .asInt())
                .isEqualTo(2);
        Browser.Answer late = assessor.post("/api/rigs", Map.of("file", file, "basedOn", 1));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.text()).contains("version 2 was saved meanwhile by Ada North");
        assertThat(assessor.get("/api/rigs/versions/file?version=1").text()).isEqualToIgnoringWhitespace(file);
    }

    @Test
    void healthyReadingIsKeptHeldAgainstTheDescriptionAndTakenBack() {
        JsonNode within =
                assessor.post(AS_BUILT, Map.of("slot", LAST, "text", "0.74")).json();
        assertThat(taken(within, LAST).get("beyond").asBoolean()).isFalse();
        JsonNode beyond =
                assessor.post(AS_BUILT, Map.of("slot", LAST, "text", "3.2")).json();
        assertThat(taken(beyond, LAST).get("says").asString()).contains("beyond tolerance");
        assertThat(assessor.get("/api/floor").text())
                .contains("1 healthy reading is beyond tolerance: look at the rig");
        assertThat(assessor.post(AS_BUILT, Map.of("slot", LAST, "text", "quite good"))
                        .text())
                .contains("give a number with its unit");
        assertThat(assessor.post(AS_BUILT, Map.of("slot", "nowhere", "text", "1"))
                        .status())
                .isEqualTo(400);
        JsonNode gone =
                assessor.post(AS_BUILT, Map.of("slot", LAST, "text", "")).json();
        assertThat(gone.get("taken").size()).isZero();
        assertThat(assessor.get("/api/floor").text()).doesNotContain("beyond tolerance: look at the rig");
    }

    private static JsonNode taken(JsonNode view, String slot) {
        return view.get("taken")
                .valueStream()
                .filter(t -> t.get("slot").asString().equals(slot))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void templatesOfEveryKindAreOffered() {
        assertThat(assessor.get("/api/rig-templates").json().get("circuits").size())
                .isGreaterThanOrEqualTo(8);
    }

    /** A rig's sheet is the healthy half of a key: no candidate sees any of it. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/rigs",
                "/api/rigs/cottage",
                "/api/rigs/cottage/difference?from=1&to=2",
                "/api/rigs/cottage/file?version=1",
                AS_BUILT,
                "/api/rig-templates"
            })
    void candidateIsRefused(String path) {
        assertThat(Browser.of(mvc, "paul").get(path).status()).isEqualTo(403);
        assertThat(new Browser(mvc).get(path).status()).isEqualTo(401);
    }
}
