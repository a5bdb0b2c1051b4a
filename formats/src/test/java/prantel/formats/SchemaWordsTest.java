package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.databind.node.ObjectNode;

/** What a technician reads who wrote a file by hand and got a field wrong. */
class SchemaWordsTest {
    private static final String GOOD = new String(RigFile.write(Rigs.fiveSockets()), StandardCharsets.UTF_8);

    private static List<Problem> problemsOf(String json) {
        return catchThrowableOfType(ProblemsException.class, () -> RigFile.read(json.getBytes(StandardCharsets.UTF_8)))
                .problems();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '\'', textBlock = """
            "way" : 1              | "way" : 1.5               | /circuits/0/way                  | "1.5"         | give a whole number
            "atMetres" : 13.0      | "atMetres" : "far"        | /circuits/0/points/1/atMetres    | "far"         | give a number
            "label" : "socket 1"   | "label" : 7               | /circuits/0/points/0/label       | "7"           | give text in quotes
            "prantel-rig-1"        | "prantel-rig-9"           | /format                          | "prantel-rig-9" | give “prantel-rig-1”
            "atMetres" : 13.0      | "atMeters" : 13.0         | /circuits/0/points/1             |               | “atMeters” is not a field of this format; check its spelling
            "curve" : "B"          | "curve" : "Q"             | /circuits/0/device/curve         | "Q"           | give one of B, C, D
            """)
    void fieldThatIsWrongIsSaidInWords(String good, String bad, String where, String given, String mend) {
        assertThat(GOOD).contains(good);
        assertThat(problemsOf(GOOD.replaceFirst(java.util.regex.Pattern.quote(good), bad)))
                .anySatisfy(p -> {
                    assertThat(p.where()).isEqualTo(where);
                    assertThat(p.given()).isEqualTo(given == null ? "" : given);
                    assertThat(p.mend()).isEqualTo(mend);
                });
    }

    @Test
    void listOrGroupInTheWrongPlaceIsSaidSo() {
        ObjectNode root = RigWriter.write(Rigs.fiveSockets());
        root.put("circuits", 5);
        root.putArray("supply");
        assertThat(problemsOf(root.toString()))
                .extracting(Problem::mend)
                .contains("give a list in [ ]", "give a group of fields in { }");
    }

    @Test
    void emptyAndOverfullListsAreSaidSo() {
        ObjectNode root = RigWriter.write(Rigs.fiveSockets());
        root.putArray("circuits");
        assertThat(problemsOf(root.toString())).extracting(Problem::mend).contains("give at least 1 in this list");
    }

    /** Every field of a rig of every kind of part, made a group of fields that nothing knows. */
    @Test
    void noMessageSpeaksOfSchemas() {
        ObjectNode rig = RigWriter.write(RandomRigs.rig(new java.util.SplittableRandom(5)));
        for (String field : List.copyOf(rig.propertyNames())) {
            ObjectNode broken = rig.deepCopy();
            broken.putObject(field).put("nonsense", true);
            assertThat(problemsOf(broken.toString()))
                    .as(field)
                    .allSatisfy(p -> assertThat(p.mend()).doesNotContainPattern("schema|expected|must |instance"));
        }
    }
}
