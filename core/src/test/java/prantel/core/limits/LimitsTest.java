package prantel.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitsTest {

    // Source: BS 7671 411.4.4 with IEC 60898-1 upper limits; values as printed by the formula, handbook §3.
    @ParameterizedTest
    @CsvSource({
        "B,6,7.28",
        "B,10,4.37",
        "B,16,2.73",
        "B,20,2.19",
        "B,32,1.37",
        "B,40,1.09",
        "C,6,3.64",
        "C,16,1.37",
        "C,20,1.09",
        "C,32,0.68",
        "D,32,0.34"
    })
    void zsLimitFollowsTheFormula(Breaker.Curve curve, double amps, double ohms) {
        double zsMaxOhms = ZsLimit.zsMaxOhms(230, new Breaker(curve, amps).iaAmps());
        assertThat(zsMaxOhms).isCloseTo(ohms, within(0.0051));
    }

    // Worked: 80 % of a B32's 1.37 Ω is 1.09 Ω, printed as 1.1 in the guides. Common practice, no source.
    @Test
    void coldLimitIsFourFifthsLessTheSupply() {
        Breaker b32 = new Breaker(Breaker.Curve.B, 32);
        assertThat(ZsLimit.r1PlusR2MaxColdOhms(230, b32, 0)).isCloseTo(1.09, within(0.005));
        assertThat(ZsLimit.r1PlusR2MaxColdOhms(230, b32, 0.35)).isCloseTo(0.74, within(0.005));
    }

    // Source: IEC 60228; the sums per metre are those of handbook §3.
    @ParameterizedTest
    @CsvSource({
        "2.5,1.5,19.51",
        "1.0,1.0,36.20",
        "1.5,1.0,30.20",
        "4,1.5,16.71",
        "6,2.5,10.49",
        "10,4,6.44",
        "16,6,4.23"
    })
    void lineAndCpcAddUpToTheUsualFigurePerMetre(double line, double cpc, double milliohm) {
        assertThat(ConductorTable.milliohmPerMetre(line) + ConductorTable.milliohmPerMetre(cpc))
                .isCloseTo(milliohm, within(1e-9));
    }

    // Worked values of 10 mm² bonding, common practice: 2 m 0.004, 10 m 0.02, 27.35 m 0.05, 50 m 0.09, 100 m 0.18 Ω.
    @ParameterizedTest
    @CsvSource({"2,0.004", "10,0.02", "27.35,0.05", "50,0.09", "100,0.18"})
    void tenSquareBondingReadsByItsLength(double metres, double ohms) {
        assertThat(ConductorTable.milliohmPerMetre(10) * metres / 1000).isCloseTo(ohms, within(ohms * 0.1));
    }

    @Test
    void unknownSizeNamesTheKnownOnes() {
        assertThatThrownBy(() -> ConductorTable.milliohmPerMetre(3))
                .hasMessageContaining("3 mm²")
                .hasMessageContaining("1, 1.5, 2.5");
    }

    @Test
    void aReadingOnTheLimitMeetsIt() {
        assertThat(Limit.atLeast(1e6, "", "").isMetBy(1e6)).isTrue();
        assertThat(Limit.atMost(0.05, "", "").isMetBy(0.05)).isTrue();
        assertThat(Limit.atMost(0.05, "", "").isMetByOverRange()).isFalse();
    }
}
