package prantel.formats;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Brings older rig files up to the current format before they are checked. Today there is one older form: the draft of
 * format 1, with plain resistances in the supply and a {@code breaker} in each circuit. A later format adds its own step
 * here, and each step leads to the next. A field of an older form beside today's is left where it is, and refused as one
 * that is not known: which of the two is meant is for people to say.
 */
final class RigUpgrade {
    private RigUpgrade() {}

    static void toCurrent(ObjectNode root) {
        if (root.get("supply") instanceof ObjectNode supply && supply.has("lineOhms") && !supply.has("lines")) {
            fromDraftSupply(supply);
        }
        if (root.get("circuits") instanceof ArrayNode circuits) {
            for (JsonNode circuit : circuits) {
                if (circuit instanceof ObjectNode object
                        && object.get("breaker") instanceof ObjectNode breaker
                        && !object.has("device")) {
                    object.remove("breaker");
                    if (!breaker.has("kind")) {
                        breaker.put("kind", "mcb");
                    }
                    object.set("device", breaker);
                }
            }
        }
    }

    private static void fromDraftSupply(ObjectNode supply) {
        ArrayNode lines = supply.putArray("lines");
        move(supply, "lineOhms", lines.addObject(), "ohms");
        if (supply.has("neutralOhms") && !supply.has("neutral")) {
            move(supply, "neutralOhms", supply.putObject("neutral"), "ohms");
        }
        boolean tt = supply.get("earthing") != null
                && "TT".equals(supply.get("earthing").asString(""));
        if (supply.has("earthPathOhms")) {
            if (tt && !supply.has("electrodeOhms")) {
                move(supply, "earthPathOhms", supply, "electrodeOhms");
            } else if (!tt && !supply.has("earthPath")) {
                move(supply, "earthPathOhms", supply.putObject("earthPath"), "ohms");
            }
        }
    }

    private static void move(ObjectNode from, String field, ObjectNode to, String newField) {
        JsonNode value = from.remove(field);
        to.set(newField, value);
    }
}
