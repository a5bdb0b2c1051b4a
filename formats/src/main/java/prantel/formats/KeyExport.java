package prantel.formats;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.limits.Limit;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
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
        Map<SlotId, List<Key.BandReason>> bandReasons = key.reasons(key.measured());
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
            write(e.window(), node);
            slot.limit().ifPresent(limit -> write(limit, node.putObject("limit")));
            e.satisfactory().ifPresent(ok -> node.put("satisfactory", ok));
            node.put("visibility", e.change().visibility().name());
            if (slot instanceof Slot.Measured measured) {
                ArrayNode reasons = node.putArray("bandReasons");
                bandReasons
                        .getOrDefault(measured.id(), List.of())
                        .forEach(r -> reasons.addObject()
                                .put("cause", r.cause())
                                .put("down", r.down())
                                .put("up", r.up()));
            }
        }
        return JsonFile.MAPPER.writeValueAsString(root);
    }

    /** A number's ends; whether over-range may be shown, what words may, and why there may be no reading. */
    private static void write(Window window, ObjectNode node) {
        Window numbers = window.measured();
        if (numbers.isNumeric()) {
            node.put("bandLow", numbers.low());
            if (!numbers.allowsOverRange()) {
                node.put("bandHigh", numbers.high());
            }
        }
        node.put("overRange", window.allowsOverRange());
        ArrayNode words = JsonFile.MAPPER.createArrayNode();
        ArrayNode stopped = JsonFile.MAPPER.createArrayNode();
        for (Window part : window instanceof Window.AnyOf(var parts) ? parts : List.of(window)) {
            if (part instanceof Window.Words(var sayings)) {
                sayings.stream().sorted().forEach(s -> words.add(s.words()));
            }
            if (part instanceof Window.Stopped(var why)) {
                why.stream().sorted().forEach(w -> stopped.add(w.words()));
            }
        }
        if (!words.isEmpty()) {
            node.set("words", words);
        }
        if (!stopped.isEmpty()) {
            node.set("stopped", stopped);
        }
    }

    private static void write(Limit limit, ObjectNode node) {
        switch (limit.demand()) {
            case Limit.AtMost most -> node.put("side", "AT_MOST").put("value", most.base());
            case Limit.AtLeast least -> node.put("side", "AT_LEAST").put("value", least.base());
            case Limit.Within within ->
                node.put("side", "WITHIN").put("value", within.high()).put("notBelow", within.low());
            case Limit.MustNotTrip stays -> node.put("side", "MUST_NOT_TRIP").put("value", stays.waitsMillis());
        }
        node.put("source", limit.source()).put("working", limit.working());
    }

    private static String side(Limit limit) {
        return switch (limit.demand()) {
            case Limit.AtMost most -> "AT_MOST";
            case Limit.AtLeast least -> "AT_LEAST";
            case Limit.Within within -> "WITHIN";
            case Limit.MustNotTrip stays -> "MUST_NOT_TRIP";
        };
    }

    private static String baseUnit(Slot slot) {
        return slot.boxUnit().dimension().baseSymbol();
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
                e.window().measured().isNumeric() ? e.window().low() : null,
                e.window().measured() instanceof Window.Between(double low, double high) ? high : null,
                limit == null ? null : side(limit),
                limit == null ? null : limit.end(),
                e.satisfactory().orElse(null),
                e.change().visibility());
    }
}
