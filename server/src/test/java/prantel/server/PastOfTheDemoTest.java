package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.assessment.Assessment;
import prantel.core.marking.Mark;
import prantel.formats.RecordFile;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The demo as it is met first: the fortnight happened, by today's rules, and its bays are free again. */
@SpringBootTest(
        properties = {
            "prantel.demo=true",
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1",
        })
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class PastOfTheDemoTest {
    private static final JsonMapper JSON = new JsonMapper();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Assessments assessments;

    @Autowired
    private Keys keys;

    private static List<RecordFile.Content> records() throws IOException {
        List<RecordFile.Content> records = new ArrayList<>();
        for (Resource file :
                new PathMatchingResourcePatternResolver().getResources("classpath*:/prantel/demo/past/*.record.json")) {
            records.add(RecordFile.verify(file.getContentAsByteArray()));
        }
        assertThat(records).hasSize(11);
        return records;
    }

    /** Records that were made by other rules are made again: FortnightTest with -Dprantel.past.update=true. */
    @Test
    void whatWasProposedThenIsProposedToday() throws IOException {
        for (RecordFile.Content record : records()) {
            Assessment now = assessments.get(record.pinned().assessmentId());
            assertThat(now.seq()).isEqualTo(record.events().size());
            if (now.conduct().brokenOff() != null) {
                continue;
            }
            Map<String, String> today = new HashMap<>();
            for (Mark mark : keys.marked(now).marks()) {
                today.put(mark.id(), mark.award().name());
            }
            int decided = 0;
            for (RecordFile.Event event : record.events()) {
                JsonNode payload = JSON.readTree(event.payload());
                if (payload.get("event").asString().equals("mark-decided")) {
                    assertThat(today)
                            .as(record.pinned().candidateId())
                            .containsEntry(
                                    payload.get("mark").asString(),
                                    payload.get("proposed").asString());
                    decided++;
                }
            }
            assertThat(decided).isPositive();
            assertThat(now.outcome()).isNotNull();
            assertThat(assessments.resultOf(now)).isPresent();
        }
    }

    @Test
    void itLiesBeforeTodayAndOnDaysOfWork() throws IOException {
        LocalDate today = LocalDate.now();
        for (RecordFile.Content record : records()) {
            for (Assessment.Recorded event :
                    assessments.history(assessments.get(record.pinned().assessmentId()))) {
                LocalDate day = event.at().toLocalDate();
                assertThat(day).isBefore(today).isAfter(today.minusDays(22));
                assertThat(day.getDayOfWeek()).isNotIn(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
            }
        }
    }

    /** The range that a workshop meets: design, the demo's scenario. */
    @Test
    void everyKindOfSittingIsThere() {
        Browser lead = Browser.of(mvc, "varga", "ferry-bell-2");
        JsonNode floor = lead.get("/api/floor").json();
        assertThat(floor.get("bays")
                        .valueStream()
                        .filter(b -> !b.get("assessmentId").isNull()))
                .as("only Petra Lindholm's bay is taken")
                .hasSize(1);
        assertThat(floor.get("kept").toString())
                .contains("Competent", "Refer these parts", "Stopped for safety", "Broken off", "\"overridden\":true");
    }

    private static List<String> candidates(Browser browser, String query) {
        JsonNode page = browser.get("/api/records" + query).json();
        assertThat(page.get("of").asInt()).isEqualTo(page.get("records").size());
        return page.get("records")
                .valueStream()
                .map(r -> r.get("candidate").asString())
                .toList();
    }

    /** The Floor lists the newest; any other is found by what is known of it. */
    @Test
    void recordsAreFoundByPersonRigSchemeOutcomeAndTime() {
        Browser ines = Browser.of(mvc, "ines", "toll-gate-7");
        assertThat(candidates(ines, "")).hasSize(11);
        assertThat(candidates(ines, "?person=hollis")).hasSize(2).containsOnly("Bas Hollis");
        assertThat(candidates(ines, "?person=corin")).as("an assessor's").hasSizeGreaterThan(3);
        assertThat(candidates(ines, "?outcome=STOPPED")).containsExactly("Bas Hollis");
        assertThat(candidates(ines, "?outcome=BROKEN_OFF")).containsExactly("Asta Quill");
        assertThat(candidates(ines, "?rig=ferry-kiosk&outcome=REFERRAL")).isNotEmpty();
        assertThat(candidates(ines, "?scheme=ring-drill")).hasSize(1);
        assertThat(candidates(ines, "?person=%25"))
                .as("no sign of it is a wildcard")
                .isEmpty();
        assertThat(candidates(ines, "?person=_as")).isEmpty();
        assertThat(candidates(ines, "?until=2001-01-01")).isEmpty();
        assertThat(ines.get("/api/records?from=yesterday").status()).isEqualTo(400);
        assertThat(Browser.of(mvc, "petra", "mudflat-11").get("/api/records").status())
                .isEqualTo(403);
    }
}
