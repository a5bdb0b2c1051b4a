package prantel.core.fault;

import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;

/** Where on a rig a fault sits. */
public sealed interface Place {

    /** For sentences: "socket 3, Kitchen sockets". */
    String label(Rig rig);

    record AtPoint(CircuitId circuit, PointId point) implements Place {
        @Override
        public String label(Rig rig) {
            return rig.circuit(circuit).point(point).label() + ", "
                    + rig.circuit(circuit).label();
        }
    }

    record AtBond(BondId bond) implements Place {
        @Override
        public String label(Rig rig) {
            return "bond to " + rig.bond(bond).part();
        }
    }
}
