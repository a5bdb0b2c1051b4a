package prantel.core.expectation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import prantel.core.expectation.Key.BandReason;
import prantel.core.instrument.Meter;
import prantel.core.quantity.Check;
import prantel.core.rig.Variation;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;

/** Takes windows apart: each cause of their width alone. The rig is varied once for all boxes of one asking. */
final class BandReasons {
    private final Function<Variation, Bench> bench;
    private final Scheme scheme;
    private final Map<Variation, Bench> benches = new HashMap<>();

    /** @param bench the rig with the faults, varied */
    BandReasons(Function<Variation, Bench> bench, Scheme scheme) {
        this.bench = bench;
        this.scheme = scheme;
    }

    List<BandReason> of(Slot.Measured slot, Meter meter) {
        List<BandReason> reasons = new ArrayList<>();
        double nominal = value(slot, Variation.NONE);
        Variation low = scheme.practice().tolerances().low();
        Variation high = scheme.practice().tolerances().high();
        double worthSaying = meter.resolutionAt(nominal) / 10;
        record Cause(String words, Variation low, Variation high) {}
        for (Cause cause : List.of(
                new Cause("cable make, length and temperature", low.onlyCable(), high.onlyCable()),
                new Cause("joints and contacts", low.onlyJoints(), high.onlyJoints()),
                new Cause("insulation, damp to dry", low.onlyInsulation(), high.onlyInsulation()),
                new Cause("resistor set as fault", low.onlySetResistor(), high.onlySetResistor()),
                new Cause("supply over the day", low.onlySupply(), high.onlySupply()),
                new Cause("device, test to test", low.onlyTrip(), high.onlyTrip()))) {
            double one = value(slot, cause.low()) - nominal;
            double other = value(slot, cause.high()) - nominal;
            if (Math.abs(one) > worthSaying || Math.abs(other) > worthSaying) {
                reasons.add(new BandReason(cause.words(), Math.min(one, other), Math.max(one, other)));
            }
        }
        if (slot.function().isContinuity()) {
            double hands = scheme.practice().tolerances().handsOhms();
            reasons.add(new BandReason("clip, probe and what nulling leaves", -hands / 2, hands));
        }
        if (Double.isFinite(nominal)) {
            double uncertainty = meter.uncertainty(nominal);
            reasons.add(new BandReason(
                    "tester ±(" + Check.plain(meter.percent()) + " % + " + meter.digits() + " digits)",
                    -uncertainty,
                    uncertainty));
        }
        return reasons;
    }

    private double value(Slot.Measured slot, Variation variation) {
        return benches.computeIfAbsent(variation, bench).value(slot);
    }
}
