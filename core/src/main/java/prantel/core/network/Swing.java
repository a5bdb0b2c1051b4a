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
    private final Amounts down;

    private final Amounts up;
    private final Amounts standing;
    private final boolean flows;

    /** @param low and high: the same network with other resistances and source impedances, edited alike */
    public Swing(Alternating nominal, Alternating low, Alternating high) {
        this.nominal = nominal;
        Amounts middle = nominal.impedances();
        Amounts one = low.impedances();
        Amounts other = high.impedances();
        down = new Amounts(middle.size());
        up = new Amounts(middle.size());
        for (int i = 0; i < middle.size(); i++) {
            boolean ascending = one.re[i] <= other.re[i];
            down.setDifference(i, ascending ? one : other, middle);
            up.setDifference(i, ascending ? other : one, middle);
        }
        standing = nominal.standingAmps();
        flows = standing.most() > STANDING_AMPS;
    }

    /** Least and greatest size. */
    public record Range(double least, double most) {}

    /** Size of the open voltage of a port, V. */
    public Range volts(Port port) {
        Complex volts = port.openVolts();
        return flows ? range(volts, standing, nominal.ampsOf(port)) : new Range(volts.size(), volts.size());
    }

    /** What a current drawn at a port drives through every branch: worked out once for all that look at it. */
    public final class Drawn {
        private final Amounts flowing;

        private Drawn(Port test, Complex drawn) {
            flowing = standing.less(nominal.ampsOf(test), drawn);
        }

        /** Size of the sum of the currents through some branches, A. @param sum as it is @param seen of those branches */
        public Range amps(Complex sum, Seen seen) {
            return range(sum, flowing, seen.amounts);
        }
    }

    /** What 1 V across some branches together drives through every branch. */
    public static final class Seen {
        private final Amounts amounts;

        private Seen(Amounts amounts) {
            this.amounts = amounts;
        }
    }

    /** @param drawn from the test port's first terminal to its second, A */
    public Drawn drawing(Port test, Complex drawn) {
        return new Drawn(test, drawn);
    }

    /** @param poles ports across the branches, with their conductances, S */
    public Seen seenBy(List<Port> poles, double[] siemens) {
        Amounts seen = new Amounts(down.size());
        for (int p = 0; p < poles.size(); p++) {
            seen.add(nominal.ampsOf(poles.get(p)), siemens[p]);
        }
        return new Seen(seen);
    }

    private Range range(Complex value, Amounts flowing, Amounts seen) {
        double size = value.size();
        double alongRe = size == 0 ? 1 : value.re() / size;
        double alongIm = size == 0 ? 0 : value.im() / size;
        double more = 0;
        double less = 0;
        for (int b = 0; b < flowing.size(); b++) {
            double slopeRe = flowing.im[b] * seen.im[b] - flowing.re[b] * seen.re[b];
            double slopeIm = -(flowing.re[b] * seen.im[b] + flowing.im[b] * seen.re[b]);
            if (slopeRe == 0 && slopeIm == 0) {
                continue;
            }
            double toUp = part(slopeRe, slopeIm, up, b, alongRe, alongIm, size);
            double toDown = part(slopeRe, slopeIm, down, b, alongRe, alongIm, size);
            more += Math.max(0, Math.max(toUp, toDown));
            less += Math.min(0, Math.min(toUp, toDown));
        }
        return new Range(Math.max(0, size + less), size + more);
    }

    /** The part of a move along a direction; of something that stands at nothing, its size. */
    private static double part(
            double slopeRe, double slopeIm, Amounts by, int b, double alongRe, double alongIm, double size) {
        double re = slopeRe * by.re[b] - slopeIm * by.im[b];
        double im = slopeRe * by.im[b] + slopeIm * by.re[b];
        return size == 0 ? Math.hypot(re, im) : re * alongRe + im * alongIm;
    }
}
