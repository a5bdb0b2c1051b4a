package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import prantel.core.expectation.Key.BandReason;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.sequence.Scheme;
import prantel.core.sequence.Slot;

/** Takes a band apart: each cause of its width alone. */
final class BandReasons {
    private final Rig rig;
    private final FaultSet faults;
    private final Scheme scheme;
    private final Meter meter;
    private final Slot.Measured slot;
    private final double nominal;
    private final List<BandReason> reasons = new ArrayList<>();

    BandReasons(Rig rig, FaultSet faults, Scheme scheme, Meter meter, Slot.Measured slot) {
        this.rig = rig;
        this.faults = faults;
        this.scheme = scheme;
        this.meter = meter;
        this.slot = slot;
        this.nominal = new Bench(rig, faults, Variation.NONE).value(slot);
    }

    List<BandReason> all() {
        Variation low = scheme.tolerances().low();
        Variation high = scheme.tolerances().high();
        add("cable make, length and temperature", low.onlyCable(), high.onlyCable());
        add("joints and contacts", low.onlyJoints(), high.onlyJoints());
        add("insulation, damp to dry", low.onlyInsulation(), high.onlyInsulation());
        add("resistor set as fault", low.onlySetResistor(), high.onlySetResistor());
        add("supply over the day", low.onlySupply(), high.onlySupply());
        add("device, test to test", low.onlyTrip(), high.onlyTrip());
        if (Double.isFinite(nominal)) {
            double uncertainty = meter.uncertainty(nominal);
            reasons.add(new BandReason(
                    "tester ±(" + Check.plain(meter.percent()) + " % + " + meter.digits() + " digits)",
                    -uncertainty,
                    uncertainty));
        }
        return reasons;
    }

    private void add(String cause, Variation low, Variation high) {
        double down = new Bench(rig, faults, low).value(slot) - nominal;
        double up = new Bench(rig, faults, high).value(slot) - nominal;
        double worthSaying = meter.resolutionAt(nominal) / 10;
        if (Math.abs(down) > worthSaying || Math.abs(up) > worthSaying) {
            reasons.add(new BandReason(cause, down, up));
        }
    }
}
