package prantel.formats;

import static prantel.formats.JsonFile.need;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.limits.Breaker;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BondId;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.EarthingConductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.rig.Supply;
import prantel.core.rig.Supply.Earthing;
import prantel.core.rig.Workmanship;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A rig as a JSON file, format 1. Reading what was written gives the same rig. See {@code docs/formats/rig.md}. */
public final class RigFile {
    private RigFile() {}

    /**
     * @throws ProblemsException with every problem found, each with its JSON pointer
     */
    public static Rig read(byte[] bytes) {
        JsonFile file = JsonFile.open(bytes, "rig-1");
        JsonNode root = file.root();
        Supply supply = file.part("/supply", () -> supply(root.get("supply")));
        EarthingConductor earthing = file.part("/earthingConductor", () -> {
            JsonNode node = root.get("earthingConductor");
            return new EarthingConductor(number(node, "csaMm2"), number(node, "lengthMetres"));
        });
        Workmanship workmanship = file.part("/workmanship", () -> {
            JsonNode node = root.get("workmanship");
            return new Workmanship(
                    number(node, "terminationMilliohms"),
                    number(node, "contactMilliohms"),
                    number(node, "insulationMegohmKilometres"));
        });
        List<MainBond> bonds = file.parts("/bonds", root.path("bonds"), (node, at) -> bond(node));
        List<Circuit> circuits = file.parts("/circuits", root.get("circuits"), (node, at) -> circuit(file, node, at));
        return file.whole(() -> new Rig(
                text(root, "id"),
                text(root, "name"),
                need(supply),
                need(earthing),
                bonds,
                need(workmanship),
                circuits));
    }

    private static Supply supply(JsonNode node) {
        Earthing earthing = switch (text(node, "earthing")) {
            case "TN-S" -> Earthing.TN_S;
            case "TT" -> Earthing.TT;
            default -> Earthing.TN_C_S;
        };
        double neutralOhms = number(node, "neutralOhms");
        return new Supply(
                earthing,
                number(node, "nominalVolts"),
                number(node, "declaredZeOhms"),
                number(node, "lineOhms"),
                neutralOhms,
                earthing == Earthing.TN_C_S ? neutralOhms : number(node, "earthPathOhms"));
    }

    private static MainBond bond(JsonNode node) {
        return new MainBond(
                new BondId(text(node, "id")),
                text(node, "part"),
                number(node, "csaMm2"),
                number(node, "lengthMetres"),
                number(node, "partToEarthOhms"));
    }

    private static @Nullable Circuit circuit(JsonFile file, JsonNode node, String at) {
        CircuitId id = file.part(at, () -> new CircuitId(text(node, "id")));
        Breaker breaker = file.part(
                at + "/breaker",
                () -> new Breaker(
                        Breaker.Curve.valueOf(text(node.get("breaker"), "curve")),
                        number(node.get("breaker"), "ratedAmps")));
        Cable cable = file.part(
                at + "/cable",
                () -> new Cable(number(node.get("cable"), "liveMm2"), number(node.get("cable"), "cpcMm2")));
        List<Point> points = file.parts(at + "/points", node.get("points"), (point, where) -> point(point));
        if (id == null
                || breaker == null
                || cable == null
                || points.size() < node.get("points").size()) {
            return null;
        }
        return new Radial(id, text(node, "label"), node.get("way").asInt(), breaker, cable, points);
    }

    private static Point point(JsonNode node) {
        String kind = text(node, "kind");
        return new Point(
                new PointId(text(node, "id")),
                text(node, "label"),
                java.util.Arrays.stream(PointKind.values())
                        .filter(k -> k.id().equals(kind))
                        .findFirst()
                        .orElseThrow(),
                number(node, "atMetres"));
    }

    /** UTF-8 JSON that {@link #read} reads back to the same rig. */
    public static byte[] write(Rig rig) {
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", "prantel-rig-1").put("id", rig.id()).put("name", rig.name());
        ObjectNode supply = root.putObject("supply")
                .put("earthing", rig.supply().earthing().label())
                .put("nominalVolts", rig.supply().nominalVolts())
                .put("declaredZeOhms", rig.supply().declaredZeOhms())
                .put("lineOhms", rig.supply().lineOhms())
                .put("neutralOhms", rig.supply().neutralOhms());
        if (rig.supply().earthing() != Earthing.TN_C_S) {
            supply.put("earthPathOhms", rig.supply().earthPathOhms());
        }
        root.putObject("earthingConductor")
                .put("csaMm2", rig.earthingConductor().csaMm2())
                .put("lengthMetres", rig.earthingConductor().lengthMetres());
        ArrayNode bonds = root.putArray("bonds");
        rig.bonds()
                .forEach(bond -> bonds.addObject()
                        .put("id", bond.id().value())
                        .put("part", bond.part())
                        .put("csaMm2", bond.csaMm2())
                        .put("lengthMetres", bond.lengthMetres())
                        .put("partToEarthOhms", bond.partToEarthOhms()));
        root.putObject("workmanship")
                .put("terminationMilliohms", rig.workmanship().terminationMilliohms())
                .put("contactMilliohms", rig.workmanship().contactMilliohms())
                .put("insulationMegohmKilometres", rig.workmanship().insulationMegohmKilometres());
        ArrayNode circuits = root.putArray("circuits");
        for (Circuit circuit : rig.circuits()) {
            switch (circuit) {
                case Radial radial -> writeRadial(circuits.addObject(), radial);
            }
        }
        return JsonFile.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
    }

    private static void writeRadial(ObjectNode node, Radial radial) {
        node.put("id", radial.id().value())
                .put("label", radial.label())
                .put("kind", "radial")
                .put("way", radial.way());
        node.putObject("breaker")
                .put("curve", radial.breaker().curve().name())
                .put("ratedAmps", radial.breaker().ratedAmps());
        node.putObject("cable")
                .put("liveMm2", radial.cable().liveMm2())
                .put("cpcMm2", radial.cable().cpcMm2());
        ArrayNode points = node.putArray("points");
        radial.points()
                .forEach(point -> points.addObject()
                        .put("id", point.id().value())
                        .put("label", point.label())
                        .put("kind", point.kind().id())
                        .put("atMetres", point.atMetres()));
    }

    private static double number(JsonNode node, String field) {
        return node.get(field).asDouble();
    }

    private static String text(JsonNode node, String field) {
        return node.get(field).asString();
    }
}
