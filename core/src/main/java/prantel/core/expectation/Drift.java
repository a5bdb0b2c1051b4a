package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;

/**
 * How far a measured healthy reading lies from the model.
 *
 * @param measured base unit
 * @param tolerances in halves of the healthy band on that side: up to 1 is within tolerance
 */
public record Drift(Expectation modelled, double measured, double tolerances) {

    /** Whether something is wrong with the board or its description. */
    public boolean isBeyond() {
        return tolerances > 1;
    }

    /** Every drift of a rig, the furthest first. */
    public static List<Drift> of(Rig rig, Tester tester, Scheme scheme, AsBuilt asBuilt) {
        Key key = Key.of(rig, FaultSet.NONE, tester, scheme);
        List<Drift> drifts = new ArrayList<>();
        for (Expectation expectation : key.expectations()) {
            asBuilt.at(expectation.slot().id()).ifPresent(m -> drifts.add(of(expectation, m)));
        }
        drifts.sort(Comparator.comparingDouble(Drift::tolerances).reversed());
        return drifts;
    }

    private static Drift of(Expectation expectation, double measured) {
        Window window = expectation.healthyWindow();
        boolean inside = Double.isFinite(measured) ? window.holds(measured) : window.allowsOverRange();
        double tolerances = halves(expectation, measured);
        return new Drift(
                expectation, measured, inside ? Math.min(1, tolerances) : Math.max(tolerances, Math.nextUp(1.0)));
    }

    /** Distance from the model over the half of the window on that side; 0 or +∞ where that is no number. */
    private static double halves(Expectation expectation, double measured) {
        Window window = expectation.healthyWindow().measured();
        double healthy = expectation.healthy().base();
        boolean above = measured >= healthy;
        if (!window.isNumeric() || !Double.isFinite(measured + healthy) || above && window.allowsOverRange()) {
            return window.allowsOverRange() ? 0 : Double.POSITIVE_INFINITY;
        }
        double half = above ? window.high() - healthy : healthy - window.low();
        return half > 0 ? Math.abs(measured - healthy) / half : measured == healthy ? 0 : Double.POSITIVE_INFINITY;
    }
}
