package prantel.core.limits;

import prantel.core.quantity.Check;

/** A circuit-breaker's tripping characteristic and rated current, A. */
public record Breaker(Curve curve, double ratedAmps) {

    /** Upper limit of instantaneous tripping as a multiple of In. Source: IEC 60898-1. */
    public enum Curve {
        B(5),
        C(10),
        D(20);

        private final double instantaneousMultiple;

        Curve(double instantaneousMultiple) {
            this.instantaneousMultiple = instantaneousMultiple;
        }
    }

    public Breaker {
        Check.between(ratedAmps, 1, 125, "ratedAmps", "A");
    }

    /** The current at which it surely trips at once, A. */
    public double iaAmps() {
        return curve.instantaneousMultiple * ratedAmps;
    }

    public String label() {
        return curve + Check.plain(ratedAmps);
    }
}
