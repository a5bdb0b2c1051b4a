package prantel.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.quantity.ProblemsException;
import prantel.core.quantity.Unit;

/** Formulas and tables against the printed tables of the standards, these from memory. */
class PublishedTablesTest {
    private static final double PRINTED = 0.0051;

    // BS 7671 Table 41.3, Zs at 230 V by rated current; from memory
    @ParameterizedTest
    @CsvSource({
        " 6, 7.28, 3.64, 1.82",
        "10, 4.37, 2.19, 1.09",
        "16, 2.73, 1.37, 0.68",
        "20, 2.19, 1.09, 0.55",
        "25, 1.75, 0.87, 0.44",
        "32, 1.37, 0.68, 0.34",
        "40, 1.09, 0.55, 0.27",
        "50, 0.87, 0.44, 0.22",
        "63, 0.69, 0.35, 0.17"
    })
    void breakersAreThoseOfTable41Point3(double amps, double b, double c, double d) {
        assertThat(new Breaker(Breaker.Curve.B, amps).zsMaxOhms(230)).isCloseTo(b, within(PRINTED));
        assertThat(new Breaker(Breaker.Curve.C, amps).zsMaxOhms(230)).isCloseTo(c, within(PRINTED));
        assertThat(new Breaker(Breaker.Curve.D, amps).zsMaxOhms(230)).isCloseTo(d, within(PRINTED));
    }

    // IEC 60228 Table 2, solid and stranded plain copper, mΩ/m at 20 °C; from memory
    @ParameterizedTest
    @CsvSource({
        "1, 18.1",
        "1.5, 12.1",
        "2.5, 7.41",
        "4, 4.61",
        "6, 3.08",
        "10, 1.83",
        "16, 1.15",
        "25, 0.727",
        "35, 0.524",
        "50, 0.387"
    })
    void conductorsAreThoseOfIec60228(double csaMm2, double milliohm) {
        assertThat(ConductorTable.milliohmPerMetre(csaMm2)).isEqualTo(milliohm);
    }

    /** ρ of annealed copper is 17.241 mΩ·mm²/m (IEC 60028): no conductor is better than its nominal section allows. */
    @Test
    void noConductorIsBetterThanCopper() {
        ConductorTable.all()
                .forEach((csa, milliohm) ->
                        assertThat(milliohm * csa).as(csa + " mm²").isBetween(17.241, 20.0));
    }

    // IEC 61008-1 Table 1; from memory
    @ParameterizedTest
    @CsvSource({
        "false, 1, 0, 300",
        "false, 2, 0, 150",
        "false, 5, 0, 40",
        "true, 1, 130, 500",
        "true, 2, 60, 200",
        "true, 5, 50, 150"
    })
    void residualCurrentDevicesHaveTheWindowsOfIec61008(boolean delayed, double multiple, double least, double most) {
        RcdTimes.Window window = RcdTimes.window(delayed, multiple).orElseThrow();
        assertThat(window.leastMillis()).isEqualTo(least);
        assertThat(window.mostMillis()).isEqualTo(most);
    }

    @Test
    void halfTheRatedCurrentHasNoWindow() {
        assertThat(RcdTimes.window(false, 0.5)).isEmpty();
        assertThat(RcdTimes.window(true, 0.5)).isEmpty();
    }

    // BS 7671 Table 41.5, greatest Zs in TT by IΔn; from memory
    @ParameterizedTest
    @CsvSource({"30, 1667", "100, 500", "300, 167", "500, 100"})
    void ttLoopsAreThoseOfTable41Point5(double milliamps, double ohms) {
        assertThat(RcdTimes.ttZsMaxOhms(milliamps)).isCloseTo(ohms, within(0.5));
    }

    // BS 7671 Tables 41.2 (BS 88-3, BS 3036) at 0.4 s: a fuse of twice the current needs less than half the loop; from
    // memory
    @Test
    void largerFuseNeedsALowerLoop() {
        List<Fuse> rewirable = FuseTable.all().stream()
                .filter(f -> f.standard().equals("BS 3036"))
                .toList();
        for (int i = 1; i < rewirable.size(); i++) {
            assertThat(rewirable.get(i).zsMaxOhms(230))
                    .isLessThan(rewirable.get(i - 1).zsMaxOhms(230));
        }
    }

    @Test
    void fuseThatTheTableHasNotNamesThoseItHas() {
        assertThatThrownBy(() -> FuseTable.of("BS 3036", 45))
                .isInstanceOf(ProblemsException.class)
                .hasMessageContaining("BS 3036")
                .hasMessageContaining("30 A");
    }

    /** Three-phase relations of every textbook: two lines 0.866 of all three; the same current through line and neutral alike. */
    @Test
    void threePhaseCurrentsFollowTheTextbook() {
        double all = FaultCurrent.threePhaseAmps(230, 0.05);
        assertThat(all).isCloseTo(4600, within(1e-9));
        assertThat(FaultCurrent.lineToLineAmps(230, 0.05)).isCloseTo(all * Math.sqrt(3) / 2, within(1e-9));
        assertThat(FaultCurrent.loopAmps(230, 0.05 + 0.05)).isCloseTo(all / 2, within(1e-9));
    }

    // IEC 60028: 0.00393 per K; the guides' 0.004 stays within a hundredth of it up to 90 °C
    @ParameterizedTest
    @CsvSource({"-5", "10", "20", "40", "70", "90"})
    void temperatureFactorIsThatOfCopperWithinOnePercent(double celsius) {
        assertThat(CopperTemperature.factor(celsius)).isCloseTo(1 + 0.00393 * (celsius - 20), within(0.01));
        assertThat(CopperTemperature.corrected(CopperTemperature.corrected(0.7, 20, celsius), celsius, 20))
                .isCloseTo(0.7, within(1e-12));
    }

    /** Two alike halve, and no parallel value is above the least of its parts (Ohm's law). */
    @Test
    void parallelInsulationIsBelowTheWorstCircuit() {
        assertThat(ParallelInsulation.together(List.of(200e6, 200e6))).isCloseTo(100e6, within(1e-3));
        assertThat(ParallelInsulation.together(List.of(2e6, 999e6, 500e6))).isLessThan(2e6);
        assertThatThrownBy(() -> ParallelInsulation.together(List.of())).isInstanceOf(ProblemsException.class);
    }

    // AS/NZS 3000 Table 8.2, 16 A type C at 230 V: 1.2 Ω; 20 A type C: 0.98 Ω; from memory
    @ParameterizedTest
    @CsvSource({"16, 1.2", "20, 0.98", "25, 0.79", "32, 0.61"})
    void phaseEarthLoopsAreThoseOfAsNzs3000(double amps, double ohms) {
        assertThat(AsNzs.phaseEarthMaxOhms(230, new Breaker(Breaker.Curve.C, amps)))
                .isCloseTo(ohms, within(0.035));
    }

    // IEC 61008-1 Table 1: an S type may not trip before 130 ms at IΔn; from memory
    @ParameterizedTest
    @CsvSource({"129, false", "130, true", "500, true", "501, false"})
    void delayedDeviceMayNeitherTripTooSoonNorTooLate(double millis, boolean met) {
        assertThat(Limit.within(130, 500, "").isMetBy(millis)).isEqualTo(met);
    }

    @Test
    void limitIsWrittenWithItsSide() {
        assertThat(Limit.atMost(300, "", "").shown(Unit.MILLISECOND)).isEqualTo("≤ 300\u2009ms");
        assertThat(Limit.within(130, 500, "").shown(Unit.MILLISECOND)).isEqualTo("130 to 500\u2009ms");
        assertThat(Limit.atLeast(1e6, "", "").shown(Unit.MEGOHM)).isEqualTo("≥ 1.00\u2009MΩ");
    }
}
