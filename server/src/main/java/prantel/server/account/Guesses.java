package prantel.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.function.LongSupplier;
import java.util.function.Predicate;

/**
 * Wrong passwords, counted for each name as tried from one address: who guesses locks out nobody but themselves. A guess is
 * counted before it is looked at, so that many at once pass no more than one after the other. By a clock that only goes
 * forward, whatever the wall clock does; unknown names are counted like known ones.
 */
final class Guesses {
    static final int MOST = 5;
    static final Duration LOCKED_FOR = Duration.ofMinutes(5);
    private static final int MOST_HELD = 20_000;

    private final LongSupplier nanos;
    private final Predicate<String> isKnown;
    private final Cache<Of, Count> ofKnown = counts();
    /** Apart, so that thousands of invented names push no real one out. */
    private final Cache<Of, Count> ofOthers = counts();

    private static Cache<Of, Count> counts() {
        return Caffeine.newBuilder()
                .maximumSize(MOST_HELD)
                .expireAfterAccess(LOCKED_FOR.multipliedBy(2))
                .build();
    }

    /**
     * @param nanos a clock that only goes forward
     * @param isKnown whether there is such a name
     */
    Guesses(LongSupplier nanos, Predicate<String> isKnown) {
        this.nanos = nanos;
        this.isKnown = isKnown;
    }

    private Cache<Of, Count> counts(String name) {
        return isKnown.test(name) ? ofKnown : ofOthers;
    }

    private record Of(String name, String address) {}

    private static final class Count {
        private int wrong;
        private long until;
        private boolean locked;
    }

    /** Takes one try. @return how long there is none; zero if this one may be made */
    Duration take(String name, String address) {
        Count count = counts(name).get(new Of(name, address), k -> new Count());
        synchronized (count) {
            if (count.locked) {
                long left = count.until - nanos.getAsLong();
                if (left > 0) {
                    return Duration.ofNanos(left);
                }
                count.locked = false;
                count.wrong = 0;
            }
            count.wrong++;
            if (count.wrong >= MOST) {
                count.locked = true;
                count.until = nanos.getAsLong() + LOCKED_FOR.toNanos();
            }
            return Duration.ZERO;
        }
    }

    /** A try that was taken was not made: too many people sign in at this moment, and nobody is locked out for that. */
    void giveBack(String name, String address) {
        Count count = counts(name).getIfPresent(new Of(name, address));
        if (count != null) {
            synchronized (count) {
                count.wrong = Math.max(0, count.wrong - 1);
                count.locked = false;
            }
        }
    }

    /** Whether somebody is locked out of a name at this moment, from anywhere. */
    boolean isLocked(String name) {
        return ofKnown.asMap().entrySet().stream()
                .filter(e -> e.getKey().name().equals(name))
                .anyMatch(e -> {
                    synchronized (e.getValue()) {
                        return e.getValue().locked && e.getValue().until > nanos.getAsLong();
                    }
                });
    }

    /** Everybody may try a name again. */
    void forget(String name) {
        ofKnown.asMap().keySet().removeIf(of -> of.name().equals(name));
    }

    /** The password was right. */
    void forget(String name, String address) {
        counts(name).invalidate(new Of(name, address));
    }
}
