package prantel.server.account;

import java.time.OffsetDateTime;
import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A person who signs in.
 *
 * @param roleNames what the person may do, names with commas between them
 * @param generation counted up when sessions of before must end
 * @param blocked whether an administrator keeps the person out for now
 * @param leftAt since when the person is not of the workshop any more; records stay
 */
public record Account(
        String accountId,
        String name,
        String roleNames,
        String passwordHash,
        int generation,
        boolean blocked,
        @Nullable OffsetDateTime leftAt) {
    public Set<Role> roles() {
        Set<Role> roles = EnumSet.noneOf(Role.class);
        for (String role : roleNames.split(",")) {
            if (!role.isBlank()) {
                roles.add(Role.valueOf(role));
            }
        }
        return roles;
    }

    public boolean has(Role role) {
        return roles().contains(role);
    }

    /** Whether the person may come in at all. */
    public boolean isActive() {
        return !blocked && leftAt == null;
    }
}
