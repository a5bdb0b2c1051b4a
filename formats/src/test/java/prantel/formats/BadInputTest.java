package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is wrong is refused with its place in the file and in words, all of it at once, and nothing is taken silently. */
class BadInputTest {
    private static final String GOOD = new String(RigFile.write(Rigs.fiveSockets()), StandardCharsets.UTF_8);
    private static final Key KEY = Key.of(
            Rigs.fiveSockets(),
            FaultSet.NONE,
            Testers.usual(),
            ShippedSchemes.all().get("workshop").scheme());

    private static List<Problem> problems(String file) {
        ProblemsException e = catchThrowableOfType(
                ProblemsException.class, () -> RigFile.read(file.getBytes(StandardCharsets.UTF_8)));
        assertThat(e).as("it was taken silently").isNotNull();
        return e.problems();
    }

    private static String change(String from, String to) {
        assertThat(GOOD).contains(from);
        return GOOD.replaceFirst(java.util.regex.Pattern.quote(from), to);
    }

    /** A pointer leads to something that is in the file, or to a field missing from something that is. */
    private static void leadsSomewhere(String file, Problem problem) {
        JsonNode root = new JsonMapper().readTree(file);
        String where = problem.where();
        String parent = where.isEmpty() ? "" : where.substring(0, where.lastIndexOf('/'));
        assertThat(root.at(where).isMissingNode() && root.at(parent).isMissingNode())
                .as("“%s” of %s", where, problem)
                .isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\0',
            value = {
                "\"liveMm2\" : 2.5|\"liveMm2\" : 2.7|/circuits/0/cable/liveMm2",
                "\"cpcMm2\" : 1.5|\"cpcMm2\" : 1.7|/circuits/0/cable/cpcMm2",
                "\"terminationMilliohms\" : 0.5|\"terminationMilliohms\" : 5000|/workmanship/terminationMilliohms",
                "\"lengthMetres\" : 9.0|\"lengthMetres\" : 9000|/bonds/0/lengthMetres",
                "\"atMetres\" : 6.0|\"atMetres\" : 60000|/circuits/0/points/0/atMetres"
            })
    void pointerIsTheFieldOfTheFile(String good, String bad, String where) {
        String file = change(good, bad);
        List<Problem> found = problems(file);
        assertThat(found).extracting(Problem::where).contains(where);
        found.forEach(p -> leadsSomewhere(file, p));
    }

    @Test
    void allProblemsOfOneThingComeAtOnce() {
        String file = change("\"terminationMilliohms\" : 0.5", "\"terminationMilliohms\" : 5000")
                .replace("\"contactMilliohms\" : 4.0", "\"contactMilliohms\" : 9000")
                .replace("\"liveMm2\" : 2.5", "\"liveMm2\" : 2.7")
                .replace("\"cpcMm2\" : 1.5", "\"cpcMm2\" : 1.7");
        assertThat(problems(file))
                .extracting(Problem::where)
                .contains(
                        "/workmanship/terminationMilliohms",
                        "/workmanship/contactMilliohms",
                        "/circuits/0/cable/liveMm2",
                        "/circuits/0/cable/cpcMm2");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"format\": \"prantel-rig-1\", \"a\": NaN}",
                "{\"format\": \"prantel-rig-1\"} trailing",
                "{\"format\": \"prantel-rig-1\", \"format\": \"prantel-rig-1\"}",
                "{\"format\": \"prantel-rig-1\"",
                "[[[[[[[[[[[[[[[[[[[[[[[[[1]]]]]]]]]]]]]]]]]]]]]]]]]",
                "{\"format\" \"prantel-rig-1\"}",
                ""
            })
    void noParsersWordsReachAPerson(String file) {
        assertThat(problems(file))
                .allSatisfy(p -> assertThat(p.toString())
                        .doesNotContain(
                                "Token",
                                "token",
                                "JsonParser",
                                "StreamRead",
                                "FAIL_ON",
                                "ALLOW_",
                                "Exception",
                                "maxNesting",
                                "lexical"));
    }

    @Test
    void fieldOfTheDraftFormatDoesNotOverrideTodays() {
        String both = change("\"lines\" :", "\"lineOhms\" : 9, \"lines\" :");
        assertThat(problems(both)).anySatisfy(p -> assertThat(p.toString()).contains("lineOhms"));
        String device = change("\"device\" :", "\"breaker\" : {\"curve\": \"D\", \"ratedAmps\": 63}, \"device\" :");
        assertThat(problems(device)).anySatisfy(p -> assertThat(p.toString()).contains("breaker"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16LE", "UTF-16BE", "UTF-16", "UTF-32"})
    void otherEncodingsAreRefusedAndNotGuessed(String name) {
        Charset charset = Charset.forName(name);
        assertThat(catchThrowableOfType(ProblemsException.class, () -> RigFile.read(GOOD.getBytes(charset)))
                        .problems())
                .extracting(Problem::code)
                .containsExactly("not-utf-8");
        String csv = "slot,reading\nsockets/r1r2/socket-1,0.1\n";
        assertThat(catchThrowableOfType(
                                ProblemsException.class, () -> ReadingsCsv.read(csv.getBytes(charset), KEY, List.of()))
                        .problems())
                .extracting(Problem::code)
                .containsExactly("not-utf-8");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\0',
            value = {
                "slot,reading#sockets/r1r2/socket-1,\"0.43#sockets/r1r2/socket-2,1|not-csv",
                "slot,reading#sockets/r1r2/socket-1,\"0.43\"junk#|not-csv",
                "slot,reading,reading#sockets/r1r2/socket-1,0.43,0.34#|column-twice",
                "slot,Reading,READING#sockets/r1r2/socket-1,0.43,0.34#|column-twice"
            })
    void brokenCsvIsAProblemAndNoStackTrace(String text, String code) {
        String csv = text.replace('#', '\n');
        ProblemsException e = catchThrowableOfType(
                ProblemsException.class, () -> ReadingsCsv.read(csv.getBytes(StandardCharsets.UTF_8), KEY, List.of()));
        assertThat(e.problems()).extracting(Problem::code).contains(code);
        assertThat(e.getMessage()).doesNotContain("Exception").doesNotContain("token");
    }

    @Test
    void otherColumnsAreForPeopleHoweverOftenTheyAreThere() {
        String csv = "slot,reading,note,note\nsockets/r1r2/socket-1,0.43,a,b\n";
        assertThat(ReadingsCsv.read(csv.getBytes(StandardCharsets.UTF_8), KEY, List.of())
                        .readings())
                .hasSize(1);
    }

    @Test
    void faultToldFromItsOtherEndIsTheSameFault() {
        String twice = "{\"format\": \"prantel-faults-1\", \"rig\": \"test-rig\", \"faults\": ["
                + "{\"kind\": \"low-insulation\", \"at\": \"sockets/socket-1\", \"conductors\": [\"line\", \"cpc\"], \"megohms\": 1},"
                + "{\"kind\": \"low-insulation\", \"at\": \"sockets/socket-1\", \"conductors\": [\"cpc\", \"line\"], \"megohms\": 1}]}";
        assertThat(catchThrowableOfType(
                                ProblemsException.class,
                                () -> FaultSetFile.read(twice.getBytes(StandardCharsets.UTF_8), Rigs.fiveSockets()))
                        .problems())
                .extracting(Problem::code)
                .containsExactly("fault-twice");
    }

    @Test
    void displayWithMoreDigitsThanAnyHasIsRefused() {
        String tester = new String(TesterFile.write(Testers.usual()), StandardCharsets.UTF_8)
                .replaceFirst("\"resolution\" : [0-9.E-]+", "\"resolution\" : 1e-300");
        assertThat(catchThrowableOfType(
                                ProblemsException.class, () -> TesterFile.read(tester.getBytes(StandardCharsets.UTF_8)))
                        .problems())
                .anySatisfy(p -> assertThat(p.where()).endsWith("/resolution"));
        String wide = new String(TesterFile.write(Testers.usual()), StandardCharsets.UTF_8)
                .replaceFirst("\"uncertaintyPercent\" : [0-9.]+", "\"uncertaintyPercent\" : 300");
        assertThat(catchThrowableOfType(
                                ProblemsException.class, () -> TesterFile.read(wide.getBytes(StandardCharsets.UTF_8)))
                        .problems())
                .anySatisfy(p -> assertThat(p.where()).endsWith("/uncertaintyPercent"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "panel\\n.control\\nshell touch X\\n.endc",
                "panel\\u001b[2J",
                "panel\\u202eabc",
                "panel\\u0000",
                "panel\\u2028.control"
            })
    void labelThatGivesOrdersIsRefused(String label) {
        assertThat(problems(change("\"label\" : \"socket 1\"", "\"label\" : \"" + label.replace("\\", "\\\\") + "\"")))
                .extracting(Problem::where)
                .contains("/circuits/0/points/0/label");
    }

    @Test
    void deckNamesNothingThatAFileSpells() {
        String file = change("\"label\" : \"socket 1\"", "\"label\" : \".control shell touch X .endc\"");
        Key key = Key.of(
                RigFile.read(file.getBytes(StandardCharsets.UTF_8)),
                FaultSet.NONE,
                Testers.usual(),
                ShippedSchemes.all().get("workshop").scheme());
        String deck = SpiceDeck.write(key);
        assertThat(deck).doesNotContain("touch X");
        assertThat(deck.lines().filter(l -> l.startsWith(".control"))).hasSizeLessThanOrEqualTo(1);
    }
}
