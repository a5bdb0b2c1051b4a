package prantel.core.diagnosis;

import prantel.core.expectation.Bench;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.instrument.Meter;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;

/** The sheet being explained, with the rig set up for simulating mistakes on it. */
final class Case {
    final Key key;
    final WrittenSheet sheet;
    private final Bench nominal;
    private final Bench low;
    private final Bench high;

    Case(Key key, WrittenSheet sheet) {
        this.key = key;
        this.sheet = sheet;
        nominal = new Bench(key.rig(), key.faults(), Variation.NONE);
        low = new Bench(
                key.rig(), key.faults(), key.scheme().practice().tolerances().low());
        high = new Bench(
                key.rig(), key.faults(), key.scheme().practice().tolerances().high());
    }

    Meter meter(Slot.Measured slot) {
        return key.tester().meter(slot.function()).orElseThrow();
    }

    /**
     * What a slot would read when set up otherwise.
     *
     * @param addedOhms resistance in the leads, Ω
     */
    Simulated simulate(Slot.Measured slot, SetUp setUp, double addedOhms) {
        Meter meter = meter(slot);
        return new Simulated(
                meter.show(nominal.value(slot, setUp) + addedOhms).shown(),
                Window.around(low.value(slot, setUp) + addedOhms, high.value(slot, setUp) + addedOhms, meter));
    }

    record Simulated(String shown, Window window) {}
}
