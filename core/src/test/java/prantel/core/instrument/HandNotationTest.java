package prantel.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.quantity.Unit;

/** A corpus of how hands write what displays show. Common practice, no source. */
class HandNotationTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "299+|MEGOHM|299000000",
                "999+|MEGOHM|999000000",
                "1999+|OHM|1999",
                "99,9+ kΩ|OHM|99900",
                ">299|MEGOHM|299000000",
                "> 299 MΩ|MEGOHM|299000000",
                ">1999 Ω|OHM|1999"
            })
    void plusAfterANumberIsOverRange(String text, Unit box, double base) {
        assertThat(Notation.read(text, box))
                .isInstanceOfSatisfying(
                        Written.Above.class, a -> assertThat(a.base()).isEqualTo(base));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.43|OHM|0.43",
                "0,43|OHM|0.43",
                ",43|OHM|0.43",
                "0.43 ohm|OHM|0.43",
                "0.43Ω|OHM|0.43",
                "430 mΩ|OHM|0.43",
                "1.2k|OHM|1200",
                "200 M|MEGOHM|200000000",
                "0.5MΩ|MEGOHM|500000",
                "22.8 ms|MILLISECOND|22.8",
                "1,2 kA|KILOAMP|1200",
                "231 V|VOLT|231"
            })
    void numberKeepsItsValueHoweverItIsWritten(String text, Unit box, double base) {
        assertThat(Notation.read(text, box))
                .isInstanceOfSatisfying(
                        Written.Number.class,
                        n -> assertThat(n.base()).isCloseTo(base, org.assertj.core.api.Assertions.within(base * 1e-9)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"tripped", "Tripped", "trip", "RCD tripped"})
    void wordsThatATestWasCutOffAreOne(String text) {
        assertThat(Notation.read(text, Unit.OHM)).isInstanceOf(Written.Stopped.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"no supply", "No Supply"})
    void noSupplyIsSaidAndNoNumber(String text) {
        assertThat(Notation.read(text, Unit.OHM))
                .isInstanceOfSatisfying(
                        Written.Stopped.class, s -> assertThat(s.stop()).isEqualTo(Stop.NO_SUPPLY));
    }

    @ParameterizedTest
    @ValueSource(strings = {"no trip", "NT", "nt", "No trip"})
    void deviceThatDoesNotTripIsOverRangeInItsBox(String text) {
        assertThat(Notation.read(text, Unit.MILLISECOND)).isInstanceOf(Written.Open.class);
    }

    @Test
    void whatIsWrittenIsGivenBackAsItWasWritten() {
        for (String text : new String[] {"299+", "0,43", "tripped", "> 299 MΩ", "NT"}) {
            assertThat(Notation.read(text, Unit.MEGOHM).asWritten()).isEqualTo(text);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"?", "+", "2 9 9", "ok", "1/2", "0.4.3", "--"})
    void whatIsNoReadingIsNotGuessed(String text) {
        assertThat(Notation.read(text, Unit.OHM)).isInstanceOf(Written.Unreadable.class);
    }
}
