package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Brings bays to where a test begins, as an assessor would: over HTTP, with the simulated tester. */
final class Bays {
    private Bays() {}

    static Map<String, Object> event() {
        return new HashMap<>(Map.of("eventId", Browser.event()));
    }

    static Map<String, Object> fault(String kind, String at, List<String> conductors, Double size) {
        Map<String, Object> fault = new HashMap<>();
        fault.put("kind", kind);
        fault.put("at", at);
        fault.put("conductors", conductors);
        fault.put("size", size);
        fault.put("to", null);
        return fault;
    }

    /** A candidate in a free bay. @return the assessment's path */
    static String prepare(Browser assessor, String bay, String candidate) {
        return prepareWith(assessor, bay, candidate, "workshop");
    }

    static String prepareWith(Browser assessor, String bay, String candidate, String scheme) {
        Browser.Answer made = assessor.post(
                "/api/assessments",
                Map.of("bayId", bay, "candidateId", candidate, "testerId", "t1", "schemeId", scheme));
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        return "/api/assessments/" + made.json().get("id").asString();
    }

    static void choose(Browser assessor, String path, List<Map<String, Object>> faults) {
        Map<String, Object> choice = event();
        choice.put("basedOn", assessor.get(path + "/set").json().get("basedOn").asInt());
        choice.put("faults", faults);
        choice.put("from", null);
        Browser.Answer kept = assessor.put(path + "/faults", choice);
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
    }

    /** The first box of a candidate's sheet. */
    static String firstSlot(Browser candidate, String sheet) {
        JsonNode first =
                candidate.get(sheet).json().get("steps").get(0).get("groups").get(0);
        return first.get("boxes").get(0).get("slot").asString();
    }

    /** Takes every reading with the simulated tester. */
    static void measure(Browser assessor, String path, String where, Iterable<JsonNode> checks) {
        for (JsonNode check : checks) {
            String slot = check.get("slot").asString();
            Map<String, Object> reading = event();
            reading.put("slot", slot);
            reading.put(
                    "text",
                    assessor.post(path + "/proof/simulated", Map.of("slot", slot))
                            .json()
                            .get("text")
                            .asString());
            Browser.Answer kept = assessor.post(path + where, reading);
            assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        }
    }

    /** Locked off, set by hand, proved, the sheet open, and confirmed. */
    static void open(Browser assessor, String path) {
        openUnconfirmed(assessor, path);
        confirm(assessor, path);
    }

    static void openUnconfirmed(Browser assessor, String path) {
        assessor.post(path + "/lock-off", event());
        set(assessor, path, false);
        prove(assessor, path, true);
        set(assessor, path, true);
        prove(assessor, path, false);
        Browser.Answer opened = assessor.post(path + "/proof/open", event());
        assertThat(opened.status()).as(opened.text()).isEqualTo(200);
    }

    /** By hand, those that are dead only or the others. */
    private static void set(Browser assessor, String path, boolean deadOnly) {
        for (JsonNode step : assessor.get(path + "/proof").json().get("steps")) {
            if (step.get("deadOnly").asBoolean() == deadOnly) {
                for (String what : step.get("look").asBoolean() ? List.of("SET", "SEEN") : List.of("SET")) {
                    Map<String, Object> handled = event();
                    handled.putAll(Map.of("fault", step.get("index").asInt(), "what", what, "done", true));
                    assessor.post(path + "/proof/handled", handled);
                }
            }
        }
    }

    /** What is read live with the rig live, through its gate; what is read dead with it dead. */
    private static void prove(Browser assessor, String path, boolean live) {
        JsonNode view = assessor.get(path + "/proof").json();
        List<JsonNode> checks = view.get("checks")
                .valueStream()
                .filter(c -> c.get("live").asBoolean() == live)
                .toList();
        if (checks.isEmpty() || !view.get("healthySince").isNull()) {
            return;
        }
        if (live) {
            Map<String, Object> going = event();
            going.put("reason", null);
            going.put("seen", seen("LIVE_GIVEN", "links", "earth", "covers", "isolation", "warned", "permission"));
            Browser.Answer on = assessor.post(path + "/live/on", going);
            assertThat(on.status()).as(on.text()).isEqualTo(200);
        }
        measure(assessor, path, "/proof/readings", checks);
        if (live) {
            Map<String, Object> dead = event();
            dead.putAll(Map.of("lockedOff", true, "provedDead", true));
            Browser.Answer off = assessor.post(path + "/live/off", dead);
            assertThat(off.status()).as(off.text()).isEqualTo(200);
        }
    }

    /** The candidate isolates and proves dead, and writes it. */
    static void isolate(Browser candidate, String sheet) {
        for (JsonNode step : candidate.get(sheet).json().get("steps")) {
            if (!List.of("SAFE_ISOLATION", "INDICATOR").contains(step.get("id").asString())) {
                continue;
            }
            for (JsonNode group : step.get("groups")) {
                for (JsonNode box : group.get("boxes")) {
                    String text = box.get("keys").isEmpty()
                            ? "0"
                            : box.get("keys").get(0).asString();
                    Browser.Answer kept = candidate.put(
                            sheet + "/readings", reading(box.get("slot").asString(), text, 0));
                    assertThat(kept.status()).as(kept.text()).isEqualTo(200);
                }
            }
        }
    }

    /** By word of mouth, tapped by the assessor. */
    static void confirm(Browser assessor, String path) {
        for (String item : List.of("identity", "fit", "instrument", "rules")) {
            Map<String, Object> tick = event();
            tick.putAll(Map.of("list", "READY", "item", item, "on", true));
            Browser.Answer kept = assessor.put(path + "/conduct/ticks", tick);
            assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        }
    }

    /**
     * Fills the measured boxes as the simulated tester reads them, and hands in.
     *
     * @param step only that one; empty for all
     * @param otherwise what is written instead, by box
     */
    static void handIn(Browser assessor, Browser candidate, String path, String step, Map<String, String> otherwise) {
        String sheet = path.replace("/api/assessments/", "/api/my/sheets/");
        candidate
                .get(sheet)
                .json()
                .get("steps")
                .valueStream()
                .filter(s -> step.isEmpty() || s.get("id").asString().equals(step))
                .flatMap(s -> s.get("groups").valueStream())
                .flatMap(g -> g.get("boxes").valueStream())
                .filter(b -> b.get("chosenFrom").isEmpty())
                .map(b -> b.get("slot").asString())
                .forEach(slot -> {
                    String text = otherwise.get(slot);
                    if (text == null) {
                        text = assessor.post(path + "/proof/simulated", Map.of("slot", slot))
                                .json()
                                .get("text")
                                .asString();
                    }
                    candidate.put(sheet + "/readings", reading(slot, text, 0));
                });
        Browser.Answer in = candidate.post(sheet + "/hand-in", event());
        assertThat(in.status()).as(in.text()).isEqualTo(200);
    }

    /** From a handed-in sheet to a free bay. */
    static void clear(Browser assessor, String path) {
        for (JsonNode fault : assessor.get(path + "/clear").json().get("faults")) {
            Map<String, Object> out = event();
            out.putAll(Map.of("fault", fault.get("index").asInt(), "out", true));
            assessor.post(path + "/clear/out", out);
        }
        measure(
                assessor,
                path,
                "/clear/checks",
                assessor.get(path + "/clear").json().get("checks"));
        Browser.Answer done = assessor.post(path + "/clear/done", event());
        assertThat(done.status()).as(done.text()).isEqualTo(200);
    }

    static Browser.Answer on(Browser assessor, String path, String reason) {
        Map<String, Object> going = event();
        going.put("reason", reason);
        going.put("seen", seenBeforeLive());
        return assessor.post(path + "/live/on", going);
    }

    /** What the candidate asks by word of mouth, and what the assessor saw. */
    static List<Map<String, String>> seenBeforeLive() {
        List<Map<String, String>> all =
                new java.util.ArrayList<>(seen("LIVE_ASKED", "links", "earth", "covers", "ask"));
        all.addAll(seen("LIVE_GIVEN", "links", "earth", "covers", "isolation", "warned", "permission"));
        return all;
    }

    private static List<Map<String, String>> seen(String list, String... items) {
        return java.util.Arrays.stream(items)
                .map(item -> Map.of("list", list, "item", item))
                .toList();
    }

    /** After a stop: each item by itself. */
    static void makeSafe(Browser assessor, String path) {
        for (String item : List.of("away", "off", "proved", "told")) {
            Map<String, Object> tick = event();
            tick.putAll(Map.of("list", "MAKE_SAFE", "item", item, "on", true));
            Browser.Answer kept = assessor.put(path + "/conduct/ticks", tick);
            assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        }
    }

    static Browser.Answer off(Browser assessor, String path) {
        Map<String, Object> dead = event();
        dead.putAll(Map.of("lockedOff", true, "provedDead", true));
        return assessor.post(path + "/live/off", dead);
    }

    static Map<String, Object> reading(String slot, String text, int basedOn) {
        Map<String, Object> reading = event();
        reading.putAll(Map.of("slot", slot, "text", text, "basedOn", basedOn));
        return reading;
    }

    /** Accepts every mark as proposed and decides the outcome as proposed. */
    static void markAsProposed(Browser assessor, String path) {
        JsonNode view = assessor.get(path + "/marking").json();
        for (JsonNode mark : view.get("marks")) {
            Map<String, Object> decision = event();
            decision.putAll(Map.of(
                    "mark", mark.get("id").asString(),
                    "given", mark.get("proposed").asString(),
                    "reason", "",
                    "basedOn", view.get("seq").asInt()));
            assertThat(assessor.put(path + "/marking/marks", decision).status()).isEqualTo(200);
        }
        JsonNode decided = assessor.get(path + "/marking").json();
        Map<String, Object> outcome = event();
        outcome.putAll(Map.of(
                "given", decided.get("outcome").get("proposed").asString(),
                "reason", "",
                "basedOn", decided.get("seq").asInt()));
        Browser.Answer given = assessor.put(path + "/marking/outcome", outcome);
        assertThat(given.status()).as(given.text()).isEqualTo(200);
    }
}
