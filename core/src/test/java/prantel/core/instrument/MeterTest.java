package prantel.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fixtures.Testers;
import prantel.core.quantity.ProblemsException;
import prantel.core.quantity.Unit;

class MeterTest {
    private final Meter ohmmeter = Testers.usual().ohmmeter();
    private final Meter insulation = Testers.usual().insulationTester();

    @ParameterizedTest
    @CsvSource({
        "0,0.00 Ω",
        "0.4349,0.43 Ω",
        "0.435,0.44 Ω",
        "9.994,9.99 Ω",
        "9.996,10.0 Ω",
        "123.4,123 Ω",
        "4321,4.3 kΩ",
        "99940,99.9 kΩ",
        "1e5,>99.9 kΩ",
        "Infinity,>99.9 kΩ"
    })
    void displayRoundsToItsLastDigitAndChangesRange(double ohms, String shown) {
        assertThat(ohmmeter.show(ohms).shown().replace('\u2009', ' ')).isEqualTo(shown);
    }

    @Test
    void insulationAboveTheTopReadsOverRange() {
        assertThat(insulation.show(1.4e9)).isEqualTo(new Reading.OverRange(999, Unit.MEGOHM));
        assertThat(insulation.show(1.4e9).shown()).isEqualTo(">999\u2009MΩ");
    }

    // Usual data-sheet figure ±(2 % + 2 digits at 0.01 Ω): common practice, no source. 1.00 Ω: 0.02 + 0.02.
    @Test
    void uncertaintyIsPercentPlusDigits() {
        assertThat(ohmmeter.uncertainty(1.0)).isCloseTo(0.04, within(1e-12));
        assertThat(insulation.uncertainty(5e6)).isCloseTo(0.17e6, within(1e-3));
    }

    @Test
    void rangesOutOfOrderAreRefused() {
        assertThatThrownBy(() -> new Meter(List.of(new Range(99, 1, Unit.OHM), new Range(9, 0.1, Unit.OHM)), 2, 2))
                .isInstanceOf(ProblemsException.class)
                .hasMessageContaining("ranges/1/top")
                .hasMessageContaining("lowest first");
    }
}
