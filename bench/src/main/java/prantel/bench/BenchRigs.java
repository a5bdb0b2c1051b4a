package prantel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.limits.Breaker;
import prantel.core.rig.Board;
import prantel.core.rig.BondId;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.EarthingConductor;
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
import prantel.core.rig.Supply;
import prantel.core.rig.Way;
import prantel.core.rig.Workmanship;
import prantel.formats.RigFile;

/** Rigs to measure on. */
final class BenchRigs {
    private BenchRigs() {}

    static Rig creamery(Path demo) throws IOException {
        return RigFile.read(Files.readAllBytes(demo.resolve("creamery.rig.json")));
    }

    /** This many points spread over this many circuits, every third a ring; one section behind an RCD. */
    static Rig generated(int circuits, int points) {
        List<Circuit> all = new ArrayList<>();
        for (int c = 0; c < circuits; c++) {
            int own = points / circuits + (c < points % circuits ? 1 : 0);
            List<Point> list = new ArrayList<>();
            for (int p = 1; p <= own; p++) {
                list.add(new Point(
                        new PointId("socket-" + p),
                        "socket " + p,
                        PointKind.TWIN_SOCKET,
                        p * 6.5,
                        Optional.empty(),
                        Optional.empty(),
                        false));
            }
            CircuitHead head = new CircuitHead(
                    new CircuitId("circuit-" + c),
                    "Circuit " + c,
                    new Way(Board.MAIN, new SectionId("all"), c + 1, 1),
                    Device.mcb(Breaker.Curve.B, 20),
                    new Cable(2.5, 1.5));
            all.add(c % 3 == 0 ? new Ring(head, own * 6.5 + 5, list) : new Radial(head, false, list));
        }
        Board board = new Board(
                Board.MAIN,
                "Board",
                Optional.empty(),
                List.of(new Board.Section(
                        new SectionId("all"),
                        "All ways",
                        Optional.of(ResidualDevice.sound(ResidualDevice.Type.A, 30, false)))),
                false);
        return new Rig(
                new Rig.Nameplate("generated", "Generated", ""),
                new Rig.Intake(
                        Supply.tnCS(230, 0.35, 0.11, 0.09),
                        new MainEarthing(
                                new EarthingConductor(16, 2),
                                List.of(new MainBond(new BondId("water"), "water pipe", 10, 22, 15)),
                                List.of())),
                new Workmanship(0.5, 4, 150),
                List.of(board),
                all,
                List.of());
    }

    /** A bad CPC joint in the middle of the circuit with this index. */
    static FaultSet joint(Rig rig, int index) {
        Circuit circuit = rig.circuits().get(index);
        Point middle = circuit.points().get(circuit.points().size() / 2);
        return new FaultSet(List.of(new Fault(
                FaultCatalogue.kind("high-resistance-joint"),
                new Place.AtPoint(circuit.id(), middle.id()),
                List.of(Conductor.CPC),
                0.6)));
    }
}
