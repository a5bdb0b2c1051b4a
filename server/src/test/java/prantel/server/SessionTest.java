package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;

@TestServer
class SessionTest {
    @Autowired
    private MockMvc mvc;

    @Test
    void nobodySeesAnythingWithoutSigningIn() {
        Browser nobody = new Browser(mvc);
        for (String path :
                List.of("/api/reference", "/api/floor", "/api/my/sheets", "/api/workshop", "/api/bays/bay-1/prepare")) {
            assertThat(nobody.get(path).status()).as(path).isEqualTo(401);
        }
        assertThat(nobody.get("/api/session").json().get("person").isNull()).isTrue();
    }

    @Test
    void rolesKeepToTheirOwnPlaces() {
        Browser candidate = Browser.of(mvc, "olga");
        Browser assessor = Browser.of(mvc, "ada");
        Browser administrator = Browser.of(mvc, "lea");
        assertThat(candidate.get("/api/floor").status()).isEqualTo(403);
        assertThat(candidate.get("/api/reference").status()).isEqualTo(200);
        assertThat(candidate.get("/api/workshop").status()).isEqualTo(403);
        assertThat(assessor.get("/api/workshop").status()).isEqualTo(403);
        assertThat(assessor.get("/api/my/sheets").status()).isEqualTo(403);
        assertThat(assessor.get("/api/floor").status()).isEqualTo(200);
        assertThat(administrator.get("/api/workshop").status()).isEqualTo(200);
        assertThat(administrator.get("/api/floor").status()).isEqualTo(200);
    }

    @Test
    void guessingLocksTheAccountEvenForTheRightPassword() {
        Browser guesser = new Browser(mvc);
        for (int i = 0; i < 5; i++) {
            assertThat(guesser.post("/api/session", Map.of("id", "mona", "password", "guess-" + i))
                            .status())
                    .isEqualTo(401);
        }
        assertThat(guesser.post("/api/session", Map.of("id", "mona", "password", TestWorkshop.password("mona")))
                        .status())
                .isEqualTo(429);
    }

    @Test
    void unknownNameAndWrongPasswordAnswerAlike() {
        Browser guesser = new Browser(mvc);
        assertThat(guesser.post("/api/session", Map.of("id", "nobody", "password", "x")))
                .isEqualTo(guesser.post("/api/session", Map.of("id", "bela", "password", "x")));
    }

    @Test
    void writesWithoutTheTokenAreRefused() throws Exception {
        int status = mvc.perform(post("/api/session")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"id\":\"ada\",\"password\":\"" + TestWorkshop.password("ada") + "\"}"))
                .andReturn()
                .getResponse()
                .getStatus();
        assertThat(status).isEqualTo(403);
    }

    @Test
    void brokenRequestsAnswerWithAProblemAndNoTrace() {
        Browser assessor = Browser.of(mvc, "ada");
        for (Browser.Answer answer : List.of(
                assessor.post("/api/assessments", "{broken"),
                assessor.post("/api/assessments", Map.of("bayId", "bay-1", "surprise", 1)),
                assessor.get("/api/assessments/none"),
                assessor.get("/api/nowhere"))) {
            assertThat(answer.status()).isBetween(400, 499);
            assertThat(answer.text())
                    .contains("problems")
                    .doesNotContain("Exception")
                    .doesNotContain("\\tat");
        }
    }

    @Test
    void calculatorsAnswerEverybodyAndNameWhatTheyCannotUse() {
        Browser candidate = Browser.of(mvc, "bela");
        Browser.Answer answer =
                candidate.post("/api/reference/zs", Map.of("values", Map.of("device", "B32", "ze", "0,35")));
        assertThat(answer.text()).contains("1.37\u2009Ω").contains("BS 7671 411.4.4");
        assertThat(candidate
                        .post("/api/reference/zs", Map.of("values", Map.of("ze", "x")))
                        .text())
                .contains("\"Ze\"");
        assertThat(candidate
                        .post("/api/reference/none", Map.of("values", Map.of()))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void pagesOpenDirectlyAndSayWhatTheBrowserMayLoad() throws Exception {
        var response = mvc.perform(get("/assessments/x/mark")).andReturn().getResponse();
        assertThat(response.getForwardedUrl()).isEqualTo("/index.html");
        assertThat(response.getHeader("Content-Security-Policy")).contains("default-src 'self'");
    }
}
