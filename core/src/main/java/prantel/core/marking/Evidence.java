package prantel.core.marking;

import java.util.List;
import java.util.Optional;

/** Why a mark is proposed, as data; {@link Sentences} says it. */
public sealed interface Evidence {
    /** One box with what is the matter: "socket 3", is above. */
    record Box(String place, How how) {}

    enum How {
        NO_READING,
        ABOVE,
        BELOW,
        OVER_RANGE,
        SAYS_OTHERWISE,
        NOT_JUDGED,
        JUDGED_WRONGLY,
        PASSED_THOUGH_IT_FAILS
    }

    /**
     * All that is off is very likely the rig's or the tester's: nobody's until that was looked at.
     *
     * @param cause as it is called
     * @param of how many readings
     * @param off how many of them are off
     */
    record ByTheRig(String cause, int of, int off) implements Evidence {}

    /** A habit that another mark is charged with. @param habit as it is called @param where it is charged */
    record ChargedOnce(String habit, String where) implements Evidence {}

    /** A fault that the readings say is not where it was set. @param named what the candidate named, empty for nothing */
    record NotAsSet(String cause, String named) implements Evidence {}

    /** @param of how many readings @param off those that are not what the rig gives @param withLeads those right less the leads */
    record Measured(int of, List<Box> off, int withLeads) implements Evidence {
        public Measured {
            off = List.copyOf(off);
        }
    }

    /** @param circuit that was passed though it fails, as it is called; empty where none was */
    record Judged(String circuit, List<Box> wrong) implements Evidence {
        public Judged {
            wrong = List.copyOf(wrong);
        }
    }

    /** @param any whether a continuity reading is on the sheet @param carrying how many carry the leads */
    record Leads(boolean any, int carrying) implements Evidence {}

    /** What stands where one of several belongs. */
    sealed interface Chosen extends Evidence {}

    /** @param box empty where it is the circuit's */
    record NothingChosen(String box) implements Chosen {}

    record OverRangeChosen() implements Chosen {}

    /** @param rule in words; empty for the highest */
    record RightChosen(String rule) implements Chosen {}

    record NumberBelowOverRange() implements Chosen {}

    /** A number stands for a sum although one of its parts is over-range. */
    record SumOfOverRange() implements Chosen {}

    record ChosenFromNothing() implements Chosen {}

    record NotTheirOwn() implements Chosen {}

    record AnotherChosen(String written, String rule, String right) implements Chosen {}

    /** @param filled how many of the two methods are on record for the circuit */
    record Methods(String circuit, int filled) implements Evidence {}

    /** @param what kind of reading @param any whether one is there @param remark on the first that is badly written */
    record Written(String what, boolean any, Optional<String> remark) implements Evidence {}

    /** @param open places of boxes with nothing in them */
    record Filled(int of, List<String> open) implements Evidence {
        public Filled {
            open = List.copyOf(open);
        }
    }

    /** @param said how many boxes had their expected value said first @param of how many ask for it @param near how many came near */
    record Expected(int said, int of, int near) implements Evidence {}

    /** @param off what does not agree: "Zs of Parlour sockets: 0.61 Ω recorded, 0.48 Ω from its parts" */
    record Agreement(List<String> off) implements Evidence {
        public Agreement {
            off = List.copyOf(off);
        }
    }

    /** About faults that are set, named or invented. */
    sealed interface OfFaults extends Evidence {}

    record NotOnTheSheet() implements OfFaults {}

    /** @param named as the candidate names it, with its place */
    record Found(String named, boolean samePlace, boolean remedy) implements OfFaults {}

    record PartlyFound(String named, boolean place) implements OfFaults {}

    /** One aspect of a fault, right or not. */
    record AspectOf(String named, boolean right) implements OfFaults {}

    record NothingAtAll() implements OfFaults {}

    /** @param named what is not there */
    record Invented(List<String> named) implements OfFaults {
        public Invented {
            named = List.copyOf(named);
        }
    }

    record NotSeen() implements Evidence {}

    /** @param what was the matter with the rig or the instrument */
    record Spared(String what) implements Evidence {}

    record SeenRight() implements Evidence {}

    record SeenSlip(String slip) implements Evidence {}

    /** @param said points that were named */
    record Answer(List<String> said, int needed, int of) implements Evidence {
        public Answer {
            said = List.copyOf(said);
        }
    }

    /** @param broken the two deeds of each broken rule, and why it is one */
    record Order(List<Broken> broken) implements Evidence {
        public Order {
            broken = List.copyOf(broken);
        }
    }

    /** @param open boxes of the first that were empty when the other was begun; 0 where it was not begun */
    record Broken(String then, String first, String why, int open) {}

    /**
     * @param what stopped it
     * @param unseen what is safety and nobody saw
     * @param permitted what the assessor let happen, with a reason: told, and not held against the candidate
     */
    record Unsafe(List<String> what, List<String> unseen, List<String> permitted) implements Evidence {
        public Unsafe {
            what = List.copyOf(what);
            unseen = List.copyOf(unseen);
            permitted = List.copyOf(permitted);
        }
    }
}
