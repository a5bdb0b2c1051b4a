package prantel.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Service;
import prantel.server.web.Refusal;

/** Short codes that let a tablet in to one sheet: six figures, once, for ten minutes. A restart forgets them. */
@Service
public class PairingCodes {
    public static final Duration LASTS = Duration.ofMinutes(10);
    private static final int MOST = 200;
    private static final int FIGURES = 1_000_000;

    private final SecureRandom random = new SecureRandom();
    private final Guesses guesses = new Guesses(System::nanoTime);
    private final Cache<String, Sheet> sheets =
            Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(LASTS).build();

    /** @param assessmentId its assessment @param candidateId whose it is */
    public record Sheet(String assessmentId, String candidateId) {}

    /** A new code; those made for the sheet before open nothing any more. */
    public String make(Sheet sheet) {
        sheets.asMap().values().removeIf(sheet::equals);
        while (true) {
            String code = String.format(java.util.Locale.ROOT, "%06d", random.nextInt(FIGURES));
            if (sheets.asMap().putIfAbsent(code, sheet) == null) {
                return code;
            }
        }
    }

    /** @param address where it comes from: five wrong codes in a row, and it waits five minutes */
    public Optional<Sheet> redeem(String code, String address) {
        if (!guesses.take("pairing", address).isZero()) {
            throw Refusal.tooMany("too many wrong codes from this device; try again in five minutes");
        }
        Sheet sheet = sheets.asMap().remove(code.replaceAll("\\s", ""));
        if (sheet != null) {
            guesses.forget("pairing", address);
        }
        return Optional.ofNullable(sheet);
    }
}
