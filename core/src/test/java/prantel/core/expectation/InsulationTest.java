package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.limits.ParallelInsulation;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Load;
import prantel.core.rig.Loads;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.SectionId;
import prantel.core.rig.Supply;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Insulation: circuits in parallel, and loads whose resistance depends on the test voltage. */
class InsulationTest {

    private static Point point(Load.Kind kind, double watts) {
        return new Point(
                Rigs.socket(1),
                "point",
                PointKind.APPLIANCE,
                20,
                Optional.empty(),
                Optional.of(new Load(kind, watts)),
                false);
    }

    private static double between(Rig rig, Point point, double volts) {
        Circuit circuit = rig.circuits().getFirst();
        Network network = RigCompiler.compile(rig)
                .with(List.of(
                        new Edit.Open(Places.breaker(circuit.id(), Conductor.LINE)),
                        new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.NEUTRAL))))
                .with(Loads.in(circuit, point), volts);
        return network.resistance(
                Places.cableAtBoard(circuit.id(), Conductor.LINE),
                Places.cableAtBoard(circuit.id(), Conductor.NEUTRAL));
    }

    /** Common practice: a neon is open to an ohmmeter and reads hundreds of kΩ at 250 V; a cold filament reads as a short. */
    @ParameterizedTest
    @CsvSource({
        "NEON, 0.5, 4, 1e9, 1e13",
        "NEON, 0.5, 500, 1e5, 1e6",
        "FILAMENT_LAMP, 60, 500, 10, 100",
        "FILAMENT_LAMP, 60, 4, 10, 100",
        "ELEMENT, 3000, 500, 17, 18",
        "USB_OUTLET, 10, 500, 1e5, 1e6"
    })
    void loadLeftInReadsByItsKindAndTheVoltage(Load.Kind kind, double watts, double volts, double low, double high) {
        Point point = point(kind, watts);
        Rig rig = Rigs.rig(Rigs.usual(), List.of(Rigs.radial(Rigs.SOCKETS, 1, List.of(point))));
        assertThat(between(rig, point, volts)).isBetween(low, high);
    }

    /** Common practice: a surge device is sound at 250 V and clamps at 500 V. */
    @Test
    void surgeProtectionLeftInIsSoundAt250AndClampsAt500() {
        Board board = new Board(
                Board.MAIN,
                "Board",
                Optional.empty(),
                List.of(new Board.Section(new SectionId("main"), "All ways", Optional.empty())),
                true);
        Rig rig = Rigs.rig(
                Supply.tnCS(230, 0.35, 0.11, 0.09),
                Rigs.usual(),
                List.of(board),
                Rigs.fiveSockets().circuits());
        Network dead = RigCompiler.compile(rig)
                .with(List.of(
                        new Edit.Open(Places.mainSwitch(Board.MAIN, Conductor.LINE)),
                        new Edit.Open(Places.mainSwitch(Board.MAIN, Conductor.NEUTRAL))));
        var line = Places.behindMainSwitch(Board.MAIN, Conductor.LINE);
        var neutral = Places.behindMainSwitch(Board.MAIN, Conductor.NEUTRAL);
        var in = Loads.surgeProtection(rig, board);
        assertThat(dead.with(in, 250).resistance(line, neutral)).isGreaterThan(1e8);
        assertThat(dead.with(in, 500).resistance(line, neutral)).isLessThan(1e6);
    }

    /** 1 / Σ(1/R), physics: circuits that share a bar are tested in parallel. */
    @Test
    void wholeBoardReadsItsCircuitsInParallel() {
        List<Circuit> circuits = List.of(
                Rigs.radial(
                        new CircuitId("a"),
                        1,
                        List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 400))),
                Rigs.radial(
                        new CircuitId("b"),
                        2,
                        List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 900))));
        Rig rig = Rigs.rig(Rigs.usual(), circuits);
        Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Bench bench = new Bench(rig, FaultSet.NONE, Variation.NONE);
        double a = bench.value(
                (Slot.Measured) key.expectation(new SlotId("a/ir500/l-n")).slot());
        double b = bench.value(
                (Slot.Measured) key.expectation(new SlotId("b/ir500/l-n")).slot());
        // through the joined CPCs a little more flows than 1/ΣG of the pairs alone says
        assertThat(bench.value((Slot.Measured)
                        key.expectation(new SlotId("board/whole/ir500/l-n")).slot()))
                .isCloseTo(ParallelInsulation.together(List.of(a, b)), within(0.02 * a));
    }
}
