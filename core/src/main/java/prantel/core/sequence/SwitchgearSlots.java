package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Saying;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.procedure.Position;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** What is operated or looked at besides points and switches: main switches, AFDD test functions, SPD status, timers. */
final class SwitchgearSlots {
    private final Rig rig;
    private final Headings headings;
    private final SetUps setUps;
    private final SetUp setUp;

    SwitchgearSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
        this.setUp = setUps.live(ProbesAt.Usual.OPERATE);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Board board : rig.boards()) {
            slots.add(mainSwitch(board));
            if (board.surgeProtection()) {
                slots.add(slot(
                        Quantity.SURGE_STATUS, new Site.AtBoard(board.id()), new Measurement.Looked(Saying.WORKS)));
            }
        }
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (circuit.device().kind() == Device.Kind.AFDD) {
                slots.add(slot(Quantity.AFDD_TEST, new Site.Whole(circuit.id()), new Measurement.Looked(Saying.WORKS)));
            }
            circuit.points().stream()
                    .filter(p -> p.kind() == PointKind.TIMER)
                    .forEach(p -> slots.add(timer(circuit, p)));
        }
        return slots;
    }

    private Slot mainSwitch(Board board) {
        Terminal line =
                Places.behindMainSwitch(board.id(), rig.lines(board.id()).getFirst());
        Terminal neutral = Places.behindMainSwitch(board.id(), Conductor.NEUTRAL);
        return slot(
                Quantity.MAIN_SWITCH,
                new Site.AtBoard(board.id()),
                new Measurement.Operation(List.of(
                        new Measurement.Trial(List.of(), line, neutral, true),
                        new Measurement.Trial(
                                setUps.edits(new Position.FarSwitch(board.id(), false)), line, neutral, false))));
    }

    private Slot timer(Circuit circuit, Point point) {
        Conductor line = circuit.lines().getFirst();
        Terminal probe = Places.front(circuit.id(), point.id(), line);
        Terminal neutral = Places.front(circuit.id(), point.id(), Conductor.NEUTRAL);
        List<Edit> off = setUps.edits(new Position.Timer(circuit.id(), point.id(), false));
        return slot(
                Quantity.TIMER,
                new Site.AtPoint(circuit.id(), point.id()),
                new Measurement.Operation(List.of(
                        new Measurement.Trial(List.of(), probe, neutral, true),
                        new Measurement.Trial(off, probe, neutral, false))));
    }

    private Slot slot(Quantity quantity, Site site, Measurement measurement) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(TestKind.SWITCHGEAR, quantity, site)),
                measurement,
                setUp,
                Optional.empty(),
                Optional.empty());
    }
}
