package prantel.core.procedure;

import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;

/** An end of a conductor that can be taken out of its terminal. */
public sealed interface End {
    /** At the board. @param second the other end of a ring; false for every other circuit */
    record AtBoard(CircuitId circuit, Conductor conductor, boolean second) implements End {
        public AtBoard(CircuitId circuit, Conductor conductor) {
            this(circuit, conductor, false);
        }
    }

    /** A bonding conductor's, at the MET. */
    record OfBond(BondId bond) implements End {}

    /** The earthing conductor's, at the MET. */
    record OfEarthing() implements End {}
}
