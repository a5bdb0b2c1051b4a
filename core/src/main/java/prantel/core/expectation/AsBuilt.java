package prantel.core.expectation;

import java.util.Map;
import java.util.Optional;
import prantel.core.quantity.Unit;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Healthy readings measured on the real rig, base unit by box. Keys follow them: what a reading of the healthy rig lies
 * off the model is carried over to the key with faults.
 */
public record AsBuilt(Map<SlotId, Double> readings) {
    public static final AsBuilt NONE = new AsBuilt(Map.of());

    public AsBuilt {
        readings = Map.copyOf(readings);
    }

    public Optional<Double> at(SlotId slot) {
        return Optional.ofNullable(readings.get(slot));
    }

    /**
     * How the true value of a box is moved so that its healthy model meets what was measured: a small resistance by a
     * difference, an insulation resistance by a factor, anything else not at all.
     *
     * @param modelled the healthy model's value, base unit
     */
    Shift shift(Slot.Measured slot, double modelled) {
        Double measured = readings.get(slot.id());
        if (measured == null || !Double.isFinite(modelled) || !Double.isFinite(measured) || modelled <= 0) {
            return Shift.NONE;
        }
        return slot.boxUnit() == Unit.MEGOHM
                ? new Shift(0, measured / modelled)
                : slot.boxUnit() == Unit.OHM ? new Shift(measured - modelled, 1) : Shift.NONE;
    }

    /** value · factor + difference, never below 0. */
    record Shift(double difference, double factor) {
        static final Shift NONE = new Shift(0, 1);

        double of(double value) {
            return Math.max(0, value * factor + difference);
        }
    }
}
