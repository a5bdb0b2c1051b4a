package prantel.core.survey;

import java.util.Optional;
import prantel.core.rig.CircuitId;

/**
 * Something about a rig that is allowed and yet wants a look.
 *
 * @param code stable name of the kind of warning
 * @param says one sentence with the numbers
 * @param source why it is worth a look; empty where the sentence says it
 */
public record Warning(String code, Optional<CircuitId> circuit, String says, String source) {}
