package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Magnitude;
import prantel.core.fault.Place;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A set of faults as a JSON file, format 1; a candidate's fault reports use the same format. See {@code
 * docs/formats/faults.md}.
 */
public final class FaultSetFile {
    private static final List<String> SIZES =
            List.of("ohms", "megohms", "milliseconds", "amps", "kiloamps", "metres", "squareMillimetres");

    private FaultSetFile() {}

    /**
     * @param rig that the faults are to be set on
     * @throws ProblemsException with every problem found, each with its JSON pointer
     */
    public static FaultSet read(byte[] bytes, Rig rig) {
        JsonFile file = open(bytes, rig);
        List<Fault> faults = file.parts("/faults", file.root().get("faults"), (node, at) -> fault(node, rig));
        return file.whole(() -> {
            FaultSet set = new FaultSet(faults);
            set.checkChosenOn(rig);
            return set;
        });
    }

    /** What a candidate reports: as faults, but a magnitude is not asked for, and a report may name the wrong place. */
    public static List<FaultReport> readReports(byte[] bytes, Rig rig) {
        JsonFile file = open(bytes, rig);
        List<FaultReport> reports = file.parts("/faults", file.root().get("faults"), (node, at) -> {
            FaultKind kind = FaultCatalogue.kind(node.get("kind").asString());
            return new FaultReport(
                    kind,
                    place(node, rig),
                    conductors(node, kind),
                    node.path("remedy").asString(""),
                    node.path("evidence").asString(""),
                    node.path("code").asString(""));
        });
        return file.whole(() -> reports);
    }

    private static JsonFile open(byte[] bytes, Rig rig) {
        JsonFile file = JsonFile.open(bytes, "faults-1");
        String forRig = file.root().get("rig").asString();
        Check.that(
                forRig.equals(rig.id()),
                "other-rig",
                "/rig",
                Check.quoted(forRig),
                "these faults are for another rig; this one is \"" + rig.id() + "\"");
        return file;
    }

    private static Fault fault(JsonNode node, Rig rig) {
        FaultKind kind = FaultCatalogue.kind(node.get("kind").asString());
        Fault fault = new Fault(kind, place(node, rig), conductors(node, kind), size(node, kind), second(node, rig));
        String placeField = node.has("at") ? "at" : node.has("bond") ? "bond" : "point";
        renamed("at", placeField, () -> {
            fault.checkOn(rig);
            return fault;
        });
        return fault;
    }

    /** {@code at}, or in a file by hand circuit and point, or bond. */
    private static Place place(JsonNode node, Rig rig) {
        if (node.has("at")) {
            return Place.parse(node.get("at").asString(), rig);
        }
        if (node.has("bond")) {
            BondId bond = new BondId(node.get("bond").asString());
            rig.bond(bond);
            return new Place.AtBond(bond);
        }
        CircuitId circuit = new CircuitId(node.get("circuit").asString());
        PointId point = new PointId(node.get("point").asString());
        rig.circuit(circuit).point(point);
        return new Place.AtPoint(circuit, point);
    }

    private static Optional<Place> second(JsonNode node, Rig rig) {
        return node.has("to")
                ? Optional.of(
                        renamed("at", "to", () -> Place.parse(node.get("to").asString(), rig)))
                : Optional.empty();
    }

    /** What core calls a place by one name stands in the file under another. */
    private static <T> T renamed(String field, String inFile, Supplier<T> make) {
        try {
            return make.get();
        } catch (ProblemsException e) {
            throw new ProblemsException(e.problems().stream()
                    .map(p -> p.where().equals(field) ? p.at(inFile) : p)
                    .toList());
        }
    }

    private static List<Conductor> conductors(JsonNode node, FaultKind kind) {
        if (!node.has("conductors")) {
            Check.that(
                    kind.conductorChoices().size() == 1,
                    "missing-conductors",
                    "conductors",
                    "",
                    kind.id() + " needs its conductors: one of "
                            + kind.conductorChoices().stream()
                                    .map(c -> c.stream()
                                            .map(Conductor::id)
                                            .toList()
                                            .toString())
                                    .toList());
            return kind.conductorChoices().getFirst();
        }
        List<Conductor> named = new ArrayList<>();
        node.get("conductors")
                .forEach(n -> named.add(Arrays.stream(Conductor.values())
                        .filter(c -> c.id().equals(n.asString()))
                        .findFirst()
                        .orElseThrow()));
        // L–E and E–L are the same pair
        return named.stream().sorted().toList();
    }

    private static double size(JsonNode node, FaultKind kind) {
        String wanted = kind.magnitude().map(Magnitude::fieldName).orElse("");
        for (String field : SIZES) {
            Check.that(
                    !node.has(field) || field.equals(wanted),
                    "magnitude-not-wanted",
                    field,
                    node.path(field).asString(),
                    wanted.isEmpty() ? kind.id() + " has no size; leave it out" : "give “" + wanted + "” instead");
        }
        if (wanted.isEmpty() || kind.sizeMayBeLeftOut() && !node.has(wanted)) {
            return 0;
        }
        if (!node.has(wanted)) {
            throw new ProblemsException(
                    new Problem("missing-magnitude", wanted, "", kind.id() + " needs “" + wanted + "”"));
        }
        return kind.magnitude().orElseThrow().unit().toBase(node.get(wanted).asDouble());
    }

    /** UTF-8 JSON that {@link #read} reads back to the same set. */
    public static byte[] write(FaultSet set, Rig rig) {
        ObjectNode root = newRoot(rig);
        ArrayNode faults = root.putArray("faults");
        for (Fault fault : set.faults()) {
            ObjectNode node = faults.addObject();
            writeWhatAndWhere(node, fault.kind(), fault.place(), fault.conductors());
            fault.kind()
                    .magnitude()
                    .ifPresent(m -> node.put(m.fieldName(), m.unit().fromBase(fault.size())));
            fault.other().ifPresent(o -> node.put("to", o.id()));
        }
        return bytes(root);
    }

    /** UTF-8 JSON that {@link #readReports} reads back to the same reports. */
    public static byte[] writeReports(List<FaultReport> reports, Rig rig) {
        ObjectNode root = newRoot(rig);
        ArrayNode faults = root.putArray("faults");
        for (FaultReport report : reports) {
            ObjectNode node = faults.addObject();
            writeWhatAndWhere(node, report.kind(), report.place(), report.conductors());
            node.put("remedy", report.remedy());
            if (!report.evidence().isEmpty()) {
                node.put("evidence", report.evidence());
            }
            if (!report.code().isEmpty()) {
                node.put("code", report.code());
            }
        }
        return bytes(root);
    }

    private static ObjectNode newRoot(Rig rig) {
        return JsonFile.MAPPER
                .createObjectNode()
                .put("format", "prantel-faults-1")
                .put("rig", rig.id());
    }

    private static void writeWhatAndWhere(ObjectNode node, FaultKind kind, Place place, List<Conductor> conductors) {
        node.put("kind", kind.id());
        switch (place) {
            case Place.AtPoint at ->
                node.put("circuit", at.circuit().value())
                        .put("point", at.point().value());
            case Place.AtBond at -> node.put("bond", at.bond().value());
            default -> node.put("at", place.id());
        }
        if (kind.conductorChoices().size() > 1) {
            ArrayNode named = node.putArray("conductors");
            conductors.forEach(c -> named.add(c.id()));
        }
    }

    private static byte[] bytes(ObjectNode root) {
        return JsonFile.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
    }
}
