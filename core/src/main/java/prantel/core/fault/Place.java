package prantel.core.fault;

import java.util.Optional;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;

/** Where on a rig a fault sits. */
public sealed interface Place {

    /** For sentences: "socket 3, Kitchen sockets". */
    String label(Rig rig);

    /** The text used in files and requests: "sockets/socket-3", "sockets" (at the board), "bond/water", "supply". */
    String id();

    /** The circuit it belongs to; empty for the origin, boards and bonds. */
    default Optional<CircuitId> ofCircuit() {
        return Optional.empty();
    }

    /** Whether a rig has it. */
    default boolean isOn(Rig rig) {
        return FaultCatalogue.places(rig).contains(this);
    }

    record AtPoint(CircuitId circuit, PointId point) implements Place {
        @Override
        public boolean isOn(Rig rig) {
            return rig.circuits().stream()
                    .anyMatch(c -> c.id().equals(circuit) && c.points().stream().anyMatch(p -> p.id().equals(point)));
        }

        @Override
        public String label(Rig rig) {
            return rig.circuit(circuit).point(point).label() + ", "
                    + rig.circuit(circuit).label();
        }

        @Override
        public String id() {
            return circuit + "/" + point;
        }

        @Override
        public Optional<CircuitId> ofCircuit() {
            return Optional.of(circuit);
        }
    }

    /** Where a circuit starts: its device and its terminals in the board. */
    record AtCircuit(CircuitId circuit) implements Place {
        @Override
        public boolean isOn(Rig rig) {
            return rig.circuits().stream().anyMatch(c -> c.id().equals(circuit));
        }

        @Override
        public String label(Rig rig) {
            return rig.circuit(circuit).label() + ", at the board";
        }

        @Override
        public String id() {
            return circuit.value();
        }

        @Override
        public Optional<CircuitId> ofCircuit() {
            return Optional.of(circuit);
        }
    }

    record AtBoard(BoardId board) implements Place {
        @Override
        public String label(Rig rig) {
            return rig.board(board).label();
        }

        @Override
        public String id() {
            return board.value();
        }
    }

    /** A residual-current device. @param device as {@link Residuals.Placed#id} */
    record AtResidual(String device) implements Place {
        @Override
        public String label(Rig rig) {
            return placed(rig).label();
        }

        @Override
        public String id() {
            return "residual/" + device;
        }

        Residuals.Placed placed(Rig rig) {
            return Residuals.of(rig).stream()
                    .filter(p -> p.id().equals(device))
                    .findFirst()
                    .orElseThrow(() -> new ProblemsException(new Problem(
                            "unknown-device",
                            "at",
                            Check.quoted(device),
                            "give a residual-current device of this rig: "
                                    + String.join(
                                            ", ",
                                            Residuals.of(rig).stream()
                                                    .map(Residuals.Placed::id)
                                                    .toList()))));
        }
    }

    record AtBond(BondId bond) implements Place {
        @Override
        public String label(Rig rig) {
            return "bond to " + rig.bond(bond).part();
        }

        @Override
        public String id() {
            return "bond/" + bond;
        }
    }

    record AtSupplementaryBond(BondId bond) implements Place {
        @Override
        public String label(Rig rig) {
            return rig.earthing().supplementaryBonds().stream()
                    .filter(b -> b.id().equals(bond))
                    .findFirst()
                    .orElseThrow(() -> unknown(id(), rig))
                    .label();
        }

        @Override
        public String id() {
            return "supplementary-bond/" + bond;
        }
    }

    record AtEarthingConductor() implements Place {
        @Override
        public String label(Rig rig) {
            return "earthing conductor";
        }

        @Override
        public String id() {
            return "earthing-conductor";
        }
    }

    record AtSupply() implements Place {
        @Override
        public String label(Rig rig) {
            return "supply";
        }

        @Override
        public String id() {
            return "supply";
        }
    }

    /** @throws ProblemsException if the rig has no such place, saying how places are named */
    static Place parse(String text, Rig rig) {
        return FaultCatalogue.places(rig).stream()
                .filter(p -> p.id().equals(text))
                .findFirst()
                .orElseThrow(() -> unknown(text, rig));
    }

    /** @throws ProblemsException if the rig has no such place, saying how places are named */
    default void mustBeOn(Rig rig) {
        if (!isOn(rig)) {
            throw unknown(id(), rig);
        }
    }

    private static ProblemsException unknown(String text, Rig rig) {
        return new ProblemsException(
                new Problem(
                        "unknown-place",
                        "at",
                        Check.quoted(text),
                        "give a place of rig " + rig.id()
                                + ": circuit/point, a circuit (at the board), a board, bond/…, supplementary-bond/…, residual/…, supply"));
    }
}
