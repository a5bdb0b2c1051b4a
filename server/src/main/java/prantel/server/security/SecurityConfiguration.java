package prantel.server.security;

import jakarta.servlet.DispatcherType;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import prantel.server.web.PersonLimits;

/** Puts the table of {@link Access} before every call. */
@Configuration
class SecurityConfiguration {
    private static final String POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:;"
            + " object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            SecurityContextRepository contexts,
            InWords inWords,
            StillIn stillIn,
            PersonLimits personLimits)
            throws Exception {
        return http.authorizeHttpRequests(requests -> {
                    requests.dispatcherTypeMatchers(DispatcherType.FORWARD, DispatcherType.ERROR, DispatcherType.ASYNC)
                            .permitAll();
                    for (Access access : Access.values()) {
                        var matched = requests.requestMatchers(access.matcher());
                        if (access.isOpen()) {
                            matched.permitAll();
                        } else if (access.isForAPerson()) {
                            matched.hasAuthority(SignedIn.A_PERSON);
                        } else if (access.needed().length == 0) {
                            matched.authenticated();
                        } else {
                            matched.hasAnyRole(access.needed());
                        }
                    }
                    // only the pages themselves are left, and they hold no data
                    requests.anyRequest().permitAll();
                })
                .addFilterBefore(stillIn, AuthorizationFilter.class)
                .addFilterBefore(personLimits, AuthorizationFilter.class)
                .csrf(csrf -> csrf.spa())
                .securityContext(c -> c.securityContextRepository(contexts))
                .exceptionHandling(
                        e -> e.authenticationEntryPoint((request, response, why) -> inWords.signedOut(response))
                                .accessDeniedHandler((request, response, why) -> inWords.notYours(response)))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(POLICY))
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN)))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .formLogin(f -> f.disable())
                .httpBasic(b -> b.disable())
                .build();
    }

    @Bean
    SecurityContextRepository securityContexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder();
    }
}
