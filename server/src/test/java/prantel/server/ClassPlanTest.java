package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** A plan for a class over HTTP: proposed, the same again for the same request, kept in the library. */
@TestServer
class ClassPlanTest {
    @Autowired
    private MockMvc mvc;

    private Browser assessor;

    @BeforeEach
    void signIn() {
        assessor = Browser.of(mvc, "ada");
    }

    private List<String> candidates() {
        return assessor.get("/api/class-plans")
                .json()
                .get("candidates")
                .valueStream()
                .map(c -> c.get("id").asString())
                .toList();
    }

    private Map<String, Object> wanted(List<String> people, int each) {
        Map<String, Object> wanted = new HashMap<>();
        wanted.put("people", people);
        wanted.put("each", each);
        wanted.put("stage", "DEAD");
        wanted.put("count", 2);
        wanted.put("target", 2.5);
        wanted.put("seed", 4);
        return wanted;
    }

    @Test
    void everyoneSitsAsOftenAsAskedAndNobodyTwiceAtOnce() {
        List<String> people = candidates();
        JsonNode plan =
                assessor.post("/api/class-plans/propose", wanted(people, 2)).json();
        Map<String, Integer> sittings = new HashMap<>();
        for (JsonNode session : plan.get("sessions")) {
            List<String> here = session.get("sittings")
                    .valueStream()
                    .map(s -> s.get("person").asString())
                    .toList();
            assertThat(here).doesNotHaveDuplicates();
            here.forEach(p -> sittings.merge(p, 1, Integer::sum));
            session.get("sittings")
                    .forEach(s -> assertThat(s.get("faults").size()).isEqualTo(2));
        }
        assertThat(sittings).hasSize(people.size());
        assertThat(sittings.values()).containsOnly(2);
        assertThat(plan.get("people").size()).isEqualTo(people.size());
    }

    @Test
    void sameRequestGivesTheSamePlan() {
        List<String> people = candidates().subList(0, 2);
        assertThat(assessor.post("/api/class-plans/propose", wanted(people, 1)).text())
                .isEqualTo(assessor.post("/api/class-plans/propose", wanted(people, 1))
                        .text());
    }

    @Test
    void keptSetsStandInTheLibraryOfTheirRig() {
        List<String> people = candidates().subList(0, 2);
        Map<String, Object> wanted = wanted(people, 1);
        JsonNode plan = assessor.post("/api/class-plans/propose", wanted).json();
        JsonNode kept = assessor.post("/api/class-plans/keep", Map.of("name", "Monday group", "plan", wanted))
                .json();
        List<String> names = new ArrayList<>();
        plan.get("sessions")
                .forEach(s -> s.get("sittings")
                        .forEach(x ->
                                names.add("Monday group, " + x.get("setName").asString())));
        assertThat(kept.get("names").valueStream().map(JsonNode::asString)).containsExactlyElementsOf(names);
    }

    @Test
    void whatCannotBePlannedIsRefusedWithTheFieldThatIsWrong() {
        List<String> people = candidates();
        assertThat(refusal(wanted(List.of(), 1))).contains("people");
        assertThat(refusal(wanted(people, 99))).contains("each");
        assertThat(refusal(wanted(List.of("ada"), 1))).contains("choose candidates only");
        assertThat(refusal(wanted(List.of("nobody-at-all"), 1))).contains("nobody-at-all");
        Map<String, Object> many = wanted(people, 1);
        many.put("count", 40);
        assertThat(refusal(many)).contains("count");
    }

    private String refusal(Map<String, Object> wanted) {
        var answer = assessor.post("/api/class-plans/propose", wanted);
        assertThat(answer.status()).isBetween(400, 499);
        return answer.text();
    }

    @Test
    void candidateIsToldNothing() {
        Browser candidate = Browser.of(mvc, "paul");
        assertThat(candidate.get("/api/class-plans").status()).isEqualTo(403);
        assertThat(candidate
                        .post("/api/class-plans/propose", wanted(List.of("paul"), 1))
                        .status())
                .isEqualTo(403);
    }
}
