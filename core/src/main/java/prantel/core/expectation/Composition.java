package prantel.core.expectation;

import java.util.ArrayList;
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
 * each rule only rises with each reading, but for a spread, whose ends are taken from opposite ends of the bands.
 */
final class Composition {
    private Composition() {}

    static Expectation of(Slot.Composed slot, Optional<Limit> healthyLimit, Function<SlotId, Expectation> known) {
        List<Expectation> of = new ArrayList<>(slot.of().size());
        boolean moved = false;
        for (SlotId id : slot.of()) {
            Expectation one = known.apply(id);
            moved |= isMoved(one);
            of.add(one);
        }
        Reading healthy = reading(slot.rule(), of, Expectation::healthy);
        Window healthyWindow = window(slot.rule(), of, Expectation::healthyWindow);
        return new Expectation(
                slot,
                healthy,
                moved ? reading(slot.rule(), of, Expectation::withFaults) : healthy,
                healthyWindow,
                moved ? window(slot.rule(), of, Expectation::window) : healthyWindow,
                healthyLimit);
    }

    /** Whether the faults moved a reading: one that they did not is kept as the healthy one itself. */
    static boolean isMoved(Expectation one) {
        return one.healthy() != one.withFaults() || one.healthyWindow() != one.window();
    }

    private static Reading reading(Slot.Rule rule, List<Expectation> of, Function<Expectation, Reading> which) {
        return switch (rule) {
            case HIGHEST, SLOWER -> extreme(of, which, true);
            case LOWEST -> extreme(of, which, false);
            case TWICE_HIGHEST -> times(extreme(of, which, true), 2);
            case SUM -> sum(of.stream().map(which).toList());
            case SPREAD -> spread(extreme(of, which, true), extreme(of, which, false));
        };
    }

    private static Reading spread(Reading highest, Reading lowest) {
        return highest instanceof Reading.Value high && lowest instanceof Reading.Value low
                ? new Reading.Value(
                        Math.max(0, high.unit().fromBase(high.base() - low.base())), high.unit(), high.resolution())
                : highest;
    }

    /** Of several alike the first. */
    private static Reading extreme(List<Expectation> of, Function<Expectation, Reading> which, boolean highest) {
        Reading found = which.apply(of.getFirst());
        for (Expectation one : of) {
            Reading reading = which.apply(one);
            if (highest ? reading.base() > found.base() : reading.base() < found.base()) {
                found = reading;
            }
        }
        return found;
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

    /** Of those that can be measured, and stopped where one of them may be. */
    private static Window window(Slot.Rule rule, List<Expectation> of, Function<Expectation, Window> which) {
        List<Window> measured = new ArrayList<>();
        List<Window> parts = new ArrayList<>();
        for (Expectation one : of) {
            Window window = which.apply(one);
            Window numbers = window.measured();
            if (numbers.isNumeric() || numbers.isOverRangeOnly()) {
                measured.add(numbers);
            }
            if (window instanceof Window.AnyOf(var kinds)) {
                kinds.stream().filter(Window.Stopped.class::isInstance).forEach(parts::add);
            } else if (window instanceof Window.Stopped) {
                parts.add(window);
            }
        }
        if (rule == Slot.Rule.SPREAD && !measured.isEmpty()) {
            parts.addFirst(spread(measured));
        } else if (!measured.isEmpty() && (rule != Slot.Rule.SUM || measured.size() == of.size())) {
            parts.addFirst(between(
                    end(rule, measured, w -> w.isOverRangeOnly() ? Double.POSITIVE_INFINITY : w.low()),
                    end(rule, measured, w -> w.allowsOverRange() ? Double.POSITIVE_INFINITY : w.high())));
        }
        return Window.anyOf(parts);
    }

    /** Over-range among them makes the difference over-range; a display may show each anywhere in its band. */
    private static Window spread(List<Window> of) {
        if (of.stream().anyMatch(Window::isOverRangeOnly)) {
            return Window.OVER_RANGE;
        }
        double highestLow = of.stream().mapToDouble(Window::low).max().orElseThrow();
        double lowestLow = of.stream().mapToDouble(Window::low).min().orElseThrow();
        boolean open = of.stream().anyMatch(Window::allowsOverRange);
        double lowestHigh = of.stream()
                .mapToDouble(w -> w.allowsOverRange() ? Double.POSITIVE_INFINITY : w.high())
                .min()
                .orElseThrow();
        double highestHigh = of.stream()
                .mapToDouble(w -> w.allowsOverRange() ? Double.POSITIVE_INFINITY : w.high())
                .max()
                .orElseThrow();
        double least = Math.max(0, highestLow - lowestHigh);
        return open ? new Window.From(least) : new Window.Between(least, highestHigh - lowestLow);
    }

    private static Window between(double low, double high) {
        if (low == Double.POSITIVE_INFINITY) {
            return Window.OVER_RANGE;
        }
        return high == Double.POSITIVE_INFINITY ? new Window.From(low) : new Window.Between(low, high);
    }

    private static double end(Slot.Rule rule, List<Window> of, ToDoubleFunction<Window> end) {
        double found = end.applyAsDouble(of.getFirst());
        for (Window next : of.subList(1, of.size())) {
            double other = end.applyAsDouble(next);
            found = switch (rule) {
                case HIGHEST, SLOWER, TWICE_HIGHEST -> Math.max(found, other);
                case LOWEST -> Math.min(found, other);
                case SUM -> found + other;
                case SPREAD -> throw new IllegalStateException("a spread has its own ends");
            };
        }
        return rule == Slot.Rule.TWICE_HIGHEST ? 2 * found : found;
    }
}
