package prantel.core.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.expectation.Opened;
import prantel.core.procedure.Deed;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.SectionId;

/** Everything of a rig that is switched, put in or pressed. */
public final class RigControls {
    private final Rig rig;
    private final Map<String, Control> byId = new LinkedHashMap<>();
    private final Map<String, SectionId> sections = new HashMap<>();

    public RigControls(Rig rig) {
        this.rig = rig;
        for (Board board : rig.boards()) {
            add(new Control("main:" + board.id(), "main switch", Kind.MAIN_SWITCH, Of.board(board.id())));
            // one section alone is switched by the main switch
            if (board.sections().size() > 1) {
                for (Board.Section section : board.sections()) {
                    String id = "section:" + board.id() + ":" + section.id();
                    add(new Control(id, section.label(), Kind.SECTION, Of.board(board.id())));
                    sections.put(id, section.id());
                }
            }
            if (board.surgeProtection()) {
                add(new Control("surge:" + board.id(), "surge protection", Kind.SURGE, Of.board(board.id())));
            }
        }
        for (Circuit circuit : rig.circuits()) {
            add(new Control("device:" + circuit.id(), circuit.device().label(), Kind.DEVICE, Of.circuit(circuit)));
            circuit.points().forEach(p -> addPoint(circuit, p));
        }
        for (Residuals.Placed placed : Residuals.of(rig)) {
            add(new Control("button:" + placed.id(), placed.label(), Kind.TEST_BUTTON, of(placed.at())));
        }
    }

    /** What it is. */
    public enum Kind {
        MAIN_SWITCH,
        /** What feeds a section of a board. */
        SECTION,
        DEVICE,
        ISOLATOR,
        TIMER,
        LIGHT_SWITCH,
        LOAD,
        SURGE,
        TEST_BUTTON
    }

    /** Where it is. */
    public record Of(Optional<BoardId> board, Optional<CircuitId> circuit, Optional<PointId> point) {
        static Of board(BoardId board) {
            return new Of(Optional.of(board), Optional.empty(), Optional.empty());
        }

        static Of circuit(Circuit circuit) {
            return new Of(Optional.of(circuit.way().board()), Optional.of(circuit.id()), Optional.empty());
        }

        static Of point(Circuit circuit, PointId point) {
            return new Of(Optional.of(circuit.way().board()), Optional.of(circuit.id()), Optional.of(point));
        }
    }

    /** @param id stable within the rig, for the wire; read nowhere */
    public record Control(String id, String label, Kind kind, Of of) {}

    private void add(Control control) {
        byId.put(control.id(), control);
    }

    private Of of(Residuals.At at) {
        return switch (at) {
            case Residuals.At.MainSwitch main -> Of.board(main.board());
            case Residuals.At.Section section -> Of.board(section.board());
            case Residuals.At.OfCircuit circuit -> Of.circuit(rig.circuit(circuit.circuit()));
        };
    }

    private void addPoint(Circuit circuit, Point point) {
        String at = circuit.id() + ":" + point.id();
        if (point.kind() == PointKind.ISOLATOR) {
            add(new Control("isolator:" + at, point.label(), Kind.ISOLATOR, Of.point(circuit, point.id())));
        }
        if (point.kind() == PointKind.TIMER) {
            add(new Control("timer:" + at, point.label(), Kind.TIMER, Of.point(circuit, point.id())));
        }
        if (circuit instanceof Lighting && point.kind() == PointKind.SWITCH) {
            add(new Control("switch:" + at, point.label(), Kind.LIGHT_SWITCH, Of.point(circuit, point.id())));
        }
        point.load()
                .ifPresent(
                        l -> add(new Control("load:" + at, l.kind().word(), Kind.LOAD, Of.point(circuit, point.id()))));
    }

    public List<Control> all() {
        return List.copyOf(byId.values());
    }

    /** @throws ProblemsException if the rig has no such control */
    public Control control(String id) {
        Control control = byId.get(id);
        if (control == null) {
            throw new ProblemsException(new Problem(
                    "unknown-control", "control", Check.quoted(id), "give a switch or load of rig " + rig.id()));
        }
        return control;
    }

    /** On, or in; of a light switch whether it is as found; of a test button always. */
    public boolean isOn(Moment now, Control control) {
        List<Deed> standing = now.standing();
        return switch (control.kind()) {
            case MAIN_SWITCH ->
                !standing.contains(new Deed.MainSwitchOff(control.of().board().orElseThrow()));
            case SECTION -> !standing.contains(new Deed.Operate(feed(control, false)));
            case DEVICE -> !standing.contains(new Deed.Operate(device(control, false)));
            case ISOLATOR -> !standing.contains(new Deed.Operate(isolator(control, false)));
            case TIMER -> !standing.contains(new Deed.Operate(timer(control, false)));
            case LIGHT_SWITCH -> !state(now, control).operated().get(index(control));
            case LOAD -> standing.contains(load(control));
            case SURGE ->
                standing.contains(
                        new Deed.SurgeProtectionIn(control.of().board().orElseThrow()));
            case TEST_BUTTON -> true;
        };
    }

    /** What operating it does as things are: on where it is off, off where it is on; a button is pressed. */
    public Deed operate(Moment now, Control control) {
        boolean on = isOn(now, control);
        BoardId board = control.of().board().orElseThrow();
        return switch (control.kind()) {
            case MAIN_SWITCH -> on ? new Deed.MainSwitchOff(board) : new Deed.Energise(board);
            case SECTION -> new Deed.Operate(feed(control, !on));
            case DEVICE -> new Deed.Operate(device(control, !on));
            case ISOLATOR -> new Deed.Operate(isolator(control, !on));
            case TIMER -> new Deed.Operate(timer(control, !on));
            case LIGHT_SWITCH -> {
                List<Boolean> operated = new ArrayList<>(state(now, control).operated());
                operated.set(index(control), on);
                yield new Deed.Operate(new Position.Lights(
                        control.of().circuit().orElseThrow(), group(control).id(), new LightStates.State(operated)));
            }
            case LOAD -> {
                Deed.LoadIn in = load(control);
                yield on ? new Deed.LoadOut(in.circuit(), in.point()) : in;
            }
            case SURGE -> on ? new Deed.SurgeProtectionOut(board) : new Deed.SurgeProtectionIn(board);
            case TEST_BUTTON -> new Deed.PressTestButton(deviceOf(control));
        };
    }

    /** Where something that opened by itself is put on again. @param device as {@link Opened} calls it */
    public Optional<Control> of(String device) {
        return byId.values().stream()
                .filter(c -> c.kind() == Kind.TEST_BUTTON && deviceOf(c).equals(device)
                        || c.kind() == Kind.DEVICE
                                && c.of().circuit()
                                        .map(Opened::overcurrentOf)
                                        .filter(device::equals)
                                        .isPresent())
                .findFirst();
    }

    private String deviceOf(Control button) {
        return Residuals.of(rig).stream()
                .map(Residuals.Placed::id)
                .filter(id -> button.id().equals("button:" + id))
                .findFirst()
                .orElseThrow();
    }

    private Position feed(Control control, boolean on) {
        return new Position.Feed(
                control.of().board().orElseThrow(), java.util.Objects.requireNonNull(sections.get(control.id())), on);
    }

    private static Position device(Control control, boolean on) {
        return new Position.Device(control.of().circuit().orElseThrow(), on);
    }

    private static Position isolator(Control control, boolean on) {
        return new Position.Isolator(
                control.of().circuit().orElseThrow(), control.of().point().orElseThrow(), on);
    }

    private static Position timer(Control control, boolean on) {
        return new Position.Timer(
                control.of().circuit().orElseThrow(), control.of().point().orElseThrow(), on);
    }

    private static Deed.LoadIn load(Control control) {
        return new Deed.LoadIn(
                control.of().circuit().orElseThrow(), control.of().point().orElseThrow());
    }

    private LightGroup group(Control control) {
        PointId at = control.of().point().orElseThrow();
        return ((Lighting) rig.circuit(control.of().circuit().orElseThrow()))
                .groups().stream()
                        .filter(g -> g.switches().stream().anyMatch(s -> s.id().equals(at)))
                        .findFirst()
                        .orElseThrow();
    }

    private int index(Control control) {
        return group(control).switches().stream()
                .map(LightSwitch::id)
                .toList()
                .indexOf(control.of().point().orElseThrow());
    }

    private LightStates.State state(Moment now, Control control) {
        LightGroup group = group(control);
        return now.standing().stream()
                .filter(d -> d instanceof Deed.Operate(Position.Lights l)
                        && l.circuit().equals(control.of().circuit().orElseThrow())
                        && l.group().equals(group.id()))
                .map(d -> ((Position.Lights) ((Deed.Operate) d).position()).state())
                .findFirst()
                .orElse(LightStates.after(group, 0));
    }
}
