package prantel.core.expectation;

import prantel.core.network.Complex;
import prantel.core.network.Port;

/** How a test current divides: residual current is what stands without the test and a share of the test current. */
final class TestCurrent {
    private static final double TO_MILLI = 1000;

    private final LiveState state;
    private final Port port;
    private final Complex unit;
    private final Complex[] alone;

    /** @param unit 1 A with its phase */
    TestCurrent(LiveState state, Port port, Complex unit) {
        this.state = state;
        this.port = port;
        this.unit = unit;
        this.alone = state.standing();
    }

    /** Of 1 A drawn, A. */
    private Complex share(int device) {
        if (unit.isZero()) {
            return Complex.ZERO;
        }
        Complex sum = Complex.ZERO;
        for (Pole pole : state.poles().get(device)) {
            sum = sum.plus(pole.ends().transfer(port).times(pole.siemens()));
        }
        return Complex.ZERO.minus(sum.times(unit));
    }

    Complex residual(int device, double amps) {
        return alone[device].plus(share(device).times(amps));
    }

    double milliamps(int device, double amps) {
        return residual(device, amps).size() * TO_MILLI;
    }

    double[] milliamps(double amps) {
        double[] all = new double[alone.length];
        for (int i = 0; i < all.length; i++) {
            all[i] = milliamps(i, amps);
        }
        return all;
    }

    /** The least test current that makes the residual current this large: |alone + share·I| is a parabola in I. */
    double ampsFor(int device, double milliamps) {
        double target = milliamps / TO_MILLI;
        Complex s = share(device);
        Complex z = alone[device];
        double a = s.re() * s.re() + s.im() * s.im();
        double b = s.re() * z.re() + s.im() * z.im();
        double c = z.re() * z.re() + z.im() * z.im() - target * target;
        if (c >= 0) {
            return 0;
        }
        return a == 0 ? Double.POSITIVE_INFINITY : (-b + Math.sqrt(b * b - a * c)) / a;
    }

    Port port() {
        return port;
    }

    /** 1 A of it, with its phase. */
    Complex unit() {
        return unit;
    }
}
