package prantel.server.account;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** People and their passwords. */
@Service
public class Accounts {
    private static final int SHORTEST_PASSWORD = 8;
    /** What bcrypt looks at, bytes: it would silently drop the rest. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    private static final int LONGEST_SIGN_IN_NAME = 40;
    /** Hashing is made to be slow: no more than this at a time, so that the others' screens go on. */
    private static final int HASHING_AT_ONCE = 1;

    private static final int WAITING_TO_HASH = 16;
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final Guesses guesses = new Guesses(System::nanoTime);
    private final Semaphore hashing = new Semaphore(HASHING_AT_ONCE, true);
    /** Held against when there is no such account, so that the answer takes as long. */
    private final String nobodysHash;

    Accounts(AccountMapper mapper, PasswordEncoder encoder) {
        this.mapper = mapper;
        this.encoder = encoder;
        this.nobodysHash = Objects.requireNonNull(encoder.encode("nobody's password"));
    }

    public Optional<Account> find(String id) {
        return Optional.ofNullable(mapper.byId(id));
    }

    /** @throws ProblemsException if there is no such person */
    public Account get(String id) {
        return find(id).orElseThrow(() -> new ProblemsException(
                new Problem("unknown-person", "person", Check.quoted(id), "choose a person of this workshop")));
    }

    public List<Account> all() {
        return mapper.all();
    }

    /** @throws ProblemsException naming the field that is wrong */
    @Transactional
    public Account add(String id, String name, Role role, String password) {
        Check.id(id, "signInName");
        Check.that(
                id.length() <= LONGEST_SIGN_IN_NAME,
                "too-long",
                "signInName",
                Check.quoted(id),
                "give at most " + LONGEST_SIGN_IN_NAME + " characters");
        Check.name(name, "name");
        Check.that(
                password.length() >= SHORTEST_PASSWORD
                        && password.getBytes(StandardCharsets.UTF_8).length <= LONGEST_PASSWORD_BYTES,
                "bad-password",
                "password",
                "",
                "give a password of at least " + SHORTEST_PASSWORD + " characters and at most " + LONGEST_PASSWORD_BYTES
                        + " bytes; a letter with an accent takes two or three");
        Account account = new Account(id, name, role, Objects.requireNonNull(encoder.encode(password)));
        try {
            mapper.insert(account);
        } catch (DuplicateKeyException e) {
            throw new ProblemsException(new Problem(
                    "name-taken", "signInName", Check.quoted(id), "somebody has that sign-in name; give another"));
        }
        return account;
    }

    /**
     * Checks a password. Five wrong ones in a row for one name from one address end tries from there for five minutes; even the
     * right one is refused then. No database connection is held while it hashes.
     *
     * @param address where it comes from
     */
    public SignIn signIn(String id, String password, String address) {
        Duration left = guesses.take(id, address);
        if (!left.isZero()) {
            return new SignIn.Locked(left);
        }
        Account account = mapper.byId(id);
        Boolean right = matches(password, account == null ? nobodysHash : account.passwordHash());
        if (right == null) {
            guesses.giveBack(id, address);
            return new SignIn.Busy();
        }
        if (account == null || !right) {
            return new SignIn.Refused();
        }
        guesses.forget(id, address);
        return new SignIn.Done(account);
    }

    /** Null where too many wait already. */
    private @org.jspecify.annotations.Nullable Boolean matches(String password, String hash) {
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            return false;
        }
        if (hashing.getQueueLength() >= WAITING_TO_HASH) {
            return null;
        }
        try {
            if (!hashing.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS)) {
                return null;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return null;
        }
        try {
            return encoder.matches(password, hash);
        } finally {
            hashing.release();
        }
    }

    /** What became of a sign-in. */
    public sealed interface SignIn {
        record Done(Account account) implements SignIn {}

        record Refused() implements SignIn {}

        record Locked(Duration left) implements SignIn {}

        /** Too many people sign in at this moment. */
        record Busy() implements SignIn {}
    }
}
