package prantel.server.web;

import java.util.List;
import org.springframework.http.HttpStatus;
import prantel.core.quantity.Problem;

/** A call that is refused, with the status and the problem to show. */
public final class Refusal extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<Problem> problems;

    public Refusal(HttpStatus status, Problem problem) {
        super(problem.toString());
        this.status = status;
        this.problems = List.of(problem);
    }

    /** The thing asked for is not here, or not this person's to see: the two are not told apart. */
    public static Refusal notFound(String what) {
        return new Refusal(
                HttpStatus.NOT_FOUND, new Problem("not-found", "", "", "there is no such " + what + " for you"));
    }

    /** It cannot be done as things stand. */
    public static Refusal conflict(String code, String mend) {
        return new Refusal(HttpStatus.CONFLICT, new Problem(code, "", "", mend));
    }

    public static Refusal tooMany(String mend) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, new Problem("too-many", "", "", mend));
    }

    HttpStatus status() {
        return status;
    }

    List<Problem> problems() {
        return problems;
    }
}
