package prantel.server.keys;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Values that follow from immutable versions and from nothing else. Each is worked out once, by the first who asks while
 * others wait for that one name, and kept while there is room: what a name says never changes, so nothing here is ever out
 * of date. What there is room for is counted in bytes ({@link Weights}), not in values.
 *
 * <p>No lock is held while a value is worked out, so one value may ask for others. Nobody waits in a circle: who would have
 * to wait for somebody who waits for them works the value out for themselves.
 */
@Component
public class PureValues {
    /** A third of the heap: as much again is used while values are worked out, and the rest is everybody else's. */
    private static final int SHARE_OF_HEAP = 3;

    private final Cache<Record, Object> kept;
    /** Names that are being worked out, and who waits for which; guarded by itself. */
    private final Map<Record, Making> making = new HashMap<>();

    private final Map<Thread, Making> waiting = new HashMap<>();

    @Autowired
    PureValues() {
        this(Runtime.getRuntime().maxMemory() / SHARE_OF_HEAP);
    }

    /** @param mostBytes what is kept at most, by {@link Weights} */
    PureValues(long mostBytes) {
        kept = Caffeine.newBuilder()
                .maximumWeight(mostBytes / Weights.UNIT_BYTES)
                .weigher((Record name, Object value) -> Weights.units(value))
                .build();
    }

    /** A value that one thread works out. */
    private static final class Making {
        private final Thread by = Thread.currentThread();
        private final CountDownLatch over = new CountDownLatch(1);
        private volatile @Nullable Object made;
    }

    /**
     * @param name a record of all that the value follows from
     * @throws IllegalStateException if a value is asked for while it is itself worked out: it would follow from itself
     */
    @SuppressWarnings("unchecked") // a name is a type of its own for each kind of value
    public <T> T of(Record name, Supplier<T> make) {
        Object known = kept.getIfPresent(name);
        return (T) (known == null ? made(name, make) : known);
    }

    private Object made(Record name, Supplier<?> make) {
        while (true) {
            Making mine = new Making();
            Making theirs;
            boolean inACircle;
            synchronized (making) {
                theirs = making.putIfAbsent(name, mine);
                if (theirs != null && theirs.by == Thread.currentThread()) {
                    throw new IllegalStateException("A value follows from itself: " + name.getClass());
                }
                inACircle = theirs != null && waitsForMe(theirs);
                if (theirs != null && !inACircle) {
                    waiting.put(Thread.currentThread(), theirs);
                }
            }
            if (theirs == null) {
                return work(name, mine, make);
            }
            if (inACircle) {
                return Objects.requireNonNull(make.get());
            }
            Object made = await(theirs);
            // what somebody else could not work out is tried once more, so that each asker gets a failure of its own
            if (made != null) {
                return made;
            }
        }
    }

    private Object work(Record name, Making mine, Supplier<?> make) {
        try {
            // somebody may have finished between the look and the promise
            Object known = kept.getIfPresent(name);
            Object value = known == null ? Objects.requireNonNull(make.get()) : known;
            kept.put(name, value);
            mine.made = value;
            return value;
        } finally {
            synchronized (making) {
                making.remove(name);
            }
            mine.over.countDown();
        }
    }

    private @Nullable Object await(Making theirs) {
        try {
            theirs.over.await();
            return theirs.made;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while a value was worked out", e);
        } finally {
            synchronized (making) {
                waiting.remove(Thread.currentThread());
            }
        }
    }

    /** Whether whoever works it out waits for this thread, be it by way of others. */
    private boolean waitsForMe(Making theirs) {
        for (Making next = theirs; next != null; next = waiting.get(next.by)) {
            if (next.by == Thread.currentThread()) {
                return true;
            }
        }
        return false;
    }

    /** What is kept now, bytes by {@link Weights}. */
    long bytesKept() {
        kept.cleanUp();
        return kept.policy().eviction().orElseThrow().weightedSize().orElse(0) * Weights.UNIT_BYTES;
    }

    /** How many values are kept now. */
    long count() {
        kept.cleanUp();
        return kept.estimatedSize();
    }
}
