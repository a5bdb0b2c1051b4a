package prantel.server.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.server.web.FairTurns;
import prantel.server.web.Refusal;

/**
 * What a password must be, and its hash. Hashing is made to be slow, so few do it at a time, each network in its turn, and
 * never inside a transaction: a connection held for it is one that nobody else's reading gets.
 */
@Component
class Passwords {
    private static final int SHORTEST = 8;
    /** What bcrypt looks at, bytes: it would silently drop the rest. */
    private static final int LONGEST_BYTES = 72;
    /** Of 0 to 4: below this a list of common passwords finds it in less than a million tries. */
    private static final int LEAST_SCORE = 2;

    private static final int AT_ONCE = 2;
    private static final int MOST_WAITING = 120;
    private static final Duration PATIENCE = Duration.ofSeconds(12);

    private final PasswordEncoder encoder;
    private final Zxcvbn strength = new Zxcvbn();
    private final FairTurns turns = new FairTurns(AT_ONCE, AT_ONCE, MOST_WAITING);
    /** Held against when there is no such account, so that the answer takes as long. */
    private final String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = Objects.requireNonNull(encoder.encode("nobody's password"));
    }

    /** What became of holding a password against a hash. */
    enum Answer {
        RIGHT,
        WRONG,
        /** Too many wait already; nothing was looked at. */
        BUSY
    }

    /** @param about what may not be guessed from: sign-in name and name */
    void mustBeGood(String password, List<String> about) {
        Check.that(
                password.length() >= SHORTEST && bytes(password) <= LONGEST_BYTES,
                "bad-password",
                "password",
                "",
                "give a password of at least " + SHORTEST + " characters and at most " + LONGEST_BYTES
                        + " bytes; a letter with an accent takes two or three");
        Check.that(
                strength.measure(password, about).getScore() >= LEAST_SCORE,
                "common-password",
                "password",
                "",
                "many people use that one or one like it, and it is guessed first: give another, such as three words that"
                        + " have nothing to do with each other");
    }

    /** @throws Refusal if too many people wait for it at this moment */
    String hash(String password) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("A password is hashed inside a transaction");
        }
        if (!turns.take("", PATIENCE)) {
            throw busy();
        }
        try {
            return Objects.requireNonNull(encoder.encode(password));
        } finally {
            turns.giveBack("");
        }
    }

    static Refusal busy() {
        return new Refusal(
                HttpStatus.SERVICE_UNAVAILABLE,
                new Problem(
                        "sign-in-busy",
                        "password",
                        "",
                        "many people are signing in at this moment; it is tried again by itself"));
    }

    /**
     * @param account null for nobody: the answer takes as long
     * @param network whose turn it is
     */
    Answer matches(String password, @Nullable Account account, String network) {
        if (bytes(password) > LONGEST_BYTES) {
            return Answer.WRONG;
        }
        if (!turns.take(network, PATIENCE)) {
            return Answer.BUSY;
        }
        try {
            boolean right = encoder.matches(password, account == null ? nobodys : account.passwordHash());
            return right && account != null ? Answer.RIGHT : Answer.WRONG;
        } finally {
            turns.giveBack(network);
        }
    }

    private static int bytes(String password) {
        return password.getBytes(StandardCharsets.UTF_8).length;
    }
}
