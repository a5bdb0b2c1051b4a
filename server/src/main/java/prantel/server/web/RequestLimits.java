package prantel.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import prantel.server.PrantelSettings;

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
    private static final Duration LONGEST_UNKNOWN_READ = Duration.ofSeconds(3);
    /** Bodies of strangers that may be arriving, in all and from one address: each holds a thread of the web server. */
    private static final int ARRIVING_AT_ONCE = 120;

    private static final int ARRIVING_FROM_ONE = 60;
    private static final int MOST_WAITING = 60;
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    /** Room that is left for reading, for closing properly and for other programs. */
    private static final long LEAST_FREE = 64L * 1024 * 1024;

    private final FairTurns arriving = new FairTurns(ARRIVING_AT_ONCE, ARRIVING_FROM_ONE, MOST_WAITING);
    private final AtomicBoolean spaceUnknown = new AtomicBoolean();
    private final PrantelSettings settings;
    private final Answers answers;

    RequestLimits(PrantelSettings settings, Answers answers) {
        this.settings = settings;
        this.answers = answers;
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
        if (!isUnknown) {
            chain.doFilter(new Limited(request, largest, LONGEST_READ), response);
            return;
        }
        byte[] body = arrived(request, response, largest);
        if (body != null) {
            chain.doFilter(new Arrived(request, body), response);
        }
    }

    /**
     * A stranger's body, read before anything that is shared is taken for it: whoever sends it a byte at a time holds up
     * nobody who sends it at once. Null where it was refused.
     */
    private byte @Nullable [] arrived(HttpServletRequest request, HttpServletResponse response, long largest)
            throws IOException {
        String host = Networks.host(request.getRemoteAddr());
        if (!arriving.take(host, PATIENCE)) {
            refuse(response, HttpStatus.SERVICE_UNAVAILABLE, "busy", "too many at once; it is tried again by itself");
            return null;
        }
        try {
            return new Limited(request, largest, LONGEST_UNKNOWN_READ)
                    .getInputStream()
                    .readAllBytes();
        } catch (BodyException e) {
            refuse(response, HttpStatus.CONTENT_TOO_LARGE, "too-large", String.valueOf(e.getMessage()));
            return null;
        } catch (IOException e) {
            // it never came whole; whoever sent it may still be there
            refuse(response, HttpStatus.REQUEST_TIMEOUT, "too-slow", "it took too long to arrive; send it again");
            return null;
        } finally {
            arriving.giveBack(host);
        }
    }

    private boolean isFull() {
        try {
            return Files.getFileStore(settings.dataFolder()).getUsableSpace() < LEAST_FREE;
        } catch (IOException e) {
            // once: whoever sends requests must not fill the disk with it
            if (!spaceUnknown.getAndSet(true)) {
                LOG.warn("Free space of {} cannot be told: {}", settings.dataFolder(), e.getMessage());
            }
            return false;
        }
    }

    private void refuse(HttpServletResponse response, HttpStatus status, String code, String mend) throws IOException {
        // what was not read must not be read as the next request
        response.setHeader("Connection", "close");
        answers.refuse(response, status, code, mend);
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

    /** A request whose body has arrived. */
    private static final class Arrived extends HttpServletRequestWrapper {
        private final byte[] body;

        Arrived(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            return new InMemory(new ByteArrayInputStream(body));
        }
    }

    private static final class InMemory extends ServletInputStream {
        private final ByteArrayInputStream in;

        InMemory(ByteArrayInputStream in) {
            this.in = in;
        }

        @Override
        public int read() {
            return in.read();
        }

        @Override
        public int read(byte[] bytes, int from, int length) {
            return in.read(bytes, from, length);
        }

        @Override
        public boolean isFinished() {
            return in.available() == 0;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("It is all here already");
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
