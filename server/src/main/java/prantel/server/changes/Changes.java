package prantel.server.changes;

import java.io.IOException;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Says that something changed, and where; what it is, a screen asks for, and is answered by who it is. A stream ends by
 * itself after a while and is opened again, so that somebody who signed out hears nothing for long.
 */
@Service
public class Changes implements SmartLifecycle {
    private static final Duration LASTS = Duration.ofMinutes(2);
    private static final int MOST = 500;

    private volatile boolean running;
    private final Set<SseEmitter> open = ConcurrentHashMap.newKeySet();
    /** One after the other, and away from who wrote: a slow tablet holds up nobody. */
    private final ExecutorService sending = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().name("changes").daemon().factory());

    /** @param assessmentId what changed @param seq number of its last event */
    public record Changed(String assessmentId, int seq) {}

    SseEmitter open() {
        SseEmitter emitter = new SseEmitter(LASTS.toMillis());
        if (open.size() >= MOST || !running) {
            emitter.complete();
            return emitter;
        }
        open.add(emitter);
        emitter.onCompletion(() -> open.remove(emitter));
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> open.remove(emitter));
        send(emitter, SseEmitter.event().name("open").data("").reconnectTime(1500));
        return emitter;
    }

    public void say(Changed changed) {
        if (running && !open.isEmpty()) {
            sending.execute(() ->
                    open.forEach(e -> send(e, SseEmitter.event().name("changed").data(changed))));
        }
    }

    /** Who went away without a word is noticed by it. */
    @Scheduled(fixedDelay = 15_000)
    void beat() {
        if (running) {
            sending.execute(() -> open.forEach(e -> send(e, SseEmitter.event().comment("still here"))));
        }
    }

    private void send(SseEmitter to, SseEmitter.SseEventBuilder event) {
        try {
            to.send(event);
        } catch (IOException | IllegalStateException e) {
            open.remove(to);
        }
    }

    @Override
    public void start() {
        running = true;
    }

    /** Before the web server: it waits for what is under way, and a stream would stay open. */
    @Override
    public void stop() {
        running = false;
        open.forEach(SseEmitter::complete);
        sending.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
