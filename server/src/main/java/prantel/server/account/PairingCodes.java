package prantel.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Service;
import prantel.server.web.Networks;
import prantel.server.web.Refusal;

/**
 * Short codes that let a tablet in to one sheet: eight figures, once, for ten minutes. A restart forgets them. Wrong ones are
 * counted by network, and all of them together, since somebody may have many addresses: after {@link #MOST_WRONG} in ten minutes
 * no code is taken from anybody until some of them are old. With every code of a full workshop out, that leaves a guesser
 * one chance in some ten thousand a day.
 */
@Service
public class PairingCodes {
    public static final Duration LASTS = Duration.ofMinutes(10);
    private static final int MOST = 200;
    private static final int FIGURES = 100_000_000;
    /** Of everybody together, within {@link #LASTS}. */
    static final int MOST_WRONG = 30;

    private final SecureRandom random = new SecureRandom();
    private final LongSupplier nanos;
    private final Guesses byNetwork;
    /** When the wrong ones came, by a clock that only goes forward; guarded by itself. */
    private final Deque<Long> wrong = new ArrayDeque<>();

    private final Cache<String, Sheet> sheets =
            Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(LASTS).build();

    @Autowired
    PairingCodes() {
        this(System::nanoTime);
    }

    PairingCodes(LongSupplier nanos) {
        this.nanos = nanos;
        this.byNetwork = new Guesses(nanos, name -> true);
    }

    /** Which tablet was let in to a sheet last; a restart ends their sessions with it. */
    private final Map<String, Long> lastLetIn = new ConcurrentHashMap<>();

    private final AtomicLong tablets = new AtomicLong();

    /** @param assessmentId its assessment @param candidateId whose it is */
    public record Sheet(String assessmentId, String candidateId) {}

    /** A tablet that was let in. @param tablet its number: the next one on the same sheet ends it */
    public record LetIn(Sheet sheet, long tablet) {}

    /** Whether this tablet was the last that was let in to the sheet. */
    public boolean isLast(String assessmentId, long tablet) {
        return Long.valueOf(tablet).equals(lastLetIn.get(assessmentId));
    }

    /** A new code; those made for the sheet before open nothing any more. */
    public String make(Sheet sheet) {
        sheets.asMap().values().removeIf(sheet::equals);
        while (true) {
            String code = String.format(Locale.ROOT, "%08d", random.nextInt(FIGURES));
            if (sheets.asMap().putIfAbsent(code, sheet) == null) {
                return code;
            }
        }
    }

    /** @param address where it comes from: five wrong codes in a row from its network, and that waits five minutes */
    public Optional<LetIn> redeem(String code, String address) {
        String network = Networks.network(address);
        if (!byNetwork.take("pairing", network).isZero()) {
            throw Refusal.tooMany("too many wrong codes from this device or beside it; try again in five minutes");
        }
        synchronized (wrong) {
            if (!waits().isZero()) {
                byNetwork.giveBack("pairing", network);
                throw Refusal.tooMany(
                        "codes are not taken for some minutes: too many wrong ones came in. Sign in with the"
                                + " candidate's own name and password, or write on paper");
            }
            // counted before it is looked at, so that many at once pass no more than one after the other
            wrong.add(nanos.getAsLong());
        }
        Sheet sheet = sheets.asMap().remove(code.replaceAll("\\s", ""));
        if (sheet != null) {
            byNetwork.forget("pairing", network);
            synchronized (wrong) {
                wrong.pollLast();
            }
        }
        return Optional.ofNullable(sheet).map(s -> {
            long tablet = tablets.incrementAndGet();
            lastLetIn.put(s.assessmentId(), tablet);
            return new LetIn(s, tablet);
        });
    }

    /** How long no code is taken, since too many wrong ones came in; zero while they are taken. */
    public Duration waits() {
        synchronized (wrong) {
            long now = nanos.getAsLong();
            while (!wrong.isEmpty() && now - wrong.peekFirst() > LASTS.toNanos()) {
                wrong.removeFirst();
            }
            return wrong.size() < MOST_WRONG
                    ? Duration.ZERO
                    : LASTS.minus(Duration.ofNanos(now - wrong.getFirst())).plusNanos(1);
        }
    }
}
