package prantel.core.network;

import java.util.List;

/**
 * How far a voltage or a current can move when every branch of a network goes its own way between two ends: a resistance
 * between two terminals rises with each of them, a voltage divider does not.
 *
 * <p>First order: a branch that carries I changes what is seen at a port by −I·J·dR, J being what 1 A at the port drives
 * through it (Tellegen's theorem). Each branch is taken to the end that moves the sum the same way.
 */
public final class Swing {
    /** Below this nothing flows that could move a voltage, A. */
    private static final double STANDING_AMPS = 5e-3;

    private final Alternating nominal;
    /** Of each branch, then of each source: how far down and up its impedance may go, Ω. */
    private final Complex[] down;

    private final Complex[] up;
    private final Complex[] standing;
    private final boolean flows;

    /** @param low and high: the same network with other resistances and source impedances, edited alike */
    public Swing(Alternating nominal, Alternating low, Alternating high) {
        this.nominal = nominal;
        Complex[] middle = nominal.impedances();
        Complex[] one = low.impedances();
        Complex[] other = high.impedances();
        down = new Complex[middle.length];
        up = new Complex[middle.length];
        for (int i = 0; i < middle.length; i++) {
            boolean ascending = one[i].re() <= other[i].re();
            down[i] = (ascending ? one[i] : other[i]).minus(middle[i]);
            up[i] = (ascending ? other[i] : one[i]).minus(middle[i]);
        }
        standing = nominal.standingAmps();
        boolean any = false;
        for (Complex amps : standing) {
            any |= amps.size() > STANDING_AMPS;
        }
        flows = any;
    }

    /** Least and greatest size. */
    public record Range(double least, double most) {}

    /** Size of the open voltage of a port, V. */
    public Range volts(Port port) {
        Complex volts = port.openVolts();
        return flows ? range(volts, standing, nominal.ampsOf(port), 1) : new Range(volts.size(), volts.size());
    }

    /**
     * Size of the sum of the currents through some branches, A, while a current is drawn at a port.
     *
     * @param amounts the sum as it is
     * @param poles ports across the branches, with their conductances, S
     * @param drawn from the test port's first terminal to its second, A
     */
    public Range amps(Complex amounts, List<Port> poles, double[] siemens, Port test, Complex drawn) {
        Complex[] flowing = standing.clone();
        Complex[] byTest = nominal.ampsOf(test);
        for (int b = 0; b < flowing.length; b++) {
            flowing[b] = flowing[b].minus(byTest[b].times(drawn));
        }
        Complex[] seen = new Complex[flowing.length];
        java.util.Arrays.fill(seen, Complex.ZERO);
        for (int p = 0; p < poles.size(); p++) {
            Complex[] pole = nominal.ampsOf(poles.get(p));
            for (int b = 0; b < seen.length; b++) {
                seen[b] = seen[b].plus(pole[b].times(siemens[p]));
            }
        }
        return range(amounts, flowing, seen, 1);
    }

    private Range range(Complex value, Complex[] flowing, Complex[] seen, double scale) {
        double size = value.size();
        Complex along = size == 0 ? new Complex(1, 0) : value.times(1 / size);
        double more = 0;
        double less = 0;
        for (int b = 0; b < flowing.length; b++) {
            if (flowing[b].isZero() || seen[b].isZero()) {
                continue;
            }
            Complex slope = flowing[b].times(seen[b]).times(-scale);
            double toUp = part(slope.times(up[b]), along, size);
            double toDown = part(slope.times(down[b]), along, size);
            more += Math.max(0, Math.max(toUp, toDown));
            less += Math.min(0, Math.min(toUp, toDown));
        }
        return new Range(Math.max(0, size + less), size + more);
    }

    /** Its part along a direction; of something that stands at nothing, its size. */
    private static double part(Complex move, Complex along, double size) {
        return size == 0 ? move.size() : move.re() * along.re() + move.im() * along.im();
    }
}
