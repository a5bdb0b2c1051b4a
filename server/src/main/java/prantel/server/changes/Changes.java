package prantel.server.changes;

import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import prantel.server.account.Accounts;
import prantel.server.web.Refusal;

/**
 * Says that something changed, and where; what it is, a screen asks for, and is answered by who it is. A stream ends by
 * itself after a while and is opened again, so that somebody who signed out hears nothing for long.
 */
@Service
public class Changes implements SmartLifecycle {
    private static final Duration LASTS = Duration.ofMinutes(2);
    private static final int MOST = 500;
    /** Tabs and devices of one person; more of them ask by themselves. */
    private static final int MOST_OF_ONE = 4;

    private volatile boolean running;
    /** Streams and whose they are. */
    private final Map<SseEmitter, Whose> open = new ConcurrentHashMap<>();

    private final Accounts accounts;
    /** One after the other, and away from who wrote: a slow tablet holds up nobody. */
    private final ExecutorService sending = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().name("changes").daemon().factory());

    /** @param generation of the account when it was opened: whatever ends sessions ends streams */
    private record Whose(String id, int generation) {}

    /** @param assessmentId what changed @param seq number of its last event */
    public record Changed(String assessmentId, int seq) {}

    Changes(Accounts accounts) {
        this.accounts = accounts;
    }

    /** @throws Refusal if there are as many as there may be: the page asks by itself instead */
    SseEmitter open(String who) {
        SseEmitter emitter = new SseEmitter(LASTS.toMillis());
        synchronized (this) {
            long theirs = open.values().stream().filter(w -> w.id().equals(who)).count();
            if (open.size() >= MOST || theirs >= MOST_OF_ONE || !running) {
                throw Refusal.tooMany("this page asks by itself what changed");
            }
            open.put(emitter, new Whose(who, accounts.get(who).generation()));
        }
        emitter.onCompletion(() -> open.remove(emitter));
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> open.remove(emitter));
        send(emitter, SseEmitter.event().name("open").data("").reconnectTime(1500));
        return emitter;
    }

    public void say(Changed changed) {
        if (running && !open.isEmpty()) {
            sending.execute(() -> open.keySet()
                    .forEach(e -> send(e, SseEmitter.event().name("changed").data(changed))));
        }
    }

    /** Who went away without a word is noticed by it, and who may hear nothing any more hears nothing. */
    @Scheduled(fixedDelay = 5_000)
    void beat() {
        if (running) {
            sending.execute(() -> open.forEach((emitter, who) -> {
                if (accounts.find(who.id())
                        .filter(a -> a.isActive() && a.generation() == who.generation())
                        .isPresent()) {
                    send(emitter, SseEmitter.event().comment("still here"));
                } else {
                    emitter.complete();
                }
            }));
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
        open.keySet().forEach(SseEmitter::complete);
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
