package prantel.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.server.web.Refusal;

/** People, their passwords and what they may do. */
@Service
public class Accounts {
    private static final int SHORTEST_PASSWORD = 8;
    /** What bcrypt looks at, bytes: it would silently drop the rest. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    private static final int LONGEST_SIGN_IN_NAME = 40;
    private static final int LONGEST_DEVICE = 160;
    private static final int LONGEST_ADDRESS = 60;
    private static final int SIGN_INS_SHOWN = 20;
    private static final Duration INVITED_FOR = Duration.ofDays(7);
    /** Letters that are not mistaken for each other when they are read out. */
    private static final String CODE_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

    private static final int CODE_LENGTH = 12;
    /** Hashing is made to be slow: no more than this at a time, so that the others' screens go on. */
    private static final int HASHING_AT_ONCE = 1;

    private static final int WAITING_TO_HASH = 16;
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private static final int MOST_HELD = 2000;

    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Guesses guesses = new Guesses(System::nanoTime);
    private final Semaphore hashing = new Semaphore(HASHING_AT_ONCE, true);
    /** Asked at each call of each session. */
    private final Cache<String, Account> known =
            Caffeine.newBuilder().maximumSize(MOST_HELD).build();
    /** Held against when there is no such account, so that the answer takes as long. */
    private final String nobodysHash;

    Accounts(AccountMapper mapper, PasswordEncoder encoder, Clock clock) {
        this.mapper = mapper;
        this.encoder = encoder;
        this.clock = clock;
        this.nobodysHash = Objects.requireNonNull(encoder.encode("nobody's password"));
    }

    public Optional<Account> find(String id) {
        Account held = known.getIfPresent(id);
        if (held != null) {
            return Optional.of(held);
        }
        Account read = mapper.byId(id);
        if (read != null && !TransactionSynchronizationManager.isActualTransactionActive()) {
            known.put(id, read);
        }
        return Optional.ofNullable(read);
    }

    /** @throws ProblemsException if there is no such person */
    public Account get(String id) {
        return find(id).orElseThrow(() -> new ProblemsException(
                new Problem("unknown-person", "person", Check.quoted(id), "choose a person of this workshop")));
    }

    public String nameOf(String id) {
        return get(id).name();
    }

    public List<Account> all() {
        return mapper.all();
    }

    /** Active people with a role that fits, by name. */
    public List<Account> who(Predicate<Role> role) {
        return all().stream()
                .filter(Account::isActive)
                .filter(a -> a.roles().stream().anyMatch(role))
                .toList();
    }

    /** @throws ProblemsException naming the field that is wrong */
    @Transactional
    public Account add(String id, String name, Set<Role> roles, String password) {
        Check.id(id, "signInName");
        Check.that(
                id.length() <= LONGEST_SIGN_IN_NAME,
                "too-long",
                "signInName",
                Check.quoted(id),
                "give at most " + LONGEST_SIGN_IN_NAME + " characters");
        Check.name(name, "name");
        mustFit(roles);
        mustBeGood(password);
        try {
            mapper.insert(id, name, hash(password));
        } catch (DuplicateKeyException e) {
            throw new ProblemsException(new Problem(
                    "name-taken", "signInName", Check.quoted(id), "somebody has that sign-in name; give another"));
        }
        roles.forEach(r -> mapper.addRole(id, r.name()));
        return get(id);
    }

    /** Adds somebody who chooses a password with a code. @return the code, shown once */
    @Transactional
    public String invite(String id, String name, Set<Role> roles, String by) {
        add(id, name, roles, code() + code());
        return newCode(id, by);
    }

    /** The old password opens nothing any more; a code lets the person choose another. @return the code, shown once */
    @Transactional
    public String reset(String id, String by) {
        get(id);
        mapper.setPassword(id, hash(code() + code()));
        changed(id);
        return newCode(id, by);
    }

    private String newCode(String id, String by) {
        String code = code();
        mapper.forgetInvitation(id);
        mapper.invite(id, digest(code), by, now().plus(INVITED_FOR));
        return code;
    }

    private String code() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < CODE_LENGTH; i++) {
            code.append(CODE_LETTERS.charAt(random.nextInt(CODE_LETTERS.length())));
        }
        return code.toString();
    }

    /**
     * Chooses a password with the code of an invitation, which works once.
     *
     * @param address where it comes from: wrong codes are counted like wrong passwords
     */
    @Transactional
    public void accept(String id, String code, String password, String address) {
        if (!guesses.take(id, address).isZero()) {
            throw Refusal.tooMany("too many wrong codes from this device; try again in five minutes");
        }
        AccountMapper.Invitation invitation = mapper.invitation(id);
        boolean right = invitation != null
                && invitation.expiresAt().isAfter(now())
                && MessageDigest.isEqual(
                        invitation.codeHash().getBytes(StandardCharsets.US_ASCII),
                        digest(code.strip().toLowerCase(java.util.Locale.ROOT)).getBytes(StandardCharsets.US_ASCII));
        if (!right) {
            throw new ProblemsException(new Problem(
                    "bad-code",
                    "code",
                    "",
                    "that sign-in name and code do not go together, or it was used or is older than a week: ask for a"
                            + " new one"));
        }
        mustBeGood(password);
        mapper.setPassword(id, hash(password));
        mapper.forgetInvitation(id);
        changed(id);
        guesses.forget(id, address);
    }

    /** One's own. @param address where it comes from @throws ProblemsException if the present one is wrong */
    public void changePassword(String id, String present, String next, String address) {
        if (!(signIn(id, present, address) instanceof SignIn.Done)) {
            throw new ProblemsException(new Problem(
                    "wrong-password",
                    "present",
                    "",
                    "that is not your password of now; after five wrong ones it waits five minutes"));
        }
        mustBeGood(next);
        mapper.setPassword(id, hash(next));
        mapper.forgetInvitation(id);
        changed(id);
    }

    /** @throws ProblemsException if nobody would be left to administer */
    @Transactional
    public void setRoles(String id, Set<Role> roles) {
        get(id);
        mustFit(roles);
        mapper.dropRoles(id);
        roles.forEach(r -> mapper.addRole(id, r.name()));
        mustLeaveAnAdministrator();
        changed(id);
    }

    @Transactional
    public void setBlocked(String id, boolean blocked) {
        get(id);
        mapper.setBlocked(id, blocked);
        mustLeaveAnAdministrator();
        changed(id);
    }

    /** Not of the workshop any more, or again; records stay. */
    @Transactional
    public void setLeft(String id, boolean left) {
        get(id);
        mapper.setLeft(id, left ? now() : null);
        mustLeaveAnAdministrator();
        changed(id);
    }

    /** Wrong passwords are forgotten: whoever was locked out tries again. */
    public void unlock(String id) {
        get(id);
        guesses.forget(id);
    }

    /** Ids of people who were invited and have not chosen a password. */
    public Set<String> invited() {
        return new HashSet<>(mapper.invited(now()));
    }

    public boolean isLocked(String id) {
        return guesses.isLocked(id);
    }

    public void keepSignIn(String id, String address, String device) {
        mapper.signedIn(id, now(), cut(address, LONGEST_ADDRESS), cut(device, LONGEST_DEVICE));
    }

    public record SignedIn(OffsetDateTime at, String address, String device) {}

    /** The newest first. */
    public List<SignedIn> signIns(String id) {
        return mapper.signIns(id, SIGN_INS_SHOWN).stream()
                .map(s -> new SignedIn(s.at(), s.address(), DeviceWords.of(s.device())))
                .toList();
    }

    private static String cut(String text, int longest) {
        return text.substring(0, Math.min(text.length(), longest));
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
    }

    private static void mustFit(Set<Role> roles) {
        Check.that(!roles.isEmpty(), "no-role", "roles", "", "give at least one role");
        Check.that(
                !roles.contains(Role.CANDIDATE) || roles.size() == 1,
                "bad-roles",
                "roles",
                "candidate and another",
                "a candidate has no other role: who sees keys is not assessed by them");
    }

    private void mustLeaveAnAdministrator() {
        boolean left = mapper.all().stream().anyMatch(a -> a.isActive() && a.has(Role.ADMINISTRATOR));
        Check.that(left, "last-administrator", "", "", "make somebody else an administrator first");
    }

    private void mustBeGood(String password) {
        Check.that(
                password.length() >= SHORTEST_PASSWORD
                        && password.getBytes(StandardCharsets.UTF_8).length <= LONGEST_PASSWORD_BYTES,
                "bad-password",
                "password",
                "",
                "give a password of at least " + SHORTEST_PASSWORD + " characters and at most " + LONGEST_PASSWORD_BYTES
                        + " bytes; a letter with an accent takes two or three");
    }

    private String hash(String password) {
        return Objects.requireNonNull(encoder.encode(password));
    }

    private static String digest(String code) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(code.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sessions of before end with the next call. */
    private void changed(String id) {
        mapper.endSessions(id);
        known.invalidate(id);
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    known.invalidate(id);
                }
            });
        }
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
        return account.isActive() ? new SignIn.Done(account) : new SignIn.KeptOut();
    }

    /** Null where too many wait already. */
    private @Nullable Boolean matches(String password, String hash) {
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

        /** The password is right, but the person is blocked or has left. */
        record KeptOut() implements SignIn {}

        record Locked(Duration left) implements SignIn {}

        /** Too many people sign in at this moment. */
        record Busy() implements SignIn {}
    }
}
