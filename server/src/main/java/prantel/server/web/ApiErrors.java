package prantel.server.web;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** Every failure leaves as a list of problems; a stack trace never leaves at all. */
@RestControllerAdvice
class ApiErrors {
    private static final Logger LOG = LoggerFactory.getLogger(ApiErrors.class);

    /** The body of every answer that is not 2xx. */
    record Problems(List<Problem> problems) {}

    @ExceptionHandler
    ResponseEntity<Problems> refused(Refusal refusal) {
        return ResponseEntity.status(refusal.status()).body(new Problems(refusal.problems()));
    }

    @ExceptionHandler
    ResponseEntity<Problems> wrongInput(ProblemsException e) {
        return ResponseEntity.badRequest().body(new Problems(e.problems()));
    }

    @ExceptionHandler
    ResponseEntity<Problems> unreadable(HttpMessageNotReadableException e) {
        return problem(
                HttpStatus.BAD_REQUEST, "not-readable", "what was sent cannot be read; reload the page and try again");
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
        return ResponseEntity.status(status).body(new Problems(List.of(new Problem(code, "", "", mend))));
    }
}
