package prantel.core.sequence;

import java.util.Optional;
import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.rig.SectionId;

/** Where a box belongs. */
public sealed interface Site {
    /** The circuit it is marked and shown with; empty for what belongs to the rig. */
    default Optional<CircuitId> circuit() {
        return Optional.empty();
    }

    default Optional<PointId> point() {
        return Optional.empty();
    }

    /** Whether both are the same item of an inspection, or neither is one: each item asks for something else. */
    default boolean isItem(Site other) {
        return !(this instanceof Item) && !(other instanceof Item) || equals(other);
    }

    /** One that belongs to a circuit. */
    sealed interface InCircuit extends Site {
        CircuitId of();

        @Override
        default Optional<CircuitId> circuit() {
            return Optional.of(of());
        }
    }

    /** Where the supply arrives at the rig. */
    record Origin() implements Site {}

    /** The installation's own electrode. */
    record Electrode() implements Site {}

    record EarthingConductor() implements Site {}

    /** @param part on the bare metal beside the clamp; false on the clamp itself */
    record Bond(BondId bond, boolean part) implements Site {}

    record SupplementaryBond(BondId bond) implements Site {}

    record AtBoard(BoardId board) implements Site {}

    record AtSection(BoardId board, SectionId section) implements Site {}

    /** A circuit as a whole, or at the board. */
    record Whole(CircuitId of) implements InCircuit {}

    /** The far end of a submain. */
    record FarEnd(CircuitId of) implements InCircuit {}

    record AtPoint(CircuitId of, PointId at) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(at);
        }
    }

    /** Exposed metal of a point. */
    record Metalwork(CircuitId of, PointId at) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(at);
        }
    }

    /** An isolator that is off. */
    record IsolatorOff(CircuitId of, PointId at) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(at);
        }
    }

    /** A lamp with one of its switches operated. */
    record LampFrom(CircuitId of, PointId at, String group, PointId operated) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(at);
        }
    }

    /** A lamp in one of the positions in which it is on, counted from 1. */
    record LampOn(CircuitId of, PointId at, String group, int position) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(at);
        }
    }

    /** Lights that are switched together. @param lamp the last of them */
    record Lights(CircuitId of, String group, PointId lamp) implements InCircuit {
        @Override
        public Optional<PointId> point() {
            return Optional.of(lamp);
        }
    }

    /**
     * A residual-current device.
     *
     * @param device id of {@link prantel.core.rig.Residuals.Placed}
     * @param socket where its tester is plugged in; empty for its own outgoing terminals
     */
    record OfDevice(String device, Optional<AtPoint> socket) implements Site {}

    /** An item of an inspection. @param id of the scheme */
    record Item(String id) implements Site {}

    /** When an indicator is proved. */
    enum Proving implements Site {
        BEFORE,
        AFTER
    }

    /** How the rig is left. */
    record Left() implements Site {}
}
