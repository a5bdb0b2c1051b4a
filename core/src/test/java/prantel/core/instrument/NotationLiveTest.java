package prantel.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.quantity.Unit;

/** How live readings are written down: volts, amperes, milliseconds, words. */
class NotationLiveTest {

    /** 452 A is 0.45 kA: a worked example, common practice. */
    @ParameterizedTest
    @CsvSource({
        "0.45, KILOAMP, 450",
        "452 A, KILOAMP, 452",
        "0.45 kA, AMP, 450",
        "21 mA, AMP, 0.021",
        "230, VOLT, 230",
        "231 V, VOLT, 231",
        "27.1, MILLISECOND, 27.1",
        "0.3 s, MILLISECOND, 300"
    })
    void numberIsReadInTheUnitWrittenOrInThatOfTheBox(String text, Unit box, double base) {
        assertThat(Notation.read(text, box))
                .isInstanceOfSatisfying(
                        Written.Number.class, n -> assertThat(n.base()).isCloseTo(base, within(1e-9)));
    }

    @ParameterizedTest
    @CsvSource({"230 Ω, VOLT", "27 V, MILLISECOND", "0.4 kA, OHM", "30 ms, KILOAMP"})
    void unitOfAnotherKindIsNotTaken(String text, Unit box) {
        assertThat(Notation.read(text, box))
                .isInstanceOfSatisfying(
                        Written.Unreadable.class,
                        u -> assertThat(u.problem().mend()).contains(box.symbol()));
    }

    @Test
    void noTripIsOverRange() {
        assertThat(Notation.read(">1999", Unit.MILLISECOND))
                .isInstanceOfSatisfying(
                        Written.Above.class, a -> assertThat(a.base()).isEqualTo(1999));
    }

    @ParameterizedTest
    @CsvSource({
        "works, WORKS",
        "OK, WORKS",
        "✓, WORKS",
        "does not work, DOES_NOT_WORK",
        "x, DOES_NOT_WORK",
        "1-2-3, CLOCKWISE",
        "L1-L3-L2, ANTICLOCKWISE",
        "clockwise, CLOCKWISE"
    })
    void wordsAreUnderstoodWhereWordsAreAskedFor(String text, Saying saying) {
        assertThat(Notation.read(text, Unit.WORDS))
                .isInstanceOfSatisfying(
                        Written.Said.class, s -> assertThat(s.saying()).isEqualTo(saying));
    }

    @Test
    void otherWordsAreNotGuessed() {
        assertThat(Notation.read("more or less", Unit.WORDS)).isInstanceOf(Written.Unreadable.class);
        assertThat(Notation.read("", Unit.WORDS)).isInstanceOf(Written.Blank.class);
    }

    @ParameterizedTest
    @CsvSource({"0.0042, 4.2", "0.4, 400", "3.9, 3900"})
    void prospectiveCurrentIsShownInTheRangeThatHoldsIt(double kiloamps, double amps) {
        Meter meter = LiveMeters.usual().faultCurrent();
        Reading reading = meter.show(amps);
        assertThat(reading).isInstanceOf(Reading.Value.class);
        assertThat(reading.base()).isCloseTo(kiloamps * 1000, within(10.0));
    }

    @Test
    void rcdTimesLoseTheirTenthsAboveOneHundredMilliseconds() {
        Meter meter = LiveMeters.usual().rcdTime();
        assertThat(meter.show(27.14).shown()).isEqualTo("27.1\u2009ms");
        assertThat(meter.show(212.6).shown()).isEqualTo("213\u2009ms");
        assertThat(meter.show(Double.POSITIVE_INFINITY).shown()).isEqualTo(">1999\u2009ms");
    }
}
