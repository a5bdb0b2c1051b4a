package prantel.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A marked sheet for programs, JSON. See {@code docs/formats/marked.md}. */
public final class MarkExport {
    private MarkExport() {}

    /** Boxes, marks with their evidence, the outcome proposed, and the versions that made it. */
    public static String json(MarkedSheet sheet) {
        return JsonFile.MAPPER.writeValueAsString(tree(sheet));
    }

    private static ObjectNode tree(MarkedSheet sheet) {
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", "prantel-marked-1")
                .put("rig", sheet.key().rig().id())
                .put("tester", sheet.key().tester().id())
                .put("scheme", sheet.key().scheme().id())
                .put("schemeVersion", sheet.key().scheme().version())
                .put("engine", MarkedSheet.ENGINE_VERSION);
        ArrayNode boxes = root.putArray("boxes");
        for (Finding finding : sheet.findings()) {
            if (finding.asked()) {
                write(finding, boxes.addObject());
            }
        }
        ArrayNode marks = root.putArray("marks");
        sheet.marks().forEach(m -> write(m, marks.addObject()));
        ObjectNode outcome = root.putObject("outcome")
                .put("proposed", word(sheet.outcome().verdict()))
                .put("points", sheet.outcome().points())
                .put("outOf", sheet.outcome().outOf())
                .put("needed", sheet.outcome().needed());
        ArrayNode reasons = outcome.putArray("reasons");
        sheet.outcome().reasons().forEach(reasons::add);
        ArrayNode repeat = outcome.putArray("repeat");
        sheet.outcome().repeat().forEach(r -> {
            ArrayNode why = repeat.addObject()
                    .put("part", r.part().id())
                    .put("title", r.part().title())
                    .putArray("why");
            r.why().forEach(why::add);
        });
        return root;
    }

    /** A mark of an export. @param weight what it counted at most; 0 where nobody saw it */
    public record KeptMark(
            String id, String group, String title, double weight, String award, double points, String evidence) {}

    /** The marks of an export, as they were. */
    public static List<KeptMark> marks(String json) {
        List<KeptMark> marks = new ArrayList<>();
        for (JsonNode mark : JsonFile.MAPPER.readTree(json).get("marks")) {
            String award = mark.get("award").asString();
            marks.add(new KeptMark(
                    mark.get("id").asString(),
                    mark.get("group").asString(),
                    mark.get("title").asString(),
                    award.equals("not-seen") ? 0 : mark.get("weight").asDouble(),
                    award,
                    mark.get("points").asDouble(),
                    mark.get("evidence").asString()));
        }
        return marks;
    }

    private static void write(Finding finding, ObjectNode node) {
        node.put("slot", finding.expectation().slot().id().value())
                .put("test", finding.expectation().slot().step().fileName())
                .put("written", finding.written().asWritten())
                .put("side", word(finding.side()))
                .put("odd", finding.odd())
                .put("expected", finding.expectation().withFaults().shown())
                .put("judged", word(finding.judged()));
        ArrayNode remarks = node.putArray("remarks");
        finding.remarks().forEach(remarks::add);
        ArrayNode causes = node.putArray("explanations");
        finding.explanations()
                .forEach(e -> causes.addObject()
                        .put("cause", word(e.cause()))
                        .put("evidence", e.evidence())
                        .put("share", Math.round(1000 * e.likelihood()) / 1000.0));
    }

    private static void write(Mark mark, ObjectNode node) {
        node.put("id", mark.id())
                .put("group", mark.group())
                .put("title", mark.title())
                .put("weight", mark.worth().weight())
                .put("severity", word(mark.worth().severity()))
                .put("award", word(mark.award()))
                .put("points", mark.points())
                .put("evidence", mark.words());
        ArrayNode slots = node.putArray("slots");
        mark.slots().forEach(s -> slots.add(s.value()));
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
