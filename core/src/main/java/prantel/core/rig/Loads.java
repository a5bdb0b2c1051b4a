package prantel.core.rig;

import java.util.ArrayList;
import java.util.List;
import prantel.core.network.Characteristic;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;

/** The loads of a rig as edits: as compiled they are all out. */
public final class Loads {
    private Loads() {}

    /** The load's paths between the conductors of its point, for {@link Edit.Install}. */
    static List<Path> branches(CircuitId circuit, Point point, List<Conductor> conductors) {
        if (point.load().isEmpty()) {
            return List.of();
        }
        Load load = point.load().get();
        List<Path> paths = new ArrayList<>();
        List<Conductor> lines = conductors.stream()
                .filter(c -> c != Conductor.NEUTRAL && c != Conductor.CPC)
                .toList();
        if (load.kind() == Load.Kind.MOTOR && lines.size() == 3) {
            for (int i = 0; i < 3; i++) {
                // a delta of three windings: between two lines lie one of them and the other two in series
                paths.add(new Path(lines.get(i), lines.get((i + 1) % 3), scaled(load, 3)));
            }
        } else {
            // a lamp's permanent line passes by: its load is on the switched one, which stands last
            List<Conductor> feeding =
                    lines.contains(Conductor.SWITCHED_LINE) ? List.of(Conductor.SWITCHED_LINE) : lines;
            feeding.forEach(l -> paths.add(new Path(l, Conductor.NEUTRAL, scaled(load, feeding.size()))));
        }
        if (load.leakMegohms() > 0) {
            paths.add(new Path(lines.getLast(), Conductor.CPC, Characteristic.steps(load.leakMegohms() * 1e6)));
        }
        return paths;
    }

    private static Characteristic scaled(Load load, int shares) {
        Characteristic all = load.characteristic();
        return new Characteristic(all.steps().stream()
                .map(s -> new Characteristic.Step(s.fromVolts(), s.ohms() * shares))
                .toList());
    }

    /** Puts the load of a point in; nothing where it has none. */
    public static List<Edit> in(Circuit circuit, Point point) {
        return branches(circuit.id(), point, conductors(circuit)).stream()
                .<Edit>map(
                        p -> new Edit.Install(Places.load(circuit.id(), point.id(), p.a(), p.b()), p.characteristic()))
                .toList();
    }

    /** Two terminals that a load lies between. */
    public record Between(Terminal a, Terminal b) {}

    /** Where the load of a point lies; nowhere where it has none. */
    public static List<Between> between(Circuit circuit, Point point) {
        return branches(circuit.id(), point, conductors(circuit)).stream()
                .map(p -> new Between(
                        Places.accessory(circuit.id(), point.id(), p.a()),
                        Places.accessory(circuit.id(), point.id(), p.b())))
                .toList();
    }

    /** Connects only what leaks from the load of a point to its metal; nothing where it is sound. */
    public static List<Edit> leak(Circuit circuit, Point point) {
        return in(circuit, point).stream()
                .filter(e -> e instanceof Edit.Install install
                        && conductors(circuit).stream()
                                .anyMatch(c -> install.branch()
                                        .equals(Places.load(circuit.id(), point.id(), c, Conductor.CPC))))
                .toList();
    }

    private static List<Conductor> conductors(Circuit circuit) {
        return circuit instanceof Lighting
                ? List.of(Conductor.SWITCHED_LINE, Conductor.NEUTRAL, Conductor.CPC)
                : circuit.conductors();
    }

    /** Puts the surge protective device of a board in. */
    public static List<Edit> surgeProtection(Rig rig, Board board) {
        if (!board.surgeProtection()) {
            return List.of();
        }
        List<Edit> edits = new ArrayList<>();
        if (board.surge() == SurgeProtection.TO_EARTH) {
            for (Conductor pole : rig.poles(board.id())) {
                edits.add(new Edit.Install(Places.surge(board.id(), pole, Conductor.CPC), SurgeDevice.toEarth()));
            }
            return edits;
        }
        for (Conductor line : rig.lines(board.id())) {
            edits.add(new Edit.Install(Places.surge(board.id(), line, Conductor.NEUTRAL), SurgeDevice.lineNeutral()));
        }
        edits.add(new Edit.Install(
                Places.surge(board.id(), Conductor.NEUTRAL, Conductor.CPC), SurgeDevice.neutralEarth()));
        return edits;
    }

    /** One path through a load. */
    record Path(Conductor a, Conductor b, Characteristic characteristic) {}
}
