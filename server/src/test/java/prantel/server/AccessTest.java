package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import prantel.server.account.Role;
import prantel.server.security.AccessTable;

/** The one table of who may call what: printed for people, and held against every route by really calling it. */
@TestServer
class AccessTest {
    private static final Path PAGE = Path.of("../docs/access.md");

    @Autowired
    private MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private record Route(String method, String path) implements Comparable<Route> {
        @Override
        public int compareTo(Route other) {
            return (path + method).compareTo(other.path + other.method);
        }
    }

    private TreeSet<Route> routes() {
        TreeSet<Route> routes = new TreeSet<>();
        for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
            for (String path : info.getPatternValues()) {
                if (path.startsWith("/api/")) {
                    info.getMethodsCondition().getMethods().forEach(m -> routes.add(new Route(m.name(), path)));
                }
            }
        }
        return routes;
    }

    private static AccessTable.Line line(Route route) {
        MockHttpServletRequest request = new MockHttpServletRequest(route.method(), filled(route));
        request.setServletPath("");
        request.setRequestURI(filled(route));
        return AccessTable.of(request);
    }

    private static String filled(Route route) {
        return route.path().replaceAll("\\{[a-zA-Z]+}", "nobodys-1");
    }

    @Test
    void thePageSaysWhatTheTableSays() throws Exception {
        StringBuilder page = new StringBuilder("""
                # Who may call what

                Made by `AccessTest` from the table in `server/.../security/Access.java` and the routes that the server has
                (`-Dprantel.access.update=true` writes it anew). Whose record it is, the services decide for each call: a
                candidate sees own sheets only, a tablet that was let in with a code one of them. ● may, · may not.

                | Route | nobody |""");
        for (Role role : Role.values()) {
            page.append(' ')
                    .append(role.name().toLowerCase(java.util.Locale.ROOT))
                    .append(" |");
        }
        page.append("\n| --- | --- |")
                .append(" --- |".repeat(Role.values().length))
                .append('\n');
        for (Route route : routes()) {
            AccessTable.Line line = line(route);
            page.append("| ")
                    .append(route.method())
                    .append(" `")
                    .append(route.path())
                    .append("` | ");
            page.append(line.open() ? "●" : "·").append(" |");
            for (Role role : Role.values()) {
                page.append(line.open() || line.allows(role) ? " ● |" : " · |");
            }
            page.append('\n');
        }
        if (Boolean.getBoolean("prantel.access.update")) {
            Files.writeString(PAGE, page);
        }
        assertThat(Files.readString(PAGE)).isEqualTo(page.toString());
    }

    /** A role that may is refused for another reason or not at all; one that may not is told so, whatever is asked. */
    @Test
    void everyRouteKeepsToIt() {
        Browser administrator = Browser.of(mvc, "lea");
        Map<Role, Browser> people = new EnumMap<>(Role.class);
        for (Role role : Role.values()) {
            String id = "only-" + role.name().toLowerCase(java.util.Locale.ROOT);
            administrator.post(
                    "/api/workshop/people",
                    Map.of(
                            "signInName",
                            id,
                            "name",
                            "Only " + role,
                            "roles",
                            List.of(role),
                            "password",
                            "long-enough-1"));
            people.put(role, Browser.of(mvc, id, "long-enough-1"));
        }
        List<String> wrong = new ArrayList<>();
        int refused = 0;
        for (Route route : routes()) {
            if (route.path().equals("/api/session")) {
                continue;
            }
            AccessTable.Line line = line(route);
            int nobody = call(new Browser(mvc), route);
            boolean shut = nobody == 401;
            if (shut == line.open()) {
                wrong.add("nobody " + route + " → " + nobody);
            }
            for (Role role : Role.values()) {
                int status = call(people.get(role), route);
                boolean may = line.open() || line.allows(role);
                if ((status == 403) == may && !route.path().equals("/api/pairing")) {
                    wrong.add(role + " " + route + " → " + status);
                }
                refused += status == 403 ? 1 : 0;
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(refused).isGreaterThan(150);
    }

    private static int call(Browser browser, Route route) {
        return switch (route.method()) {
            case "GET" -> browser.get(filled(route)).status();
            case "POST" -> browser.post(filled(route), Map.of()).status();
            case "PUT" -> browser.put(filled(route), Map.of()).status();
            case "DELETE" -> browser.delete(filled(route)).status();
            default -> throw new AssertionError("no test for " + route);
        };
    }

    @Test
    void nobodyWhoIsAssessedSeesWhatAssessorsSee() {
        for (Route route : routes()) {
            AccessTable.Line line = line(route);
            boolean forCandidates = line.open() || line.allows(Role.CANDIDATE);
            boolean harmless = Arrays.asList(
                            "/api/my/", "/api/me/", "/api/reference", "/api/session", "/api/demo/", "/api/practice")
                    .stream()
                    .anyMatch(route.path()::startsWith);
            assertThat(!forCandidates
                            || harmless
                            || List.of("/api/set-up", "/api/invitations", "/api/pairing")
                                    .contains(route.path()))
                    .as(route.toString())
                    .isTrue();
            if (route.path().contains("marking") || route.path().contains("/compare")) {
                assertThat(line.allows(Role.TECHNICIAN)).as(route.toString()).isFalse();
                assertThat(line.allows(Role.ADMINISTRATOR)).as(route.toString()).isFalse();
            }
        }
    }
}
