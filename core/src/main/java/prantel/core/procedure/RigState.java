package prantel.core.procedure;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What is true of a rig, by what was done to it and by nothing else. */
public record RigState(Set<Fact> facts) {
    public RigState {
        facts = Set.copyOf(facts);
    }

    /** As a rig stands before anybody comes: live, closed up. */
    public static final RigState UNTOUCHED = new RigState(Set.of());

    /** Something that is true. */
    public enum Fact {
        ISOLATED("isolated"),
        LOCKED("locked off"),
        PROVED_DEAD("proved dead"),
        CONDUCTOR_OUT("a conductor is out of its terminal"),
        BOND_OFF("a bond is off"),
        EARTH_OFF("the earthing conductor is off"),
        LINK_IN("a link is in"),
        LOADS_OUT("loads are out"),
        LEADS_NULLED("the leads are nulled"),
        REINSTATED("everything is back and closed up"),
        ENERGISED("energised");

        private final String words;

        Fact(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public boolean is(Fact fact) {
        return facts.contains(fact);
    }

    public RigState after(Action action) {
        EnumSet<Fact> now = EnumSet.noneOf(Fact.class);
        now.addAll(facts);
        if (action instanceof Action.Reinstate) {
            now.removeAll(Set.of(Fact.CONDUCTOR_OUT, Fact.BOND_OFF, Fact.EARTH_OFF, Fact.LINK_IN));
        }
        if (action instanceof Action.Energise) {
            now.removeAll(Set.of(Fact.ISOLATED, Fact.LOCKED, Fact.PROVED_DEAD));
        }
        now.addAll(action.makes());
        if (now.contains(Fact.LINK_IN) || now.contains(Fact.CONDUCTOR_OUT) || now.contains(Fact.BOND_OFF)) {
            now.remove(Fact.REINSTATED);
        }
        return new RigState(now);
    }

    /** What an action needs and is not so; empty where it may be done. */
    public List<Fact> missingFor(Action action) {
        return action.needs().stream().filter(f -> !facts.contains(f)).sorted().toList();
    }

    /** After a list of actions, from {@link #UNTOUCHED} on. */
    public static RigState of(List<Action> actions) {
        RigState state = UNTOUCHED;
        for (Action action : actions) {
            state = state.after(action);
        }
        return state;
    }

    /** Actions that were done before what they need, in order. */
    public static List<Action> tooEarly(List<Action> actions) {
        List<Action> early = new ArrayList<>();
        RigState state = UNTOUCHED;
        for (Action action : actions) {
            if (!state.missingFor(action).isEmpty()) {
                early.add(action);
            }
            state = state.after(action);
        }
        return early;
    }
}
