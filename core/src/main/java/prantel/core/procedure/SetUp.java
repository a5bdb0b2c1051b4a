package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import prantel.core.network.Edit;

/**
 * What is done to a rig before the probes go on: a list of actions. Its words, its edits and what is true of the rig then
 * come from them.
 */
public final class SetUp {
    private final List<Action> actions;
    private final List<Edit> isolation;
    private final List<Edit> edits;

    public SetUp(List<Action> actions) {
        this.actions = List.copyOf(actions);
        this.isolation = this.actions.stream()
                .filter(Action.MainSwitchOff.class::isInstance)
                .flatMap(a -> a.edits().stream())
                .toList();
        this.edits = this.actions.stream()
                .filter(a -> !(a instanceof Action.MainSwitchOff))
                .flatMap(a -> a.edits().stream())
                .toList();
    }

    /** In the order they are done. */
    public List<Action> actions() {
        return actions;
    }

    /** Main switches that are off, as edits of the compiled rig: many set-ups have them in common. */
    public List<Edit> isolation() {
        return isolation;
    }

    /** All else, as edits of the rig so isolated. */
    public List<Edit> edits() {
        return edits;
    }

    /** In words, a line for each sentence. */
    public List<String> steps() {
        List<String> lines = new ArrayList<>();
        for (Action action : actions) {
            if (action.joinedBy().isPresent() && !lines.isEmpty()) {
                lines.add(lines.removeLast() + action.joinedBy().get() + action.words());
            } else {
                lines.add(action.words());
            }
        }
        return lines;
    }

    /** The same with some actions left out: what somebody did who forgot them. */
    public SetUp without(Predicate<Action> forgotten) {
        return new SetUp(actions.stream().filter(a -> !forgotten.test(a)).toList());
    }

    /** What is true of the rig then. */
    public RigState state() {
        return RigState.of(actions);
    }

    /** Of all its actions together. */
    public int effort() {
        return actions.stream().mapToInt(Action::effort).sum();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof SetUp o && actions.equals(o.actions);
    }

    @Override
    public int hashCode() {
        return actions.hashCode();
    }
}
