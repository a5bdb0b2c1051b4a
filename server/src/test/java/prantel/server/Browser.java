package prantel.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One person's browser: signs in and keeps the session. */
final class Browser {
    private static final JsonMapper JSON = new JsonMapper();

    private final MockMvc mvc;
    private MockHttpSession session = new MockHttpSession();

    Browser(MockMvc mvc) {
        this.mvc = mvc;
    }

    static Browser of(MockMvc mvc, String id, String password) {
        Browser browser = new Browser(mvc);
        Answer answer = browser.post("/api/session", Map.of("id", id, "password", password));
        if (answer.status() != 200) {
            throw new AssertionError(id + " could not sign in: " + answer.text());
        }
        return browser;
    }

    /** A person of {@link TestWorkshop}, signed in. */
    static Browser of(MockMvc mvc, String id) {
        return of(mvc, id, TestWorkshop.password(id));
    }

    Answer get(String path) {
        return call(HttpMethod.GET, path, null);
    }

    Answer post(String path, Object body) {
        return call(HttpMethod.POST, path, body);
    }

    Answer put(String path, Object body) {
        return call(HttpMethod.PUT, path, body);
    }

    Answer delete(String path) {
        return call(HttpMethod.DELETE, path, null);
    }

    private Answer call(HttpMethod method, String path, Object body) {
        try {
            var request = request(method, path).session(session).with(csrf());
            if (body != null) {
                request.contentType(MediaType.APPLICATION_JSON)
                        .content(body instanceof String text ? text : JSON.writeValueAsString(body));
            }
            var result = mvc.perform(request).andReturn();
            session = (MockHttpSession) result.getRequest().getSession();
            MockHttpServletResponse response = result.getResponse();
            if (response.getStatus() >= 500 && result.getResolvedException() != null) {
                throw new AssertionError(method + " " + path + " failed", result.getResolvedException());
            }
            return new Answer(
                    response.getStatus(),
                    response.getContentAsString(StandardCharsets.UTF_8),
                    response.getContentAsByteArray());
        } catch (Exception e) {
            throw new AssertionError(method + " " + path, e);
        }
    }

    static String event() {
        return UUID.randomUUID().toString();
    }

    record Answer(int status, String text, byte[] bytes) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Answer a && a.status == status && a.text.equals(text);
        }

        @Override
        public int hashCode() {
            return 31 * status + text.hashCode();
        }

        JsonNode json() {
            return JSON.readTree(text);
        }
    }
}
