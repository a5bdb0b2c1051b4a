package prantel.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import tools.jackson.databind.JsonNode;

/** What changed from one rig to another, in words: a line for each field, added or removed part. */
public final class RigDifference {
    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("atMetres", "cable distance, m"),
            Map.entry("runMetres", "cable, m"),
            Map.entry("ringMetres", "whole way round, m"),
            Map.entry("lengthMetres", "length, m"),
            Map.entry("csaMm2", "cross-section, mm²"),
            Map.entry("liveMm2", "line and neutral, mm²"),
            Map.entry("cpcMm2", "CPC, mm²"),
            Map.entry("partToEarthOhms", "part to earth, Ω"),
            Map.entry("declaredZeOhms", "declared Ze, Ω"),
            Map.entry("declaredEarthing", "declared earthing"),
            Map.entry("nominalVolts", "U0, V"),
            Map.entry("ohms", "R, Ω"),
            Map.entry("reactanceOhms", "X, Ω"),
            Map.entry("electrodeOhms", "electrode, Ω"),
            Map.entry("sourceElectrodeOhms", "source electrode, Ω"),
            Map.entry("terminationMilliohms", "terminations, mΩ"),
            Map.entry("contactMilliohms", "socket contacts, mΩ"),
            Map.entry("insulationMegohmKilometres", "cable insulation, MΩ·km"),
            Map.entry("ratedAmps", "rated current, A"),
            Map.entry("breakingKiloamps", "breaking capacity, kA"),
            Map.entry("ratedResidualMilliamps", "IΔn, mA"),
            Map.entry("tripMilliamps", "trips at, mA"),
            Map.entry("ratedMillis", "times at IΔn, ms"),
            Map.entry("fiveTimesMillis", "times at 5 × IΔn, ms"),
            Map.entry("earthPath", "earth path"),
            Map.entry("earthingConductor", "earthing conductor"),
            Map.entry("supplementaryBonds", "supplementary bonds"),
            Map.entry("surgeProtection", "surge protection"),
            Map.entry("threePhase", "three-phase"),
            Map.entry("mainRcd", "main RCD"));

    private final List<RigChange> lines = new ArrayList<>();

    private RigDifference() {}

    /**
     * @param where the part it belongs to: "Kitchen ring, socket 3"
     * @param what the field, or empty for a whole part
     * @param before empty for something added
     * @param after empty for something removed
     */
    public record RigChange(String where, String what, String before, String after) {}

    /** Empty when they are the same. */
    public static List<RigChange> between(Rig before, Rig after) {
        RigDifference difference = new RigDifference();
        difference.compare("", "", RigWriter.write(before), RigWriter.write(after));
        return List.copyOf(difference.lines);
    }

    private void compare(String where, String what, @Nullable JsonNode before, @Nullable JsonNode after) {
        if (before == null || after == null) {
            if (before != after) {
                lines.add(new RigChange(where, what, words(before), words(after)));
            }
        } else if (before.isObject() && after.isObject()) {
            Set<String> fields = new LinkedHashSet<>(before.propertyNames());
            fields.addAll(after.propertyNames());
            for (String field : fields) {
                boolean part =
                        before.path(field).isContainer() || after.path(field).isContainer();
                String inside = part ? join(where, partWord(field)) : where;
                compare(inside, part ? what : word(field), before.get(field), after.get(field));
            }
        } else if (before.isArray() && after.isArray() && (named(before) || named(after))) {
            compareNamed(where, byId(before), byId(after));
        } else if (!before.equals(after)) {
            lines.add(new RigChange(where, what, words(before), words(after)));
        }
    }

    private void compareNamed(String where, Map<String, JsonNode> before, Map<String, JsonNode> after) {
        Set<String> ids = new LinkedHashSet<>(before.keySet());
        ids.addAll(after.keySet());
        for (String id : ids) {
            JsonNode old = before.get(id);
            JsonNode now = after.get(id);
            String name = join(where, label(now == null ? java.util.Objects.requireNonNull(old) : now));
            if (old == null) {
                lines.add(new RigChange(name, "", "", "added"));
            } else if (now == null) {
                lines.add(new RigChange(name, "", "removed", ""));
            } else {
                compare(name, "", old, now);
            }
        }
    }

    private static boolean named(JsonNode array) {
        return array.path(0).has("id");
    }

    private static Map<String, JsonNode> byId(JsonNode array) {
        Map<String, JsonNode> byId = new LinkedHashMap<>();
        array.forEach(n -> byId.put(n.path("id").asString(""), n));
        return byId;
    }

    private static String label(JsonNode node) {
        for (String field : List.of("label", "part", "name")) {
            if (node.has(field)) {
                return node.get(field).asString();
            }
        }
        return node.path("id").asString("");
    }

    /** Lists whose items have names of their own need none. */
    private static String partWord(String field) {
        return switch (field) {
            case "circuits", "points", "lamps", "switches", "groups", "sections", "boards" -> "";
            case "bonds" -> "bond";
            default -> word(field);
        };
    }

    private static String word(String field) {
        return WORDS.getOrDefault(field, field);
    }

    private static String join(String a, String b) {
        return a.isEmpty() ? b : b.isEmpty() ? a : a + ", " + b;
    }

    private static String words(@Nullable JsonNode node) {
        if (node == null) {
            return "";
        }
        if (node.isNumber()) {
            return Check.plain(node.asDouble());
        }
        if (node.isBoolean()) {
            return node.asBoolean() ? "yes" : "no";
        }
        if (node.isString()) {
            return node.asString();
        }
        if (node.isArray()) {
            List<String> parts = new ArrayList<>();
            node.forEach(n -> parts.add(words(n)));
            return String.join(" / ", parts);
        }
        List<String> parts = new ArrayList<>();
        node.propertyNames().forEach(f -> parts.add(word(f) + " " + words(node.get(f))));
        return String.join(", ", parts);
    }
}
