package prantel.server.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.Tester.Function;
import prantel.core.practice.Place;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.RigControls;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.End;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.server.picture.RigDrawing;

/**
 * What of a rig is drawn for practice, once: every place, switch and load, where it is.
 *
 * @param earthing places at the MET and at the supply
 * @param functions what the tester can do
 */
record PracticeLayout(List<PlaceShown> earthing, List<BoardShown> boards, List<FunctionShown> functions) {
    /**
     * @param mark what stands beside it on the drawing: "L", "N′"
     * @param conductor whose colour it has; empty for none
     * @param group what it is drawn with
     * @param end whether it is a conductor's end that can be taken out
     */
    record PlaceShown(String id, String label, String mark, String conductor, Group group, boolean end) {}

    enum Group {
        MET,
        INCOMING,
        MAIN_SWITCH,
        BAR,
        DEVICE,
        AT_BOARD,
        AT_BOARD_SECOND,
        FRONT,
        BEHIND,
        INCOMING_CABLE,
        OUTGOING_CABLE,
        DEPARTING_CABLE,
        METAL
    }

    record ControlShown(String id, String label, RigControls.Kind kind) {}

    record BoardShown(
            String id,
            String label,
            String cover,
            List<PlaceShown> places,
            List<SectionShown> sections,
            List<ControlShown> controls,
            List<CircuitDrawn> circuits) {}

    /** The bars of a section of a board. */
    record SectionShown(String label, List<PlaceShown> bars) {}

    /** @param ring whether its ends can be crossed */
    record CircuitDrawn(
            String id,
            String label,
            int way,
            boolean ring,
            List<PlaceShown> places,
            List<ControlShown> controls,
            List<PointShown> points) {}

    record PointShown(
            String id,
            String label,
            double atMetres,
            int track,
            String cover,
            List<PlaceShown> places,
            List<ControlShown> controls) {}

    record FunctionShown(Function id, String label, int leads) {}

    static PracticeLayout of(PracticeRig practice, RigControls controls) {
        Rig rig = practice.rig();
        List<PlaceShown> earthing = practice.places().all().stream()
                .filter(p -> group(p.contact()) == Group.MET)
                .map(p -> shown(p))
                .toList();
        RigDrawing drawing = RigDrawing.of(rig);
        List<BoardShown> boards = rig.boards().stream()
                .map(b -> board(b, practice, controls, drawing))
                .toList();
        return new PracticeLayout(earthing, boards, allFunctions());
    }

    private static List<FunctionShown> allFunctions() {
        List<FunctionShown> shown = new ArrayList<>();
        for (Function function : Function.values()) {
            int leads = switch (function) {
                case RCD_BUTTON, OPERATION -> 0;
                case CLAMP -> 1;
                case LOOP_THREE_LEAD, PHASE_ROTATION -> 3;
                default -> 2;
            };
            if (leads > 0) {
                shown.add(new FunctionShown(function, function.label(), leads));
            }
        }
        return shown;
    }

    private static BoardShown board(Board board, PracticeRig practice, RigControls controls, RigDrawing drawing) {
        Rig rig = practice.rig();
        return new BoardShown(
                board.id().value(),
                board.label(),
                CoverId.of(new Cover.OfBoard(board.id())),
                practice.places().all().stream()
                        .filter(p -> isOf(p.contact(), board))
                        .map(p -> shown(p))
                        .toList(),
                board.sections().stream()
                        .map(section -> new SectionShown(
                                section.label(),
                                practice.places().all().stream()
                                        .filter(p -> isOf(p.contact(), board, section))
                                        .map(p -> shown(p))
                                        .toList()))
                        .toList(),
                controls.all().stream()
                        .filter(c -> c.of().circuit().isEmpty()
                                && c.of().board().filter(board.id()::equals).isPresent())
                        .map(PracticeLayout::shown)
                        .toList(),
                rig.circuits().stream()
                        .filter(c -> c.way().board().equals(board.id()))
                        .map(c -> circuit(c, practice, controls, drawing))
                        .toList());
    }

    private static boolean isOf(Contact contact, Board board, Board.Section section) {
        return switch (contact) {
            case Contact.Bar bar ->
                bar.board().equals(board.id()) && bar.section().equals(section.id());
            case Contact.AtEnd(End.OfNeutralTail tail) ->
                tail.board().equals(board.id()) && tail.section().equals(section.id());
            default -> false;
        };
    }

    private static boolean isOf(Contact contact, Board board) {
        return switch (contact) {
            case Contact.EarthBar bar -> bar.board().equals(board.id());
            case Contact.BehindMainSwitch behind -> behind.board().equals(board.id());
            case Contact.Incoming in -> in.board().equals(board.id());
            default -> false;
        };
    }

    private static CircuitDrawn circuit(
            Circuit circuit, PracticeRig practice, RigControls controls, RigDrawing drawing) {
        List<Place> all = new ArrayList<>(practice.places().all());
        return new CircuitDrawn(
                circuit.id().value(),
                circuit.label(),
                circuit.way().number(),
                circuit instanceof Ring,
                all.stream()
                        .filter(p -> p.contact() instanceof Contact.AtEnd(End.AtBoard at)
                                        && at.circuit().equals(circuit.id())
                                || p.contact() instanceof Contact.DeviceOut out
                                        && out.circuit().equals(circuit.id()))
                        .map(p -> shown(p))
                        .toList(),
                controls.all().stream()
                        .filter(c -> c.of().point().isEmpty()
                                && c.of().circuit().filter(circuit.id()::equals).isPresent())
                        .map(PracticeLayout::shown)
                        .toList(),
                circuit.points().stream()
                        .map(p -> point(circuit, p, all, controls, drawing))
                        .toList());
    }

    private static PointShown point(
            Circuit circuit, Point point, List<Place> all, RigControls controls, RigDrawing drawing) {
        Cover cover = new Cover.OfPoint(circuit.id(), point.id());
        int track = drawing.boards().stream()
                .flatMap(b -> b.sections().stream())
                .flatMap(s -> s.circuits().stream())
                .filter(c -> c.of().id().equals(circuit.id().value()))
                .flatMap(c -> c.stations().stream())
                .filter(s -> s.id().equals(point.id().value()))
                .mapToInt(RigDrawing.StationDrawing::track)
                .findFirst()
                .orElse(0);
        return new PointShown(
                point.id().value(),
                point.label(),
                point.atMetres(),
                track,
                CoverId.of(cover),
                all.stream()
                        .filter(p -> isAt(p, circuit, point, cover))
                        .map(p -> shown(p))
                        .toList(),
                controls.all().stream()
                        .filter(c -> c.of().circuit()
                                        .filter(circuit.id()::equals)
                                        .isPresent()
                                && c.of().point().filter(point.id()::equals).isPresent())
                        .map(PracticeLayout::shown)
                        .toList());
    }

    /** What is behind its cover, its front and its metal. */
    private static boolean isAt(Place place, Circuit circuit, Point point, Cover cover) {
        boolean open = place.contact() instanceof Contact.Front front
                        && front.circuit().equals(circuit.id())
                        && front.point().equals(point.id())
                || place.contact() instanceof Contact.Metalwork metal
                        && metal.circuit().equals(circuit.id())
                        && metal.point().equals(point.id());
        return open || place.cover().filter(cover::equals).isPresent();
    }

    private static ControlShown shown(RigControls.Control control) {
        return new ControlShown(control.id(), control.label(), control.kind());
    }

    private static PlaceShown shown(Place place) {
        Optional<Conductor> conductor = Optional.ofNullable(conductor(place.contact()));
        Group group = group(place.contact());
        return new PlaceShown(
                place.id(),
                place.label(),
                mark(place, conductor) + (group == Group.AT_BOARD_SECOND ? "′" : ""),
                conductor.map(Conductor::id).orElse(""),
                group,
                place.end().isPresent());
    }

    private static String mark(Place place, Optional<Conductor> conductor) {
        return switch (place.contact()) {
            case Contact.Met met -> "MET";
            case Contact.SupplyEarth supply -> "supply earth";
            case Contact.Stake stake -> "stake";
            case Contact.Part part -> place.label();
            case Contact.Clamp clamp -> place.label();
            case Contact.AtEnd(End.OfBond bond) -> place.label().toLowerCase(Locale.UK);
            case Contact.AtEnd(End.OfEarthing earthing) -> "earthing conductor";
            case Contact.AtEnd(End.OfNeutralTail tail) -> "N tail";
            case Contact.Metalwork metal -> "metal";
            default -> conductor.map(Conductor::letter).orElse("");
        };
    }

    private static @Nullable Conductor conductor(Contact contact) {
        return switch (contact) {
            case Contact.AtEnd(End.AtBoard at) -> at.conductor();
            case Contact.AtEnd(End.AtPoint at) -> at.conductor();
            case Contact.AtEnd(End.OfNeutralTail tail) -> Conductor.NEUTRAL;
            case Contact.AtEnd at -> Conductor.CPC;
            case Contact.EarthBar bar -> Conductor.CPC;
            case Contact.Bar bar -> bar.pole();
            case Contact.BehindMainSwitch behind -> behind.pole();
            case Contact.Incoming in -> in.pole();
            case Contact.DeviceOut out -> out.pole();
            case Contact.Front front -> front.conductor();
            case Contact.Behind behind -> behind.conductor();
            case Contact.Met met -> Conductor.CPC;
            case Contact.SupplyEarth supply -> Conductor.CPC;
            case Contact.Stake stake -> null;
            case Contact.Part part -> null;
            case Contact.Clamp clamp -> Conductor.CPC;
            case Contact.Metalwork metal -> null;
        };
    }

    private static Group group(Contact contact) {
        return switch (contact) {
            case Contact.AtEnd(End.AtBoard at) -> at.second() ? Group.AT_BOARD_SECOND : Group.AT_BOARD;
            case Contact.AtEnd(End.AtPoint at) ->
                switch (at.side()) {
                    case INCOMING -> Group.INCOMING_CABLE;
                    case OUTGOING -> Group.OUTGOING_CABLE;
                    case DEPARTING -> Group.DEPARTING_CABLE;
                };
            case Contact.AtEnd(End.OfNeutralTail tail) -> Group.BAR;
            case Contact.AtEnd at -> Group.MET;
            case Contact.Met met -> Group.MET;
            case Contact.SupplyEarth supply -> Group.MET;
            case Contact.Stake stake -> Group.MET;
            case Contact.Part part -> Group.MET;
            case Contact.Clamp clamp -> Group.MET;
            case Contact.EarthBar bar -> Group.BAR;
            case Contact.Bar bar -> Group.BAR;
            case Contact.BehindMainSwitch behind -> Group.MAIN_SWITCH;
            case Contact.Incoming in -> Group.INCOMING;
            case Contact.DeviceOut out -> Group.DEVICE;
            case Contact.Front front -> Group.FRONT;
            case Contact.Behind behind -> Group.BEHIND;
            case Contact.Metalwork metal -> Group.METAL;
        };
    }
}
