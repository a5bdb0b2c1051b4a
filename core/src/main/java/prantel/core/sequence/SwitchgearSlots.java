package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Saying;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Unit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** What is operated or looked at besides points and switches: main switches, AFDD test functions, SPD status, timers. */
final class SwitchgearSlots {
    private final Rig rig;
    private final SetUps setUps;
    private final SetUp setUp;

    SwitchgearSlots(Rig rig) {
        this.rig = rig;
        this.setUps = new SetUps(rig);
        this.setUp = setUps.live("Operate and look");
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Board board : rig.boards()) {
            slots.add(mainSwitch(board));
            if (board.surgeProtection()) {
                slots.add(slot(
                        SlotIds.of(board.id()) + "/surge-status",
                        "surge protection, status",
                        Spot.at(board.label()),
                        new Measurement.Looked(Saying.WORKS)));
            }
        }
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (circuit.device().kind() == Device.Kind.AFDD) {
                slots.add(slot(
                        SlotIds.of(circuit.id()) + "/afdd-test",
                        "AFDD, test function",
                        Spot.of(circuit, circuit.label()),
                        new Measurement.Looked(Saying.WORKS)));
            }
            circuit.points().stream()
                    .filter(p -> p.kind() == PointKind.TIMER)
                    .forEach(p -> slots.add(timer(circuit, p)));
        }
        return slots;
    }

    private Slot mainSwitch(Board board) {
        Terminal line = Places.behindMainSwitch(board.id(), setUps.lines(board).getFirst());
        Terminal neutral = Places.behindMainSwitch(board.id(), Conductor.NEUTRAL);
        return slot(
                SlotIds.of(board.id()) + "/main-switch",
                "main switch, on and off",
                Spot.at(board.label()),
                new Measurement.Operation(List.of(
                        new Measurement.Trial(List.of(), line, neutral, true),
                        new Measurement.Trial(setUps.mainSwitchOff(board), line, neutral, false))));
    }

    private Slot timer(Circuit circuit, Point point) {
        Conductor line = circuit.lines().getFirst();
        Terminal probe = Places.front(circuit.id(), point.id(), line);
        Terminal neutral = Places.front(circuit.id(), point.id(), Conductor.NEUTRAL);
        List<Edit> off = circuit.lines().stream()
                .<Edit>map(l -> new Edit.Open(Places.pole(circuit.id(), point.id(), l)))
                .toList();
        return slot(
                SlotIds.of(circuit.id()) + "/timer/" + point.id(),
                "timer, on and off",
                Spot.of(circuit, point),
                new Measurement.Operation(List.of(
                        new Measurement.Trial(List.of(), probe, neutral, true),
                        new Measurement.Trial(off, probe, neutral, false))));
    }

    private Slot slot(String id, String quantity, Spot spot, Measurement measurement) {
        return new Slot.Measured(
                new Slot.Heading(new SlotId(id), TestKind.SWITCHGEAR, quantity, spot, Unit.WORDS),
                measurement,
                setUp,
                Optional.empty(),
                Optional.empty());
    }
}
