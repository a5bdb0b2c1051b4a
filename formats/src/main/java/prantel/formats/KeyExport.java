package prantel.formats;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Band;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.limits.Limit;
import prantel.core.quantity.Unit;
import prantel.core.sequence.Slot;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The whole expectation sheet of a key, for programs: JSON or CSV. See {@code docs/formats/sheet.md}. */
public final class KeyExport {
    private static final String[] COLUMNS = {
        "slot",
        "test",
        "quantity",
        "where",
        "healthy",
        "with_faults",
        "unit",
        "band_low",
        "band_high",
        "limit_side",
        "limit",
        "satisfactory",
        "visibility"
    };

    private KeyExport() {}

    /** One object a box; a band that may read over-range has no {@code bandHigh}, one that must has neither end. */
    public static String json(Key key) {
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", "prantel-sheet-1")
                .put("rig", key.rig().id())
                .put("tester", key.tester().id())
                .put("scheme", key.scheme().id() + "/" + key.scheme().version())
                .put("faults", key.faults().faults().size());
        ArrayNode slots = root.putArray("slots");
        for (Expectation e : key.expectations()) {
            Slot slot = e.slot();
            ObjectNode node = slots.addObject()
                    .put("slot", slot.id().value())
                    .put("test", slot.step().label())
                    .put("quantity", slot.quantity())
                    .put("where", slot.where())
                    .put("healthy", e.healthy().shown())
                    .put("withFaults", e.withFaults().shown())
                    .put("unit", baseUnit(slot));
            Band band = e.band();
            if (!band.isOverRangeOnly() && slot.boxUnit() != Unit.WORDS) {
                node.put("bandLow", band.low());
            }
            if (!band.allowsOverRange() && slot.boxUnit() != Unit.WORDS) {
                node.put("bandHigh", band.high());
            }
            slot.limit().ifPresent(limit -> write(limit, node.putObject("limit")));
            e.satisfactory().ifPresent(ok -> node.put("satisfactory", ok));
            node.put("visibility", e.change().visibility().name());
            if (slot instanceof Slot.Measured measured) {
                ArrayNode reasons = node.putArray("bandReasons");
                key.reasons(measured)
                        .forEach(r -> reasons.addObject()
                                .put("cause", r.cause())
                                .put("down", r.down())
                                .put("up", r.up()));
            }
        }
        return JsonFile.MAPPER.writeValueAsString(root);
    }

    private static void write(Limit limit, ObjectNode node) {
        node.put("side", limit.side().name()).put("value", limit.base());
        if (limit.notBelow() > 0) {
            node.put("notBelow", limit.notBelow());
        }
        node.put("source", limit.source()).put("working", limit.working());
    }

    /** The unit of bands and limits; empty where words are found. */
    private static String baseUnit(Slot slot) {
        return switch (slot.boxUnit().dimension()) {
            case RESISTANCE -> "Ω";
            case VOLTAGE -> "V";
            case CURRENT -> "A";
            case TIME -> "ms";
            case LENGTH -> "m";
            case AREA -> "mm²";
            case WORDS -> "";
        };
    }

    /** One row a box, RFC 4180; the columns {@code slot} and an added {@code reading} make a readings file of it. */
    public static String csv(Key key) {
        StringWriter out = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(
                out, CSVFormat.RFC4180.builder().setHeader(COLUMNS).get())) {
            for (Expectation e : key.expectations()) {
                printer.printRecord(row(e));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static List<@Nullable Object> row(Expectation e) {
        Slot slot = e.slot();
        Limit limit = slot.limit().orElse(null);
        return java.util.Arrays.asList(
                slot.id(),
                slot.step().label(),
                slot.quantity(),
                slot.where(),
                e.healthy().shown(),
                e.withFaults().shown(),
                baseUnit(slot),
                e.band().isOverRangeOnly() ? null : e.band().low(),
                e.band().allowsOverRange() ? null : e.band().high(),
                limit == null ? null : limit.side(),
                limit == null ? null : limit.base(),
                e.satisfactory().orElse(null),
                e.change().visibility());
    }
}
