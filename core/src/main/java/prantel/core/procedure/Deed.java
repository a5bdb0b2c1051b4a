package prantel.core.procedure;

import java.util.List;
import prantel.core.instrument.Tester.Function;
import prantel.core.rig.BoardId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;

/**
 * One deed at a rig: what is done, and to what. {@link DeedEdits} says what it does to the network, {@link DeedWords} how it
 * is told, {@link RigState} what is true after it, {@link Need} what must be true before it.
 */
public sealed interface Deed {
    /** The main switch of a board opened. */
    record MainSwitchOff(BoardId board) implements Deed {}

    /** A lock on, tagged, the key on the person. */
    record LockOff(BoardId board) implements Deed {}

    /** The lock off again. */
    record Unlock(BoardId board) implements Deed {}

    /** Every pair behind the main switch, the indicator proved before and after. */
    record ProveDead(BoardId board) implements Deed {}

    /** Conductors' ends out of their terminals. */
    record TakeOut(List<End> ends) implements Deed {
        public TakeOut {
            ends = List.copyOf(ends);
        }

        public TakeOut(End end) {
            this(List.of(end));
        }
    }

    /** Back into their own terminals, to the stated torque. */
    record PutBack(List<End> ends) implements Deed {
        public PutBack {
            ends = List.copyOf(ends);
        }
    }

    /** An end that is out, into another place than its own. */
    record PutElsewhere(End end, Contact where) implements Deed {}

    /** Joined for a test. */
    record Link(List<Joint> joints) implements Deed {
        public Link {
            joints = List.copyOf(joints);
        }

        public Link(Joint joint) {
            this(List.of(joint));
        }
    }

    /** A link out again. */
    record Unlink(Joint joint) implements Deed {}

    /** Two places joined. */
    record Joint(Contact a, Contact b) {}

    /** The ends of a ring joined for step 2 or 3. @param with what the lines are joined with: neutral or CPC */
    record Cross(CircuitId ring, Conductor with, Legs legs) implements Deed {
        public Cross(CircuitId ring, Conductor with) {
            this(ring, with, Legs.CROSSWISE);
        }
    }

    /** The ends of a ring apart again. */
    record Uncross(CircuitId ring) implements Deed {}

    /** Which ends are joined. */
    enum Legs {
        /** The line of each leg with the other conductor of the other leg. */
        CROSSWISE,
        /** Each leg with itself: the usual mistake. */
        EACH_WITH_ITSELF,
        /** Crosswise, but only the line of the first leg. */
        FIRST_LINE_ONLY,
        /** Crosswise, but only the line of the second leg. */
        SECOND_LINE_ONLY
    }

    /** A device or switch put into a position. */
    record Operate(Position position) implements Deed {}

    /** All loads, lamps, electronics out or off. @param surge surge protection as well */
    record TakeLoadsOut(boolean surge) implements Deed {}

    /** One load in again, or left in. */
    record LoadIn(CircuitId circuit, PointId point) implements Deed {}

    /** One load out or off. */
    record LoadOut(CircuitId circuit, PointId point) implements Deed {}

    /** Surge protection in again, or left in. */
    record SurgeProtectionIn(BoardId board) implements Deed {}

    record SurgeProtectionOut(BoardId board) implements Deed {}

    record CoverOff(Cover cover) implements Deed {}

    record CoverOn(Cover cover) implements Deed {}

    /** The two-pole indicator on its proving unit. */
    record ProveIndicator() implements Deed {}

    /** The leads nulled with all that will be in use. */
    record NullLeads(Leads leads) implements Deed {}

    /** Which leads, and where the wander lead is. */
    enum Leads {
        PAIR,
        /** One lead stays on the MET. */
        WANDER_ON_MET,
        /** One lead stays on the conductor's free end. */
        WANDER_ON_FREE_END
    }

    /** The tester's function chosen, with its test voltage where it has one. */
    record Choose(Function function) implements Deed {}

    /** What an RCD tester draws. @param milliamps mA @param negativeHalf starting with the negative half-wave, 180° */
    record SetTestCurrent(double milliamps, boolean negativeHalf) implements Deed {}

    /** The tester's own button: a reading is taken. */
    record TakeReading() implements Deed {}

    record PutProbes(ProbesAt at) implements Deed {}

    /** @param device id of {@link prantel.core.rig.Residuals.Placed} */
    record PressTestButton(String device) implements Deed {}

    /** A device that tripped, on again. @param device as above */
    record Reset(String device) implements Deed {}

    /** Links out, conductors, bonds and earth back and tight, covers on. */
    record CloseUp() implements Deed {}

    /** With permission, everybody warned: the main switch of a board on. */
    record Energise(BoardId board) implements Deed {}

    /** Nothing is done. */
    record Heed(Caution caution) implements Deed {}
}
