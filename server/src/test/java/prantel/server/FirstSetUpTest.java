package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.web.servlet.MockMvc;

/** An empty data folder, not the demo. */
@SpringBootTest(properties = "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1")
@AutoConfigureMockMvc
@ExtendWith(OutputCaptureExtension.class)
class FirstSetUpTest {
    @Autowired
    private MockMvc mvc;

    @Test
    void printedCodeMakesOneAdministratorOnce(CapturedOutput output) {
        Browser browser = new Browser(mvc);
        assertThat(browser.get("/api/session").json().get("setUpNeeded").asBoolean())
                .isTrue();
        assertThat(browser.get("/api/demo/sign-ins").status())
                .as("no demo people on real data")
                .isEqualTo(404);

        Matcher code = Pattern.compile("set-up code: (\\w+)").matcher(output.getAll());
        assertThat(code.find()).isTrue();
        Map<String, String> first =
                Map.of("code", code.group(1), "signInName", "head", "name", "Head", "password", "a long one");
        Map<String, String> guess =
                Map.of("code", "000000", "signInName", "head", "name", "Head", "password", "a long one");
        assertThat(browser.post("/api/set-up", guess).status()).isEqualTo(403);
        assertThat(browser.post("/api/set-up", first).status()).isEqualTo(200);
        assertThat(browser.post("/api/set-up", first).status()).isEqualTo(409);
        assertThat(Browser.of(mvc, "head", "a long one").get("/api/workshop").status())
                .isEqualTo(200);
    }
}
