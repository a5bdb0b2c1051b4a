package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
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
    private final SecurityContextRepository contexts;
    private final FirstSetUp setUp;
    private final PrantelSettings settings;

    SessionController(
            Accounts accounts, SecurityContextRepository contexts, FirstSetUp setUp, PrantelSettings settings) {
        this.accounts = accounts;
        this.contexts = contexts;
        this.setUp = setUp;
        this.settings = settings;
    }

    /** Who is signed in: `person` is null when nobody is. */
    record Session(@Nullable Person person, boolean demo, boolean setUpNeeded) {}

    record Person(String id, String name, Role role) {}

    record Credentials(String id, String password) {}

    @GetMapping
    Session session(@Nullable Principal principal) {
        Person person = principal == null
                ? null
                : accounts.find(principal.getName())
                        .map(SessionController::person)
                        .orElse(null);
        return new Session(person, settings.demo(), setUp.isNeeded());
    }

    @PostMapping
    Session signIn(@RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        String id = credentials.id().strip();
        return switch (accounts.signIn(id, credentials.password(), request.getRemoteAddr())) {
            case SignIn.Done done -> {
                enter(done.account(), request, response);
                yield new Session(person(done.account()), settings.demo(), false);
            }
            case SignIn.Refused refused ->
                throw new Refusal(
                        HttpStatus.UNAUTHORIZED,
                        new Problem(
                                "sign-in-refused",
                                "password",
                                "",
                                "that sign-in name and password do not go together"));
            case SignIn.Locked locked ->
                throw new Refusal(
                        HttpStatus.TOO_MANY_REQUESTS,
                        new Problem(
                                "sign-in-locked",
                                "password",
                                "",
                                "too many wrong passwords from this device; try again in about "
                                        + Math.max(1, locked.left().toMinutes()) + " min"));
            case SignIn.Busy busy ->
                throw new Refusal(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        new Problem(
                                "sign-in-busy",
                                "password",
                                "",
                                "many people are signing in at this moment; try again in a few seconds"));
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

    private void enter(Account account, HttpServletRequest request, HttpServletResponse response) {
        // a session from before signing in must not be carried over
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                account.accountId(),
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + account.role().name()))));
        contexts.saveContext(context, request, response);
    }

    private static Person person(Account account) {
        return new Person(account.accountId(), account.name(), account.role());
    }
}
