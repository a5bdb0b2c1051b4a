package prantel.core.instrument;

import java.util.List;
import java.util.Optional;
import prantel.core.quantity.Check;

/**
 * One function of a tester that shows a number: ohmmeter, insulation tester, loop tester, voltmeter. Values are in the base
 * unit of the dimension it shows: Ω, V, A or ms.
 *
 * @param ranges lowest first; the display takes the first that holds the value
 * @param percent uncertainty as a share of the reading, %
 * @param digits uncertainty in last digits, added to it
 */
public record Meter(List<Range> ranges, double percent, int digits) {
    public Meter {
        ranges = List.copyOf(ranges);
        Check.that(!ranges.isEmpty(), "bad-count", "ranges", "no range", "give at least one range");
        Check.all(
                () -> Check.between(percent, 0, 30, "uncertaintyPercent", "%"),
                () -> Check.between(digits, 0, 50, "uncertaintyDigits", "digits"));
        for (int i = 1; i < ranges.size(); i++) {
            Check.that(
                    top(ranges.get(i)) > top(ranges.get(i - 1)),
                    "ranges-out-of-order",
                    "ranges/" + i + "/top",
                    Check.plain(ranges.get(i).top()) + " "
                            + ranges.get(i).unit().symbol(),
                    "give the ranges lowest first");
        }
    }

    /** What the display shows for a true value in base units, 0 or above, {@code +∞} for open. */
    public Reading show(double base) {
        for (Range range : ranges) {
            double steps = Math.rint(range.unit().fromBase(base) / range.resolution());
            double value = steps * range.resolution();
            if (value <= range.top() * (1 + 1e-12)) {
                return new Reading.Value(value, range.unit(), range.resolution());
            }
        }
        return overRange();
    }

    /** The same meter with its knob on one range: it shows over-range above its top, and its digits below. */
    public Meter on(Range range) {
        return new Meter(List.of(range), percent, digits);
    }

    /** The lowest range that holds a value in base units; empty if none does. */
    public Optional<Range> holding(double base) {
        return ranges.stream().filter(r -> base <= top(r) * (1 + 1e-9)).findFirst();
    }

    public Reading.OverRange overRange() {
        Range last = ranges.getLast();
        return new Reading.OverRange(last.top(), last.unit());
    }

    /** Top of the highest range, base unit. */
    public double top() {
        return top(ranges.getLast());
    }

    /** How far the display may be from a true value, base unit; a value above the top counts as the top. */
    public double uncertainty(double base) {
        double shown = Math.min(base, top());
        return shown * percent / 100 + digits * resolutionAt(shown);
    }

    /** The last digit shown at a value, base unit. */
    public double resolutionAt(double base) {
        for (Range range : ranges) {
            if (base <= top(range)) {
                return range.unit().toBase(range.resolution());
            }
        }
        Range last = ranges.getLast();
        return last.unit().toBase(last.resolution());
    }

    private static double top(Range range) {
        return range.unit().toBase(range.top());
    }
}
