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

    /** What a session was begun with. @param generation of the account then @param sheet the one it may see; null for all of the person's */
    record Details(int generation, @Nullable String sheet) implements java.io.Serializable {}

    /** @param sheet the one assessment it may see; null for all of the person's */
    void begin(Account account, @Nullable String sheet, HttpServletRequest request, HttpServletResponse response) {
        // a session from before signing in must not be carried over
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        List<GrantedAuthority> authorities = new ArrayList<>();
        account.roles().forEach(r -> authorities.add(new SimpleGrantedAuthority("ROLE_" + r.name())));
        if (sheet == null) {
            authorities.add(new SimpleGrantedAuthority(A_PERSON));
        }
        UsernamePasswordAuthenticationToken token =
                UsernamePasswordAuthenticationToken.authenticated(account.accountId(), null, authorities);
        token.setDetails(new Details(account.generation(), sheet));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(token);
        contexts.saveContext(context, request, response);
    }
}
