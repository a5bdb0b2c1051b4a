package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import prantel.server.account.Account;

/** Begins a session: for a person with a password, or for a tablet that is let in to one sheet. */
@Component
class SignedIn {
    /** Authority of who gave a password. */
    static final String A_PERSON = "A_PERSON";

    private final SecurityContextRepository contexts;

    SignedIn(SecurityContextRepository contexts) {
        this.contexts = contexts;
    }

    /** A tablet that was let in to one sheet. @param number which one: the next one on the same sheet ends it */
    record Tablet(String sheet, long number) implements java.io.Serializable {}

    /** What a session was begun with. @param generation of the account then @param tablet null for a person with a password */
    record Details(int generation, @Nullable Tablet tablet) implements java.io.Serializable {}

    /** @param tablet null for a person with a password */
    void begin(Account account, @Nullable Tablet tablet, HttpServletRequest request, HttpServletResponse response) {
        // a session from before signing in must not be carried over
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        List<GrantedAuthority> authorities = new ArrayList<>();
        account.roles().forEach(r -> authorities.add(new SimpleGrantedAuthority("ROLE_" + r.name())));
        if (tablet == null) {
            authorities.add(new SimpleGrantedAuthority(A_PERSON));
        }
        UsernamePasswordAuthenticationToken token =
                UsernamePasswordAuthenticationToken.authenticated(account.accountId(), null, authorities);
        token.setDetails(new Details(account.generation(), tablet));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(token);
        contexts.saveContext(context, request, response);
    }
}
