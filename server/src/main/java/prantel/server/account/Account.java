package prantel.server.account;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/** A person who signs in. `lockedUntil` is null unless guessing locked the account. */
public record Account(
        String accountId,
        String name,
        Role role,
        String passwordHash,
        int failedSignIns,
        @Nullable OffsetDateTime lockedUntil) {}
