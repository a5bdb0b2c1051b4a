package prantel.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.limits.RcdTimes;
import prantel.core.quantity.ProblemsException;

/** A sound device keeps to IEC 61008-1: does not trip at half its current, trips inside each window (from memory). */
class ResidualDeviceTest {
    @ParameterizedTest
    @CsvSource({"10, false", "30, false", "100, false", "300, false", "100, true", "300, true", "500, true"})
    void soundDeviceKeepsToTheStandard(double milliamps, boolean delayed) {
        for (ResidualDevice.Type type : ResidualDevice.Type.values()) {
            ResidualDevice device = ResidualDevice.sound(type, milliamps, delayed);
            for (boolean negative : new boolean[] {false, true}) {
                assertThat(device.tripMillis(milliamps / 2, negative)).isEqualTo(Double.POSITIVE_INFINITY);
                for (RcdTimes.Window window : delayed ? RcdTimes.delayed() : RcdTimes.general()) {
                    assertThat(device.tripMillis(window.multiple() * milliamps, negative))
                            .as(device.label() + " at " + window.multiple())
                            .isBetween(window.leastMillis(), window.mostMillis());
                }
            }
            assertThat(device.behaviour().tripMilliamps()).isBetween(milliamps / 2, milliamps);
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void moreCurrentNeverTakesLonger(boolean delayed) {
        ResidualDevice device = ResidualDevice.sound(ResidualDevice.Type.A, 100, delayed);
        double before = Double.POSITIVE_INFINITY;
        for (double amps = 1; amps < 1000; amps *= 1.1) {
            double now = device.tripMillis(amps, false);
            assertThat(now).isPositive().isLessThanOrEqualTo(before);
            before = now;
        }
    }

    @Test
    void timesKnownAreTheTimesGiven() {
        ResidualDevice device = new ResidualDevice(
                ResidualDevice.Type.AC, 30, false, new ResidualDevice.Behaviour(22, 41, 33, 19, 12, true));
        assertThat(device.tripMillis(30, false)).isCloseTo(41, within(1e-9));
        assertThat(device.tripMillis(30, true)).isCloseTo(33, within(1e-9));
        assertThat(device.tripMillis(150, false)).isCloseTo(19, within(1e-9));
        assertThat(device.tripMillis(150, true)).isCloseTo(12, within(1e-9));
        assertThat(device.tripMillis(21.9, false)).isInfinite();
        assertThat(device.tripMillis(22, false)).isFinite();
    }

    @Test
    void slowerAtFiveTimesThanAtOnceIsRefused() {
        assertThatThrownBy(() -> new ResidualDevice.Behaviour(22, 20, 20, 30, 15, true))
                .isInstanceOf(ProblemsException.class)
                .hasMessageContaining("fiveTimesMillis/0");
    }
}
