package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;

/** What is measured between which probes. */
public sealed interface Measurement {
    Function function();

    /** Whether something is measured or operated, not only looked at. */
    default boolean isReading() {
        return !(this instanceof Looked || this instanceof Inspected);
    }

    /** Whether it is found with hand and eye, and no tester. */
    default boolean isByEye() {
        return this instanceof Looked || this instanceof Inspected || this instanceof Operation;
    }

    /**
     * Two probes: resistance, voltage, loop impedance or prospective current, as the function says.
     *
     * @param neutral where the third lead of a three-lead test is held; empty where there is none
     */
    record TwoProbe(Function function, Terminal a, Terminal b, Optional<Terminal> neutral) implements Measurement {
        public TwoProbe(Function function, Terminal a, Terminal b) {
            this(function, a, b, Optional.empty());
        }
    }

    /**
     * An RCD tester between line and earth.
     *
     * @param milliamps test current, mA; for the ramp where it ends
     * @param negativeHalf starting with the negative half-wave, 180°
     */
    record Trip(Function function, Terminal line, Terminal earth, double milliamps, boolean negativeHalf)
            implements Measurement {}

    /** The test button of a device. @param device id of {@link prantel.core.rig.Residuals.Placed} */
    record Button(String device) implements Measurement {
        @Override
        public Function function() {
            return Function.RCD_BUTTON;
        }
    }

    /**
     * Looked at or done, not measured: on every rig it comes out well, and what counts is that it was done.
     *
     * @param saying what is written then
     */
    record Looked(Saying saying) implements Measurement {
        @Override
        public Function function() {
            return Function.OPERATION;
        }
    }

    /**
     * An item of an inspection: what is written depends on the faults that are found there.
     *
     * @param faults kinds that are
     * @param coded whether a code is written, or only that it is not satisfactory
     */
    record Inspected(Set<String> faults, boolean coded) implements Measurement {
        public Inspected {
            faults = Set.copyOf(faults);
        }

        @Override
        public Function function() {
            return Function.OPERATION;
        }
    }

    record Rotation(Terminal l1, Terminal l2, Terminal l3) implements Measurement {
        @Override
        public Function function() {
            return Function.PHASE_ROTATION;
        }
    }

    /**
     * Current through a load that is put in.
     *
     * @param loadOhms at mains voltage, Ω
     * @param connected what else comes with it: the leak of an element to its metal
     */
    record LoadCurrent(Terminal a, Terminal b, double loadOhms, List<Edit> connected) implements Measurement {
        public LoadCurrent {
            connected = List.copyOf(connected);
        }

        @Override
        public Function function() {
            return Function.CLAMP;
        }
    }

    /**
     * Operated and looked at: it works if every trial comes out as it should.
     *
     * @param right what is said then
     * @param wrong what is said where one does not
     */
    record Operation(List<Trial> trials, Saying right, Saying wrong) implements Measurement {
        public Operation {
            trials = List.copyOf(trials);
        }

        public Operation(List<Trial> trials) {
            this(trials, Saying.WORKS, Saying.DOES_NOT_WORK);
        }

        /** Of all of a circuit: what does not come out is written beside it. */
        static Operation ofAll(List<Trial> trials) {
            return new Operation(trials, Saying.ALL_RIGHT, Saying.NOT_ALL_RIGHT);
        }

        @Override
        public Function function() {
            return Function.OPERATION;
        }
    }

    /** One position of what is operated. @param energised whether mains voltage must stand between a and b */
    record Trial(List<Edit> position, Terminal a, Terminal b, boolean energised) {
        public Trial {
            position = List.copyOf(position);
        }
    }
}
