package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.sequence.Scheme;

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
        Band band = expectation.healthyBand();
        double healthy = expectation.healthy().base();
        if (band.holds(measured) || measured == Double.POSITIVE_INFINITY && band.allowsOverRange()) {
            double half = measured >= healthy ? band.high() - healthy : healthy - band.low();
            double share = half > 0 && Double.isFinite(half) && Double.isFinite(measured)
                    ? Math.abs(measured - healthy) / half
                    : 0;
            return new Drift(expectation, measured, Math.min(1, share));
        }
        double half = measured > healthy ? band.high() - healthy : healthy - band.low();
        double tolerances = Double.isFinite(half) && half > 0 && Double.isFinite(measured)
                ? Math.abs(measured - healthy) / half
                : Double.POSITIVE_INFINITY;
        return new Drift(expectation, measured, Math.max(tolerances, Math.nextUp(1.0)));
    }
}
