package prantel.core.reference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.limits.FaultCurrent;
import prantel.core.limits.RingLoop;

/** Worked values of the handbook §3: common practice unless a standard is named. */
class CalculatorsTest {

    private static String first(String calculator, Map<String, String> given) {
        return Calculators.get(calculator)
                .answer(given)
                .lines()
                .getFirst()
                .value()
                .replace('\u2009', ' ');
    }

    private static String line(String calculator, String label, Map<String, String> given) {
        return Calculators.get(calculator).answer(given).lines().stream()
                .filter(l -> l.label().startsWith(label))
                .findFirst()
                .orElseThrow()
                .value()
                .replace('\u2009', ' ');
    }

    // 55 m of 2.5/1.5: 1.07 Ω (IEC 60228: 19.51 mΩ/m).
    @Test
    void fiftyFiveMetres() {
        assertThat(first("conductor", Map.of())).isEqualTo("1.073 Ω");
    }

    // 10 mm²: 0.05 Ω is 27.3 m; 0.09 Ω is about 50 m.
    @ParameterizedTest
    @CsvSource({"0.05,27.3 m", "0.0915,50.0 m", "0.02,10.9 m"})
    void lengthOfABond(String ohms, String metres) {
        assertThat(first("bond-length", Map.of("reading", ohms))).isEqualTo(metres);
    }

    // r1 0.10, rn 0.10, r2 0.17: 0.05 and 0.0675. Singles 0.56/0.55/0.57: ≈ 0.28 and ≈ 0.28. Short ring: 0.0225.
    @ParameterizedTest
    @CsvSource({"0.10,0.10,0.17,0.05,0.0675", "0.56,0.55,0.57,0.28,0.28", "0.03,0.04,0.06,0.0175,0.0225"})
    void ringSteps(double r1, double rn, double r2, double two, double three) {
        RingLoop ring = new RingLoop(r1, rn, r2);
        assertThat(ring.stepTwoOhms()).isCloseTo(two, within(0.003));
        assertThat(ring.stepThreeOhms()).isCloseTo(three, within(0.003));
        assertThat(first("ring", Map.of("r1", "0.10", "rn", "0,10"))).isEqualTo("0.050 Ω");
    }

    // Derived: the crossed ring is greatest in the middle, where it is a quarter of the sum; wrong ends are nothing at
    // the first end and the same quarter in the middle.
    @ParameterizedTest
    @CsvSource({"0.1,0.17", "0.5,0.5", "0.02,0.9"})
    void ringFormsMeetInTheMiddle(double a, double b) {
        double quarter = (a + b) / 4;
        assertThat(RingLoop.crossedOhms(a, b, 0.5)).isCloseTo(quarter, within(1e-12));
        assertThat(RingLoop.wrongEndsOhms(a, b, 0.5)).isCloseTo(quarter, within(1e-12));
        for (double x = 0; x <= 1; x += 0.05) {
            assertThat(RingLoop.crossedOhms(a, b, x)).isLessThanOrEqualTo(quarter + 1e-12);
            assertThat(RingLoop.wrongEndsOhms(a, b, x)).isLessThanOrEqualTo(RingLoop.crossedOhms(a, b, x) + 1e-12);
        }
        assertThat(RingLoop.wrongEndsOhms(a, b, 0)).isZero();
    }

    // Physics: 1/(1/200 + 1/150 + 1/999 + 1/2.2) MΩ.
    @Test
    void insulationTogether() {
        assertThat(first("insulation", Map.of())).isEqualTo("2.14 MΩ");
        assertThat(first("insulation", Map.of("values", "2;2"))).isEqualTo("1.00 MΩ");
    }

    // B32 1.37 (BS 7671 411.4.4); BS 88-3 32 A 0.91 (from memory).
    @ParameterizedTest
    @CsvSource({"B32,1.37 Ω", "C20,1.09 Ω", "D32,0.34 Ω", "'BS 88-3, 32 A',0.91 Ω"})
    void zsLimits(String device, String limit) {
        assertThat(line("zs", "Limit", Map.of("device", device))).isEqualTo(limit);
    }

    @Test
    void zsIsTheSumAndIsHeldAgainstTheColdLimit() {
        assertThat(first("zs", Map.of("ze", "0,62", "r1r2", "0.04"))).isEqualTo("0.66 Ω");
        assertThat(line("zs", "A cold", Map.of("ze", "0.62", "r1r2", "0.04"))).isEqualTo("satisfactory");
        assertThat(line("zs", "A cold", Map.of("ze", "0.8", "r1r2", "0.4"))).isEqualTo("not satisfactory");
    }

    // 230 V: 0.62 Ω ↔ 371 A. Physics: L–L is 0.866 of all three; doubling equals it when ZN = ZL, and is too low for a
    // weaker neutral.
    @Test
    void faultCurrents() {
        assertThat(FaultCurrent.loopAmps(230, 0.62)).isCloseTo(371, within(0.5));
        assertThat(FaultCurrent.lineToLineAmps(230, 0.05) / FaultCurrent.threePhaseAmps(230, 0.05))
                .isCloseTo(0.866, within(0.0001));
        assertThat(line("fault-current", "Doubling", Map.of())).startsWith("equals");
        assertThat(line("fault-current", "Doubling", Map.of("zn", "0.09"))).startsWith("too low");
        assertThat(line("fault-current", "Doubling", Map.of("zn", "0.03"))).startsWith("on the safe side");
    }

    // IEC 61008-1 Table 1; TT 30 mA: 1667 Ω.
    @Test
    void rcdTimes() {
        assertThat(line("rcd", "1 ×", Map.of())).isEqualTo("at most 300 ms");
        assertThat(line("rcd", "5 ×", Map.of("type", "S, delayed"))).isEqualTo("50 to 150 ms");
        assertThat(line("rcd", "Greatest Zs", Map.of())).isEqualTo("1667 Ω");
    }

    // 70 °C: factor 1.20.
    @Test
    void warmConductors() {
        assertThat(first("temperature", Map.of("ohms", "1"))).isEqualTo("1.200 Ω");
    }

    static java.util.List<Calculator> everyCalculator() {
        return Calculators.all();
    }

    @ParameterizedTest
    @MethodSource("everyCalculator")
    void everyCalculatorAnswersWithItsUsualValuesAndNamesItsSource(Calculator calculator) {
        Calculator.Answer answer = calculator.answer(Map.of());
        assertThat(answer.lines()).isNotEmpty();
        assertThat(answer.working()).isNotEmpty();
        assertThat(answer.source()).isNotBlank();
    }

    @Test
    void whatCannotBeUsedIsNamedByItsLabel() {
        assertThatThrownBy(() -> first("zs", Map.of("ze", "abc")))
                .hasMessageContaining("Ze")
                .hasMessageContaining("abc");
        assertThatThrownBy(() -> first("conductor", Map.of("metres", "-4")))
                .hasMessageContaining("Length")
                .hasMessageContaining("-4 m");
        assertThatThrownBy(() -> first("conductor", Map.of("line", "3"))).hasMessageContaining("Line");
        assertThatThrownBy(() -> Calculators.get("none")).hasMessageContaining("none");
    }
}
