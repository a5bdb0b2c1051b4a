package prantel.server.faultbox;

import java.time.OffsetDateTime;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A fault box as it was last heard.
 *
 * @param contact whether it answers at this moment
 * @param relays how many it has; 0 while it was never heard
 * @param commanded relays this server wants in
 * @param closed relays whose contacts say they are in; empty without contact
 * @param heardAt when it last answered
 * @param says what is wrong, for people; empty when nothing is
 */
public record BoxState(
        boolean contact,
        int relays,
        Set<Integer> commanded,
        Set<Integer> closed,
        @Nullable OffsetDateTime heardAt,
        String says) {
    public BoxState {
        commanded = Set.copyOf(commanded);
        closed = Set.copyOf(closed);
    }
}
