package prantel.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.quantity.Problem;
import prantel.server.web.ApiErrors.Problems;

/** What fails outside every controller is a list of problems as well: never a page of the server's own, never its name. */
@Hidden
@RestController
class ProblemPages implements ErrorController {
    @RequestMapping("/error")
    ResponseEntity<Problems> problem(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        // asked for by its own address it is a page like any other that is not there
        HttpStatus status = code instanceof Integer number ? known(number) : HttpStatus.NOT_FOUND;
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_JSON)
                .body(new Problems(List.of(of(status))));
    }

    private static HttpStatus known(int code) {
        @Nullable HttpStatus status = HttpStatus.resolve(code);
        return status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status;
    }

    private static Problem of(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> new Problem("not-found", "", "", "there is nothing at this address");
            case CONTENT_TOO_LARGE -> new Problem("too-large", "", "", "what was sent is too large");
            default ->
                status.is4xxClientError()
                        ? new Problem("not-readable", "", "", "what was sent cannot be read")
                        : new Problem("unexpected", "", "", "something went wrong on the server; nothing was changed");
        };
    }

    /** What the web server itself refuses, before it is a request. */
    public static final class Plain extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, @Nullable Throwable failure) {
            if (response.getStatus() < HttpStatus.BAD_REQUEST.value()
                    || response.getContentWritten() > 0
                    || !response.setErrorReported()) {
                return;
            }
            HttpStatus status = known(response.getStatus());
            try {
                response.setContentType(MediaType.APPLICATION_JSON_VALUE);
                Problem problem = of(status);
                byte[] body = ("{\"problems\":[{\"code\":\"" + problem.code()
                                + "\",\"where\":\"\",\"given\":\"\",\"mend\":\"" + problem.mend() + "\"}]}")
                        .getBytes(StandardCharsets.UTF_8);
                response.getOutputStream().write(body);
                response.finishResponse();
            } catch (IOException e) {
                // whoever asked is gone
                response.setError();
            }
        }
    }

    @Component
    static class UsePlain implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(context -> {
                if (context.getParent() instanceof StandardHost host) {
                    host.setErrorReportValveClass(Plain.class.getName());
                }
            });
        }
    }
}
