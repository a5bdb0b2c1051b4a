package prantel.server.security;

import java.security.Principal;
import java.util.Optional;
import org.springframework.security.core.Authentication;

/** Whether a session was let in to one sheet only. */
public final class OneSheet {
    private OneSheet() {}

    /** @return the assessment; empty for a person who gave a password */
    public static Optional<String> of(Principal who) {
        return who instanceof Authentication a && a.getDetails() instanceof SignedIn.Details details
                ? Optional.ofNullable(details.tablet()).map(SignedIn.Tablet::sheet)
                : Optional.empty();
    }
}
