package prantel.core.inference;

import java.util.Collections;
import java.util.Map;
import java.util.Set;
import prantel.core.sequence.SlotId;

/**
 * One way the record may have come about: a kind of cause at a place, with what it says of every box it touches.
 *
 * @param words what was done otherwise, for people: "without the link at the board"
 * @param places how many of its kind are tried: its prior is shared among them
 * @param from boxes of the record whose figures stand in those it touches; empty where none were taken over
 * @param blame what it says of the rig's faults
 */
record World(Cause cause, String words, Map<SlotId, Predicted> says, int places, Set<SlotId> from, Blame blame) {
    World {
        says = Map.copyOf(says);
        from = Set.copyOf(from);
    }

    World(Cause cause, String words, Map<SlotId, Predicted> says, int places) {
        this(cause, words, says, places, Set.of(), Blame.NONE);
    }

    World(Cause cause, String words, Map<SlotId, Predicted> says, int places, Set<SlotId> from) {
        this(cause, words, says, places, from, Blame.NONE);
    }

    World(Cause cause, String words, Map<SlotId, Predicted> says, int places, Blame blame) {
        this(cause, words, says, places, Set.of(), blame);
    }

    /** Whether it takes over what the other one took from it: figures have to come from somewhere. */
    boolean goesRoundWith(World other) {
        return !Collections.disjoint(from, other.says.keySet()) && !Collections.disjoint(other.from, says.keySet());
    }

    double logPrior() {
        return cause.logPrior() - Math.log(Math.max(1, places));
    }
}
