package prantel.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import prantel.core.quantity.Problem;
import tools.jackson.databind.json.JsonMapper;

/** Refusals of filters, before any controller is reached, as the same list of problems that controllers answer with. */
@Component
public class Answers {
    private final JsonMapper json;

    Answers(JsonMapper json) {
        this.json = json;
    }

    public void refuse(HttpServletResponse response, HttpStatus status, String code, String mend) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        List<Problem> problems = List.of(new Problem(code, "", "", mend));
        response.getOutputStream().write(json.writeValueAsBytes(Map.of("problems", problems)));
    }
}
