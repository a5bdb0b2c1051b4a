package prantel.server.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import prantel.server.account.Accounts;
import prantel.server.account.PairingCodes;
import prantel.server.assessment.Assessments;

/**
 * Ends the sessions of somebody who was blocked, has left, has other roles now, or chose another password; and of a tablet
 * whose sheet is handed in, or that another tablet was let in to.
 */
@Component
class StillIn extends OncePerRequestFilter {
    private final Accounts accounts;
    private final PairingCodes codes;
    private final Assessments assessments;

    StillIn(Accounts accounts, PairingCodes codes, Assessments assessments) {
        this.accounts = accounts;
        this.codes = codes;
        this.assessments = assessments;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getDetails() instanceof SignedIn.Details details && !isStillIn(who.getName(), details)) {
            HttpSession session = request.getSession(false);
            if (session != null) {
                session.invalidate();
            }
            SecurityContextHolder.clearContext();
        }
        chain.doFilter(request, response);
    }

    private boolean isStillIn(String id, SignedIn.Details details) {
        return accounts.find(id)
                        .filter(a -> a.isActive() && a.generation() == details.generation())
                        .isPresent()
                && isStillLetIn(details);
    }

    private boolean isStillLetIn(SignedIn.Details details) {
        SignedIn.Tablet tablet = details.tablet();
        return tablet == null
                || codes.isLast(tablet.sheet(), tablet.number())
                        && assessments.get(tablet.sheet()).handedInAt() == null;
    }

    /** It belongs into the chain of security, and nowhere else. */
    @Configuration
    static class OnlyThere {
        @Bean
        FilterRegistrationBean<StillIn> stillInOnlyThere(StillIn stillIn) {
            FilterRegistrationBean<StillIn> registration = new FilterRegistrationBean<>(stillIn);
            registration.setEnabled(false);
            return registration;
        }
    }
}
