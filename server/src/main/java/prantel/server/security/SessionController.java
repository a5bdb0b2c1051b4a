package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.quantity.Problem;
import prantel.server.PrantelSettings;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Accounts.SignIn;
import prantel.server.account.Role;
import prantel.server.web.Refusal;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
    private final Accounts accounts;
    private final SignedIn signedIn;
    private final FirstSetUp setUp;
    private final PrantelSettings settings;

    SessionController(Accounts accounts, SignedIn signedIn, FirstSetUp setUp, PrantelSettings settings) {
        this.accounts = accounts;
        this.signedIn = signedIn;
        this.setUp = setUp;
        this.settings = settings;
    }

    /** Who is signed in: `person` is null when nobody is. */
    record Session(@Nullable Person person, boolean demo, boolean setUpNeeded) {}

    /** @param sheet the one sheet this tablet was let in to; null for a person with a password */
    record Person(
            String id,
            String name,
            List<Role> roles,
            @Nullable String sheet) {}

    record Credentials(String id, String password) {}

    @GetMapping
    Session session(@Nullable Principal principal) {
        Person person = principal == null
                ? null
                : accounts.find(principal.getName())
                        .map(a -> person(a, OneSheet.of(principal).orElse(null)))
                        .orElse(null);
        return new Session(person, settings.demo(), setUp.isNeeded());
    }

    @PostMapping
    Session signIn(@RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        String id = credentials.id().strip();
        return switch (accounts.signIn(id, credentials.password(), request.getRemoteAddr())) {
            case SignIn.Done done -> {
                signedIn.begin(done.account(), null, request, response);
                accounts.keepSignIn(
                        id,
                        request.getRemoteAddr(),
                        Objects.requireNonNullElse(request.getHeader("User-Agent"), "unknown"));
                yield new Session(person(done.account(), null), settings.demo(), false);
            }
            case SignIn.Refused refused ->
                throw new Refusal(
                        HttpStatus.UNAUTHORIZED,
                        new Problem(
                                "sign-in-refused",
                                "password",
                                "",
                                "that sign-in name and password do not go together"));
            case SignIn.KeptOut keptOut ->
                throw new Refusal(
                        HttpStatus.FORBIDDEN,
                        new Problem(
                                "kept-out",
                                "password",
                                "",
                                "this account is closed for now; ask who administers the workshop"));
            case SignIn.Locked locked ->
                throw new Refusal(
                        HttpStatus.TOO_MANY_REQUESTS,
                        new Problem(
                                "sign-in-locked",
                                "password",
                                "",
                                "too many wrong passwords from this device; try again in about "
                                        + Math.max(1, locked.left().toMinutes()) + " min, or have it unlocked"));
            case SignIn.Busy busy -> throw Accounts.busy();
        };
    }

    @DeleteMapping
    void signOut(HttpServletRequest request) {
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    static Person person(Account account, @Nullable String sheet) {
        return new Person(account.accountId(), account.name(), List.copyOf(account.roles()), sheet);
    }
}
