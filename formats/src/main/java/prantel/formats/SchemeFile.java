package prantel.formats;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.jspecify.annotations.Nullable;
import prantel.core.inference.Cause;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.About;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Criterion.Common;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Practice.RcdTest;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.scheme.Tolerances;
import prantel.core.scheme.Undone;
import prantel.core.survey.SchemeSurvey;
import tools.jackson.databind.JsonNode;

/** A scheme as a JSON file, format 1. See {@code docs/formats/scheme.md}. */
public final class SchemeFile {
    private final JsonFile file;
    private final JsonNode root;

    private SchemeFile(JsonFile file) {
        this.file = file;
        this.root = file.root();
    }

    /** @throws ProblemsException with every problem found, each with its JSON pointer */
    public static Scheme read(byte[] bytes) {
        Scheme scheme = new SchemeFile(JsonFile.open(bytes, "scheme-1")).scheme();
        ProblemsException.throwIfAny(SchemeSurvey.unknownKinds(scheme).stream()
                .map(p -> p.at("/" + p.where()))
                .toList());
        return scheme;
    }

    private Scheme scheme() {
        About about = file.part("", this::about);
        Practice practice = practice(root.path("practice"));
        List<Step> steps = file.parts("/steps", root.get("steps"), this::step);
        List<Scheme.OrderRule> order = file.parts("/order", list(root, "order"), (node, at) -> rule(node));
        Set<TestKind> asked = new LinkedHashSet<>();
        steps.forEach(s -> asked.addAll(s.tests()));
        List<Criterion> criteria = file.parts("/criteria", root.get("criteria"), (node, at) -> criterion(node, asked));
        Scheme.PassRule pass = file.part(
                "/pass",
                () -> new Scheme.PassRule(
                        root.get("pass").get("share").asDouble(),
                        root.get("pass").path("keyMissed").asInt(0),
                        root.get("pass").path("referParts").asDouble(1)));
        return file.whole(() ->
                new Scheme(JsonFile.need(about), JsonFile.need(practice), steps, order, criteria, JsonFile.need(pass)));
    }

    private About about() {
        Map<String, String> vocabulary = new LinkedHashMap<>();
        root.path("vocabulary")
                .propertyStream()
                .forEach(p -> vocabulary.put(p.getKey(), p.getValue().asString()));
        List<About.Decided> decided = file.parts(
                "/decided",
                list(root, "decided"),
                (node, at) -> new About.Decided(text(node, "question"), text(node, "choice"), text(node, "why")));
        JsonNode times = root.path("times");
        About.Times allowed = file.part(
                "/times",
                () -> new About.Times(
                        times.path("dead").asInt(0),
                        times.path("live").asInt(0),
                        times.path("all").asInt(0)));
        return new About(
                new About.Title(
                        text(root, "id"), root.get("version").asInt(), text(root, "name"), text(root, "purpose")),
                texts(root, "follows"),
                decided,
                allowed == null ? new About.Times(0, 0, 0) : allowed,
                vocabulary);
    }

    /** What is left out is as the format's page says. */
    private @Nullable Practice practice(JsonNode node) {
        JsonNode insulation = node.path("insulation");
        Practice.Insulation tested = file.part(
                "/practice/insulation",
                () -> new Practice.Insulation(
                        insulation.has("volts")
                                ? StreamSupport.stream(insulation.get("volts").spliterator(), false)
                                        .map(JsonNode::asInt)
                                        .toList()
                                : List.of(500),
                        one(insulation, "pairs", Practice.Pairs.EVERY),
                        one(insulation, "rounds", Practice.Rounds.EVERY_SWITCH),
                        insulation.path("investigateBelowMegohms").asDouble(0)));
        Practice.Rcd rcd = file.part(
                "/practice/rcd",
                () -> new Practice.Rcd(
                        rcdTests(node.path("rcd")), one(node.path("rcd"), "button", Practice.Button.LAST)));
        Tolerances tolerances = tolerances(node.path("tolerances"));
        Practice.Recording recording = recording(node.path("recording"));
        if (tested == null || rcd == null || tolerances == null || recording == null) {
            return null;
        }
        JsonNode loop = node.path("loop");
        return new Practice(
                new Practice.Continuity(
                        one(node.path("continuity"), "methods", Practice.Methods.EITHER),
                        one(node.path("continuity"), "maxima", Practice.Maxima.BY_ZS),
                        one(node.path("continuity"), "switches", Practice.Switches.NOT_TESTED),
                        one(node.path("continuity"), "conduit", Practice.Conduit.ON_BAR)),
                new Practice.Bonding(
                        one(node.path("bonding"), "oneEnd", Practice.OneEnd.OFF),
                        one(node.path("bonding"), "yardstick", Practice.Yardstick.FIXED)),
                tested,
                new Practice.Loop(
                        one(loop, "leads", Practice.LoopLeads.TWO),
                        one(loop, "points", Practice.Points.EVERY),
                        one(loop, "zsLimit", Practice.ZsLimit.EIGHTY_PERCENT),
                        one(loop, "threePhase", Practice.ThreePhase.TWICE_HIGHEST)),
                rcd,
                recording,
                tolerances);
    }

    private Practice.@Nullable Recording recording(JsonNode node) {
        List<Practice.Item> items = file.parts(
                "/practice/recording/inspection",
                list(node, "inspection"),
                (item, at) -> new Practice.Item(
                        text(item, "id"), text(item, "text"), new LinkedHashSet<>(texts(item, "faults"))));
        return file.part(
                "/practice/recording",
                () -> new Practice.Recording(
                        one(node, "notTested", Practice.NotTested.NEVER),
                        one(node, "overRange", Practice.OverRange.WITH_RANGE),
                        one(node, "codes", Practice.Codes.NONE),
                        items,
                        one(node, "entry", Practice.Entry.BY_HAND),
                        one(node, "help", Practice.Help.FULL),
                        texts(node, "oneFigure").stream()
                                .map(t -> of(TestKind.class, t))
                                .collect(Collectors.toSet())));
    }

    private static Set<RcdTest> rcdTests(JsonNode rcd) {
        Set<RcdTest> tests = new LinkedHashSet<>();
        if (rcd.has("tests")) {
            rcd.get("tests").forEach(t -> tests.add(of(RcdTest.class, t.asString())));
        } else {
            tests.addAll(List.of(RcdTest.ONE, RcdTest.BUTTON));
        }
        return tests;
    }

    private @Nullable Tolerances tolerances(JsonNode node) {
        Tolerances usual = Tolerances.usual();
        JsonNode cable = node.path("cable");
        JsonNode supply = node.path("supply");
        String at = "/practice/tolerances";
        Tolerances.Cable cables = file.part(
                at + "/cable",
                () -> new Tolerances.Cable(
                        cable.path("lowPercent").asDouble(usual.cable().lowPercent()),
                        cable.path("highPercent").asDouble(usual.cable().highPercent())));
        Tolerances.Factors joints = factors(at + "/joints", node.path("joints"), usual.joints());
        Tolerances.Factors insulation = factors(at + "/insulation", node.path("insulation"), usual.insulation());
        Tolerances.Supply supplied = file.part(
                at + "/supply",
                () -> new Tolerances.Supply(
                        supply.path("impedancePercent").asDouble(usual.supply().impedancePercent()),
                        supply.path("voltsLowPercent").asDouble(usual.supply().voltsLowPercent()),
                        supply.path("voltsHighPercent").asDouble(usual.supply().voltsHighPercent()),
                        supply.path("tripPercent").asDouble(usual.supply().tripPercent()),
                        supply.path("tripTimePercent").asDouble(usual.supply().tripTimePercent())));
        if (cables == null || joints == null || insulation == null || supplied == null) {
            return null;
        }
        return file.part(
                at,
                () -> new Tolerances(
                        cables,
                        node.path("kelvin").asDouble(usual.kelvin()),
                        joints,
                        insulation,
                        supplied,
                        node.path("setResistorPercent").asDouble(usual.setResistorPercent()),
                        node.path("handsOhms").asDouble(usual.handsOhms())));
    }

    private Tolerances.@Nullable Factors factors(String at, JsonNode node, Tolerances.Factors usual) {
        return file.part(
                at,
                () -> new Tolerances.Factors(
                        node.path("low").asDouble(usual.low()),
                        node.path("high").asDouble(usual.high())));
    }

    private Step step(JsonNode node, String at) {
        List<Observation> observations =
                file.parts(at + "/observations", list(node, "observations"), (o, where) -> observation(o));
        List<Question> questions = file.parts(at + "/questions", list(node, "questions"), (q, where) -> question(q));
        return new Step(
                text(node, "id"),
                text(node, "title"),
                of(Step.Stage.class, text(node, "stage")),
                texts(node, "tests").stream().map(t -> of(TestKind.class, t)).toList(),
                observations,
                questions);
    }

    private static Observation observation(JsonNode node) {
        return new Observation(
                text(node, "id"),
                text(node, "seen"),
                one(node, "severity", Severity.COUNTS),
                node.path("weight").asDouble(1),
                texts(node, "slips"),
                undone(node.path("undone")));
    }

    private static Map<String, Undone> undone(JsonNode node) {
        Map<String, Undone> undone = new LinkedHashMap<>();
        node.properties()
                .forEach(e ->
                        undone.put(e.getKey(), of(Undone.class, e.getValue().asText())));
        return undone;
    }

    private static Question question(JsonNode node) {
        return new Question(
                text(node, "id"),
                new Question.Wording(text(node, "ask"), texts(node, "points"), text(node, "prompt")),
                node.path("needed").asInt(Math.min(2, node.get("points").size())),
                node.path("weight").asDouble(1),
                one(node, "asked", Question.Asked.DRAWN),
                tells(node));
    }

    private static final Set<String> CAUSES =
            Arrays.stream(Cause.values()).map(Cause::fileName).collect(Collectors.toUnmodifiableSet());

    private static Set<String> tells(JsonNode node) {
        List<String> told = texts(node, "tells");
        for (String cause : told) {
            Check.that(
                    CAUSES.contains(cause),
                    "unknown-cause",
                    "tells",
                    Check.quoted(cause),
                    "give causes of wrong readings: " + String.join(", ", new TreeSet<>(CAUSES)));
        }
        return Set.copyOf(told);
    }

    private static Scheme.OrderRule rule(JsonNode node) {
        return new Scheme.OrderRule(
                text(node, "first"), text(node, "then"), one(node, "severity", Severity.COUNTS), text(node, "why"));
    }

    /** @param asked tests of the steps: what it looks at where the file does not say */
    private static Criterion criterion(JsonNode node, Set<TestKind> asked) {
        Common common = new Common(
                text(node, "id"),
                text(node, "group"),
                text(node, "title"),
                node.get("weight").asDouble(),
                one(node, "severity", Severity.COUNTS));
        Set<TestKind> tests = node.has("tests")
                ? new LinkedHashSet<>(texts(node, "tests").stream()
                        .map(t -> of(TestKind.class, t))
                        .toList())
                : asked;
        double few = node.path("few").asDouble(0);
        List<String> steps = texts(node, "steps");
        return switch (text(node, "kind")) {
            case "measured" -> new Criterion.MeasuredRightly(common, tests, few);
            case "judged" -> new Criterion.JudgedRightly(common, tests, few);
            case "right-one" -> new Criterion.RightOneOfSeveral(common, tests);
            case "notation" -> new Criterion.Notation(common, tests);
            case "complete" -> new Criterion.Complete(common, tests, few);
            case "expected-first" -> new Criterion.ExpectedFirst(common, tests);
            case "one-method" -> new Criterion.OneMethod(common);
            case "leads-nulled" -> new Criterion.LeadsNulled(common);
            case "consistent" ->
                new Criterion.Consistent(
                        common,
                        of(Criterion.Relation.class, text(node, "relation")),
                        node.path("percent").asDouble(0),
                        node.path("plus").asDouble(0));
            case "fault" -> new Criterion.FaultReported(common, of(Criterion.Aspect.class, text(node, "aspect")));
            case "nothing-invented" -> new Criterion.NothingInvented(common);
            case "observed" -> new Criterion.Observed(common, steps);
            case "answered" -> new Criterion.Answered(common, steps);
            case "order-kept" ->
                new Criterion.OrderKept(
                        common,
                        node.has("severities")
                                ? new LinkedHashSet<>(texts(node, "severities").stream()
                                        .map(s -> of(Severity.class, s))
                                        .toList())
                                : Set.of(Severity.values()));
            case "safe" -> new Criterion.Safe(common);
            case "closed" -> new Criterion.Closed(common, steps);
            // the schema lists the kinds; another one is told there
            default ->
                throw new ProblemsException(
                        new Problem("unknown-criterion", "kind", text(node, "kind"), "give a kind of criterion"));
        };
    }

    private static JsonNode list(JsonNode node, String field) {
        return node.has(field) ? node.get(field) : JsonFile.MAPPER.createArrayNode();
    }

    private static String text(JsonNode node, String field) {
        return node.path(field).asString("");
    }

    private static List<String> texts(JsonNode node, String field) {
        return StreamSupport.stream(list(node, field).spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }

    private static <E extends Enum<E>> E one(JsonNode node, String field, E otherwise) {
        return node.has(field) ? of(otherwise.getDeclaringClass(), text(node, field)) : otherwise;
    }

    /** Of the words that the schema allows. */
    private static <E extends Enum<E>> E of(Class<E> type, String word) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> word(e).equals(word))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(
                        new Problem("unknown-word", "", word, "the format's page lists the words")));
    }

    /** "EIGHTY_PERCENT" is "eighty-percent" in a file. */
    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
