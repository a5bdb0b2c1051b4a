package prantel.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.catalina.connector.ClientAbortException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.context.request.async.AsyncRequestTimeoutException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Every failure leaves as a list of problems; a stack trace never leaves at all. */
@RestControllerAdvice
class ApiErrors {
    private static final Logger LOG = LoggerFactory.getLogger(ApiErrors.class);

    /** The body of every answer that is not 2xx. */
    record Problems(List<Problem> problems) {}

    @ExceptionHandler
    ResponseEntity<Problems> refused(Refusal refusal) {
        return answer(refusal.status(), refusal.problems());
    }

    @ExceptionHandler
    ResponseEntity<Problems> wrongInput(ProblemsException e) {
        return answer(HttpStatus.BAD_REQUEST, e.problems());
    }

    @ExceptionHandler
    ResponseEntity<Problems> unreadable(HttpMessageNotReadableException e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof RequestLimits.BodyException body) {
                return problem(HttpStatus.CONTENT_TOO_LARGE, "too-large", String.valueOf(body.getMessage()));
            }
            if (cause instanceof DatabindException bind) {
                return answer(HttpStatus.BAD_REQUEST, List.of(field(bind)));
            }
            if (cause instanceof StreamReadException read && read.getLocation() != null) {
                return answer(
                        HttpStatus.BAD_REQUEST,
                        List.of(new Problem(
                                "not-json",
                                "line " + read.getLocation().getLineNr() + ", column "
                                        + read.getLocation().getColumnNr(),
                                "",
                                "this is not JSON; mend it there")));
            }
        }
        return problem(HttpStatus.BAD_REQUEST, "not-readable", "what was sent cannot be read: it is empty or not JSON");
    }

    /** Which field it is about, and what may stand there. */
    private static Problem field(DatabindException e) {
        String where = e.getPath().stream()
                .map(r -> r.getPropertyName() == null ? String.valueOf(r.getIndex()) : r.getPropertyName())
                .collect(Collectors.joining("/"));
        return switch (e) {
            case UnrecognizedPropertyException unknown ->
                new Problem(
                        "unknown-field", where, "", "there is no such field here; check its spelling or leave it out");
            case InvalidFormatException format
            when format.getTargetType() != null && format.getTargetType().isEnum() ->
                new Problem(
                        "unknown-choice",
                        where,
                        Check.quoted(String.valueOf(format.getValue())),
                        "give one of "
                                + Arrays.stream(format.getTargetType().getEnumConstants())
                                        .map(String::valueOf)
                                        .collect(Collectors.joining(", ")));
            case MismatchedInputException mismatch ->
                new Problem("wrong-type", where, "", "give " + words(mismatch.getTargetType()));
            default -> new Problem("not-readable", where, "", "this field cannot be read; mend it");
        };
    }

    private static String words(@Nullable Class<?> type) {
        if (type == null) {
            return "another value";
        }
        if (type == boolean.class || type == Boolean.class) {
            return "true or false";
        }
        if (type == int.class || type == Integer.class || type == long.class || type == Long.class) {
            return "a whole number";
        }
        if (type == double.class || type == Double.class) {
            return "a number";
        }
        if (type.isEnum()) {
            return "one of "
                    + Arrays.stream(type.getEnumConstants())
                            .map(String::valueOf)
                            .collect(Collectors.joining(", "));
        }
        if (Collection.class.isAssignableFrom(type)) {
            return "a list in [ ]";
        }
        return type == String.class ? "text in quotes" : "a group of fields in { }";
    }

    @ExceptionHandler
    ResponseEntity<Problems> parameterMissing(MissingServletRequestParameterException e) {
        return problem(HttpStatus.BAD_REQUEST, "missing", "give \"" + e.getParameterName() + "\" in the address");
    }

    @ExceptionHandler
    ResponseEntity<Problems> parameterOfAnotherKind(MethodArgumentTypeMismatchException e) {
        return problem(
                HttpStatus.BAD_REQUEST,
                "not-readable",
                "\"" + e.getName() + "\" in the address cannot be read; mend it");
    }

    @ExceptionHandler({
        HttpMediaTypeNotSupportedException.class,
        MissingServletRequestPartException.class,
        MultipartException.class
    })
    ResponseEntity<Problems> sentOtherwise(Exception e) {
        return problem(HttpStatus.BAD_REQUEST, "not-readable", "what was sent is not of the kind this address takes");
    }

    @ExceptionHandler
    ResponseEntity<Problems> askedForAnotherKind(HttpMediaTypeNotAcceptableException e) {
        return problem(
                HttpStatus.NOT_ACCEPTABLE,
                "not-acceptable",
                "this address does not answer in the kind that was asked for; ask for application/json, or leave it open");
    }

    /** Nobody listens any more: a page was closed, a tablet went to sleep. It is no failure, and no answer reaches anybody. */
    @ExceptionHandler({
        AsyncRequestNotUsableException.class,
        ClientAbortException.class,
        AsyncRequestTimeoutException.class
    })
    void gone(Exception e) {
        LOG.debug("Whoever asked is gone: {}", e.getMessage());
    }

    /** The same where the line broke under an answer that had begun; before that it is a failure of ours. */
    @ExceptionHandler
    @Nullable
    ResponseEntity<Problems> lineBroke(IOException e, HttpServletResponse response) {
        if (response.isCommitted()) {
            gone(e);
            return null;
        }
        return unexpected(e);
    }

    /** Read by Spring Security's own filters, further out. */
    @ExceptionHandler
    void notAllowed(AccessDeniedException e) {
        throw e;
    }

    /** Two wrote the same at the same moment; nothing of the second was kept. */
    @ExceptionHandler({ConcurrencyFailureException.class, DuplicateKeyException.class})
    ResponseEntity<Problems> atTheSameMoment(Exception e) {
        return problem(
                HttpStatus.CONFLICT,
                "changed-meanwhile",
                "somebody else wrote the same at this moment; look at it again, then write again");
    }

    @ExceptionHandler
    ResponseEntity<Problems> tooLarge(MaxUploadSizeExceededException e) {
        return problem(HttpStatus.CONTENT_TOO_LARGE, "too-large", "give a file of at most 2 MB");
    }

    @ExceptionHandler({NoResourceFoundException.class, HttpRequestMethodNotSupportedException.class})
    ResponseEntity<Problems> nowhere(Exception e) {
        return problem(HttpStatus.NOT_FOUND, "not-found", "there is nothing at this address");
    }

    @ExceptionHandler
    ResponseEntity<Problems> unexpected(Exception e) {
        LOG.error("Unexpected failure", e);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "something went wrong on the server; nothing was changed. Try again, and tell the technician if it stays");
    }

    private static ResponseEntity<Problems> problem(HttpStatus status, String code, String mend) {
        return answer(status, List.of(new Problem(code, "", "", mend)));
    }

    /** As JSON, whatever the caller would rather have: a problem in another form is none that anybody reads. */
    private static ResponseEntity<Problems> answer(HttpStatus status, List<Problem> problems) {
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_JSON)
                .body(new Problems(problems));
    }
}
