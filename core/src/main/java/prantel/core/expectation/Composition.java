package prantel.core.expectation;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import prantel.core.instrument.Reading;
import prantel.core.limits.Limit;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * What a box must read that is chosen or worked out from others. If every reading is inside its band, so is the result:
 * each rule only rises with each reading.
 */
final class Composition {
    private Composition() {}

    static Expectation of(Slot.Composed slot, Optional<Limit> healthyLimit, Function<SlotId, Expectation> known) {
        List<Expectation> of = slot.of().stream().map(known).toList();
        return new Expectation(
                slot,
                reading(slot.rule(), of.stream().map(Expectation::healthy).toList()),
                reading(slot.rule(), of.stream().map(Expectation::withFaults).toList()),
                band(slot.rule(), of.stream().map(Expectation::healthyBand).toList()),
                band(slot.rule(), of.stream().map(Expectation::band).toList()),
                healthyLimit);
    }

    private static Reading reading(Slot.Rule rule, List<Reading> readings) {
        Comparator<Reading> size = Comparator.comparingDouble(Reading::base);
        return switch (rule) {
            case HIGHEST, SLOWER -> readings.stream().max(size).orElseThrow();
            case LOWEST -> readings.stream().min(size).orElseThrow();
            case TWICE_HIGHEST -> times(readings.stream().max(size).orElseThrow(), 2);
            case SUM -> sum(readings);
        };
    }

    private static Reading times(Reading reading, double factor) {
        return reading instanceof Reading.Value value
                ? new Reading.Value(value.value() * factor, value.unit(), value.resolution())
                : reading;
    }

    private static Reading sum(List<Reading> readings) {
        double sum = 0;
        double resolution = 0;
        for (Reading reading : readings) {
            if (!(reading instanceof Reading.Value value)) {
                return reading;
            }
            sum += value.base();
            resolution = Math.max(resolution, value.unit().toBase(value.resolution()));
        }
        var unit = readings.getFirst().unit();
        return new Reading.Value(unit.fromBase(sum), unit, unit.fromBase(resolution));
    }

    private static Band band(Slot.Rule rule, List<Band> bands) {
        return new Band(end(rule, bands, Band::low), end(rule, bands, Band::high));
    }

    private static double end(Slot.Rule rule, List<Band> bands, ToDoubleFunction<Band> end) {
        var ends = bands.stream().mapToDouble(end);
        return switch (rule) {
            case HIGHEST, SLOWER -> ends.max().orElseThrow();
            case LOWEST -> ends.min().orElseThrow();
            case TWICE_HIGHEST -> 2 * ends.max().orElseThrow();
            case SUM -> ends.sum();
        };
    }
}
