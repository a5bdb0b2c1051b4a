package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.network.Terminal;
import prantel.core.quantity.Unit;
import prantel.core.rig.CircuitId;

/** One box to be filled on the candidate's sheet. */
public sealed interface Slot {
    SlotId id();

    TestStep step();

    /** The circuit it belongs to; empty for bonding. */
    Optional<CircuitId> circuit();

    /** "R1+R2", "R2", "L–E". */
    String quantity();

    /** "socket 3", "water pipe, on the clamp". */
    String where();

    Unit boxUnit();

    /** What the box is judged against; empty for a box that is only written down. */
    Optional<Limit> limit();

    /**
     * A reading taken with two probes.
     *
     * @param atMetres cable distance from the board, m; negative where the slot has none
     */
    record Measured(
            SlotId id,
            TestStep step,
            Optional<CircuitId> circuit,
            String quantity,
            String where,
            double atMetres,
            Function function,
            SetUp setUp,
            Terminal probeA,
            Terminal probeB,
            Unit boxUnit,
            Optional<Limit> limit)
            implements Slot {}

    /** The highest of several readings, written down as the circuit's result. */
    record Highest(
            SlotId id,
            TestStep step,
            Optional<CircuitId> circuit,
            String quantity,
            String where,
            List<SlotId> of,
            Unit boxUnit,
            Optional<Limit> limit)
            implements Slot {
        public Highest {
            of = List.copyOf(of);
        }
    }
}
