package prantel.bench.mistakes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import prantel.core.instrument.Leads;
import prantel.core.instrument.Tester;
import prantel.core.limits.Breaker;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Device;
import prantel.core.rig.EarthingConductor;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.MainBond;
import prantel.core.rig.MainEarthing;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.SectionId;
import prantel.core.rig.Submain;
import prantel.core.rig.Supply;
import prantel.core.rig.Way;
import prantel.core.rig.Workmanship;

/**
 * Training rigs that nobody has seen, as a workshop might build them: sizes, lengths and points drawn at random, of every
 * earthing, with and without a sub-board, rings, spurs, lights on one to four switches, conduit. Sizes: common practice, no source.
 */
final class DrawnRigs {
    private static final SectionId FIRST = new SectionId("first");
    private static final SectionId SECOND = new SectionId("second");
    private static final BoardId SUB = new BoardId("annexe");

    /** Line and neutral, CPC, the breaker that goes with them. */
    private static final double[][] SIZES = {{1.5, 1, 10}, {1.5, 1, 6}, {2.5, 1.5, 20}, {2.5, 2.5, 16}, {4, 1.5, 32}};

    private final Random random;
    private int parts;
    private int ways;

    DrawnRigs(Random random) {
        this.random = random;
    }

    /** The same with leads of its own: short and thick, or long and worn. */
    Tester tester(Tester make) {
        double pair = hundredths(0.06, 0.45);
        return new Tester(
                make.id(),
                make.label(),
                make.ohmmeter(),
                make.insulationTester(),
                make.live(),
                new Leads(pair, pair + hundredths(0.2, 0.9)),
                make.calibrationDue());
    }

    Rig rig() {
        parts = 0;
        ways = 0;
        boolean three = random.nextInt(4) == 0;
        List<Board> boards = new ArrayList<>(List.of(board(Board.MAIN, "Main board")));
        List<Circuit> circuits = new ArrayList<>();
        if (random.nextInt(3) == 0) {
            boards.add(board(SUB, "Annexe board"));
            circuits.add(new Submain(
                    head("feed", "Annexe feed", boards.getFirst(), new double[] {10, 10, 40}),
                    false,
                    metres(6, 35),
                    SUB));
        }
        int count = 3 + random.nextInt(5);
        for (int i = 0; i < count; i++) {
            Board board = boards.get(random.nextInt(boards.size()));
            circuits.add(circuit(i, board, three));
        }
        return new Rig(
                new Rig.Nameplate("drawn", "Drawn", ""),
                new Rig.Intake(
                        supply(three), new MainEarthing(new EarthingConductor(16, metres(1, 8)), bonds(), List.of())),
                new Workmanship(thousandths(0.25, 1.2), thousandths(1.5, 9), Math.exp(between(3, 6))),
                boards,
                circuits,
                List.of());
    }

    private List<MainBond> bonds() {
        List<MainBond> bonds = new ArrayList<>();
        for (String part : List.of("water", "gas", "frame").subList(0, 1 + random.nextInt(3))) {
            bonds.add(new MainBond(new BondId(part), part + " pipe", 10, metres(3, 28), metres(4, 300)));
        }
        return bonds;
    }

    private Supply supply(boolean three) {
        Supply.Earthing earthing = Supply.Earthing.values()[random.nextInt(Supply.Earthing.values().length)];
        double typical = between(0.04, 0.22);
        List<Impedance> lines = new ArrayList<>();
        for (int i = 0; i < (three ? 3 : 1); i++) {
            lines.add(new Impedance(typical * between(0.93, 1.07), 0.3 * typical));
        }
        Impedance neutral = new Impedance(typical * between(0.85, 1), 0.28 * typical);
        Impedance path = earthing == Supply.Earthing.TN_S ? new Impedance(typical * between(1, 2.5), 0.02) : neutral;
        double electrode = earthing == Supply.Earthing.TT ? metres(20, 160) : 1;
        double declared = switch (earthing) {
            case TT -> 200;
            case TN_S -> 0.8;
            case TN_C_S -> 0.35;
        };
        return new Supply(
                230,
                new Supply.Declared(earthing, declared),
                lines,
                neutral,
                new Supply.Earth(earthing, path, metres(3, 20), electrode));
    }

    private Board board(BoardId id, String label) {
        return new Board(
                id,
                label,
                Optional.empty(),
                List.of(
                        new Board.Section(FIRST, "First bank", Optional.of(rcd())),
                        new Board.Section(
                                SECOND, "Second bank", random.nextBoolean() ? Optional.of(rcd()) : Optional.empty())),
                random.nextInt(3) == 0);
    }

    private ResidualDevice rcd() {
        return new ResidualDevice(
                ResidualDevice.Type.A,
                30,
                false,
                new ResidualDevice.Behaviour(
                        between(18, 28), between(20, 36), between(20, 36), between(9, 19), between(9, 19), true));
    }

    private CircuitHead head(String id, String label, Board board, double[] size) {
        boolean rcbo = random.nextInt(4) == 0;
        Breaker breaker = new Breaker(random.nextInt(4) == 0 ? Breaker.Curve.C : Breaker.Curve.B, size[2]);
        Optional<Cable.Enclosure> enclosure = random.nextInt(6) == 0
                ? Optional.of(new Cable.Enclosure(Cable.Enclosure.Kind.values()[random.nextInt(2)], between(0.8, 4)))
                : Optional.empty();
        return new CircuitHead(
                new CircuitId(id),
                label,
                new Way(board.id(), random.nextBoolean() ? FIRST : SECOND, ++ways, 1),
                new Device(
                        rcbo ? Device.Kind.RCBO : Device.Kind.MCB,
                        breaker,
                        6,
                        rcbo ? Optional.of(rcd()) : Optional.empty()),
                new Cable(size[0], size[1], enclosure));
    }

    private Circuit circuit(int number, Board board, boolean three) {
        String id = "circuit-" + number;
        return switch (random.nextInt(5)) {
            case 0 -> {
                List<Point> points = sockets(3 + random.nextInt(7), metres(2, 9), true);
                double last = points.stream()
                        .filter(p -> p.after().isEmpty())
                        .mapToDouble(Point::atMetres)
                        .max()
                        .orElseThrow();
                yield new Ring(
                        head(id, "Ring " + number, board, new double[] {2.5, 1.5, 32}), last + metres(3, 9), points);
            }
            case 1 -> lights(head(id, "Lights " + number, board, SIZES[random.nextInt(2)]));
            case 2 ->
                three && board.id().equals(Board.MAIN)
                        ? new Radial(head(id, "Machine " + number, board, new double[] {4, 4, 16}), true, machine())
                        : new Radial(head(id, "Heater " + number, board, SIZES[random.nextInt(5)]), false, heater());
            default ->
                new Radial(
                        head(id, "Sockets " + number, board, SIZES[2 + random.nextInt(3)]),
                        false,
                        sockets(2 + random.nextInt(6), metres(2, 14), false));
        };
    }

    private List<Point> sockets(int count, double from, boolean ring) {
        List<Point> points = new ArrayList<>();
        double chain = from;
        for (int i = 1; i <= count; i++) {
            boolean spur = i > 1 && random.nextInt(6) == 0;
            Point parent = spur ? points.get(random.nextInt(points.size())) : null;
            boolean ofASpur = parent != null && parent.after().isPresent();
            double at = (parent == null || ofASpur ? chain : parent.atMetres()) + metres(1, 9);
            if (parent == null || ofASpur) {
                chain = at;
            }
            points.add(new Point(
                    new PointId("socket-" + i),
                    "socket " + i,
                    ring || random.nextInt(3) > 0 ? PointKind.TWIN_SOCKET : PointKind.SINGLE_SOCKET,
                    at,
                    parent == null || ofASpur ? Optional.empty() : Optional.of(parent.id()),
                    random.nextInt(7) == 0 ? Optional.of(new Load(Load.Kind.USB_OUTLET, 10)) : Optional.empty(),
                    false));
        }
        return points;
    }

    private List<Point> heater() {
        double at = metres(4, 18);
        double watts = 500 * (1 + random.nextInt(6));
        return List.of(
                point("isolator", PointKind.ISOLATOR, at, Optional.empty(), false),
                point(
                        "heater",
                        PointKind.APPLIANCE,
                        at + metres(0.5, 3),
                        Optional.of(new Load(Load.Kind.ELEMENT, watts)),
                        random.nextBoolean()));
    }

    private List<Point> machine() {
        double at = metres(5, 25);
        return List.of(
                point("socket", PointKind.THREE_PHASE_SOCKET, at, Optional.empty(), true),
                point("motor", PointKind.MOTOR, at + metres(1, 8), Optional.of(new Load(Load.Kind.MOTOR, 2200)), true));
    }

    private static Point point(String name, PointKind kind, double at, Optional<Load> load, boolean metal) {
        return new Point(new PointId(name), name, kind, at, Optional.empty(), load, metal);
    }

    private Lighting lights(CircuitHead head) {
        List<LightGroup> groups = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int g = 1; g <= count; g++) {
            List<LightGroup.Lamp> lamps = new ArrayList<>();
            for (int i = 1 + random.nextInt(3); i > 0; i--) {
                boolean led = random.nextInt(3) > 0;
                lamps.add(new LightGroup.Lamp(
                        new PointId("lamp-" + ++parts),
                        "lamp " + parts,
                        metres(1, 8),
                        new Load(led ? Load.Kind.LED_DRIVER : Load.Kind.FILAMENT_LAMP, led ? 9 : 60),
                        random.nextInt(3) == 0));
            }
            List<LightSwitch> switches = new ArrayList<>();
            for (int i = 1 + random.nextInt(4); i > 0; i--) {
                switches.add(new LightSwitch(new PointId("switch-" + ++parts), "switch " + parts, metres(1, 9)));
            }
            groups.add(new LightGroup(
                    "group-" + g, "Group " + g, LightGroup.Feed.values()[random.nextInt(2)], lamps, switches));
        }
        return new Lighting(head, groups);
    }

    private double between(double least, double most) {
        return least + (most - least) * random.nextDouble();
    }

    private double metres(double least, double most) {
        return Math.rint(between(least, most) * 2) / 2 + 0.5;
    }

    private double hundredths(double least, double most) {
        return Math.rint(between(least, most) * 100) / 100;
    }

    private double thousandths(double least, double most) {
        return Math.rint(between(least, most) * 1000) / 1000;
    }
}
