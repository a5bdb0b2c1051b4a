package prantel.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Prefixes by the SI brochure; places as workshops write them, common practice, no source. */
class UnitTest {
    @ParameterizedTest
    @EnumSource(Unit.class)
    void thereAndBackIsTheSame(Unit unit) {
        for (double value : new double[] {0, 0.013, 1, 17.5, 999, 4e5}) {
            assertThat(unit.fromBase(unit.toBase(value))).isCloseTo(value, within(1e-12 * Math.max(1, value)));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "MILLIOHM, 250, 0.25",
        "KILOHM, 1.5, 1500",
        "MEGOHM, 0.5, 500000",
        "GIGAOHM, 2, 2000000000",
        "MILLIAMP, 30, 0.03",
        "KILOAMP, 6, 6000",
        "SECOND, 0.3, 300"
    })
    void prefixesAreThoseOfTheSi(Unit unit, double value, double base) {
        assertThat(unit.toBase(value)).isCloseTo(base, within(1e-9 * base));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "OHM         | 1.0925      | 1.09 Ω",
                "OHM         | 1666.6667   | 1666.67 Ω",
                "OHM         | 0.0042      | 0.004 Ω",
                "MEGOHM      | 1000000     | 1.00 MΩ",
                "MILLISECOND | 300         | 300 ms",
                "MILLISECOND | 39.6        | 40 ms",
                "VOLT        | 216.2       | 216 V",
                "MILLIAMP    | 0.03        | 30.00 mA",
                "KILOAMP     | 6000        | 6.00 kA"
            })
    void valueIsWrittenWithThePlacesOfItsUnit(Unit unit, double base, String text) {
        assertThat(unit.text(base)).isEqualTo(text.replace(' ', '\u2009'));
    }

    @Test
    void onlyUnitsOfOneDimensionConvert() {
        assertThat(Unit.MILLIOHM.dimension()).isEqualTo(Unit.GIGAOHM.dimension());
        assertThat(Unit.SECOND.dimension()).isNotEqualTo(Unit.OHM.dimension());
    }
}
