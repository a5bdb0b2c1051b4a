package prantel.core.procedure;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.network.Edit;
import prantel.core.procedure.RigState.Fact;

/** One deed at a rig in the trade's words. Common practice, no source, unless a line says otherwise. */
public sealed interface Action {
    /** As it is told to somebody who does it. */
    String words();

    /** What it does to the network of the compiled rig; empty for one that changes nothing there. */
    default List<Edit> edits() {
        return List.of();
    }

    /** What must be true before it. */
    default Set<Fact> needs() {
        return Set.of();
    }

    /** What is true of the rig after it. */
    default Set<Fact> makes() {
        return Set.of();
    }

    /** What joins it to the deed before in one sentence; empty where it is told by itself. */
    default Optional<String> joinedBy() {
        return Optional.empty();
    }

    /** A few seconds, a screwdriver, or a walk: 1, 2, 4. For comparing set-ups, not for a clock. */
    default int effort() {
        return 1;
    }

    /** The main switch of a board opened. @param edits its poles */
    record MainSwitchOff(String words, List<Edit> edits) implements Action {
        public MainSwitchOff {
            edits = List.copyOf(edits);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.ISOLATED);
        }
    }

    /** A lock on, tagged, the key on the person. */
    record LockOff() implements Action {
        @Override
        public String words() {
            return "locked";
        }

        @Override
        public Set<Fact> needs() {
            return Set.of(Fact.ISOLATED);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.LOCKED);
        }

        @Override
        public Optional<String> joinedBy() {
            return Optional.of(", ");
        }
    }

    /** Every pair, the indicator proved before and after. @param words with the pairs */
    record ProveDead(String words) implements Action {
        @Override
        public Set<Fact> needs() {
            return Set.of(Fact.ISOLATED, Fact.LOCKED);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.PROVED_DEAD);
        }

        @Override
        public Optional<String> joinedBy() {
            return Optional.of(", ");
        }

        @Override
        public int effort() {
            return 2;
        }
    }

    /** What a conductor is, that is taken out of its terminal. */
    enum Part {
        CONDUCTOR(Fact.CONDUCTOR_OUT),
        /** The whole installation is isolated before it comes off. */
        BOND(Fact.BOND_OFF),
        /** Likewise; it goes back before anything else. */
        EARTHING_CONDUCTOR(Fact.EARTH_OFF);

        private final Fact fact;

        Part(Fact fact) {
            this.fact = fact;
        }
    }

    /** A conductor's end out of its terminal. */
    record TakeOut(String words, Part part, List<Edit> edits) implements Action {
        public TakeOut {
            edits = List.copyOf(edits);
        }

        @Override
        public Set<Fact> needs() {
            return part == Part.EARTHING_CONDUCTOR
                    ? Set.of(Fact.ISOLATED, Fact.LOCKED)
                    : Set.of(Fact.ISOLATED, Fact.LOCKED, Fact.PROVED_DEAD);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(part.fact);
        }

        @Override
        public int effort() {
            return 2;
        }
    }

    /** Two conductors joined for a test. @param joinedBy as {@link Action#joinedBy()} */
    record Link(String words, List<Edit> edits, Optional<String> joinedBy) implements Action {
        public Link {
            edits = List.copyOf(edits);
        }

        public Link(String words, List<Edit> edits) {
            this(words, edits, Optional.empty());
        }

        @Override
        public Set<Fact> needs() {
            return Set.of(Fact.PROVED_DEAD);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.LINK_IN);
        }

        @Override
        public int effort() {
            return 2;
        }
    }

    /** The ends of a ring joined crosswise: each conductor of one leg with the other conductor of the other leg. */
    record Cross(String words, List<Edit> edits) implements Action {
        public Cross {
            edits = List.copyOf(edits);
        }

        @Override
        public Set<Fact> needs() {
            return Set.of(Fact.PROVED_DEAD, Fact.CONDUCTOR_OUT);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.LINK_IN);
        }

        @Override
        public int effort() {
            return 4;
        }
    }

    /** Breakers and other devices switched off, or switches operated. */
    record Operate(String words, List<Edit> edits) implements Action {
        public Operate {
            edits = List.copyOf(edits);
        }
    }

    /** Loads, lamps, electronics, surge protection out or off. */
    record TakeLoadsOut(String words) implements Action {
        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.LOADS_OUT);
        }

        @Override
        public int effort() {
            return 4;
        }
    }

    /** Links out, conductors, bonds and earth back and tight, covers on. */
    record Reinstate(String words) implements Action {
        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.REINSTATED);
        }

        @Override
        public int effort() {
            return 4;
        }
    }

    /** With permission, everybody warned. */
    record Energise(String words) implements Action {
        @Override
        public Set<Fact> needs() {
            return Set.of(Fact.REINSTATED);
        }

        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.ENERGISED);
        }

        @Override
        public Optional<String> joinedBy() {
            return Optional.of(", ");
        }
    }

    /** The leads nulled with all that will be in use. */
    record NullLeads(String words) implements Action {
        @Override
        public Set<Fact> makes() {
            return Set.of(Fact.LEADS_NULLED);
        }
    }

    /** Where the probes go, and how. @param joinedBy as {@link Action#joinedBy()} */
    record PutProbes(String words, Optional<String> joinedBy) implements Action {
        public PutProbes(String words) {
            this(words, Optional.empty());
        }
    }

    /** Nothing is done: what is left as it is, or what is watched for. */
    record Heed(String words) implements Action {}
}
