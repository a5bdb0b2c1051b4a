package prantel.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import prantel.core.network.BranchId;

/** Every residual-current device of a rig with the branches it watches. */
public final class Residuals {
    private Residuals() {}

    /**
     * @param id stable within the rig: "board/main-rcd", "board/a/rcd", "shower/rcbo"
     * @param poles lines and neutral that pass through it, all from the supply to the load
     * @param at where it sits
     */
    public record Placed(String id, String label, ResidualDevice device, List<BranchId> poles, At at) {
        public Placed {
            poles = List.copyOf(poles);
        }
    }

    /** Where a residual-current device sits. */
    public sealed interface At {
        /** It is the main switch. */
        record MainSwitch(BoardId board) implements At {}

        record Section(BoardId board, SectionId section) implements At {}

        /** It is the circuit's own device. */
        record OfCircuit(CircuitId circuit) implements At {}
    }

    /** Upstream ones first. */
    public static List<Placed> of(Rig rig) {
        return of(rig, id -> true);
    }

    private static List<Placed> of(Rig rig, Predicate<String> wanted) {
        List<Placed> placed = new ArrayList<>();
        for (Board board : rig.boards()) {
            board.mainRcd()
                    .filter(d -> wanted.test(mainId(board.id())))
                    .ifPresent(d -> placed.add(new Placed(
                            mainId(board.id()),
                            board.label() + ", main RCD " + d.label(),
                            d,
                            rig.poles(board.id()).stream()
                                    .map(p -> Places.mainSwitch(board.id(), p))
                                    .toList(),
                            new At.MainSwitch(board.id()))));
            for (Board.Section section : board.sections()) {
                section.rcd()
                        .filter(d -> wanted.test(sectionId(board.id(), section.id())))
                        .ifPresent(d -> placed.add(new Placed(
                                sectionId(board.id(), section.id()),
                                section.label() + ", RCD " + d.label(),
                                d,
                                rig.poles(board.id()).stream()
                                        .map(p -> Places.feed(board.id(), section.id(), p))
                                        .toList(),
                                new At.Section(board.id(), section.id()))));
            }
        }
        for (Circuit circuit : rig.circuits()) {
            circuit.device()
                    .residual()
                    .filter(d -> wanted.test(circuitId(circuit.id())))
                    .ifPresent(d -> placed.add(ofCircuit(circuit, d)));
        }
        return placed;
    }

    private static Placed ofCircuit(Circuit circuit, ResidualDevice device) {
        List<BranchId> poles = new ArrayList<>();
        circuit.lines().forEach(l -> poles.add(Places.breaker(circuit.id(), l)));
        poles.add(Places.breaker(circuit.id(), Conductor.NEUTRAL));
        return new Placed(
                circuitId(circuit.id()),
                circuit.label() + ", RCBO " + device.label(),
                device,
                poles,
                new At.OfCircuit(circuit.id()));
    }

    /** Devices that a circuit lies behind, upstream first. */
    public static List<Placed> protecting(Rig rig, Circuit circuit) {
        List<String> ids = new ArrayList<>();
        collect(rig, circuit, ids);
        return of(rig, ids::contains);
    }

    private static void collect(Rig rig, Circuit circuit, List<String> ids) {
        BoardId board = circuit.way().board();
        ids.add(mainId(board));
        ids.add(sectionId(board, circuit.way().section()));
        ids.add(circuitId(circuit.id()));
        rig.feedOf(board).ifPresent(feed -> collect(rig, feed, ids));
    }

    static String mainId(BoardId board) {
        return board + "/main-rcd";
    }

    static String sectionId(BoardId board, SectionId section) {
        return board + "/" + section + "/rcd";
    }

    static String circuitId(CircuitId circuit) {
        return circuit + "/rcbo";
    }
}
