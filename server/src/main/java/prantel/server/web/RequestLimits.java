package prantel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import prantel.core.quantity.Problem;
import prantel.server.PrantelSettings;
import tools.jackson.databind.json.JsonMapper;

/**
 * Before anything else looks at a request: how large a body may be, how long it may take to arrive, how many may be under
 * way from people who are not signed in; and no write once the disk is nearly full, while reading goes on.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestLimits extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(RequestLimits.class);
    /** A rig file may have 2 MB; its form adds a little. */
    private static final long LARGEST_BODY = 3L * 1024 * 1024;

    private static final long LARGEST_UNKNOWN_BODY = 16L * 1024;
    private static final Duration LONGEST_READ = Duration.ofSeconds(20);
    private static final Duration LONGEST_UNKNOWN_READ = Duration.ofSeconds(6);
    private static final int UNKNOWN_AT_ONCE = 40;
    /** Room that is left for reading, for closing properly and for other programs. */
    private static final long LEAST_FREE = 64L * 1024 * 1024;

    private final Semaphore unknown = new Semaphore(UNKNOWN_AT_ONCE);
    private final PrantelSettings settings;
    private final JsonMapper json;

    RequestLimits(PrantelSettings settings, JsonMapper json) {
        this.settings = settings;
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean writes = !List.of("GET", "HEAD", "OPTIONS").contains(request.getMethod());
        if (!writes) {
            chain.doFilter(request, response);
            return;
        }
        boolean isUnknown = request.getSession(false) == null;
        long largest = isUnknown ? LARGEST_UNKNOWN_BODY : LARGEST_BODY;
        if (request.getContentLengthLong() > largest) {
            refuse(response, HttpStatus.CONTENT_TOO_LARGE, "too-large", "send at most " + largest / 1024 + " KB");
            return;
        }
        if (isFull() && !request.getRequestURI().equals("/api/session")) {
            refuse(
                    response,
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "disk-full",
                    "the server's disk is full: nothing more is kept until there is room. What is on screen stays; tell"
                            + " the technician");
            return;
        }
        if (isUnknown && !unknown.tryAcquire()) {
            refuse(response, HttpStatus.SERVICE_UNAVAILABLE, "busy", "too many at once; try again in a moment");
            return;
        }
        try {
            chain.doFilter(new Limited(request, largest, isUnknown ? LONGEST_UNKNOWN_READ : LONGEST_READ), response);
        } finally {
            if (isUnknown) {
                unknown.release();
            }
        }
    }

    private boolean isFull() {
        try {
            return Files.getFileStore(settings.dataFolder()).getUsableSpace() < LEAST_FREE;
        } catch (IOException e) {
            LOG.warn("Free space of {} cannot be told: {}", settings.dataFolder(), e.getMessage());
            return false;
        }
    }

    private void refuse(HttpServletResponse response, HttpStatus status, String code, String mend) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        // what was not read must not be read as the next request
        response.setHeader("Connection", "close");
        response.getOutputStream()
                .write(json.writeValueAsBytes(Map.of("problems", List.of(new Problem(code, "", "", mend)))));
    }

    /** A body that is too large or comes too slowly. */
    static final class BodyException extends IOException {
        private static final long serialVersionUID = 1L;

        BodyException(String message) {
            super(message);
        }
    }

    private static final class Limited extends HttpServletRequestWrapper {
        private final long largest;
        private final long until;

        Limited(HttpServletRequest request, long largest, Duration longest) {
            super(request);
            this.largest = largest;
            this.until = System.nanoTime() + longest.toNanos();
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Counting(super.getInputStream(), largest, until);
        }
    }

    private static final class Counting extends ServletInputStream {
        private final ServletInputStream in;
        private final long largest;
        private final long until;
        private long read;

        Counting(ServletInputStream in, long largest, long until) {
            this.in = in;
            this.largest = largest;
            this.until = until;
        }

        private int counted(int bytes) throws IOException {
            read += Math.max(0, bytes);
            if (read > largest) {
                throw new BodyException("send at most " + largest / 1024 + " KB");
            }
            if (bytes > 0 && System.nanoTime() > until) {
                throw new BodyException("it took too long to arrive; send it again");
            }
            return bytes;
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            counted(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            return counted(in.read(bytes, from, length));
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
