package prantel.core.sequence;

import java.util.List;
import prantel.core.network.Edit;

/**
 * What is done to the rig before the probes go on.
 *
 * @param steps in words, in order
 * @param isolation the first of them as edits of the compiled rig: what is switched off, which many set-ups have in common
 * @param edits the others, as edits of the rig so isolated
 */
public record SetUp(List<String> steps, List<Edit> isolation, List<Edit> edits) {
    public SetUp {
        steps = List.copyOf(steps);
        isolation = List.copyOf(isolation);
        edits = List.copyOf(edits);
    }
}
