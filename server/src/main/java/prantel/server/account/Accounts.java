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
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.server.web.Networks;
import prantel.server.web.Refusal;

/** People, their passwords and what they may do. */
@Service
public class Accounts {
    private static final int LONGEST_SIGN_IN_NAME = 40;
    private static final Pattern SIGN_IN_NAME = Pattern.compile("[a-z][a-z0-9-]{0," + (LONGEST_SIGN_IN_NAME - 1) + "}");
    private static final int LONGEST_DEVICE = 160;
    private static final int LONGEST_ADDRESS = 60;
    private static final int SIGN_INS_SHOWN = 20;
    private static final Duration INVITED_FOR = Duration.ofDays(7);
    /** Letters that are not mistaken for each other when they are read out. */
    private static final String CODE_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";

    private static final int CODE_LENGTH = 12;
    private static final int MOST_HELD = 2000;

    private final AccountMapper mapper;
    private final Passwords passwords;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Guesses guesses = new Guesses(System::nanoTime, id -> find(id).isPresent());
    /** Wrong codes from one network, for whatever name. */
    private final Guesses codes = new Guesses(System::nanoTime, name -> true);
    /** Asked at each call of each session. */
    private final Cache<String, Account> known =
            Caffeine.newBuilder().maximumSize(MOST_HELD).build();

    Accounts(AccountMapper mapper, Passwords passwords, TransactionTemplate transactions, Clock clock) {
        this.mapper = mapper;
        this.passwords = passwords;
        this.transactions = transactions;
        this.clock = clock;
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

    /** A person's id and name. */
    record Named(String accountId, String name) {}

    /** By id; without those that nobody is called. */
    public Map<String, String> namesOf(Set<String> ids) {
        return ids.isEmpty()
                ? Map.of()
                : mapper.named(ids).stream().collect(Collectors.toMap(Named::accountId, Named::name));
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
    public Account add(String id, String name, Set<Role> roles, String password) {
        mustBeAPerson(id, name, roles);
        String hash = hashOfGood(id, name, password);
        return Objects.requireNonNull(transactions.execute(t -> insert(id, name, roles, hash)));
    }

    private static void mustBeAPerson(String id, String name, Set<Role> roles) {
        Check.that(
                SIGN_IN_NAME.matcher(id).matches(),
                "bad-sign-in-name",
                "signInName",
                Check.quoted(id),
                "give small letters, figures and dashes, beginning with a letter, such as petra-2, at most "
                        + LONGEST_SIGN_IN_NAME + " of them");
        Check.name(name, "name");
        mustFit(roles);
    }

    private String hashOfGood(String id, String name, String password) {
        passwords.mustBeGood(password, List.of(id, name));
        return passwords.hash(password);
    }

    private Account insert(String id, String name, Set<Role> roles, String hash) {
        try {
            mapper.insert(id, name, hash);
        } catch (DuplicateKeyException e) {
            throw new ProblemsException(new Problem(
                    "name-taken", "signInName", Check.quoted(id), "somebody has that sign-in name; give another"));
        }
        roles.forEach(r -> mapper.addRole(id, r.name()));
        return get(id);
    }

    /** Adds somebody who chooses a password with a code. @return the code, shown once */
    public String invite(String id, String name, Set<Role> roles, String by) {
        mustBeAPerson(id, name, roles);
        String hash = passwords.hash(code() + code());
        return Objects.requireNonNull(transactions.execute(t -> {
            insert(id, name, roles, hash);
            return newCode(id, by);
        }));
    }

    /** The old password opens nothing any more; a code lets the person choose another. @return the code, shown once */
    public String reset(String id, String by) {
        get(id);
        String hash = passwords.hash(code() + code());
        return Objects.requireNonNull(transactions.execute(t -> {
            mapper.setPassword(id, hash);
            changed(id);
            return newCode(id, by);
        }));
    }

    /** Another name for the same person; the sign-in name and every record stay. */
    @Transactional
    public void rename(String id, String name) {
        get(id);
        Check.name(name, "name");
        mapper.rename(id, name);
        forgetKnown(id);
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
     * Chooses a password with the code of an invitation, which works once, however many send it at the same moment.
     *
     * @param address where it comes from: wrong codes are counted by name, and by network whatever the name
     */
    public void accept(String id, String code, String password, String address) {
        String network = Networks.network(address);
        if (!guesses.take(id, Networks.host(address)).isZero()
                || !codes.take("code", network).isZero()) {
            throw Refusal.tooMany("too many wrong codes from this device or beside it; try again in five minutes");
        }
        String digest = digest(code.strip().toLowerCase(Locale.ROOT));
        mustBeOut(mapper.invitation(id), digest);
        String hash = hashOfGood(id, nameOf(id), password);
        transactions.executeWithoutResult(t -> {
            if (mapper.useInvitation(id, digest) == 0) {
                throw badCode();
            }
            mapper.setPassword(id, hash);
            changed(id);
        });
        guesses.forget(id, Networks.host(address));
        codes.forget("code", network);
    }

    private void mustBeOut(AccountMapper.@Nullable Invitation invitation, String digest) {
        boolean right = invitation != null
                && invitation.expiresAt().isAfter(now())
                && MessageDigest.isEqual(
                        invitation.codeHash().getBytes(StandardCharsets.US_ASCII),
                        digest.getBytes(StandardCharsets.US_ASCII));
        if (!right) {
            throw badCode();
        }
    }

    private static ProblemsException badCode() {
        return new ProblemsException(
                new Problem(
                        "bad-code",
                        "code",
                        "",
                        "that sign-in name and code do not go together, or it was used or is older than a week: ask for a new one"));
    }

    /** One's own. @param address where it comes from @throws ProblemsException if the present one is wrong */
    public void changePassword(String id, String present, String next, String address) {
        if (!(signIn(id, present, address) instanceof SignIn.Done)) {
            throw new ProblemsException(new Problem(
                    "wrong-password",
                    "present",
                    "",
                    "that is not your present password; after five wrong ones it waits five minutes"));
        }
        String hash = hashOfGood(id, nameOf(id), next);
        transactions.executeWithoutResult(t -> {
            mapper.setPassword(id, hash);
            mapper.forgetInvitation(id);
            changed(id);
        });
    }

    /** Ends every session of a person; whoever asks begins a new one. */
    @Transactional
    public void endSessions(String id) {
        get(id);
        changed(id);
    }

    /** @throws ProblemsException if nobody would be left to administer */
    @Transactional
    public void setRoles(String id, Set<Role> roles) {
        mapper.lockAdministrators();
        get(id);
        mustFit(roles);
        mapper.dropRoles(id);
        roles.forEach(r -> mapper.addRole(id, r.name()));
        mustLeaveAnAdministrator();
        changed(id);
    }

    /** Kept out for now; not of the workshop any more: or again. Records stay. @throws ProblemsException if nobody would administer */
    @Transactional
    public void setStanding(String id, boolean blocked, boolean left) {
        mapper.lockAdministrators();
        Account before = get(id);
        mapper.setBlocked(id, blocked);
        if (left != (before.leftAt() != null)) {
            mapper.setLeft(id, left ? now() : null);
        }
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

    @Transactional
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
        forgetKnown(id);
    }

    private void forgetKnown(String id) {
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
        String host = Networks.host(address);
        Duration left = guesses.take(id, host);
        if (!left.isZero()) {
            return new SignIn.Locked(left);
        }
        Account account = mapper.byId(id);
        return switch (passwords.matches(password, account, host)) {
            case BUSY -> {
                guesses.giveBack(id, host);
                yield new SignIn.Busy();
            }
            case WRONG -> new SignIn.Refused();
            case RIGHT -> {
                guesses.forget(id, host);
                Account right = Objects.requireNonNull(account);
                yield right.isActive() ? new SignIn.Done(right) : new SignIn.KeptOut();
            }
        };
    }

    /** Too many people sign in at this moment. */
    public static Refusal busy() {
        return Passwords.busy();
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
