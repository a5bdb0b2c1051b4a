package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.fixtures.Rigs;
import prantel.formats.RigFile;

@TestServer
class WorkshopTest {
    @Autowired
    private MockMvc mvc;

    private String upload(byte[] file, int expected) throws Exception {
        var response = mvc.perform(multipart("/api/workshop/rigs")
                        .file(new MockMultipartFile("file", "rig.json", "application/json", file))
                        .with(csrf())
                        .with(user("lea").roles("ADMINISTRATOR")))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).isEqualTo(expected);
        return response.getContentAsString(StandardCharsets.UTF_8);
    }

    @Test
    void changedRigFileBecomesTheNextVersion() throws Exception {
        byte[] file = RigFile.write(Rigs.fiveSockets());
        assertThat(upload(file, 200)).contains("\"id\":\"test-rig\",\"label\":\"Test rig\",\"version\":1");
        assertThat(upload(file, 200))
                .as("what says the same makes no version")
                .contains("\"id\":\"test-rig\",\"label\":\"Test rig\",\"version\":1");
        byte[] changed = new String(file, StandardCharsets.UTF_8)
                .replace("\"Test rig\"", "\"Test rig, moved\"")
                .getBytes(StandardCharsets.UTF_8);
        assertThat(upload(changed, 200)).contains("\"label\":\"Test rig, moved\",\"version\":2");
    }

    @Test
    void brokenRigFileIsRefusedWithEveryPlace() throws Exception {
        String bad = new String(RigFile.write(Rigs.fiveSockets()), StandardCharsets.UTF_8)
                .replace("\"atMetres\" : 6.0", "\"atMetres\" : -6")
                .replace("\"ratedAmps\" : 20.0", "\"ratedAmps\" : 900");
        assertThat(upload(bad.getBytes(StandardCharsets.UTF_8), 400))
                .contains("/circuits/0/points/0/atMetres")
                .contains("/circuits/0/device/ratedAmps");
        assertThat(upload("not json".getBytes(StandardCharsets.UTF_8), 400)).contains("line 1");
    }

    @Test
    void peopleAndBaysAreAddedOrRefusedByField() {
        Browser administrator = Browser.of(mvc, "lea");
        Map<String, Object> person = Map.of(
                "signInName", "new-one", "name", "New One", "roles", List.of("CANDIDATE"), "password", "long enough");
        assertThat(administrator.post("/api/workshop/people", person).text()).contains("New One");
        assertThat(administrator.post("/api/workshop/people", person).text())
                .contains("signInName")
                .contains("give another");
        assertThat(administrator
                        .post("/api/workshop/bays", Map.of("number", 1, "rig", "cottage"))
                        .text())
                .contains("there is a bay with that number");
        assertThat(administrator
                        .post("/api/workshop/bays", Map.of("number", 9, "rig", "none"))
                        .text())
                .contains("choose a rig");
        assertThat(administrator
                        .post("/api/workshop/bays", Map.of("number", 9, "rig", "cottage"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void baysRigsAndTestersAreChangedAndRetiredButNotUnderSomebody() {
        Browser lea = Browser.of(mvc, "lea");
        assertThat(lea.put("/api/workshop/rigs/dairy/retired", Map.of("retired", true))
                        .text())
                .contains("rig-in-use", "bay 4");
        String path = Bays.prepare(Browser.of(mvc, "ada"), "bay-4", "pia");
        Map<String, Object> other = Map.of("number", 44, "rig", "kiosk", "retired", false);
        assertThat(lea.put("/api/workshop/bays/bay-4", other).text()).contains("bay-in-use");
        assertThat(lea.put("/api/workshop/bays/bay-2", Map.of("number", 1, "rig", "kiosk", "retired", false))
                        .text())
                .contains("there is a bay with that number");
        assertThat(lea.put("/api/workshop/bays/bay-2", Map.of("number", 2, "rig", "kiosk", "retired", true))
                        .status())
                .isEqualTo(200);
        assertThat(Browser.of(mvc, "ada").get("/api/floor").text()).doesNotContain("\"id\":\"bay-2\"");
        assertThat(lea.put("/api/workshop/rigs/kiosk/retired", Map.of("retired", true))
                        .status())
                .isEqualTo(200);
        assertThat(lea.get("/api/rigs").text()).doesNotContain("\"id\":\"kiosk\"");
        assertThat(lea.put("/api/workshop/rigs/kiosk/retired", Map.of("retired", false))
                        .status())
                .isEqualTo(200);
        Map<String, Object> tester = new java.util.HashMap<>(Map.of("label", "T2, new name"));
        tester.put("calibrationDue", "2031-03-31");
        assertThat(lea.put("/api/workshop/testers/t2", tester).text()).contains("T2, new name", "2031-03-31");
        for (String id : List.of("t2", "t3")) {
            assertThat(lea.put("/api/workshop/testers/" + id + "/retired", Map.of("retired", true))
                            .status())
                    .isEqualTo(200);
        }
        assertThat(lea.put("/api/workshop/testers/t1/retired", Map.of("retired", true))
                        .text())
                .contains("last-tester");
        assertThat(Browser.of(mvc, "ada").get(path).status()).as("records stay").isEqualTo(200);
    }
}
