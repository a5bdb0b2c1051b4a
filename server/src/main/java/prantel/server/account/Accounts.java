package prantel.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
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
    private static final int GUESSES = 5;
    private static final Duration LOCKED_FOR = Duration.ofMinutes(5);
    private static final int SHORTEST_PASSWORD = 8;

    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final Clock clock;
    /** Held against when there is no such account, so that the answer takes as long. */
    private final String nobodysHash;

    Accounts(AccountMapper mapper, PasswordEncoder encoder, Clock clock) {
        this.mapper = mapper;
        this.encoder = encoder;
        this.clock = clock;
        this.nobodysHash = java.util.Objects.requireNonNull(encoder.encode("nobody's password"));
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
        Check.name(name, "name");
        Check.that(
                password.length() >= SHORTEST_PASSWORD && password.length() <= 64,
                "bad-password",
                "password",
                "",
                "give a password of " + SHORTEST_PASSWORD + " to 64 characters");
        Account account =
                new Account(id, name, role, java.util.Objects.requireNonNull(encoder.encode(password)), 0, null);
        try {
            mapper.insert(account);
        } catch (DuplicateKeyException e) {
            throw new ProblemsException(new Problem(
                    "name-taken", "signInName", Check.quoted(id), "somebody has that sign-in name; give another"));
        }
        return account;
    }

    /**
     * Checks a password. Five wrong ones in a row lock the account for five minutes; while it is locked even the right
     * one is refused.
     */
    @Transactional
    public SignIn signIn(String id, String password) {
        Account account = mapper.byId(id);
        if (account == null) {
            encoder.matches(password, nobodysHash);
            return new SignIn.Refused();
        }
        OffsetDateTime now = OffsetDateTime.now(clock);
        if (account.lockedUntil() != null && account.lockedUntil().isAfter(now)) {
            return new SignIn.Locked(account.lockedUntil());
        }
        if (encoder.matches(password, account.passwordHash())) {
            mapper.setGuessing(id, 0, null);
            return new SignIn.Done(account);
        }
        int failed = account.failedSignIns() + 1;
        boolean lock = failed >= GUESSES;
        OffsetDateTime until = now.plus(LOCKED_FOR);
        mapper.setGuessing(id, lock ? 0 : failed, lock ? until : null);
        return lock ? new SignIn.Locked(until) : new SignIn.Refused();
    }

    /** What became of a sign-in. */
    public sealed interface SignIn {
        record Done(Account account) implements SignIn {}

        record Refused() implements SignIn {}

        record Locked(OffsetDateTime until) implements SignIn {}
    }
}
