package prantel.formats;

import static prantel.formats.JsonFile.need;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.Leads;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.quantity.Unit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A tester as a JSON file, format 1. See {@code docs/formats/tester.md}. */
public final class TesterFile {
    private static final List<String> LIVE =
            List.of("voltmeter", "loopTwoLead", "loopThreeLead", "faultCurrent", "rcdTime", "rcdCurrent", "clamp");

    private TesterFile() {}

    /** @throws ProblemsException with every problem found, each with its JSON pointer */
    public static Tester read(byte[] bytes) {
        JsonFile file = JsonFile.open(bytes, "tester-1");
        JsonNode root = file.root();
        Meter ohmmeter = meter(file, "/ohmmeter", root.get("ohmmeter"));
        Meter insulation = meter(file, "/insulationTester", root.get("insulationTester"));
        Leads leads = file.part(
                "/leads",
                () -> new Leads(
                        root.get("leads").get("pairOhms").asDouble(),
                        root.get("leads").get("wanderOhms").asDouble()));
        LiveMeters live = root.has("live") ? live(file, root.get("live")) : LiveMeters.usual();
        Optional<LocalDate> due = due(file, root);
        return file.whole(() -> new Tester(
                root.get("id").asString(),
                root.get("label").asString(),
                need(ohmmeter),
                need(insulation),
                need(live),
                need(leads),
                due));
    }

    /** A day as ISO 8601 writes it. */
    private static Optional<LocalDate> due(JsonFile file, JsonNode root) {
        if (!root.has("calibrationDue")) {
            return Optional.empty();
        }
        return Optional.ofNullable(file.part("/calibrationDue", () -> {
            String given = root.get("calibrationDue").asString();
            try {
                return LocalDate.parse(given);
            } catch (DateTimeParseException e) {
                throw new ProblemsException(
                        new Problem("bad-date", "", Check.quoted(given), "give a day as 2027-03-31"));
            }
        }));
    }

    private static @Nullable LiveMeters live(JsonFile file, JsonNode node) {
        List<@Nullable Meter> meters = LIVE.stream()
                .<@Nullable Meter>map(name -> meter(file, "/live/" + name, node.get(name)))
                .toList();
        return meters.stream().anyMatch(java.util.Objects::isNull)
                ? null
                : new LiveMeters(
                        need(meters.get(0)),
                        need(meters.get(1)),
                        need(meters.get(2)),
                        need(meters.get(3)),
                        need(meters.get(4)),
                        need(meters.get(5)),
                        need(meters.get(6)));
    }

    private static @Nullable Meter meter(JsonFile file, String at, JsonNode node) {
        List<Range> ranges = file.parts(
                at + "/ranges",
                node.get("ranges"),
                (range, where) -> new Range(
                        range.get("top").asDouble(), range.get("resolution").asDouble(), unit(range)));
        if (ranges.size() < node.get("ranges").size()) {
            return null;
        }
        return file.part(
                at,
                () -> new Meter(
                        ranges,
                        node.get("uncertaintyPercent").asDouble(),
                        node.get("uncertaintyDigits").asInt()));
    }

    private static Unit unit(JsonNode range) {
        String symbol = range.get("unit").asString();
        return Arrays.stream(Unit.values())
                .filter(u -> u.symbol().equals(symbol))
                .findFirst()
                .orElseThrow();
    }

    /** UTF-8 JSON that {@link #read} reads back to the same tester. */
    public static byte[] write(Tester tester) {
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", "prantel-tester-1").put("id", tester.id()).put("label", tester.label());
        tester.calibrationDue().ifPresent(due -> root.put("calibrationDue", due.toString()));
        writeMeter(root.putObject("ohmmeter"), tester.ohmmeter());
        writeMeter(root.putObject("insulationTester"), tester.insulationTester());
        LiveMeters live = tester.live();
        List<Meter> meters = List.of(
                live.voltmeter(),
                live.loopTwoLead(),
                live.loopThreeLead(),
                live.faultCurrent(),
                live.rcdTime(),
                live.rcdCurrent(),
                live.clamp());
        ObjectNode liveNode = root.putObject("live");
        for (int i = 0; i < LIVE.size(); i++) {
            writeMeter(liveNode.putObject(LIVE.get(i)), meters.get(i));
        }
        root.putObject("leads")
                .put("pairOhms", tester.leads().pairOhms())
                .put("wanderOhms", tester.leads().wanderOhms());
        return JsonFile.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
    }

    private static void writeMeter(ObjectNode node, Meter meter) {
        ArrayNode ranges = node.putArray("ranges");
        meter.ranges()
                .forEach(range -> ranges.addObject()
                        .put("unit", range.unit().symbol())
                        .put("top", range.top())
                        .put("resolution", range.resolution()));
        node.put("uncertaintyPercent", meter.percent()).put("uncertaintyDigits", meter.digits());
    }
}
