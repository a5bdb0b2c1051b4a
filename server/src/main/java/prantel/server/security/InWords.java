package prantel.server.security;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import prantel.server.web.Answers;

/** What is refused for who asks. */
@Component
class InWords {
    private final Answers answers;

    InWords(Answers answers) {
        this.answers = answers;
    }

    void signedOut(HttpServletResponse response) throws IOException {
        answers.refuse(
                response,
                HttpStatus.UNAUTHORIZED,
                "http-401",
                "you are signed out; sign in again, nothing you wrote is lost");
    }

    void notYours(HttpServletResponse response) throws IOException {
        answers.refuse(
                response,
                HttpStatus.FORBIDDEN,
                "http-403",
                "this is not yours to do; reload the page if you think it is");
    }
}
