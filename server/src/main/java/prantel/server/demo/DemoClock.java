package prantel.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** The clock of the demo: it stands in the past while the past is played, and goes with the world's from then on. */
@Component
@Primary
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
public class DemoClock extends Clock {
    private final Clock real = Clock.systemDefaultZone();
    private final AtomicReference<@Nullable Instant> stands = new AtomicReference<>();

    /** It stands there until it is told otherwise. */
    public void standAt(Instant then) {
        stands.set(then);
    }

    /** It goes with the world's clock. */
    public void goOn() {
        stands.set(null);
    }

    @Override
    public Instant instant() {
        Instant then = stands.get();
        return then == null ? real.instant() : then;
    }

    @Override
    public ZoneId getZone() {
        return real.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return real.withZone(zone);
    }
}
