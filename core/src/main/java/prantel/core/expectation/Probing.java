package prantel.core.expectation;

import java.util.Optional;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.sequence.Slot;

/** What one real instrument shows where a box is read: with its own gain, its own last digit, its leads nulled or not. */
public final class Probing {
    private Probing() {}

    /**
     * @param expectation of a measured box, with the faults that are really set
     * @param nulled whether the leads were; where they cannot matter it makes no difference
     * @param gain by which it reads too much, 1 for none
     * @param noiseDigits how far the last digit is off, in digits
     * @param range where its knob is; empty where it finds the range by itself
     */
    public static Reading of(
            Expectation expectation,
            Tester tester,
            boolean nulled,
            double gain,
            double noiseDigits,
            Optional<Range> range) {
        Reading right = expectation.withFaults();
        Optional<Meter> meter = expectation.slot() instanceof Slot.Measured measured
                ? tester.meter(measured.function()).map(m -> range.map(m::on).orElse(m))
                : Optional.empty();
        if (meter.isEmpty()) {
            return right;
        }
        if (right instanceof Reading.OverRange) {
            return meter.get().overRange();
        }
        if (!(expectation.slot() instanceof Slot.Measured measured) || !(right instanceof Reading.Value value)) {
            return right;
        }
        double leads = nulled ? 0 : tester.leadOhms(measured.function());
        double noise = noiseDigits * meter.get().resolutionAt(value.base());
        return meter.get().show(Math.max(0, value.base() * gain + noise + leads));
    }
}
