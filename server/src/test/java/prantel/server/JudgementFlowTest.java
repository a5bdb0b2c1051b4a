package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/**
 * From a handed-in sheet to what the candidate reads and does again: a second mark given blind, disputes settled, the
 * outcome, feedback, the complete record, a resit.
 */
@TestServer
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class JudgementFlowTest {
    private static final String REASON_OF_THE_FIRST = "told me at the rig, loud and clear";
    private static String path;
    private static String disputed;

    @Autowired
    private MockMvc mvc;

    private Browser first;
    private Browser second;
    private Browser candidate;

    @BeforeEach
    void people() {
        first = Browser.of(mvc, "ada");
        second = Browser.of(mvc, "ben");
        candidate = Browser.of(mvc, "paul");
        if (path == null) {
            path = Bays.prepare(first, "bay-1", "paul");
            Bays.choose(
                    first,
                    path,
                    List.of(Bays.fault("low-insulation", "sockets/socket-5", List.of("line", "cpc"), 0.6)));
            Bays.open(first, path);
            Bays.handIn(first, candidate, path, "", Map.of());
        }
    }

    private static Map<String, Object> decision(JsonNode mark, String given, String reason, int seq) {
        return Map.of(
                "eventId",
                Browser.event(),
                "mark",
                mark.get("id").asString(),
                "given",
                given,
                "reason",
                reason,
                "basedOn",
                seq);
    }

    private JsonNode decideAll(Browser who, String other, String given, String reason) {
        JsonNode view = who.get(path + "/marking").json();
        // whoever marks alone is proposed nothing: here they would give what was proposed to the first
        Map<String, String> toTheFirst = new HashMap<>();
        for (JsonNode mark : first.get(path + "/marking").json().get("marks")) {
            toTheFirst.put(mark.get("id").asString(), mark.get("proposed").asString());
        }
        List<Map<String, Object>> all = new ArrayList<>();
        for (JsonNode mark : view.get("marks")) {
            String proposed = toTheFirst.get(mark.get("id").asString());
            if (!mark.get("wants").asString().equals("NOTHING")) {
                boolean otherwise = mark.get("id").asString().equals(other);
                all.add(decision(
                        mark,
                        otherwise ? given : proposed,
                        otherwise ? reason : "",
                        view.get("seq").asInt()));
            }
        }
        Browser.Answer answer = who.post(path + "/marking/marks", Map.of("decisions", all));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private Browser.Answer outcome(Browser who, String given, String reason) {
        int seq = who.get(path + "/marking").json().get("seq").asInt();
        return who.put(
                path + "/marking/outcome",
                Map.of("eventId", Browser.event(), "given", given, "reason", reason, "basedOn", seq));
    }

    private static String proposed(JsonNode view) {
        return view.get("outcome").get("proposed").asString();
    }

    @Test
    @Order(1)
    void aSecondMarkIsAskedForOnceTheFirstIsWhole() {
        Map<String, Object> ask = Map.of("eventId", Browser.event(), "of", "ben");
        assertThat(first.post(path + "/opinions", ask).text()).contains("marks-open");
        JsonNode view = first.get(path + "/marking").json();
        JsonNode full = view.get("marks")
                .valueStream()
                .filter(m -> m.get("proposed").asString().equals("FULL"))
                .findFirst()
                .orElseThrow();
        disputed = full.get("id").asString();
        decideAll(first, disputed, "HALF", REASON_OF_THE_FIRST);
        assertThat(first.post(path + "/opinions", Map.of("eventId", Browser.event(), "of", "paul"))
                        .text())
                .contains("no-assessor");
        Map<String, Object> lead = Map.of("eventId", Browser.event(), "of", "lea");
        assertThat(first.post(path + "/opinions", lead).status()).isEqualTo(200);
        Map<String, Object> noLonger = Map.of("eventId", Browser.event(), "of", "lea");
        assertThat(first.post(path + "/opinions/withdraw", noLonger)
                        .json()
                        .get("opinions")
                        .get("lines")
                        .size())
                .as("asked by mistake, and no longer")
                .isZero();
        assertThat(first.post(path + "/opinions", ask).status()).isEqualTo(200);
        assertThat(outcome(first, proposed(view), "").text()).contains("second-open");
        assertThat(first.get("/api/floor").text()).contains("waits for a second mark");
        assertThat(second.get("/api/floor").text())
                .contains("by yourself: a second mark")
                .doesNotContain("waits for a second mark");
    }

    /** Neither what was given nor why, neither in the marks nor anywhere else that an assessor may look. */
    @Test
    @Order(2)
    void whoMarksAloneSeesNothingOfWhatWasGiven() {
        Browser.Answer view = second.get(path + "/marking");
        assertThat(view.json().get("opinions").get("blind").asBoolean()).isTrue();
        assertThat(second.post(path + "/marking/compare", Map.of("scheme", "workshop"))
                        .text())
                .as("by the same scheme it would be the proposals")
                .contains("\"blind\"")
                .doesNotContain("verdict");
        Map<String, Object> replay = Map.of("id", UUID.randomUUID().toString(), "box", boxOf(view.json()));
        assertThat(second.post(path + "/practice/replay", replay).text())
                .as("nor on the practice rig what must have been left out")
                .contains("\"blind\"");
        assertThat(view.text()).doesNotContain(REASON_OF_THE_FIRST);
        assertThat(view.json().get("marks").valueStream())
                .as("nor what the program makes of it")
                .allMatch(m -> m.get("given").isNull()
                        && m.get("proposed").isNull()
                        && m.get("evidence").asString().isEmpty());
        assertThat(view.json().get("causes").isEmpty()).isTrue();
        assertThat(view.json().get("lines").valueStream())
                .allMatch(l -> !l.get("wantsEye").asBoolean()
                        && l.get("sideWords").asString().isEmpty()
                        && l.get("remarks").isEmpty()
                        && l.get("explanations").isEmpty());
        assertThat(view.json().get("outcome").get("proposed").isNull()).isTrue();
        assertThat(view.json().get("outcome").get("reasons").isEmpty()).isTrue();
        for (String other : List.of("/record", "/record/view", "/record/csv", "/record/pdf", "/feedback/pdf")) {
            assertThat(second.get(path + other).status()).as(other).isEqualTo(409);
        }
        assertThat(second.get(path + "/feedback").text()).doesNotContain(REASON_OF_THE_FIRST);
        assertThat(second.post(path + "/opinions/sign", Map.of("eventId", Browser.event()))
                        .text())
                .contains("still open");
        assertThat(outcome(second, "PASS", "x").status()).isEqualTo(409);

        decideAll(second, "", "", "");
        JsonNode again = second.get(path + "/marking").json();
        assertThat(again.get("outcome").get("mayDecide").asBoolean()).isTrue();
        assertThat(second.post(path + "/opinions/sign", Map.of("eventId", Browser.event()))
                        .status())
                .isEqualTo(200);
        assertThat(second.post(path + "/practice/replay", replay).status()).isEqualTo(200);
        assertThat(second.get("/api/practice/" + replay.get("id"))
                        .json()
                        .get("purpose")
                        .asString())
                .isEqualTo("REPLAY");
        assertThat(candidate
                        .post(
                                path + "/practice/replay",
                                Map.of("id", UUID.randomUUID().toString(), "box", boxOf(view.json())))
                        .status())
                .as("a candidate sees no such thing, of nobody")
                .isEqualTo(403);
    }

    private static String boxOf(JsonNode view) {
        return view.get("lines")
                .valueStream()
                .filter(l -> l.get("measured").asBoolean())
                .findFirst()
                .orElseThrow()
                .get("slot")
                .asString();
    }

    /** An assessor meets the set as the candidate would; nobody else can, and it is told only in the end. */
    @Test
    @Order(3)
    void aSetIsTriedByAssessorsAlone() {
        Map<String, Object> tried = Map.of("id", UUID.randomUUID().toString(), "way", "ALONE");
        assertThat(candidate.post(path + "/practice", tried).status()).isEqualTo(403);
        assertThat(first.post(path + "/practice", tried).status()).isEqualTo(200);
        String at = "/api/practice/" + tried.get("id");
        assertThat(first.get(at).json().get("purpose").asString()).isEqualTo("TRIED");
        assertThat(second.get(at).status()).as("each their own").isEqualTo(404);
        JsonNode result = first.post(at + "/finish", Map.of()).json().get("result");
        assertThat(result.get("faults").size()).isEqualTo(1);
        assertThat(result.get("faults").get(0).get("where").asString()).contains("socket 5");
        assertThat(first.get("/api/practice/progress").json().get("kinds").toString())
                .as("what is tried for others is no progress of one's own")
                .doesNotContain("insulation");
    }

    @Test
    @Order(3)
    void whereTwoDifferItIsSettledAndBothOpinionsStay() {
        JsonNode line =
                first.get(path + "/marking").json().get("opinions").get("lines").get(0);
        assertThat(line.get("differ").valueStream().map(d -> d.get("mark").asString()))
                .containsExactly(disputed);
        JsonNode agreement = line.get("agreement");
        assertThat(agreement.get("same").asInt())
                .isEqualTo(agreement.get("marks").asInt() - 1);
        assertThat(agreement.get("kappa").get("kappa").asDouble()).isBetween(0.5, 0.9999);
        assertThat(agreement
                        .get("criteria")
                        .valueStream()
                        .mapToInt(c -> c.get("marks").asInt())
                        .sum())
                .isEqualTo(agreement.get("marks").asInt());
        String proposed = proposed(first.get(path + "/marking").json());
        assertThat(outcome(first, proposed, "").text()).contains("disputes-open");
        Map<String, Object> settle =
                new HashMap<>(Map.of("eventId", Browser.event(), "mark", disputed, "given", "FULL", "reason", ""));
        assertThat(first.put(path + "/opinions/settled", settle).text()).contains("say what settled it");
        settle.put("reason", "both heard it");
        JsonNode settled = first.put(path + "/opinions/settled", settle).json();
        JsonNode dispute =
                settled.get("opinions").get("lines").get(0).get("differ").get(0);
        assertThat(dispute.get("first").get("award").asString()).isEqualTo("HALF");
        assertThat(dispute.get("second").get("award").asString()).isEqualTo("FULL");
        assertThat(dispute.get("settled").get("reason").asString()).isEqualTo("both heard it");
        assertThat(outcome(first, "REFERRAL", proposed.equals("REFERRAL") ? "" : "the ring again")
                        .status())
                .isEqualTo(200);
    }

    private JsonNode feedback() {
        return first.get(path + "/feedback").json();
    }

    private Browser.Answer give(boolean named, List<Map<String, Object>> lines) {
        return first.put(
                path + "/feedback",
                Map.of(
                        "eventId",
                        Browser.event(),
                        "basedOn",
                        feedback().get("seq").asInt(),
                        "lines",
                        lines,
                        "named",
                        named));
    }

    private static List<Map<String, Object>> lines(JsonNode draft) {
        List<Map<String, Object>> lines = new ArrayList<>();
        for (JsonNode l : draft) {
            lines.add(Map.of(
                    "kind",
                    l.get("kind").asString(),
                    "text",
                    l.get("text").asString(),
                    "slots",
                    l.get("slots").valueStream().map(JsonNode::asString).toList()));
        }
        return lines;
    }

    @Test
    @Order(4)
    void theCandidateReadsWhatWasGivenAndNothingOfTheKey() {
        String mine = path.replace("/api/assessments/", "/api/my/sheets/") + "/feedback";
        assertThat(candidate.get(mine).status()).as("nothing given yet").isEqualTo(404);
        List<Map<String, Object>> lines = lines(feedback().get("draft"));
        assertThat(lines).hasSizeGreaterThan(3);
        lines.add(Map.of("kind", "PRACTISE", "text", "Come on Thursday evening.", "slots", List.of()));
        assertThat(give(false, lines).status()).isEqualTo(200);

        Browser.Answer read = candidate.get(mine);
        assertThat(read.json().get("outcome").asString()).isEqualTo("Refer these parts");
        assertThat(read.text()).contains("Come on Thursday evening.");
        assertThat(read.json().get("faults").isNull()).isTrue();
        JsonNode marking = first.get(path + "/marking").json();
        for (JsonNode fault : marking.get("faultsSet")) {
            assertThat(read.text()).doesNotContain(fault.asString());
        }
        String own = marking.get("lines")
                .valueStream()
                .map(l -> l.get("written").asString())
                .collect(Collectors.joining(" "));
        for (JsonNode line : marking.get("lines")) {
            String expected = line.get("expected").asString();
            if (expected.length() > 5 && !own.contains(expected)) {
                assertThat(read.text()).as(line.get("slot").asString()).doesNotContain(expected);
            }
        }
        assertThat(Browser.of(mvc, "olga").get(mine).status())
                .as("another candidate")
                .isEqualTo(404);
        assertThat(candidate.get("/api/my/sheets").json().get(0).get("feedback").asBoolean())
                .isTrue();

        assertThat(give(true, lines).status()).isEqualTo(200);
        assertThat(candidate.get(mine).json().get("faults").size())
                .isEqualTo(marking.get("faultsSet").size());
        assertThat(give(false, List.of()).text()).contains("1 to");
        assertThat(give(false, List.of(Map.of("kind", "RIGHT", "text", "x", "slots", List.of("no/such"))))
                        .text())
                .contains("no such box");
    }

    private static PDDocument mustBeReadable(Browser.Answer answer) throws IOException {
        assertThat(answer.status()).isEqualTo(200);
        PDDocument pdf = Loader.loadPDF(answer.bytes());
        assertThat(pdf.getDocumentCatalog().getMarkInfo().isMarked())
                .as("tagged")
                .isTrue();
        assertThat(pdf.getDocumentCatalog().getLanguage()).isEqualTo("en");
        assertThat(pdf.getDocumentInformation().getTitle()).isNotBlank();
        assertThat(pdf.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
        // every letter of it extracts: "after" was "a er", by a sign that stands for two letters
        assertThat(new PDFTextStripper().getText(pdf))
                .doesNotContain("\uFFFD")
                .containsPattern("[a-z](ft|fi|ff|tt|ti)[a-z ]");
        for (var page : pdf.getPages()) {
            for (COSName name : page.getResources().getFontNames()) {
                PDFont font = page.getResources().getFont(name);
                assertThat(font.isEmbedded()).as(font.getName()).isTrue();
            }
        }
        return pdf;
    }

    /** What stands in it, wherever its lines are broken. */
    private static String words(PDDocument pdf) throws IOException {
        return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
    }

    @Test
    @Order(5)
    void feedbackAndRecordArePdfsWithTheirFontsInside() throws IOException {
        String mine = path.replace("/api/assessments/", "/api/my/sheets/") + "/feedback/pdf";
        try (PDDocument pdf = mustBeReadable(candidate.get(mine))) {
            assertThat(words(pdf)).contains("Feedback for Paul One", "Thursday");
        }
        try (PDDocument pdf = mustBeReadable(first.get(path + "/record/pdf"))) {
            assertThat(words(pdf))
                    .contains("Record of Paul One", "both heard it", "Outcome signed", "Marked alone", "Ω")
                    .contains("Schedule of circuits", "Schedule of results", "Set on the rig", "≤ 1.");
        }
    }

    @Test
    @Order(6)
    void theRecordHoldsWhatHappenedWithAuthors() {
        JsonNode record = first.get(path + "/record/view").json();
        JsonNode mark = record.get("marks")
                .valueStream()
                .filter(m -> m.get("id").asString().equals(disputed))
                .findFirst()
                .orElseThrow();
        assertThat(mark.get("first").asString()).isEqualTo("half");
        assertThat(mark.get("second").asString()).isEqualTo("full");
        assertThat(mark.get("counts").asString()).isEqualTo("full");
        assertThat(record.get("signatures")
                        .valueStream()
                        .map(s -> s.get("what").asString() + ", " + s.get("by").asString()))
                .contains("Handed in, Paul One", "Marked alone, Ben South", "Outcome signed, Ada North");
        assertThat(record.get("chain").asString()).hasSizeGreaterThan(20);
        List<String> rows = first.get(path + "/record/csv").text().lines().toList();
        assertThat(rows.getFirst()).startsWith("row,id,what,where,written");
        assertThat(rows).anyMatch(r -> r.startsWith("reading,")).anyMatch(r -> r.startsWith("mark," + disputed));
        assertThat(candidate.get(path + "/record/view").status()).isEqualTo(403);
    }

    @Test
    @Order(7)
    void anExerciseChangesNothing() {
        assertThat(first.post(path + "/opinions", Map.of("eventId", Browser.event(), "of", "lea"))
                        .text())
                .as("asked once, no longer asked, and could look since: never blind again")
                .contains("own-marks");
        Map<String, Object> eva = Map.of(
                "signInName", "eva", "name", "Eva North", "roles", List.of("ASSESSOR"), "password", "eva signs in");
        assertThat(Browser.of(mvc, "lea").post("/api/workshop/people", eva).status())
                .isEqualTo(200);
        Browser lead = Browser.of(mvc, "eva");
        Browser.Answer asked = first.post(path + "/opinions", Map.of("eventId", Browser.event(), "of", "eva"));
        assertThat(asked.status()).as(asked.text()).isEqualTo(200);
        assertThat(lead.get(path + "/marking")
                        .json()
                        .get("outcome")
                        .get("given")
                        .isNull())
                .as("blind, although it is decided")
                .isTrue();
        assertThat(lead.get(path + "/resit").json().get("decided").asBoolean()).isFalse();
        assertThat(lead.get("/api/floor").json().get("kept").toString())
                .as("nor on the Floor")
                .doesNotContain(path.replace("/api/assessments/", ""));
        decideAll(lead, "", "", "");
        JsonNode signed = lead.post(path + "/opinions/sign", Map.of("eventId", Browser.event()))
                .json();
        assertThat(signed.get("opinions").get("lines").size()).isEqualTo(2);
        assertThat(first.get(path + "/marking")
                        .json()
                        .get("outcome")
                        .get("given")
                        .get("verdict")
                        .asString())
                .isEqualTo("REFERRAL");
    }

    @Test
    @Order(8)
    void onlyTheReferredPartsAreDoneAgain() {
        JsonNode plan = first.get(path + "/resit").json();
        assertThat(plan.get("decided").asBoolean()).isTrue();
        JsonNode bay = plan.get("bays").get(0);
        JsonNode part = plan.get("parts")
                .valueStream()
                .filter(p -> !p.get("part").asString().equals("faults"))
                .findFirst()
                .orElseThrow();
        String event = Browser.event();
        Map<String, Object> wanted = Map.of(
                "eventId",
                event,
                "bayId",
                bay.get("id").asString(),
                "parts",
                List.of(part.get("part").asString()));
        Map<String, Object> unknown = new HashMap<>(wanted);
        unknown.put("parts", List.of("no-such-part"));
        assertThat(first.post(path + "/resit", unknown).text()).contains("no such part");
        String id = first.post(path + "/resit", wanted).json().get("id").asString();
        assertThat(first.post(path + "/resit", wanted).json().get("id").asString())
                .as("sent twice, begun once")
                .isEqualTo(id);
        JsonNode steps = first.get("/api/assessments/" + id + "/watch").json().get("steps");
        JsonNode before = first.get(path + "/watch").json().get("steps");
        assertThat(steps.size()).isLessThan(before.size());
        assertThat(steps.valueStream().map(s -> s.get("id").asString()))
                .contains(part.get("part").asString());
        assertThat(first.get("/api/assessments/" + id).json().get("resitOf").asString())
                .isEqualTo(path.replace("/api/assessments/", ""));
        assertThat(first.get(path + "/resit").json().get("before").asInt()).isEqualTo(1);
    }

    /** The commonest resit of all: faults again. They are found by measuring, so everything is on the sheet and nothing else counts. */
    @Test
    @Order(9)
    void findingFaultsIsDoneAgainOverTheWholeSheet() {
        JsonNode bay = first.get(path + "/resit").json().get("bays").get(0);
        Map<String, Object> wanted =
                Map.of("eventId", Browser.event(), "bayId", bay.get("id").asString(), "parts", List.of("faults"));
        Browser.Answer started = first.post(path + "/resit", wanted);
        assertThat(started.status()).as(started.text()).isEqualTo(200);
        String again = "/api/assessments/" + started.json().get("id").asString();
        assertThat(first.get(again + "/watch").json().get("steps").size())
                .isEqualTo(first.get(path + "/watch").json().get("steps").size());
        assertThat(first.get(again + "/set").status()).isEqualTo(200);
        assertThat(first.get("/api/floor").status()).isEqualTo(200);
    }

    @Test
    @Order(10)
    void whatIsMissingInARequestIsSaidAndNothingBreaks() {
        for (Map.Entry<String, Map<String, Object>> post : Map.<String, Map<String, Object>>of(
                        "/opinions", Map.of("eventId", Browser.event()),
                        "/opinions/withdraw", Map.of("eventId", Browser.event()),
                        "/opinions/sign", Map.of(),
                        "/resit", Map.of("eventId", Browser.event()))
                .entrySet()) {
            assertThat(first.post(path + post.getKey(), post.getValue()).status())
                    .as(post.getKey())
                    .isBetween(400, 409);
        }
        assertThat(first.put(path + "/opinions/settled", Map.of("eventId", Browser.event()))
                        .status())
                .isBetween(400, 409);
        assertThat(first.put(path + "/feedback", Map.of("eventId", Browser.event()))
                        .status())
                .isBetween(400, 409);
        assertThat(first.put("/api/rigs/cottage/notes/1", Map.of()).status()).isBetween(400, 409);
    }
}
