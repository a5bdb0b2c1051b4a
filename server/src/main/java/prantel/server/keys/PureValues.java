package prantel.server.keys;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Objects;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * Values that follow from immutable versions and from nothing else. Each is worked out once, by the first who asks while
 * others wait, and kept while there is room: what a key names never changes, so nothing here is ever out of date.
 */
@Component
public class PureValues {
    /** Large ones hold a rig's networks: about a megabyte each, and one for each rig, scheme and tester in use. */
    private static final int MOST_LARGE = 64;

    private static final int MOST_SMALL = 400;

    private final Cache<Object, Object> large =
            Caffeine.newBuilder().maximumSize(MOST_LARGE).build();
    private final Cache<Object, Object> small =
            Caffeine.newBuilder().maximumSize(MOST_SMALL).build();

    /** @param name a record of all that the value follows from */
    public <T> T large(Record name, Supplier<T> make) {
        return of(large, name, make);
    }

    /** @param name a record of all that the value follows from */
    public <T> T small(Record name, Supplier<T> make) {
        return of(small, name, make);
    }

    @SuppressWarnings("unchecked") // a name is a type of its own for each kind of value
    private static <T> T of(Cache<Object, Object> cache, Record name, Supplier<T> make) {
        Object known = cache.getIfPresent(name);
        // making one value asks for others: not inside the cache's own lock
        if (known == null) {
            Object lock = LOCKS[Math.floorMod(name.hashCode(), LOCKS.length)];
            synchronized (lock) {
                known = cache.getIfPresent(name);
                if (known == null) {
                    known = Objects.requireNonNull(make.get());
                    cache.put(name, known);
                }
            }
        }
        return (T) known;
    }

    private static final Object[] LOCKS = new Object[64];

    static {
        java.util.Arrays.setAll(LOCKS, i -> new Object());
    }
}
