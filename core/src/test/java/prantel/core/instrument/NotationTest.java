package prantel.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.quantity.Unit;

/** How readings are written down: common practice, no source. */
class NotationTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.43|OHM|0.43",
                "0,43|OHM|0.43",
                ".43|OHM|0.43",
                "0.43 Ω|OHM|0.43",
                "0.43\u2126|OHM|0.43",
                "0.43 ohms|OHM|0.43",
                "430 mΩ|OHM|0.43",
                "0.5|MEGOHM|5e5",
                "0,5 MΩ|MEGOHM|5e5",
                "500 kΩ|MEGOHM|5e5",
                "1.2 GΩ|MEGOHM|1.2e9",
                "0.62|MEGOHM|6.2e5",
                "12|OHM|12"
            })
    void numbersKeepTheirUnit(String text, Unit box, double ohms) {
        assertThat(Notation.read(text, box))
                .isInstanceOfSatisfying(
                        Written.Number.class, n -> assertThat(n.base()).isCloseTo(ohms, within(ohms * 1e-12)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {">999|9.99e8", "+999|9.99e8", "> 200 MΩ|2e8", ">999MΩ|9.99e8", "+ 299 MΩ|2.99e8", ">1 GΩ|1e9"})
    void overRangeKeepsItsRange(String text, double ohms) {
        assertThat(Notation.read(text, Unit.MEGOHM))
                .isInstanceOfSatisfying(
                        Written.Above.class, a -> assertThat(a.base()).isCloseTo(ohms, within(1.0)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"open", "O/C", "OL", "O.L."})
    void openIsOverRangeWithoutARange(String text) {
        assertThat(Notation.read(text, Unit.OHM)).isInstanceOf(Written.Open.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"∞", "clear", "0.4.3", "0.43 V", "-0.2", "abc", "1e5", "--", "12345678901", "<1"})
    void whatIsNoReadingSaysHowToWriteOne(String text) {
        assertThat(Notation.read(text, Unit.OHM)).isInstanceOfSatisfying(Written.Unreadable.class, u -> {
            assertThat(u.problem().given()).contains(text);
            assertThat(u.problem().mend()).isNotBlank();
        });
    }

    @Test
    void nothingIsBlank() {
        assertThat(Notation.read("  ", Unit.OHM)).isInstanceOf(Written.Blank.class);
    }

    @Test
    void milliAndMegaAreToldApartByTheirCase() {
        assertThat(((Written.Number) Notation.read("5 mΩ", Unit.OHM)).base()).isCloseTo(0.005, within(1e-15));
        assertThat(((Written.Number) Notation.read("5 MΩ", Unit.OHM)).base()).isCloseTo(5e6, within(1e-3));
    }

    /** LIM and N/V of condition reports, with their reason: from memory of BS 7671 practice. */
    @Test
    void aLimitationIsABoxLeftOutWithItsReason() {
        for (String text : java.util.List.of(
                "LIM: no access behind the cupboard", "N/V: locked room", "not tested: asked not to")) {
            assertThat(Notation.read(text, Unit.OHM)).as(text).isInstanceOf(Written.NotTested.class);
        }
        assertThat(((Written.NotTested) Notation.read("LIM: no access", Unit.WORDS)).reason())
                .isEqualTo("no access");
        assertThat(Notation.read("LIM", Unit.OHM)).isInstanceOf(Written.Unreadable.class);
    }

    /** Slips of the hand, as they stand on paper and tablets: common practice, no source. What is likely can be read. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0·44 | 0.44",
                "O.44 | 0.44",
                "0.O4 | 0.04",
                "1O | 10",
                "0.44. | 0.44",
                "about 0.4 | 0.4",
                "approx. 0.4 Ω | 0.4 Ω",
                "~0.4 | 0.4",
                "<0.05 | 0.05",
                "0 .44 | 0.44",
                "0. 44 | 0.44",
                "0..44 | 0.44",
                "= 0,44 | 0,44",
                "2l | 21"
            })
    void whatAHandMeantIsOffered(String written, String likely) {
        assertThat(Notation.read(written, Unit.OHM)).as(written).isInstanceOf(Written.Unreadable.class);
        assertThat(Notation.likely(written, Unit.OHM)).as(written).contains(likely);
        assertThat(Notation.read(likely, Unit.OHM)).isInstanceOf(Written.Number.class);
    }

    /** What can be read is not doubted, and what could be anything is not guessed. */
    @Test
    void nothingIsOfferedWhereNothingIsLikely() {
        for (String text : java.util.List.of("0.44", ">99.9", "open", "", "not tested: no access", "tripped")) {
            assertThat(Notation.likely(text, Unit.OHM)).as(text).isEmpty();
        }
        for (String text : java.util.List.of("abc", "ok", "-0.02", "0.4 V", "see next page", "12 or 13", "about")) {
            assertThat(Notation.read(text, Unit.OHM)).as(text).isInstanceOf(Written.Unreadable.class);
            assertThat(Notation.likely(text, Unit.OHM)).as(text).isEmpty();
        }
        assertThat(Notation.likely("wroks", Unit.WORDS)).isEmpty();
    }

    /** Below nought: the leads were nulled with more than they have. */
    @Test
    void aMinusSignSaysWhatToDo() {
        assertThat(((Written.Unreadable) Notation.read("-0.02", Unit.OHM))
                        .problem()
                        .mend())
                .contains("null the leads again");
        assertThat(((Written.Unreadable) Notation.read("− 0,02 Ω", Unit.OHM))
                        .problem()
                        .mend())
                .contains("null the leads");
    }
}
