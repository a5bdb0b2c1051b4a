package prantel.core.expectation;

import java.util.Optional;
import prantel.core.instrument.Meter;
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
     */
    public static Reading of(Expectation expectation, Tester tester, boolean nulled, double gain, double noiseDigits) {
        Reading right = expectation.withFaults();
        if (!(expectation.slot() instanceof Slot.Measured measured) || !(right instanceof Reading.Value value)) {
            return right;
        }
        Optional<Meter> meter = tester.meter(measured.function());
        if (meter.isEmpty()) {
            return right;
        }
        double leads = nulled ? 0 : tester.leadOhms(measured.function());
        double noise = noiseDigits * meter.get().resolutionAt(value.base());
        return meter.get().show(Math.max(0, value.base() * gain + noise + leads));
    }
}
