package prantel.server.security;

import jakarta.servlet.DispatcherType;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Which role may call what. Whose record it is, the services decide. */
@Configuration
class SecurityConfiguration {
    private static final String POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:;"
            + " object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, InWords inWords) throws Exception {
        return http.authorizeHttpRequests(
                        requests -> requests.dispatcherTypeMatchers(DispatcherType.FORWARD, DispatcherType.ERROR)
                                .permitAll()
                                .requestMatchers("/api/session", "/api/demo/**", "/api/set-up")
                                .permitAll()
                                .requestMatchers("/api/reference/**")
                                .authenticated()
                                .requestMatchers("/api/my/**")
                                .hasRole("CANDIDATE")
                                .requestMatchers("/api/workshop/**")
                                .hasRole("ADMINISTRATOR")
                                .requestMatchers("/api/**")
                                .hasAnyRole("ASSESSOR", "ADMINISTRATOR")
                                .anyRequest()
                                // only the pages themselves are left, and they hold no data
                                .permitAll())
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
