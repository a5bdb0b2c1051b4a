package prantel.server.web;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How many calls of one person are worked on at a time: a page asks for a handful at once, a script for hundreds, and those
 * wait for each other and not everybody for them.
 */
@Component
public class PersonLimits extends OncePerRequestFilter {
    private static final int AT_ONCE = 64;
    private static final int AT_ONCE_OF_ONE = 6;
    private static final int MOST_WAITING = 100;
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final FairTurns turns = new FairTurns(AT_ONCE, AT_ONCE_OF_ONE, MOST_WAITING);
    private final Answers answers;

    PersonLimits(Answers answers) {
        this.answers = answers;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || request.getDispatcherType() != DispatcherType.REQUEST) {
            chain.doFilter(request, response);
            return;
        }
        if (!turns.take(who.getName(), PATIENCE)) {
            answers.refuse(
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many",
                    "too many calls of yours are under way; it is tried again by itself");
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            turns.giveBack(who.getName());
        }
    }

    /** It belongs into the chain of security, where it is known who asks, and nowhere else. */
    @Configuration
    static class OnlyThere {
        @Bean
        FilterRegistrationBean<PersonLimits> personLimitsOnlyThere(PersonLimits limits) {
            FilterRegistrationBean<PersonLimits> registration = new FilterRegistrationBean<>(limits);
            registration.setEnabled(false);
            return registration;
        }
    }
}
