package prantel.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What differs between two versions of a scheme's file: fields by their names, list items by their ids. */
public final class SchemeDifference {
    private static final int MOST = 200;

    private SchemeDifference() {}

    /** @param where path in words: "steps, ring, title" @param before empty where it is new @param after empty where it is gone */
    public record Change(String where, String before, String after) {}

    /** In the order of the files; at most 200. */
    public static List<Change> between(byte[] before, byte[] after) {
        List<Change> changes = new ArrayList<>();
        compare("", tree(before), tree(after), changes);
        return changes.size() > MOST ? List.copyOf(changes.subList(0, MOST)) : changes;
    }

    private static JsonNode tree(byte[] file) {
        return JsonFile.MAPPER.readTree(Utf8.text(file));
    }

    private static void compare(String where, JsonNode a, JsonNode b, List<Change> changes) {
        if (a.equals(b)) {
            return;
        }
        if (a.isObject() && b.isObject()) {
            a.propertyStream().forEach(p -> {
                if (!b.has(p.getKey())) {
                    changes.add(new Change(in(where, p.getKey()), said(p.getValue()), ""));
                } else {
                    compare(in(where, p.getKey()), p.getValue(), b.get(p.getKey()), changes);
                }
            });
            b.propertyStream()
                    .filter(p -> !a.has(p.getKey()))
                    .forEach(p -> changes.add(new Change(in(where, p.getKey()), "", said(p.getValue()))));
        } else if (isNamed(a) && isNamed(b)) {
            items(where, a, b, changes);
        } else {
            changes.add(new Change(where, said(a), said(b)));
        }
    }

    private static void items(String where, JsonNode a, JsonNode b, List<Change> changes) {
        Map<String, JsonNode> after = byName(b);
        byName(a).forEach((name, item) -> {
            JsonNode other = after.remove(name);
            if (other == null) {
                changes.add(new Change(in(where, name), said(item), ""));
            } else {
                compare(in(where, name), item, other, changes);
            }
        });
        after.forEach((name, item) -> changes.add(new Change(in(where, name), "", said(item))));
        List<String> before = new ArrayList<>(byName(a).keySet());
        List<String> now = new ArrayList<>(byName(b).keySet());
        before.retainAll(now);
        now.retainAll(before);
        if (!before.equals(now)) {
            changes.add(new Change(in(where, "order"), String.join(", ", before), String.join(", ", now)));
        }
    }

    private static boolean isNamed(JsonNode node) {
        return node.isArray() && !node.isEmpty() && node.get(0).has("id");
    }

    /** Criteria for different tests may share an id. */
    private static Map<String, JsonNode> byName(JsonNode list) {
        Map<String, JsonNode> named = new LinkedHashMap<>();
        for (JsonNode item : list) {
            String name = item.path("id").asString("");
            for (int n = 2; named.containsKey(name); n++) {
                name = item.path("id").asString("") + " (" + n + ")";
            }
            named.put(name, item);
        }
        return named;
    }

    private static String in(String where, String field) {
        return where.isEmpty() ? field : where + ", " + field;
    }

    private static String said(JsonNode node) {
        String text = node.isString() ? node.asString() : node.toString();
        return text.length() > 160 ? text.substring(0, 160) + "…" : text;
    }
}
