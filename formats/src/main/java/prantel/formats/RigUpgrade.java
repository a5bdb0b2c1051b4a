package prantel.formats;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings older rig files up to the current format before they are checked. Today there is one older form: the draft of
 * format 1, with plain resistances in the supply and a {@code breaker} in each circuit. A later format adds its own step
 * here, and each step leads to the next.
 */
final class RigUpgrade {
    private RigUpgrade() {}

    static void toCurrent(ObjectNode root) {
        if (root.get("supply") instanceof ObjectNode supply && supply.has("lineOhms")) {
            fromDraftSupply(supply);
        }
        if (root.get("circuits") instanceof ArrayNode circuits) {
            for (JsonNode circuit : circuits) {
                if (circuit instanceof ObjectNode object && object.get("breaker") instanceof ObjectNode breaker) {
                    object.remove("breaker");
                    breaker.put("kind", "mcb");
                    object.set("device", breaker);
                }
            }
        }
    }

    private static void fromDraftSupply(ObjectNode supply) {
        ArrayNode lines = supply.putArray("lines");
        move(supply, "lineOhms", lines.addObject(), "ohms");
        if (supply.has("neutralOhms")) {
            move(supply, "neutralOhms", supply.putObject("neutral"), "ohms");
        }
        boolean tt = supply.get("earthing") != null
                && "TT".equals(supply.get("earthing").asString(""));
        if (supply.has("earthPathOhms")) {
            if (tt) {
                move(supply, "earthPathOhms", supply, "electrodeOhms");
            } else {
                move(supply, "earthPathOhms", supply.putObject("earthPath"), "ohms");
            }
        }
    }

    private static void move(ObjectNode from, String field, ObjectNode to, String newField) {
        JsonNode value = from.remove(field);
        to.set(newField, value);
    }
}
