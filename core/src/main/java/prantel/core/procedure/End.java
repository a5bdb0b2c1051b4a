package prantel.core.procedure;

import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.SectionId;

/** An end of a conductor that can be taken out of its terminal. */
public sealed interface End {
    /** At the board. @param second the other end of a ring; false for every other circuit */
    record AtBoard(CircuitId circuit, Conductor conductor, boolean second) implements End {
        public AtBoard(CircuitId circuit, Conductor conductor) {
            this(circuit, conductor, false);
        }
    }

    /**
     * Behind the cover of a point.
     *
     * @param point of {@link Side#DEPARTING} the point the cable leads to
     */
    record AtPoint(CircuitId circuit, PointId point, Conductor conductor, Side side) implements End {}

    /** Which cable of a point a conductor's end belongs to. */
    enum Side {
        /** The cable that arrives from the board. */
        INCOMING,
        /** The cable to the next of the chain. */
        OUTGOING,
        /** The cable of a spur, branch, lamp or switch, where it leaves the point it comes from. */
        DEPARTING
    }

    /** A bonding conductor's, at the MET. */
    record OfBond(BondId bond) implements End {}

    /** The neutral's between a board's main switch and the bar of a section, at the bar. */
    record OfNeutralTail(BoardId board, SectionId section) implements End {}

    /** The earthing conductor's, at the MET. */
    record OfEarthing() implements End {}
}
