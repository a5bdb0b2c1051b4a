package prantel.core.inference;

import java.util.Map;
import prantel.core.sequence.SlotId;

/**
 * One way the record may have come about: a kind of cause at a place, with what it says of every box it touches.
 *
 * @param words what was done otherwise, for people: "without the link at the board"
 * @param places how many of its kind are tried: its prior is shared among them
 */
record World(Cause cause, String words, Map<SlotId, Predicted> says, int places) {
    World {
        says = Map.copyOf(says);
    }

    double logPrior() {
        return cause.logPrior() - Math.log(Math.max(1, places));
    }
}
