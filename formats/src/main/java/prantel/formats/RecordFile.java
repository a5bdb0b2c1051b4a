package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.assessment.Chain;
import prantel.core.assessment.Pinned;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The complete record of one assessment as a JSON file, format 1: who, which versions, every event with its hash. */
public final class RecordFile {
    private static final String SCHEMA = "record-1";

    private RecordFile() {}

    /** An event as it was kept. @param payload as JSON, exactly as stored @param chain its hash */
    public record Event(int seq, String eventId, String payload, OffsetDateTime at, String by, String chain) {
        Chain.Link link(String assessmentId) {
            return new Chain.Link(assessmentId, seq, eventId, payload, at, by);
        }
    }

    /** @param result the marked result that the outcome was decided on, as stored; empty before */
    public record Content(Pinned pinned, List<Event> events, Optional<String> result) {
        public Content {
            events = List.copyOf(events);
        }

        /** Hash of the last event; what stands before the first where there is none. */
        public String head() {
            return events.isEmpty() ? Chain.START : events.getLast().chain();
        }

        /** One hash over everything: who, versions, the last event's hash (which covers all before), the result. */
        public String seal() {
            Pinned.Versions v = pinned.versions();
            return Chain.seal(List.of(
                    pinned.assessmentId(),
                    pinned.bayId(),
                    pinned.candidateId(),
                    pinned.assessorId(),
                    v.rig().id() + " " + v.rig().version(),
                    v.tester().id() + " " + v.tester().version(),
                    v.scheme().id() + " " + v.scheme().version(),
                    String.valueOf(v.engine()),
                    pinned.preparedAt().toInstant().toString(),
                    String.valueOf(events.size()),
                    head(),
                    result.orElse("")));
        }
    }

    public static byte[] write(Content content) {
        Pinned pinned = content.pinned();
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", "prantel-record-1");
        root.put(
                "comments",
                "Verify with: prantel verify FILE. Events are what happened, in order; each hash covers the one before.");
        ObjectNode a = root.putObject("assessment");
        a.put("id", pinned.assessmentId())
                .put("bay", pinned.bayId())
                .put("candidate", pinned.candidateId())
                .put("assessor", pinned.assessorId())
                .put("engine", pinned.versions().engine())
                .put("preparedAt", pinned.preparedAt().toString());
        document(a.putObject("rig"), pinned.versions().rig());
        document(a.putObject("tester"), pinned.versions().tester());
        document(a.putObject("scheme"), pinned.versions().scheme());
        ArrayNode events = root.putArray("events");
        content.events()
                .forEach(e -> events.addObject()
                        .put("seq", e.seq())
                        .put("eventId", e.eventId())
                        .put("at", e.at().toString())
                        .put("by", e.by())
                        .put("payload", e.payload())
                        .put("chain", e.chain()));
        content.result().ifPresent(r -> root.put("result", r));
        root.put("seal", content.seal());
        return JsonFile.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
    }

    private static void document(ObjectNode node, Pinned.Document document) {
        node.put("id", document.id()).put("version", document.version());
    }

    /**
     * Reads a record and holds it against its own hashes: nothing was changed by accident.
     *
     * @throws ProblemsException with every event that is not what it was, each with its place
     */
    public static Content verify(byte[] bytes) {
        JsonFile file = JsonFile.open(bytes, SCHEMA);
        JsonNode root = file.root();
        JsonNode a = root.get("assessment");
        Pinned pinned = new Pinned(
                a.get("id").asString(),
                a.get("bay").asString(),
                a.get("candidate").asString(),
                a.get("assessor").asString(),
                new Pinned.Versions(
                        document(a.get("rig")),
                        document(a.get("tester")),
                        document(a.get("scheme")),
                        a.get("engine").asInt()),
                time("/assessment/preparedAt", a.get("preparedAt").asString()));
        List<Event> events = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        String before = Chain.START;
        for (JsonNode node : root.get("events")) {
            String where = "/events/" + events.size();
            Event event = new Event(
                    node.get("seq").asInt(),
                    node.get("eventId").asString(),
                    node.get("payload").asString(),
                    time(where + "/at", node.get("at").asString()),
                    node.get("by").asString(),
                    node.get("chain").asString());
            if (event.seq() != events.size() + 1) {
                problems.add(new Problem(
                        "gap",
                        where,
                        "event " + event.seq(),
                        "event " + (events.size() + 1) + " is missing, or they are not in order"));
            } else if (!Chain.next(before, event.link(pinned.assessmentId())).equals(event.chain())) {
                problems.add(new Problem(
                        "altered",
                        where,
                        "event " + event.seq(),
                        "this event, or the hash before it, is not as it was written"));
            }
            before = event.chain();
            events.add(event);
        }
        Content content = new Content(
                pinned,
                events,
                root.has("result") ? Optional.of(root.get("result").asString()) : Optional.empty());
        if (!content.seal().equals(root.get("seal").asString())) {
            problems.add(
                    new Problem(
                            "seal",
                            "/seal",
                            "",
                            "it does not fit: who, versions, the number of events or the result were changed, or the end is missing"));
        }
        ProblemsException.throwIfAny(problems);
        return content;
    }

    private static Pinned.Document document(JsonNode node) {
        return new Pinned.Document(
                node.get("id").asString(), node.get("version").asInt());
    }

    private static OffsetDateTime time(String where, String given) {
        try {
            return OffsetDateTime.parse(given);
        } catch (DateTimeParseException e) {
            throw new ProblemsException(
                    new Problem("bad-time", where, Check.quoted(given), "give a time as 2026-11-26T10:42:00Z"));
        }
    }
}
