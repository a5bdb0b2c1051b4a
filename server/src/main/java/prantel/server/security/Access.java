package prantel.server.security;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpMethod;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.util.matcher.OrRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import prantel.server.account.Role;

/**
 * Which role may make which calls: the one table. The first line that fits counts. Whose record it is, the services decide.
 * docs/access.md is made from it.
 */
public enum Access {
    SIGNING_IN(Whom.ANYBODY, List.of(), "/api/session", "/api/set-up", "/api/invitations", "/api/pairing"),
    DEMO(Whom.ANYBODY, List.of(), "/api/demo/**"),
    OWN_ACCOUNT(Whom.A_PERSON, List.of(), "/api/me/**"),
    TABLES(Whom.SIGNED_IN, List.of(), "/api/reference/**"),
    OWN_SHEETS(EnumSet.of(Role.CANDIDATE), List.of(), "/api/my/**"),
    /** Everybody's own, and nobody else's: not from a tablet that was only let in to one sheet. */
    PRACTICE(Whom.A_PERSON, List.of(), "/api/practice", "/api/practice/**"),
    PEOPLE(EnumSet.of(Role.ADMINISTRATOR), List.of(), "/api/workshop/people/**"),
    WORKSHOP(EnumSet.of(Role.ADMINISTRATOR, Role.TECHNICIAN), List.of(), "/api/workshop/**"),
    /** A blank sheet is about nobody, but its scheme is the assessors'. */
    BLANK_SHEETS(EnumSet.of(Role.LEAD, Role.ASSESSOR, Role.TECHNICIAN), List.of(HttpMethod.GET), "/api/rigs/*/paper"),
    /** Describing rigs and measuring them healthy. */
    RIGS(
            EnumSet.of(Role.LEAD, Role.ASSESSOR, Role.TECHNICIAN),
            List.of(),
            "/api/rigs/**",
            "/api/rig-templates",
            "/api/simulated-boxes/**"),
    READ_SCHEMES(EnumSet.of(Role.LEAD, Role.ASSESSOR, Role.TECHNICIAN), List.of(HttpMethod.GET), "/api/schemes/**"),
    /** Everything else: assessments, marks, sets of faults. */
    ASSESSING(EnumSet.of(Role.LEAD, Role.ASSESSOR), List.of(), "/api/**");

    private enum Whom {
        ANYBODY,
        SIGNED_IN,
        /** With a password: not a tablet that was only let in to one sheet. */
        A_PERSON,
        ROLES
    }

    private final Whom whom;
    private final Set<Role> roles;
    private final List<HttpMethod> methods;
    private final List<String> paths;

    Access(Whom whom, Set<Role> roles, List<HttpMethod> methods, String... paths) {
        this.whom = whom;
        this.roles = roles;
        this.methods = methods;
        this.paths = List.of(paths);
    }

    Access(Whom whom, List<HttpMethod> methods, String... paths) {
        this(whom, EnumSet.noneOf(Role.class), methods, paths);
    }

    Access(Set<Role> roles, List<HttpMethod> methods, String... paths) {
        this(Whom.ROLES, roles, methods, paths);
    }

    RequestMatcher matcher() {
        PathPatternRequestMatcher.Builder builder = PathPatternRequestMatcher.withDefaults();
        List<RequestMatcher> all = paths.stream()
                .flatMap(path -> methods.isEmpty()
                        ? java.util.stream.Stream.<RequestMatcher>of(builder.matcher(path))
                        : methods.stream().<RequestMatcher>map(m -> builder.matcher(m, path)))
                .toList();
        return new OrRequestMatcher(all);
    }

    /** Whether somebody not signed in may call it. */
    public boolean isOpen() {
        return whom == Whom.ANYBODY;
    }

    boolean isForAPerson() {
        return whom == Whom.A_PERSON;
    }

    /** Whether one role suffices for it. */
    public boolean allows(Role role) {
        return whom != Whom.ROLES || roles.contains(role);
    }

    /** Authorities of which one is needed; empty where being signed in is enough. */
    String[] needed() {
        return Arrays.stream(Role.values())
                .filter(r -> whom == Whom.ROLES && roles.contains(r))
                .map(Role::name)
                .toArray(String[]::new);
    }
}
