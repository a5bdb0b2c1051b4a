package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fixtures.Rigs;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;

class RigFileTest {
    private static final String GOOD = new String(RigFile.write(Rigs.fiveSockets()), StandardCharsets.UTF_8);

    /** As the draft of the format had it: plain resistances in the supply, a breaker in each circuit. */
    private static final String OLD = """
            {"format": "prantel-rig-1", "id": "old", "name": "Old",
             "supply": {"earthing": "TN-S", "nominalVolts": 230, "declaredZeOhms": 0.8,
                        "lineOhms": 0.2, "neutralOhms": 0.15, "earthPathOhms": 0.4},
             "earthingConductor": {"csaMm2": 16, "lengthMetres": 2},
             "workmanship": {"terminationMilliohms": 0.5, "contactMilliohms": 4, "insulationMegohmKilometres": 100},
             "circuits": [{"id": "sockets", "label": "Sockets", "kind": "radial", "way": 2,
                           "breaker": {"curve": "C", "ratedAmps": 16},
                           "cable": {"liveMm2": 2.5, "cpcMm2": 1.5},
                           "points": [{"id": "a", "label": "a", "kind": "twin-socket", "atMetres": 9}]}]}""";

    private static List<Problem> problemsOf(String json) {
        try {
            RigFile.read(json.getBytes(StandardCharsets.UTF_8));
            return List.of();
        } catch (ProblemsException e) {
            return e.problems();
        }
    }

    @Test
    void whatIsWrittenReadsBackTheSame() {
        Rig rig = Rigs.fiveSockets();
        assertThat(RigFile.read(RigFile.write(rig))).isEqualTo(rig);
    }

    @Test
    void draftOfTheFormatIsBroughtUpToThisOne() {
        Rig rig = RigFile.read(OLD.getBytes(StandardCharsets.UTF_8));
        assertThat(rig.supply().lines().getFirst().ohms()).isEqualTo(0.2);
        assertThat(rig.supply().earth().path().ohms()).isEqualTo(0.4);
        assertThat(rig.circuits().getFirst().device().label()).isEqualTo("C16");
        assertThat(RigFile.read(RigFile.write(rig))).isEqualTo(rig);
    }

    @Test
    void draftToGoOnWithIsInTheFormOfToday() {
        RigFile.Draft old = RigFile.draft(OLD.getBytes(StandardCharsets.UTF_8));
        assertThat(old.problems()).isEmpty();
        assertThat(old.file()).contains("\"neutral\"").doesNotContain("neutralOhms");
    }

    @Test
    void draftWithAWrongValueCanBeGoneOnWith() {
        RigFile.Draft low =
                RigFile.draft(OLD.replace("\"atMetres\": 9", "\"atMetres\": -9").getBytes(StandardCharsets.UTF_8));
        assertThat(low.rig()).isEmpty();
        assertThat(low.problems()).isNotEmpty();
        assertThat(low.file()).contains("-9").doesNotContain("neutralOhms");
    }

    @Test
    void draftWithoutTheShapeOfARigCannot() {
        assertThat(RigFile.draft("[1]".getBytes(StandardCharsets.UTF_8)).file()).isNull();
        assertThat(RigFile.draft(OLD.replace("supply", "supplies").getBytes(StandardCharsets.UTF_8))
                        .file())
                .isNull();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\0',
            value = {
                "\"atMetres\" : 6.0|\"atMetres\" : -3|/circuits/0/points/0/atMetres|-3 m",
                "\"atMetres\" : 6.0|\"atMetres\" : \"6 m\"|/circuits/0/points/0/atMetres|6 m",
                "\"atMetres\" : 6.0|\"atFeet\" : 20|/circuits/0/points/0|atFeet",
                "\"atMetres\" : 13.0|\"atMetres\" : 6.0|/circuits/0/points/1/atMetres|6 m after 6 m",
                "\"socket-2\"|\"socket-1\"|/circuits/0/points/1/id|socket-1",
                "\"socket-2\"|\"Socket 2\"|/circuits/0/points/1/id|Socket 2",
                "\"liveMm2\" : 2.5|\"liveMm2\" : 2.7|/circuits/0/cable/liveMm2|2.7 mm²",
                "\"curve\" : \"B\"|\"curve\" : \"Q\"|/circuits/0/device/curve|Q",
                "\"earthing\" : \"TN-C-S\"|\"earthing\" : \"TN-X\"|/supply/earthing|TN-X",
                "\"nominalVolts\" : 230.0|\"nominalVolts\" : 230000|/supply/nominalVolts|230000 V",
                "\"id\" : \"water\"|\"id\" : \"gas\"|/bonds/1/id|gas",
                "\"kind\" : \"radial\"|\"kind\" : \"star\"|/circuits/0/kind|star",
                "prantel-rig-1|prantel-rig-9|/format|prantel-rig-9"
            })
    void eachMistakeIsNamedAtItsPlace(String good, String bad, String pointer, String found) {
        assertThat(GOOD).contains(good);
        List<Problem> problems = problemsOf(GOOD.replaceFirst(java.util.regex.Pattern.quote(good), bad));
        assertThat(problems).anySatisfy(p -> {
            assertThat(p.where()).isEqualTo(pointer);
            assertThat(p.toString()).contains(found);
        });
    }

    @Test
    void allMistakesComeAtOnce() {
        String bad = GOOD.replace("\"atMetres\" : 6.0", "\"atMetres\" : -6")
                .replace("\"ratedAmps\" : 20.0", "\"ratedAmps\" : 900")
                .replace("\"csaMm2\" : 16.0", "\"csaMm2\" : 17");
        assertThat(problemsOf(bad).stream().map(Problem::where))
                .containsExactlyInAnyOrder(
                        "/circuits/0/points/0/atMetres", "/circuits/0/device/ratedAmps", "/earthingConductor/csaMm2");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "{",
                "[]",
                "null",
                "{} {}",
                "\"rig\"",
                "{\"format\":\"prantel-rig-1\",\"format\":\"prantel-rig-1\"}",
                "\u0000",
                "{\"a\":NaN}"
            })
    void whatIsNoRigSaysSo(String text) {
        assertThat(problemsOf(text)).isNotEmpty();
    }

    @Test
    void tooLargeAndTooDeepAreRefused() {
        assertThatThrownBy(() -> RigFile.read(new byte[10 * 1024 * 1024])).hasMessageContaining("10240 KiB");
        assertThat(problemsOf("[".repeat(5000) + "]".repeat(5000))).isNotEmpty();
    }

    // Property: hundreds of damaged files, each a located problem or a valid rig, never anything else.
    @Test
    void damagedFilesNeverBreakTheReader() {
        for (long seed = 0; seed < 400; seed++) {
            RandomGenerator random = new SplittableRandom(seed);
            StringBuilder text = new StringBuilder(GOOD);
            for (int i = 0; i < random.nextInt(1, 6); i++) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(3)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 -> text.insert(at, "{}[],:\"-9e".charAt(random.nextInt(10)));
                    default -> text.setCharAt(at, (char) random.nextInt(32, 127));
                }
            }
            List<String> seen = new ArrayList<>();
            problemsOf(text.toString()).forEach(p -> seen.add(p.toString()));
            assertThat(seen).as("seed " + seed).allSatisfy(p -> assertThat(p).isNotBlank());
        }
    }

    @Test
    void everyProblemOfAnEmptyObjectIsNamed() {
        assertThat(problemsOf("{}").stream().map(Problem::mend).toList()).hasSizeGreaterThanOrEqualTo(7);
    }
}
