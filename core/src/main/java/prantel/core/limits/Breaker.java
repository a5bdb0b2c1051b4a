package prantel.core.limits;

import java.util.Locale;
import prantel.core.quantity.Check;

/** A circuit-breaker's tripping characteristic and rated current, A. */
public record Breaker(Curve curve, double ratedAmps) implements Overcurrent {

    /** Limits of instantaneous tripping as multiples of In. Source: IEC 60898-1; AS/NZS mean values from memory. */
    public enum Curve {
        B(5, 4),
        C(10, 7.5),
        D(20, 12.5);

        private final double instantaneousMultiple;
        private final double meanMultiple;

        Curve(double instantaneousMultiple, double meanMultiple) {
            this.instantaneousMultiple = instantaneousMultiple;
            this.meanMultiple = meanMultiple;
        }

        /** Mean tripping multiple that AS/NZS 3000 works with, from memory: B 4, C 7.5, D 12.5. */
        public double meanMultiple() {
            return meanMultiple;
        }
    }

    public Breaker {
        Check.between(ratedAmps, 1, 125, "ratedAmps", "A");
    }

    /** The current at which it surely trips at once, A. */
    public double iaAmps() {
        return curve.instantaneousMultiple * ratedAmps;
    }

    @Override
    public double iaAmps(double u0Volts) {
        return iaAmps();
    }

    @Override
    public String label() {
        return curve + Check.plain(ratedAmps);
    }

    @Override
    public double zsMaxOhms(double u0Volts) {
        return ZsLimit.zsMaxOhms(u0Volts, iaAmps());
    }

    @Override
    public String zsWorking(double u0Volts) {
        return String.format(
                Locale.ROOT,
                "Cmin·U0 ÷ Ia = 0.95 × %s V ÷ %s A = %.2f Ω",
                Check.plain(u0Volts),
                Check.plain(iaAmps()),
                zsMaxOhms(u0Volts));
    }

    @Override
    public String zsSource() {
        return "BS 7671 411.4.4; Ia: IEC 60898-1";
    }
}
