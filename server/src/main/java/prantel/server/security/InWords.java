package prantel.server.security;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import prantel.core.quantity.Problem;
import tools.jackson.databind.json.JsonMapper;

/** Refusals before any controller is reached, as the same list of problems that controllers answer with. */
@Component
class InWords {
    private final JsonMapper json;

    InWords(JsonMapper json) {
        this.json = json;
    }

    void signedOut(HttpServletResponse response) throws IOException {
        answer(response, HttpStatus.UNAUTHORIZED, "you are signed out; sign in again, nothing you wrote is lost");
    }

    void notYours(HttpServletResponse response) throws IOException {
        answer(response, HttpStatus.FORBIDDEN, "this is not yours to do; reload the page if you think it is");
    }

    private void answer(HttpServletResponse response, HttpStatus status, String mend) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        List<Problem> problems = List.of(new Problem("http-" + status.value(), "", "", mend));
        response.getOutputStream().write(json.writeValueAsBytes(Map.of("problems", problems)));
    }
}
