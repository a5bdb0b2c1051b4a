package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Authorisation of every route that the server has, found by asking the server itself: a new one is refused to candidates
 * until it is named here on purpose.
 */
@TestServer
class EveryRouteTest {
    /** What a candidate may call. Each of them answers about this candidate alone, or about no rig at all. */
    private static final Set<String> FOR_CANDIDATES = Set.of(
            "DELETE /api/session",
            "GET /api/session",
            "POST /api/session",
            "GET /api/demo/sign-ins",
            "POST /api/set-up",
            "POST /api/invitations",
            "POST /api/pairing",
            "GET /api/me/sign-ins",
            "DELETE /api/me/sign-ins",
            "POST /api/me/password",
            "GET /api/reference",
            "GET /api/reference/glossary",
            "POST /api/reference/{id}",
            "GET /api/my/sheets",
            "GET /api/my/sheets/{id}",
            "GET /api/my/sheets/{id}/standing",
            "GET /api/my/sheets/{id}/ranges",
            "GET /api/my/sheets/{id}/box",
            "PUT /api/my/sheets/{id}/ticks",
            "POST /api/my/sheets/{id}/take",
            "PUT /api/my/sheets/{id}/expected",
            "PUT /api/my/sheets/{id}/readings",
            "PUT /api/my/sheets/{id}/judgements",
            "PUT /api/my/sheets/{id}/fault-reports",
            "POST /api/my/sheets/{id}/hand-in",
            "GET /api/my/sheets/{id}/feedback",
            "GET /api/my/sheets/{id}/feedback/pdf");
    /** Before anybody signed in. */
    private static final Set<String> FOR_ANYBODY = Set.of(
            "GET /api/session",
            "POST /api/session",
            "DELETE /api/session",
            "GET /api/demo/sign-ins",
            "POST /api/invitations",
            "POST /api/pairing",
            "POST /api/set-up");

    @Autowired
    private MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private Browser assessor;
    private String assessment;

    private record Route(String method, String path) {
        @Override
        public String toString() {
            return method + " " + path;
        }
    }

    @BeforeEach
    void prepareSomebodyElsesAssessment() {
        assessor = Browser.of(mvc, "ada");
        if (assessment == null) {
            Browser.Answer made = assessor.post(
                    "/api/assessments",
                    Map.of("bayId", "bay-2", "candidateId", "mona", "testerId", "t1", "schemeId", "workshop"));
            assessment = made.status() == 200
                    ? made.json().get("id").asString()
                    : assessor.get("/api/floor")
                            .json()
                            .get("bays")
                            .valueStream()
                            .filter(b -> b.get("id").asString().equals("bay-2"))
                            .map(b -> b.get("assessmentId").asString())
                            .findFirst()
                            .orElseThrow();
        }
    }

    private List<Route> routes() {
        List<Route> routes = new ArrayList<>();
        for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
            for (String path : info.getPatternValues()) {
                if (path.startsWith("/api/")) {
                    info.getMethodsCondition().getMethods().forEach(m -> routes.add(new Route(m.name(), path)));
                }
            }
        }
        return routes;
    }

    /** The route on things that are really there, so that a refusal is one of the role and not of the place. */
    private Browser.Answer call(Browser browser, Route route) {
        String path = route.path()
                .replace("/api/rigs/{id}", "/api/rigs/cottage")
                .replace("{bay}", "bay-5")
                .replace("{bayId}", "bay-2")
                .replace("{version}", "1")
                .replaceAll("\\{[a-zA-Z]+}", assessment);
        return switch (route.method()) {
            case "GET" -> browser.get(path);
            case "POST" -> browser.post(path, Map.of());
            case "PUT" -> browser.put(path, Map.of());
            case "DELETE" -> browser.delete(path);
            default -> throw new AssertionError("no test for " + route);
        };
    }

    @Test
    void routesAreFound() {
        assertThat(routes()).hasSizeGreaterThan(50);
    }

    @Test
    void nobodyGetsAnythingBeforeSigningIn() {
        Set<String> open = new TreeSet<>();
        for (Route route : routes()) {
            int status = call(new Browser(mvc), route).status();
            if (status != 401 && status != 403 && !FOR_ANYBODY.contains(route.toString())) {
                open.add(route + " → " + status);
            }
        }
        assertThat(open).isEmpty();
    }

    @Test
    void candidateIsRefusedEverythingButHisOwnSheets() {
        Browser candidate = Browser.of(mvc, "olga");
        Set<String> open = new TreeSet<>();
        for (Route route : routes()) {
            // practice is everybody's own: PracticeFlowTest asks whose
            if (FOR_CANDIDATES.contains(route.toString()) || route.path().startsWith("/api/practice")) {
                continue;
            }
            int status = call(candidate, route).status();
            if (status != 403) {
                open.add(route + " → " + status);
            }
        }
        assertThat(open).isEmpty();
    }

    @Test
    void anotherCandidatesSheetIsAsGoodAsNotThere() {
        Browser candidate = Browser.of(mvc, "olga");
        for (Route route : routes()) {
            if (route.path().startsWith("/api/my/") && route.path().contains("{")) {
                Browser.Answer answer = call(candidate, route);
                assertThat(answer.status()).as(route.toString()).isBetween(400, 404);
                assertThat(answer.text()).as(route.toString()).doesNotContain("Mona");
            }
        }
    }

    /** A call without what it needs is refused with a sentence, never with a failure of the server. */
    @Test
    void emptyCallsAreRefusedInWords() {
        Browser administrator = Browser.of(mvc, "lea");
        Set<String> bad = new TreeSet<>();
        for (Route route : routes()) {
            if (route.method().equals("DELETE") || route.path().equals("/api/session")) {
                continue;
            }
            Browser.Answer answer = call(administrator, route);
            if (answer.status() >= 500 || answer.text().contains("Exception")) {
                bad.add(route + " → " + answer.status());
            }
            if (answer.status() >= 400 && !answer.text().contains("\"problems\"")) {
                bad.add(route + " says nothing: " + answer.text());
            }
        }
        assertThat(bad).isEmpty();
    }

    @Test
    void missingFieldsAreNamedWithTheirPlace() {
        Browser.Answer answer = assessor.post("/api/assessments", Map.of("bayId", "bay-1"));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text())
                .contains("\"candidateId\"")
                .contains("\"testerId\"")
                .contains("fill it in");
    }
}
