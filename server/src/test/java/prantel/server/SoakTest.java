package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A long day in short: the pool's connections are replaced all the time, as they would be over hours, while everything that
 * can be written is written again and again. {@code -Dprantel.soak.seconds=300} makes it longer.
 */
@TestServer
class SoakTest {
    private static final JsonMapper JSON = new JsonMapper();

    private static final Duration LONG = Duration.ofSeconds(Integer.getInteger("prantel.soak.seconds", 40));

    @Autowired
    private MockMvc mvc;

    @Autowired
    private HikariDataSource pool;

    private final Map<String, Integer> written = new HashMap<>();

    @Test
    void everyKindOfWriteOutlivesItsConnections() throws InterruptedException {
        long until = System.nanoTime() + LONG.toNanos();
        List<Integer> evictions = new ArrayList<>();
        try (var timer = Executors.newSingleThreadScheduledExecutor()) {
            timer.scheduleWithFixedDelay(
                    () -> {
                        pool.getHikariPoolMXBean().softEvictConnections();
                        evictions.add(1);
                    },
                    0,
                    200,
                    TimeUnit.MILLISECONDS);
            int round = 0;
            do {
                round(round++);
            } while (System.nanoTime() < until);
            timer.shutdownNow();
        }
        assertThat(evictions).as("connections were really replaced").hasSizeGreaterThan(20);
        assertThat(written.keySet())
                .contains("person", "rig", "bay", "as-built", "assessment", "reading", "judgement", "report", "marks");
    }

    private void round(int round) {
        Browser administrator = Browser.of(mvc, "lea");
        Browser assessor = Browser.of(mvc, "ada");
        sound(
                "person",
                administrator.post(
                        "/api/workshop/people",
                        Map.of(
                                "signInName",
                                "soak-" + round,
                                "name",
                                "Soak " + round,
                                "roles",
                                List.of("CANDIDATE"),
                                "password",
                                "long-enough-1")));
        int version = round + 1;
        JsonNode rig = JSON.readTree(
                assessor.get("/api/rigs/kiosk/file?version=" + version).text());
        ((ObjectNode) rig).put("comments", "soak " + round);
        sound("rig", assessor.post("/api/rigs", Map.of("file", rig.toString(), "basedOn", version)));
        if (round == 0) {
            sound("bay", administrator.post("/api/workshop/bays", Map.of("number", 9, "rig", "kiosk")));
        }
        sound(
                "as-built",
                assessor.post(
                        "/api/rigs/kiosk/versions/" + version + "/as-built",
                        Map.of("slot", "bond/water/clamp", "text", "0.0" + (1 + round % 9))));
        Browser candidate = Browser.of(mvc, "bela");
        String path = Bays.prepare(assessor, "bay-4", "bela");
        written.merge("assessment", 1, Integer::sum);
        Bays.open(assessor, path);
        String sheet = path.replace("/api/assessments", "/api/my/sheets");
        String first = Bays.firstSlot(candidate, sheet);
        sound("reading", candidate.put(sheet + "/readings", Bays.reading(first, "0.05", 0)));
        Map<String, Object> judged = Bays.event();
        judged.putAll(Map.of("slot", first, "satisfactory", true, "basedOn", 0));
        sound("judgement", candidate.put(sheet + "/judgements", judged));
        Map<String, Object> reports = Bays.event();
        reports.putAll(Map.of("basedOn", 0, "reports", List.of()));
        sound("report", candidate.put(sheet + "/fault-reports", reports));
        sound("live", Bays.on(assessor, path, "soak"));
        sound("dead", Bays.off(assessor, path));
        sound("hand-in", candidate.post(sheet + "/hand-in", Bays.event()));
        Bays.markAsProposed(assessor, path);
        written.merge("marks", 1, Integer::sum);
        Bays.clear(assessor, path);
        sound("floor", assessor.get("/api/floor"));
        sound("sign-out", candidate.delete("/api/session"));
    }

    private void sound(String what, Browser.Answer answer) {
        assertThat(answer.status()).as(what + ": " + answer.text()).isEqualTo(200);
        written.merge(what, 1, Integer::sum);
    }
}
