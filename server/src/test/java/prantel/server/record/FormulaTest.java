package prantel.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Source: OWASP, CSV injection; that spaces of other kinds before it are skipped: spreadsheet programs' practice, from memory. */
class FormulaTest {
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+1", "-1", "@sum", "\t=1", "\u00a0=1", " \u2009=1", "\ufeff=1", "\uff1d1", "\n+1"})
    void whatAProgramWouldTakeForAFormulaIsText(String typed) {
        assertThat(RecordController.plain(typed)).isEqualTo("'" + typed);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "0.43", ">999 MΩ", "see note = 3", "L-N", "two words"})
    void everythingElseStaysAsItIs(String typed) {
        assertThat(RecordController.plain(typed)).isEqualTo(typed);
    }
}
