package prantel.core.practice;

import java.util.Optional;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.End;

/**
 * Something at a rig that can be touched, with a probe or with a hand.
 *
 * @param id stable within the rig, for the wire; read nowhere
 * @param label as people call it
 * @param cover what must be off before it can be reached; empty where nothing is in the way
 */
public record Place(String id, Contact contact, Terminal terminal, String label, Optional<Cover> cover) {
    /** The conductor's end that it is, where it is one that can be taken out. */
    public Optional<End> end() {
        return contact instanceof Contact.AtEnd(End end) ? Optional.of(end) : Optional.empty();
    }
}
