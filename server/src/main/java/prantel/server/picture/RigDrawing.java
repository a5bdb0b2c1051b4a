package prantel.server.picture;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.MainBond;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Submain;
import prantel.core.rig.Supply;

/** What the drawing of a rig is made from. */
public record RigDrawing(List<Fact> supply, List<BoardDrawing> boards) {

    public record Fact(String label, String value) {}

    public record BoardDrawing(
            String id, String label, String mainRcd, boolean surgeProtection, List<SectionDrawing> sections) {}

    public record SectionDrawing(String id, String label, String rcd, List<CircuitDrawing> circuits) {}

    public record CircuitDrawing(
            @JsonUnwrapped CircuitShown of, @JsonUnwrapped CircuitWired wired, List<StationDrawing> stations) {}

    /** Which circuit. */
    public record CircuitShown(String id, String label, String kind) {}

    /**
     * How it is protected and wired.
     *
     * @param lengthMetres to the far end of the cable; all the way round for a ring
     * @param feeds label of the board a submain feeds
     */
    public record CircuitWired(int way, String phase, String device, String cable, double lengthMetres, String feeds) {}

    /**
     * @param parent the station its cable comes from where that is not the one before it on the main track
     * @param track 0 on the circuit's own line, 1 and more on side tracks
     */
    public record StationDrawing(
            String id,
            String label,
            String kind,
            double atMetres,
            @Nullable String parent,
            int track) {}

    public static RigDrawing of(Rig rig) {
        return new RigDrawing(
                facts(rig), rig.boards().stream().map(b -> board(b, rig)).toList());
    }

    private static List<Fact> facts(Rig rig) {
        Supply supply = rig.supply();
        List<Fact> facts = new java.util.ArrayList<>();
        String declared = supply.declared().earthing().label();
        String actual = supply.earth().earthing().label();
        facts.add(
                new Fact("Earthing", declared.equals(actual) ? declared : declared + " declared, building " + actual));
        facts.add(new Fact(
                "Supply",
                (supply.isThreePhase() ? "three-phase, " : "single-phase, ") + Check.plain(supply.nominalVolts())
                        + "\u2009V"));
        facts.add(new Fact("Declared Ze", Check.plain(supply.declaredZeOhms()) + "\u2009Ω"));
        facts.add(new Fact("Lines", joined(supply.lines())));
        facts.add(new Fact("Neutral", ohms(supply.neutral())));
        if (supply.earth().earthing() == Supply.Earthing.TN_S) {
            facts.add(new Fact("Earth path", ohms(supply.earth().path())));
        }
        if (supply.earth().earthing() == Supply.Earthing.TT) {
            facts.add(new Fact("Electrode", Check.plain(supply.earth().electrodeOhms()) + "\u2009Ω"));
        }
        var conductor = rig.earthing().conductor();
        facts.add(new Fact(
                "Earthing conductor",
                Check.plain(conductor.csaMm2()) + "\u2009mm², " + Check.plain(conductor.lengthMetres()) + "\u2009m"));
        for (MainBond bond : rig.bonds()) {
            facts.add(new Fact(
                    "Bond, " + bond.part(),
                    Check.plain(bond.csaMm2()) + "\u2009mm², " + Check.plain(bond.lengthMetres()) + "\u2009m"));
        }
        rig.earthing()
                .supplementaryBonds()
                .forEach(b -> facts.add(
                        new Fact("Supplementary bond", b.label() + ", " + Check.plain(b.csaMm2()) + "\u2009mm²")));
        return facts;
    }

    private static String joined(List<Impedance> lines) {
        return String.join("; ", lines.stream().map(RigDrawing::ohms).toList());
    }

    private static String ohms(Impedance impedance) {
        return Check.plain(impedance.ohms())
                + (impedance.reactanceOhms() > 0 ? " + j" + Check.plain(impedance.reactanceOhms()) : "") + "\u2009Ω";
    }

    private static BoardDrawing board(Board board, Rig rig) {
        return new BoardDrawing(
                board.id().value(),
                board.label(),
                board.mainRcd().map(ResidualDevice::label).orElse(""),
                board.surgeProtection(),
                board.sections().stream()
                        .map(s -> new SectionDrawing(
                                s.id().value(),
                                s.label(),
                                s.rcd().map(ResidualDevice::label).orElse(""),
                                rig.circuitsOf(board.id(), s.id()).stream()
                                        .map(c -> circuit(c, rig))
                                        .toList()))
                        .toList());
    }

    private static CircuitDrawing circuit(Circuit circuit, Rig rig) {
        String phase = circuit.isThreePhase()
                ? "L1 L2 L3"
                : rig.isThreePhase(circuit.way().board()) ? "L" + circuit.way().phase() : "";
        String enclosure =
                circuit.cable().enclosure().map(e -> " in " + e.kind().word()).orElse("");
        return new CircuitDrawing(
                new CircuitShown(
                        circuit.id().value(),
                        circuit.label(),
                        switch (circuit) {
                            case Radial radial -> "radial";
                            case Ring ring -> "ring";
                            case Lighting lighting -> "lighting";
                            case Submain submain -> "submain";
                        }),
                new CircuitWired(
                        circuit.way().number(),
                        phase,
                        circuit.device().label(),
                        circuit.cable().label() + enclosure,
                        length(circuit),
                        circuit instanceof Submain s ? rig.board(s.feeds()).label() : ""),
                stations(circuit));
    }

    private static double length(Circuit circuit) {
        return switch (circuit) {
            case Ring ring -> ring.ringMetres();
            case Submain submain -> submain.lengthMetres();
            case Radial radial -> furthest(radial);
            case Lighting lighting -> furthest(lighting);
        };
    }

    private static double furthest(Circuit circuit) {
        return circuit.points().stream().mapToDouble(Point::atMetres).max().orElse(0);
    }

    private static List<StationDrawing> stations(Circuit circuit) {
        if (circuit instanceof Lighting lighting) {
            return lights(lighting);
        }
        return circuit.points().stream()
                .map(p -> new StationDrawing(
                        p.id().value(),
                        p.label(),
                        p.kind().id(),
                        p.atMetres(),
                        p.after().map(Object::toString).orElse(null),
                        depth(circuit, p)))
                .toList();
    }

    private static int depth(Circuit circuit, Point point) {
        int depth = 0;
        Point at = point;
        while (at.after().isPresent()) {
            at = circuit.point(at.after().get());
            depth++;
        }
        return depth;
    }

    /** Lamps on the line; switches of each group on its side track. */
    private static List<StationDrawing> lights(Lighting lighting) {
        List<StationDrawing> stations = new java.util.ArrayList<>();
        for (LightGroup group : lighting.groups()) {
            boolean atLamp = group.feed() == LightGroup.Feed.LAMP;
            String lamp = group.lamps().getFirst().id().value();
            String first = group.switches().getFirst().id().value();
            for (int i = 0; i < group.lamps().size(); i++) {
                Point point = lighting.point(group.lamps().get(i).id());
                String parent = i > 0
                        ? group.lamps().get(i - 1).id().value()
                        : atLamp ? null : group.beforeLamps().id().value();
                boolean trunk = atLamp && i == 0;
                stations.add(station(point, PointKind.LAMP, parent, trunk ? 0 : 1));
            }
            for (int i = 0; i < group.switches().size(); i++) {
                Point point = lighting.point(group.switches().get(i).id());
                String parent = i > 0 ? group.switches().get(i - 1).id().value() : atLamp ? lamp : null;
                boolean trunk = !atLamp && i == 0;
                stations.add(station(point, PointKind.SWITCH, parent, trunk ? 0 : atLamp ? 1 : 2));
            }
        }
        return stations;
    }

    private static StationDrawing station(Point point, PointKind kind, @Nullable String parent, int track) {
        return new StationDrawing(point.id().value(), point.label(), kind.id(), point.atMetres(), parent, track);
    }
}
