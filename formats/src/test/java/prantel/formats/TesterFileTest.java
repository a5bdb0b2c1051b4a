package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Tester;
import prantel.core.quantity.ProblemsException;

class TesterFileTest {
    private static final String GOOD = new String(TesterFile.write(Testers.usual()), StandardCharsets.UTF_8);

    private static Tester read(String text) {
        return TesterFile.read(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsWrittenReadsBackTheSameLiveFunctionsToo() {
        assertThat(read(GOOD)).isEqualTo(Testers.usual());
        assertThat(GOOD).contains("loopThreeLead").contains("rcdTime");
    }

    @Test
    void testerWithoutLiveFunctionsGetsUsualOnes() throws Exception {
        Tester tester = TesterFile.read(Files.readAllBytes(Path.of("../demo/t1.tester.json")));
        assertThat(tester.live()).isEqualTo(LiveMeters.usual());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"unit\" : \"V\"|\"unit\" : \"Ω\"|/live/voltmeter/ranges/0/unit",
                "\"unit\" : \"ms\"|\"unit\" : \"kA\"|/live/rcdTime/ranges/0/unit",
                "\"uncertaintyPercent\" : 2.0|\"uncertaintyPercent\" : 200|/ohmmeter",
                "\"pairOhms\" : 0.3|\"pairOhms\" : -1|/leads/pairOhms"
            })
    void mistakeIsNamedAtItsPlace(String good, String bad, String where) {
        assertThat(GOOD).contains(good);
        assertThatThrownBy(() -> read(GOOD.replaceFirst(java.util.regex.Pattern.quote(good), bad)))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> assertThat(e.problems())
                                .anySatisfy(p -> assertThat(p.where()).startsWith(where)));
    }

    @Test
    void itsCalibrationRunsOutOnADay() {
        Tester tester = read(GOOD.replaceFirst("\\{", "{ \"calibrationDue\": \"2026-09-30\","));
        assertThat(tester.isInDate(LocalDate.of(2026, 9, 30))).isTrue();
        assertThat(tester.isInDate(LocalDate.of(2026, 10, 1))).isFalse();
        assertThat(Testers.usual().isInDate(LocalDate.of(2099, 1, 1)))
                .as("nothing is said")
                .isTrue();
        assertThat(read(new String(TesterFile.write(tester), StandardCharsets.UTF_8)))
                .isEqualTo(tester);
        assertThatThrownBy(() -> read(GOOD.replaceFirst("\\{", "{ \"calibrationDue\": \"end of May\",")))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> assertThat(e.problems().getFirst().where()).isEqualTo("/calibrationDue"));
    }
}
