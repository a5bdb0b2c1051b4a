package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import prantel.server.account.Role;

/** {@link Access} as it is asked about one call. */
public final class AccessTable {
    private AccessTable() {}

    /** @param open whether somebody not signed in may call it */
    public record Line(Access access, boolean open) {
        public boolean allows(Role role) {
            return access.allows(role);
        }
    }

    /** The line that decides. @throws IllegalArgumentException for a call that is none of the interface's */
    public static Line of(HttpServletRequest request) {
        for (Access access : Access.values()) {
            if (access.matcher().matches(request)) {
                return new Line(access, access.isOpen());
            }
        }
        throw new IllegalArgumentException(request.getRequestURI());
    }
}
