package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.marking.Mark.Award;
import prantel.core.scheme.Step;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.demo.DemoClock;
import tools.jackson.databind.JsonNode;

/**
 * One assessment, lived through over HTTP by the people it takes, with the clock of the demo moved on between deeds. Whoever
 * measures reads what the rig gives, with a tester that is a little off and digits that waver, as real ones do.
 */
final class Sitting {
    private static final Pattern NUMBER = Pattern.compile("(\\d+)(?:\\.(\\d+))?(.*)");
    /** Between 0 and 1 % off: well inside what the makers of such testers promise (common practice, no source). */
    private static final double GAIN = 0.005;

    /** Where it is played. */
    record Stage(MockMvc mvc, Keys keys, Assessments assessments, DemoClock clock) {
        Browser person(String id) {
            return Browser.of(
                    mvc,
                    id,
                    Browser.of(mvc, "ines", "toll-gate-7")
                            .get("/api/demo/sign-ins")
                            .json()
                            .valueStream()
                            .filter(s -> s.get("id").asString().equals(id))
                            .findFirst()
                            .orElseThrow()
                            .get("password")
                            .asString());
        }
    }

    private final Stage stage;
    private final Browser assessor;
    private final Browser candidate;
    private final Random random;
    private final double gain;
    private final String path;
    private final String sheet;
    private final List<Map<String, Object>> reports = new ArrayList<>();
    private final Map<String, String> slips = new HashMap<>();
    private final Map<SlotId, String> written = new HashMap<>();
    private Set<String> saidFirst = Set.of();
    private BiFunction<Slot, String, String> twist = (slot, text) -> text;
    private Instant now;

    private Sitting(Stage stage, Instant at, String assessor, String candidate, String path, long seed) {
        this.stage = stage;
        this.now = at;
        this.assessor = stage.person(assessor);
        this.candidate = stage.person(candidate);
        this.random = new Random(seed);
        this.gain = 1 + GAIN * random.nextGaussian();
        this.path = path;
        this.sheet = path.replace("/api/assessments", "/api/my/sheets");
    }

    /** @param places bay, candidate, tester, scheme */
    static Sitting begin(Stage stage, String at, String assessor, List<String> places, long seed) {
        Instant when = Instant.parse(at);
        stage.clock().standAt(when);
        Map<String, String> wanted = Map.of(
                "bayId", places.get(0),
                "candidateId", places.get(1),
                "testerId", places.get(2),
                "schemeId", places.get(3));
        JsonNode made = ok(stage.person(assessor).post("/api/assessments", wanted));
        return new Sitting(stage, when, assessor, places.get(1), "/api/assessments/" + text(made, "id"), seed);
    }

    /** What is to be done again of this one, later. */
    Sitting resit(String at, String bay, long seed) {
        goTo(at);
        JsonNode plan = ok(assessor.get(path + "/resit"));
        List<String> parts = plan.get("whole").asBoolean()
                ? List.of()
                : plan.get("parts")
                        .valueStream()
                        .filter(p -> p.get("again").asBoolean())
                        .map(p -> text(p, "part"))
                        .toList();
        JsonNode started = ok(assessor.post(path + "/resit", event("bayId", bay, "parts", parts)));
        Sitting next = new Sitting(
                stage,
                now,
                assessment().fixed().assessorId(),
                assessment().fixed().candidateId(),
                "/api/assessments/" + text(started, "id"),
                seed);
        return next;
    }

    String id() {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    Assessment assessment() {
        return stage.assessments().get(id());
    }

    Map<SlotId, String> written() {
        return written;
    }

    private static String text(JsonNode node, String field) {
        return node.get(field).asString();
    }

    private static JsonNode ok(Browser.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Map<String, Object> event(Object... more) {
        Map<String, Object> event = Bays.event();
        for (int i = 0; i < more.length; i += 2) {
            event.put((String) more[i], more[i + 1]);
        }
        return event;
    }

    private void wait(int least, int most) {
        goTo(now.plus(Duration.ofSeconds(random.nextInt(least, most + 1))));
    }

    Sitting goTo(String at) {
        goTo(Instant.parse(at));
        return this;
    }

    private void goTo(Instant when) {
        assertThat(when).as("time goes forward").isAfterOrEqualTo(now);
        now = when;
        stage.clock().standAt(when);
    }

    /** Faults of the set; each of them is named by the candidate unless it is said otherwise. */
    Sitting set(List<Map<String, Object>> faults, String remedy) {
        Bays.choose(assessor, path, faults);
        faults.forEach(f -> name((String) f.get("kind"), (String) f.get("at"), (List<?>) f.get("conductors"), remedy));
        wait(240, 420);
        return this;
    }

    Sitting name(String kind, String at, List<?> conductors, String remedy) {
        Map<String, Object> report = new HashMap<>();
        report.putAll(Map.of("kind", kind, "at", at, "conductors", conductors, "remedy", remedy));
        report.putAll(Map.of("evidence", "", "code", ""));
        reports.add(report);
        return this;
    }

    Sitting namesNothing() {
        reports.clear();
        return this;
    }

    Sitting slip(String observation, String what) {
        slips.put(observation, what);
        return this;
    }

    /** What is written instead of what was read. */
    Sitting writes(BiFunction<Slot, String, String> instead) {
        twist = instead;
        return this;
    }

    Sitting open() {
        for (String item : List.of("calibration", "leads", "proving-unit", "healthy", "identity", "sheet", "bay")) {
            ok(assessor.put(path + "/conduct/ticks", event("list", "PREPARE", "item", item, "on", true)));
        }
        Bays.openUnconfirmed(assessor, path);
        wait(60, 150);
        for (String item : List.of("identity", "fit", "instrument", "rules")) {
            ok(candidate.put(sheet + "/ticks", event("list", "READY", "item", item, "on", true)));
        }
        Set<String> said = new HashSet<>();
        for (JsonNode step : ok(candidate.get(sheet)).get("steps")) {
            for (JsonNode group : step.get("groups")) {
                for (JsonNode box : group.get("boxes")) {
                    if (!box.get("said").isNull()) {
                        said.add(text(box, "slot"));
                    }
                }
            }
        }
        saidFirst = said;
        return this;
    }

    /** Every dead step; stops before the one of that name. */
    Sitting deadUntil(String last) {
        for (Step step : steps()) {
            if (step.id().equals(last)) {
                return this;
            }
            if (!step.isLive()) {
                step(step);
            }
        }
        return this;
    }

    /** Dead steps from the one of that name, live ones, and dead again. */
    Sitting from(String first) {
        List<Step> steps = steps();
        int at = first.isEmpty()
                ? 0
                : steps.indexOf(steps.stream()
                        .filter(s -> s.id().equals(first))
                        .findFirst()
                        .orElseThrow());
        List<Step> rest = steps.subList(at, steps.size());
        rest.stream().filter(s -> !s.isLive() && !afterLive(s)).forEach(this::step);
        if (steps.stream().anyMatch(Step::isLive)) {
            goLive();
            rest.stream().filter(Step::isLive).forEach(this::step);
            wait(60, 90);
            ok(Bays.off(assessor, path));
        }
        rest.stream().filter(s -> !s.isLive() && afterLive(s)).forEach(this::step);
        return this;
    }

    Sitting all() {
        return from("");
    }

    private static boolean afterLive(Step step) {
        return step.id().equals("closing");
    }

    private List<Step> steps() {
        return stage.keys().scheme(assessment()).steps();
    }

    private void goLive() {
        for (JsonNode fault : ok(assessor.get(path + "/live")).get("faults")) {
            if (text(fault, "safety").contains("dead")) {
                ok(assessor.post(
                        path + "/live/out", event("fault", fault.get("index").asInt(), "out", true)));
            }
        }
        Bays.measure(
                assessor,
                path,
                "/live/readings",
                ok(assessor.get(path + "/live")).get("checks"));
        wait(120, 200);
        ok(Bays.on(assessor, path, openDead() ? "what is left is tested at the next sitting" : null));
    }

    private boolean openDead() {
        return ok(assessor.get(path + "/live")).get("openDead").size() > 0;
    }

    private void step(Step step) {
        JsonNode watched = ok(assessor.get(path + "/watch"))
                .get("steps")
                .valueStream()
                .filter(s -> text(s, "id").equals(step.id()))
                .findFirst()
                .orElseThrow();
        step.observations().forEach(o -> {
            wait(8, 25);
            String slip = slips.getOrDefault(o.id(), "");
            ok(assessor.put(
                    path + "/watch/observations",
                    event("observation", o.id(), "sight", slip.isEmpty() ? "RIGHT" : "SLIP", "slip", slip)));
        });
        for (JsonNode question : watched.get("questions")) {
            if (question.get("drawn").asBoolean()) {
                wait(20, 45);
                List<Integer> points = new ArrayList<>();
                for (int i = 0; i < question.get("points").size(); i++) {
                    points.add(i);
                }
                ok(assessor.put(path + "/watch/questions", event("question", text(question, "id"), "points", points)));
            }
        }
        Key key = stage.keys().key(assessment());
        for (Slot slot : stage.keys().sheet(assessment())) {
            boolean other = key.scheme().eitherMethod() && slot.step() == prantel.core.scheme.TestKind.R2;
            if (step.tests().contains(slot.step()) && !other) {
                write(slot, key);
            }
        }
    }

    private void write(Slot slot, Key key) {
        String id = slot.id().value();
        if (saidFirst.contains(id)) {
            double base = ((Slot.Measured) slot).byHand().orElseThrow().base();
            ok(candidate.put(
                    sheet + "/expected",
                    event("slot", id, "text", String.format(Locale.ROOT, "%.2f", base), "basedOn", 0)));
        }
        Expectation expectation = key.expectation(slot.id());
        String text = twist.apply(slot, slot instanceof Slot.Composed c ? composed(c, expectation) : read(expectation));
        if (text.isEmpty()) {
            return;
        }
        wait(9, 40);
        written.put(slot.id(), text);
        ok(candidate.put(sheet + "/readings", event("slot", id, "text", text, "basedOn", 0)));
        expectation
                .slot()
                .limit()
                .ifPresent(limit -> ok(candidate.put(
                        sheet + "/judgements",
                        event(
                                "slot",
                                id,
                                "satisfactory",
                                Notation.read(text, slot.boxUnit()).meets(limit),
                                "basedOn",
                                0))));
    }

    /** What this tester shows, its last digit wavering; what would not be honest any more is read again. */
    private String read(Expectation expectation) {
        String shown = expectation.withFaults().shown().replace('\u2009', ' ');
        Matcher number = NUMBER.matcher(shown);
        if (!number.matches()) {
            return shown;
        }
        int places = number.group(2) == null ? 0 : number.group(2).length();
        double value = Double.parseDouble(number.group(1) + (places == 0 ? "" : "." + number.group(2)));
        double digit = Math.pow(10, -places);
        double read = Math.max(0, value * gain + 0.5 * digit * random.nextGaussian());
        String text = String.format(Locale.ROOT, "%." + places + "f", read) + number.group(3);
        Written understood = Notation.read(text, expectation.slot().boxUnit());
        return expectation.window().sideOf(understood) == Window.Side.INSIDE ? text : shown;
    }

    /** As it follows from what stands in the other boxes. */
    private String composed(Slot.Composed slot, Expectation expectation) {
        List<Double> numbers = new ArrayList<>();
        for (SlotId of : slot.of()) {
            if (Notation.read(written.getOrDefault(of, ""), slot.boxUnit()) instanceof Written.Number n) {
                numbers.add(n.base());
            }
        }
        String shown = expectation.withFaults().shown().replace('\u2009', ' ');
        Matcher number = NUMBER.matcher(shown);
        if (numbers.size() < slot.of().size() || !number.matches()) {
            return shown;
        }
        int places = number.group(2) == null ? 0 : number.group(2).length();
        double unit =
                Notation.read("1" + number.group(3), slot.boxUnit()) instanceof Written.Number one ? one.base() : 1;
        return String.format(Locale.ROOT, "%." + places + "f", slot.rule().of(numbers) / unit) + number.group(3);
    }

    Sitting rigFault(String what, String remedy, List<String> circuits) {
        ok(assessor.post(
                path + "/conduct/halt",
                event("why", "RIG_FAULT", "what", what, "circuits", circuits, "steps", List.of())));
        wait(900, 1100);
        ok(assessor.post(path + "/conduct/resume", event("what", remedy)));
        return this;
    }

    Sitting stopped(String what) {
        ok(assessor.post(path + "/watch/stop", event("what", what)));
        wait(60, 100);
        Bays.makeSafe(assessor, path);
        ok(assessor.post(path + "/watch/end", event()));
        return this;
    }

    Sitting brokenOff(String why) {
        ok(assessor.post(path + "/conduct/break-off", event("what", why)));
        return this;
    }

    Sitting handIn() {
        wait(120, 240);
        if (!reports.isEmpty()) {
            ok(candidate.put(sheet + "/fault-reports", event("basedOn", 0, "reports", reports)));
        }
        wait(30, 90);
        ok(candidate.post(sheet + "/hand-in", event()));
        return this;
    }

    Sitting clear() {
        wait(200, 400);
        Bays.clear(assessor, path);
        return this;
    }

    private JsonNode marking(Browser who) {
        return ok(who.get(path + "/marking"));
    }

    /** Marks it as proposed but for these. @param otherwise by mark: what is given, and why */
    Sitting marked(Browser who, Map<String, Map.Entry<Award, String>> otherwise) {
        wait(400, 700);
        JsonNode view = marking(who);
        // whoever marks alone is proposed nothing: in these sittings they come to what was proposed to the first
        Map<String, String> toTheFirst = new HashMap<>();
        marking(assessor).get("marks").forEach(m -> toTheFirst.put(text(m, "id"), text(m, "proposed")));
        List<Map<String, Object>> decisions = new ArrayList<>();
        for (JsonNode mark : view.get("marks")) {
            String proposed = toTheFirst.get(text(mark, "id"));
            var other = otherwise.get(text(mark, "id"));
            if (!mark.get("wants").asString().equals("NOTHING")) {
                decisions.add(event(
                        "mark",
                        text(mark, "id"),
                        "given",
                        other == null ? proposed : other.getKey().name(),
                        "reason",
                        other == null ? "" : other.getValue(),
                        "basedOn",
                        view.get("seq").asInt()));
            }
        }
        ok(who.post(path + "/marking/marks", Map.of("decisions", decisions)));
        return this;
    }

    Sitting marked() {
        return marked(assessor, Map.of());
    }

    /** Why the outcome is what is proposed, with every mark that is not full. */
    String reasons() {
        JsonNode view = marking(assessor);
        StringBuilder all = new StringBuilder(view.get("outcome").get("reasons").toString());
        for (JsonNode mark : view.get("marks")) {
            if (text(mark, "proposed").matches("NONE|HALF")) {
                all.append("\n").append(text(mark, "id")).append(": ").append(mark.get("evidence"));
            }
        }
        return all.toString();
    }

    /** The first mark of that title that is proposed full. */
    String full(String title) {
        return marking(assessor)
                .get("marks")
                .valueStream()
                .filter(m ->
                        text(m, "title").contains(title) && text(m, "proposed").equals("FULL"))
                .map(m -> text(m, "id"))
                .findFirst()
                .orElseThrow();
    }

    /** Somebody else marks it without seeing what was given. */
    Sitting secondMark(String of, String at) {
        ok(assessor.post(path + "/opinions", event("of", of)));
        goTo(at);
        Browser second = stage.person(of);
        marked(second, Map.of());
        ok(second.post(path + "/opinions/sign", event()));
        return this;
    }

    Sitting settled(String mark, Award given, String reason) {
        wait(600, 900);
        ok(assessor.put(path + "/opinions/settled", event("mark", mark, "given", given.name(), "reason", reason)));
        return this;
    }

    /** @param instead a verdict other than the proposed one, with its reason; both null for the proposed one */
    Sitting decided(String instead, String reason) {
        wait(60, 120);
        JsonNode view = marking(assessor);
        String proposed = text(view.get("outcome"), "proposed");
        ok(assessor.put(
                path + "/marking/outcome",
                event(
                        "given", instead == null ? proposed : instead,
                        "reason", instead == null ? "" : reason,
                        "basedOn", view.get("seq").asInt())));
        return this;
    }

    /** Every mark and the outcome as proposed. */
    Sitting markedAndDecided() {
        return marked().decided(null, null);
    }

    /** The sheet opened, every step done, handed in, the rig cleared, all of it decided as proposed. */
    Sitting fromStartToEnd() {
        return open().all().handIn().clear().markedAndDecided();
    }

    /** The draft as it stands, with a sentence of one's own before it. */
    Sitting feedback(String own, boolean named) {
        wait(200, 300);
        JsonNode view = ok(assessor.get(path + "/feedback"));
        List<Object> lines = new ArrayList<>();
        JsonNode draft = view.get(named ? "draftNamed" : "draft");
        Map<String, Object> first = new HashMap<>();
        draft.get(0).propertyNames().forEach(f -> first.put(f, draft.get(0).get(f)));
        first.put("text", own);
        first.put("slots", List.of());
        lines.add(first);
        draft.forEach(lines::add);
        ok(assessor.put(path + "/feedback", event("basedOn", view.get("seq").asInt(), "lines", lines, "named", named)));
        return this;
    }
}
