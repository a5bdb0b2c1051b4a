package prantel.core.sequence;

import java.util.List;
import prantel.core.network.Edit;

/**
 * What is done to the rig before the probes go on.
 *
 * @param steps in words, in order
 * @param edits the same as edits of the compiled rig
 */
public record SetUp(List<String> steps, List<Edit> edits) {
    public SetUp {
        steps = List.copyOf(steps);
        edits = List.copyOf(edits);
    }
}
