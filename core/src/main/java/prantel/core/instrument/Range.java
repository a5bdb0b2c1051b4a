package prantel.core.instrument;

import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;

/**
 * One range of a display.
 *
 * @param top highest value shown, in `unit`
 * @param resolution last digit, in `unit`
 */
public record Range(double top, double resolution, Unit unit) {
    private static final double MOST_DIGITS = 1e6;

    /** As it is printed beside the knob: "9.99 Ω". */
    public String label() {
        return Check.plain(top) + " " + unit.symbol();
    }

    public Range {
        Check.all(
                () -> Check.positive(top, "top", unit.symbol()),
                () -> Check.positive(resolution, "resolution", unit.symbol()));
        Check.that(
                resolution < top,
                "bad-range",
                "resolution",
                Check.plain(resolution) + " " + unit.symbol(),
                "give a resolution smaller than the top of the range");
        Check.that(
                top / resolution <= MOST_DIGITS,
                "bad-range",
                "resolution",
                Check.plain(resolution) + " " + unit.symbol(),
                "give a last digit: no display shows more than a million of them");
    }
}
