package prantel.core.instrument;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * One function of a tester that shows a resistance: the low-resistance ohmmeter or the insulation tester.
 *
 * @param ranges lowest first; the display takes the first that holds the value
 * @param percent uncertainty as a share of the reading, %
 * @param digits uncertainty in last digits, added to it
 */
public record Meter(List<Range> ranges, double percent, int digits) {
    public Meter {
        ranges = List.copyOf(ranges);
        Check.that(!ranges.isEmpty(), "bad-count", "ranges", "no range", "give at least one range");
        Check.between(percent, 0, 30, "percent", "%");
        Check.between(digits, 0, 50, "digits", "digits");
        for (int i = 1; i < ranges.size(); i++) {
            Check.that(
                    topOhms(ranges.get(i)) > topOhms(ranges.get(i - 1)),
                    "ranges-out-of-order",
                    "ranges/" + i + "/top",
                    Check.plain(ranges.get(i).top()) + " "
                            + ranges.get(i).unit().symbol(),
                    "give the ranges lowest first");
        }
    }

    /** What the display shows for a true resistance in Ω, 0 or above, {@code +∞} for open. */
    public Reading show(double ohms) {
        for (Range range : ranges) {
            double steps = Math.rint(range.unit().fromBase(ohms) / range.resolution());
            double value = steps * range.resolution();
            if (value <= range.top() * (1 + 1e-12)) {
                return new Reading.Value(value, range.unit(), range.resolution());
            }
        }
        return overRange();
    }

    public Reading.OverRange overRange() {
        Range last = ranges.getLast();
        return new Reading.OverRange(last.top(), last.unit());
    }

    /** Top of the highest range, Ω. */
    public double topOhms() {
        return topOhms(ranges.getLast());
    }

    /** How far the display may be from a true resistance, Ω; a value above the top counts as the top. */
    public double uncertaintyOhms(double ohms) {
        double shown = Math.min(ohms, topOhms());
        return shown * percent / 100 + digits * resolutionOhms(shown);
    }

    /** The last digit shown at a resistance, Ω. */
    public double resolutionOhms(double ohms) {
        for (Range range : ranges) {
            if (ohms <= topOhms(range)) {
                return range.unit().toBase(range.resolution());
            }
        }
        Range last = ranges.getLast();
        return last.unit().toBase(last.resolution());
    }

    private static double topOhms(Range range) {
        return range.unit().toBase(range.top());
    }
}
