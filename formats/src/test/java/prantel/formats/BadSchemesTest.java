package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What can be wrong with a scheme written by hand: each is told with its place and how to mend it. */
class BadSchemesTest {
    private static final JsonMapper JSON = new JsonMapper();

    /** A whole scheme, small. */
    private static final String SOUND = """
            {"format": "prantel-scheme-1", "id": "small", "version": 1, "name": "Small",
             "times": {"dead": 20, "live": 10, "all": 40},
             "vocabulary": {"CPC": "earth core"},
             "practice": {"insulation": {"volts": [250, 500]}, "rcd": {"tests": ["one"]},
                          "tolerances": {"cable": {"lowPercent": 5}, "joints": {"low": 0.5, "high": 2}}},
             "steps": [
               {"id": "look", "title": "Look", "stage": "dead",
                "observations": [{"id": "seen-it", "seen": "Looked", "severity": "key", "slips": ["did not"]}]},
               {"id": "ring", "title": "Ring", "stage": "dead", "tests": ["ring", "r1-r2", "r2"],
                "questions": [{"id": "why", "ask": "Why?", "points": ["this", "that"], "needed": 2}]},
               {"id": "zs", "title": "Zs", "stage": "live", "tests": ["ze", "zs"]}],
             "order": [{"first": "look", "then": "ring", "severity": "safety", "why": "first of all"},
                       {"first": "ring", "then": "zs"}],
             "criteria": [
               {"id": "measured", "kind": "measured", "title": "Measured", "weight": 2, "few": 0.25},
               {"id": "seen", "kind": "observed", "title": "Seen", "weight": 1, "steps": ["look"]},
               {"id": "asked", "kind": "answered", "title": "Asked", "weight": 1, "steps": ["ring"]},
               {"id": "order", "kind": "order-kept", "title": "Order", "weight": 1, "severities": ["safety"]},
               {"id": "agrees", "kind": "consistent", "title": "Agrees", "weight": 1, "relation": "zs-from-parts", "percent": 20},
               {"id": "faults", "kind": "fault", "title": "Found", "weight": 3, "severity": "key", "aspect": "found"},
               {"id": "safe", "kind": "safe", "title": "Safe", "weight": 0, "severity": "safety"}],
             "pass": {"share": 0.75}}
            """;

    static Stream<Arguments> changes() {
        return Stream.of(
                // not there
                bad("take /format", "", "format"),
                bad("take /id", "", "id"),
                bad("take /version", "", "version"),
                bad("take /name", "", "name"),
                bad("take /steps", "", "steps"),
                bad("take /criteria", "", "criteria"),
                bad("take /pass", "", "pass"),
                bad("take /pass/share", "/pass", "share"),
                bad("take /steps/0/id", "/steps/0", "id"),
                bad("take /steps/0/title", "/steps/0", "title"),
                bad("take /steps/0/stage", "/steps/0", "stage"),
                bad("take /steps/0/observations/0/seen", "/steps/0/observations/0", "seen"),
                bad("take /steps/1/questions/0/points", "/steps/1/questions/0", "points"),
                bad("take /criteria/0/kind", "/criteria/0", "kind"),
                bad("take /criteria/0/weight", "/criteria/0", "weight"),
                bad("take /criteria/0/title", "/criteria/0", "title"),
                bad("take /criteria/4/relation", "/criteria/4", "relation"),
                bad("take /criteria/5/aspect", "/criteria/5", "aspect"),
                bad("take /order/0/then", "/order/0", "then"),
                // no such word
                bad("put /format \"prantel-scheme-2\"", "/format", "prantel-scheme-1"),
                bad("put /steps/1/tests/0 \"rings\"", "/steps/1/tests/0", "ring"),
                bad("put /steps/0/stage \"asleep\"", "/steps/0/stage", "live"),
                bad("put /criteria/0/kind \"guessed\"", "/criteria/0/kind", "measured"),
                bad("put /criteria/4/relation \"zs-from-nothing\"", "/criteria/4/relation", "zs-from-parts"),
                bad("put /criteria/5/aspect \"guessed\"", "/criteria/5/aspect", "located"),
                bad("put /criteria/5/severity \"awful\"", "/criteria/5/severity", "safety"),
                bad("put /order/0/severity \"grave\"", "/order/0/severity", "key"),
                bad("put /practice/insulation/pairs \"some\"", "/practice/insulation/pairs", "joined-to-earth"),
                bad("put /practice/rcd/tests/0 \"ten\"", "/practice/rcd/tests/0", "ramp"),
                bad("put /practice/loop {\"leads\": \"four\"}", "/practice/loop/leads", "three"),
                bad("put /practice/bonding {\"yardstick\": \"long\"}", "/practice/bonding/yardstick", "by-length"),
                bad("put /steps/1/questions/0/asked \"often\"", "/steps/1/questions/0/asked", "drawn"),
                bad("put /steps/1/questions/0/tells [\"tired\"]", "/steps/1/questions/0/tells", "leads-not-nulled"),
                bad("put /pass/referParts 2", "/pass/referParts", "1"),
                // no such field
                bad("put /colour \"red\"", "", "colour"),
                bad("put /practice/zs {}", "/practice", "zs"),
                bad("put /steps/0/boxes []", "/steps/0", "boxes"),
                bad("put /criteria/1/few 0.5", "/criteria/1/few", "kind"),
                bad("put /criteria/6/steps [\"look\"]", "/criteria/6/steps", "kind"),
                // not of that size
                bad("put /version 0", "/version", "1"),
                bad("put /pass/share 1.5", "/pass/share", "1"),
                bad("put /criteria/0/weight -1", "/criteria/0/weight", "0"),
                bad("put /criteria/0/few 2", "/criteria/0/few", "1"),
                bad("put /practice/insulation/volts []", "/practice/insulation/volts", "1"),
                bad("put /practice/insulation/volts [400]", "/practice/insulation/volts/0", "500"),
                bad("put /practice/insulation/volts [500, 500]", "/practice/insulation/volts", "once"),
                bad("put /practice/tolerances/joints/low 2", "/practice/tolerances/joints/low", "1"),
                bad("put /practice/tolerances/cable/lowPercent 80", "/practice/tolerances/cable/lowPercent", "50"),
                bad("put /steps/1/questions/0/needed 5", "/steps/1/questions/0/needed", "number of points"),
                bad("put /times/all 25", "/times/all", "30"),
                bad("put /times/dead -3", "/times/dead", "0"),
                bad("put /steps []", "/steps", "1"),
                bad("put /criteria []", "/criteria", "1"),
                bad("put /id \"Not An Id\"", "/id", "lower-case"),
                bad("put /steps/0/id \"a b\"", "/steps/0/id", "lower-case"),
                bad("put /name \"\"", "/name", "1 to 120"),
                bad("put /version \"one\"", "/version", "whole number"),
                bad("put /vocabulary/CPC \"\"", "/vocabulary/CPC", ""),
                // against itself
                bad("put /steps/2/id \"ring\"", "/steps/2/id", "another step"),
                bad("put /steps/2/tests/0 \"ring\"", "/steps/2/tests/0", "asks for it already"),
                bad("put /steps/1/stage \"live\"", "/steps/1/tests/0", "done dead"),
                bad("put /steps/2/stage \"dead\"", "/steps/2/tests/0", "supply on"),
                bad("put /steps/1/questions/0/id \"seen-it\"", "/steps/1/questions/0/id", "another observation"),
                bad("put /order/0/first \"nowhere\"", "/order/0/first", "no such step"),
                bad("put /order/0/then \"nowhere\"", "/order/0/then", "no such step"),
                bad("put /order/0/then \"look\"", "/order/0", "before itself"),
                bad("put /order/1 {\"first\": \"ring\", \"then\": \"look\"}", "/order/0", "the other way round"),
                bad("put /order/1 {\"first\": \"zs\", \"then\": \"ring\"}", "/order/1", "turn the rule round"),
                bad("put /order/1 {\"first\": \"look\", \"then\": \"ring\"}", "/order/1", "one of the two out"),
                bad("put /criteria/0/tests [\"ipf\"]", "/criteria/0/tests", "no step asks"),
                bad("put /criteria/1/steps [\"zs\"]", "/criteria/1/steps/0", "no observations"),
                bad("put /criteria/1/steps [\"away\"]", "/criteria/1/steps/0", "no such step"),
                bad("put /criteria/2/steps [\"look\"]", "/criteria/2/steps/0", "no questions"),
                bad("put /criteria/3/severities [\"key\"]", "/criteria/3", "no order rule"),
                bad("put /criteria/1/id \"asked\"", "/criteria/2/id", "another criterion"),
                bad("put /criteria/6/severity \"key\"", "/criteria/6/severity", "stops"),
                bad("put /criteria/4/relation \"current-from-ze\"", "/criteria/4/relation", "no step asks"),
                bad("put /practice/continuity {\"switches\": \"some\"}", "/practice/continuity/switches", "tested"),
                bad("put /practice/continuity {\"conduit\": \"off\"}", "/practice/continuity/conduit", "either"),
                bad(
                        "put /steps/1/tests [\"ring\", \"inspection\"]",
                        "/practice/recording/inspection",
                        "list its items"),
                bad("put /steps/1/tests [\"ring-evenness\"]", "/steps", "ask for that too"),
                bad(
                        "put /practice/recording {\"inspection\": [{\"id\": \"a\", \"text\": \"A\", \"faults\": [\"rust\"]}]}",
                        "/practice/recording/inspection/0/faults",
                        "kind of fault"),
                bad(
                        "put /practice/recording {\"inspection\": [{\"id\": \"a\", \"text\": \"A\"}, {\"id\": \"a\", \"text\": \"B\"}]}",
                        "/practice/recording/inspection/1/id",
                        "its own id"),
                bad(
                        "put /criteria [{\"id\": \"one\", \"kind\": \"one-method\", \"title\": \"One\", \"weight\": 0}]",
                        "/pass/share",
                        "no criterion has a weight"));
    }

    private static Arguments bad(String change, String where, String mend) {
        return Arguments.of(change, where, mend);
    }

    @ParameterizedTest
    @MethodSource("changes")
    void isToldWhereAndHowToMendIt(String change, String where, String mend) {
        byte[] bytes = changed(change).getBytes(StandardCharsets.UTF_8);
        ProblemsException told = catchThrowableOfType(ProblemsException.class, () -> SchemeFile.read(bytes));
        assertThat(told).as(change).isNotNull();
        assertThat(told.problems()).anySatisfy(p -> {
            assertThat(p.where()).isEqualTo(where);
            assertThat(p.mend() + p.given()).contains(mend);
        });
        assertThat(told.problems()).extracting(Problem::toString).noneMatch(s -> s.contains("Exception"));
    }

    @Test
    void thereAreMoreThanSixty() {
        assertThat(changes().map(a -> a.get()[0]).distinct()).hasSizeGreaterThan(60);
    }

    @Test
    void theSoundOneIsRead() {
        assertThat(SchemeFile.read(SOUND.getBytes(StandardCharsets.UTF_8)).tests())
                .hasSize(5);
    }

    @Test
    void severalAreToldAtOnce() {
        ObjectNode root = (ObjectNode) JSON.readTree(SOUND);
        put(root, "/order/0/first", JSON.readTree("\"nowhere\""));
        put(root, "/criteria/0/tests", JSON.readTree("[\"ipf\"]"));
        put(root, "/steps/2/id", JSON.readTree("\"ring\""));
        ProblemsException told = catchThrowableOfType(
                ProblemsException.class, () -> SchemeFile.read(root.toString().getBytes(StandardCharsets.UTF_8)));
        assertThat(told.problems())
                .extracting(Problem::where)
                .containsAll(List.of("/order/0/first", "/criteria/0/tests", "/steps/2/id"));
    }

    private static String changed(String change) {
        String[] words = change.split(" ", 3);
        ObjectNode root = (ObjectNode) JSON.readTree(SOUND);
        if (words[0].equals("take")) {
            int end = words[1].lastIndexOf('/');
            ((ObjectNode) root.at(words[1].substring(0, end))).remove(words[1].substring(end + 1));
        } else {
            put(root, words[1], JSON.readTree(words[2]));
        }
        return root.toString();
    }

    private static void put(ObjectNode root, String pointer, JsonNode value) {
        int end = pointer.lastIndexOf('/');
        String last = pointer.substring(end + 1);
        switch (root.at(pointer.substring(0, end))) {
            case ObjectNode object -> object.set(last, value);
            case tools.jackson.databind.node.ArrayNode array -> array.set(Integer.parseInt(last), value);
            default -> throw new IllegalArgumentException(pointer);
        }
    }
}
