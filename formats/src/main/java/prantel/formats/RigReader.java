package prantel.formats;

import static prantel.formats.JsonFile.need;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultBox;
import prantel.core.limits.Breaker;
import prantel.core.limits.FuseTable;
import prantel.core.limits.Overcurrent;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.EarthingConductor;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.MainBond;
import prantel.core.rig.MainEarthing;
import prantel.core.rig.Nature;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Relay;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.SectionId;
import prantel.core.rig.Submain;
import prantel.core.rig.SupplementaryBond;
import prantel.core.rig.Supply;
import prantel.core.rig.Supply.Earthing;
import prantel.core.rig.SurgeProtection;
import prantel.core.rig.Way;
import prantel.core.rig.Workmanship;
import tools.jackson.databind.JsonNode;

/** Makes a rig of a file that its schema allows; keeps every problem that the schema could not see. */
final class RigReader {
    private final JsonFile file;
    private final JsonNode root;

    RigReader(JsonFile file) {
        this.file = file;
        this.root = file.root();
    }

    Rig read() {
        Supply supply = supply(root.get("supply"));
        Workmanship workmanship = file.part("/workmanship", () -> {
            JsonNode node = root.get("workmanship");
            return new Workmanship(
                    number(node, "terminationMilliohms"),
                    number(node, "contactMilliohms"),
                    number(node, "insulationMegohmKilometres"),
                    node.has("insulationByPair")
                            ? Optional.of(byPair(node.get("insulationByPair")))
                            : Optional.empty());
        });
        MainEarthing earthing = earthing();
        List<Board> boards =
                root.has("boards") ? file.parts("/boards", root.get("boards"), this::board) : List.of(Board.plain());
        List<Circuit> circuits = file.parts("/circuits", root.get("circuits"), this::circuit);
        List<Relay> relays =
                root.has("faultBox") ? file.parts("/faultBox", root.get("faultBox"), (n, at) -> relay(n)) : List.of();
        return file.whole(() -> checked(new Rig(
                new Rig.Nameplate(
                        text(root, "id"),
                        text(root, "name"),
                        root.path("comments").asString("")),
                new Rig.Intake(need(supply), need(earthing)),
                need(workmanship),
                boards,
                circuits,
                relays)));
    }

    private static Workmanship.ByPair byPair(JsonNode node) {
        return new Workmanship.ByPair(
                number(node, "lineNeutral"), number(node, "lineEarth"), number(node, "neutralEarth"));
    }

    /** What a relay sets must fit the rig. */
    private static Rig checked(Rig rig) {
        FaultBox.of(rig);
        return rig;
    }

    private static Relay relay(JsonNode node) {
        List<Conductor> conductors = new ArrayList<>();
        node.path("conductors").forEach(n -> conductors.add(Conductor.of(n.asString())));
        return new Relay(
                node.get("relay").asInt(),
                text(node, "kind"),
                text(node, "at"),
                conductors,
                node.path("size").asDouble(0),
                node.path("to").asString(""));
    }

    private @Nullable Supply supply(JsonNode node) {
        List<Impedance> lines = file.parts("/supply/lines", node.get("lines"), (n, at) -> impedance(n));
        Impedance neutral = file.part("/supply/neutral", () -> impedance(node.get("neutral")));
        Impedance path = file.part(
                "/supply/earthPath", () -> node.has("earthPath") ? impedance(node.get("earthPath")) : Impedance.of(1));
        if (lines.size() < node.get("lines").size() || neutral == null || path == null) {
            return null;
        }
        return file.part("/supply", () -> {
            Earthing earthing = Earthing.of(text(node, "earthing"));
            Earthing declared = node.has("declaredEarthing") ? Earthing.of(text(node, "declaredEarthing")) : earthing;
            return new Supply(
                    number(node, "nominalVolts"),
                    new Supply.Declared(declared, number(node, "declaredZeOhms")),
                    lines,
                    neutral,
                    new Supply.Earth(
                            earthing,
                            earthing == Earthing.TN_S ? path : neutral,
                            node.path("sourceElectrodeOhms").asDouble(Supply.Earth.USUAL_SOURCE_ELECTRODE_OHMS),
                            node.path("electrodeOhms").asDouble(1)),
                    node.has("tails")
                            ? Optional.of(new Supply.Tails(
                                    number(node.get("tails"), "csaMm2"), number(node.get("tails"), "lengthMetres")))
                            : Optional.empty());
        });
    }

    private static Impedance impedance(JsonNode node) {
        return new Impedance(number(node, "ohms"), node.path("reactanceOhms").asDouble(0));
    }

    private @Nullable MainEarthing earthing() {
        EarthingConductor conductor = file.part("/earthingConductor", () -> {
            JsonNode node = root.get("earthingConductor");
            return new EarthingConductor(number(node, "csaMm2"), number(node, "lengthMetres"));
        });
        List<MainBond> bonds = file.parts("/bonds", root.path("bonds"), (node, at) -> bond(node));
        List<SupplementaryBond> supplementary = file.parts(
                "/supplementaryBonds", root.path("supplementaryBonds"), (node, at) -> supplementaryBond(node));
        return conductor == null ? null : file.part("", () -> new MainEarthing(conductor, bonds, supplementary));
    }

    private static MainBond bond(JsonNode node) {
        return new MainBond(
                new BondId(text(node, "id")),
                text(node, "part"),
                number(node, "csaMm2"),
                number(node, "lengthMetres"),
                number(node, "partToEarthOhms"));
    }

    private static SupplementaryBond supplementaryBond(JsonNode node) {
        return new SupplementaryBond(
                new BondId(text(node, "id")),
                text(node, "label"),
                new CircuitId(text(node, "circuit")),
                new PointId(text(node, "point")),
                new BondId(text(node, "part")),
                number(node, "csaMm2"),
                number(node, "lengthMetres"));
    }

    private @Nullable Board board(JsonNode node, String at) {
        Optional<ResidualDevice> main = residual(node, "mainRcd", at);
        List<Board.Section> sections = file.parts(
                at + "/sections",
                node.get("sections"),
                (section, where) -> new Board.Section(
                        new SectionId(text(section, "id")), text(section, "label"), residual(section, "rcd", where)));
        if (sections.size() < node.get("sections").size()) {
            return null;
        }
        return new Board(
                new BoardId(text(node, "id")),
                text(node, "label"),
                main,
                sections,
                surge(node.path("surgeProtection")));
    }

    /** true stands for the usual kind. */
    private static SurgeProtection surge(JsonNode node) {
        return node.isString()
                ? of(SurgeProtection.values(), SurgeProtection::id, node.asString())
                : node.asBoolean(false) ? SurgeProtection.TO_NEUTRAL : SurgeProtection.NONE;
    }

    private Optional<ResidualDevice> residual(JsonNode node, String field, String at) {
        return node.has(field)
                ? Optional.ofNullable(file.part(at + "/" + field, () -> residual(node.get(field))))
                : Optional.empty();
    }

    private static ResidualDevice residual(JsonNode node) {
        ResidualDevice sound = ResidualDevice.sound(
                ResidualDevice.Type.valueOf(text(node, "type")),
                number(node, "ratedResidualMilliamps"),
                node.path("delayed").asBoolean(false));
        ResidualDevice.Behaviour usual = sound.behaviour();
        return new ResidualDevice(
                sound.type(),
                sound.ratedResidualMilliamps(),
                sound.delayed(),
                new ResidualDevice.Behaviour(
                        node.path("tripMilliamps").asDouble(usual.tripMilliamps()),
                        node.path("ratedMillis").path(0).asDouble(usual.ratedMillis0()),
                        node.path("ratedMillis").path(1).asDouble(usual.ratedMillis180()),
                        node.path("fiveTimesMillis").path(0).asDouble(usual.fiveMillis0()),
                        node.path("fiveTimesMillis").path(1).asDouble(usual.fiveMillis180()),
                        node.path("buttonWorks").asBoolean(true)));
    }

    /** Everything is read before anything is given up, so that every problem of a circuit comes at once. */
    private @Nullable Circuit circuit(JsonNode node, String at) {
        CircuitHead head = head(node, at);
        return switch (text(node, "kind")) {
            case "ring" -> {
                List<Point> points = points(node, at);
                yield head == null || points.size() < node.get("points").size()
                        ? null
                        : new Ring(head, number(node, "ringMetres"), points);
            }
            case "lighting" -> {
                List<LightGroup> groups = file.parts(at + "/groups", node.get("groups"), this::group);
                yield head == null || groups.size() < node.get("groups").size() ? null : new Lighting(head, groups);
            }
            case "submain" ->
                head == null
                        ? null
                        : new Submain(
                                head,
                                node.path("threePhase").asBoolean(false),
                                number(node, "lengthMetres"),
                                new BoardId(text(node, "feeds")));
            default -> {
                List<Point> points = points(node, at);
                yield head == null || points.size() < node.get("points").size()
                        ? null
                        : new Radial(head, node.path("threePhase").asBoolean(false), points);
            }
        };
    }

    private @Nullable CircuitHead head(JsonNode node, String at) {
        CircuitId id = file.part(at, () -> new CircuitId(text(node, "id")));
        Way way = file.part(
                at,
                () -> new Way(
                        node.has("board") ? new BoardId(text(node, "board")) : defaultBoard(),
                        node.has("section") ? new SectionId(text(node, "section")) : defaultSection(node),
                        node.get("way").asInt(),
                        node.path("phase").asInt(1)));
        Device device = device(node.get("device"), at + "/device");
        Cable cable = file.part(at + "/cable", () -> cable(node.get("cable")));
        if (id == null || way == null || device == null || cable == null) {
            return null;
        }
        Nature nature = node.has("nature") ? of(Nature.values(), Nature::id, text(node, "nature")) : Nature.LOW;
        return new CircuitHead(id, text(node, "label"), way, device, cable, nature);
    }

    /** A rig with one board and one section need not name them in each circuit. */
    private BoardId defaultBoard() {
        return root.has("boards")
                ? new BoardId(root.get("boards").path(0).path("id").asString(Board.MAIN.value()))
                : Board.MAIN;
    }

    private SectionId defaultSection(JsonNode circuit) {
        if (!root.has("boards")) {
            return Board.ONLY;
        }
        for (JsonNode board : root.get("boards")) {
            if (!circuit.has("board") || text(board, "id").equals(text(circuit, "board"))) {
                return new SectionId(board.path("sections").path(0).path("id").asString(Board.ONLY.value()));
            }
        }
        return Board.ONLY;
    }

    private @Nullable Device device(JsonNode node, String at) {
        Optional<ResidualDevice> residual = residual(node, "residual", at);
        return file.part(at, () -> {
            Device.Kind kind = of(Device.Kind.values(), Device.Kind::id, text(node, "kind"));
            Overcurrent overcurrent = kind == Device.Kind.FUSE
                    ? FuseTable.of(text(node, "standard"), number(node, "ratedAmps"))
                    : new Breaker(Breaker.Curve.valueOf(text(node, "curve")), number(node, "ratedAmps"));
            return new Device(
                    kind,
                    overcurrent,
                    node.path("breakingKiloamps").asDouble(Device.USUAL_BREAKING_KILOAMPS),
                    residual);
        });
    }

    private static Cable cable(JsonNode node) {
        JsonNode enclosure = node.path("enclosure");
        return new Cable(
                number(node, "liveMm2"),
                number(node, "cpcMm2"),
                enclosure.isObject()
                        ? Optional.of(new Cable.Enclosure(
                                of(Cable.Enclosure.Kind.values(), Cable.Enclosure.Kind::id, text(enclosure, "kind")),
                                number(enclosure, "milliohmPerMetre")))
                        : Optional.empty());
    }

    private List<Point> points(JsonNode circuit, String at) {
        return file.parts(
                at + "/points",
                circuit.get("points"),
                (node, where) -> new Point(
                        new PointId(text(node, "id")),
                        text(node, "label"),
                        of(PointKind.values(), PointKind::id, text(node, "kind")),
                        number(node, "atMetres"),
                        node.has("after") ? Optional.of(new PointId(text(node, "after"))) : Optional.empty(),
                        node.has("load") ? Optional.ofNullable(load(node.get("load"), where)) : Optional.empty(),
                        node.path("metal").asBoolean(false)));
    }

    private @Nullable Load load(JsonNode node, String at) {
        return file.part(
                at + "/load",
                () -> new Load(
                        of(Load.Kind.values(), Load.Kind::id, text(node, "kind")),
                        number(node, "watts"),
                        node.path("leakMegohms").asDouble(0)));
    }

    private @Nullable LightGroup group(JsonNode node, String at) {
        List<LightGroup.Lamp> lamps = file.parts(at + "/lamps", node.get("lamps"), this::lamp);
        List<LightSwitch> switches = file.parts(
                at + "/switches",
                node.get("switches"),
                (n, where) -> new LightSwitch(
                        new PointId(text(n, "id")),
                        text(n, "label"),
                        number(n, "runMetres"),
                        n.path("secondStrapperMoreMetres").asDouble(0)));
        if (lamps.size() < node.get("lamps").size()
                || switches.size() < node.get("switches").size()) {
            return null;
        }
        return new LightGroup(
                text(node, "id"),
                text(node, "label"),
                of(LightGroup.Feed.values(), LightGroup.Feed::id, text(node, "feed")),
                lamps,
                switches);
    }

    private LightGroup.@Nullable Lamp lamp(JsonNode node, String at) {
        Load load = load(node.get("load"), at);
        return load == null
                ? null
                : new LightGroup.Lamp(
                        new PointId(text(node, "id")),
                        text(node, "label"),
                        number(node, "runMetres"),
                        load,
                        node.path("metal").asBoolean(false));
    }

    /** The constant with this id; the schema has seen to it that there is one. */
    private static <T> T of(T[] values, Function<T, String> id, String wanted) {
        return Arrays.stream(values)
                .filter(v -> id.apply(v).equals(wanted))
                .findFirst()
                .orElseThrow();
    }

    private static double number(JsonNode node, String field) {
        return node.get(field).asDouble();
    }

    private static String text(JsonNode node, String field) {
        return node.get(field).asString();
    }
}
