package prantel.cli;

import java.util.Locale;
import prantel.core.expectation.Band;
import prantel.core.quantity.Unit;

/** Numbers and bands for a terminal. */
final class Words {
    private Words() {}

    static String number(double base, Unit unit) {
        return String.format(Locale.ROOT, "%.2f %s", unit.fromBase(base), unit.symbol());
    }

    static String band(Band band, Unit unit) {
        if (unit == Unit.WORDS) {
            return "";
        }
        if (band.isOverRangeOnly()) {
            return "over-range";
        }
        if (band.allowsOverRange()) {
            return "from " + number(band.low(), unit);
        }
        return String.format(Locale.ROOT, "%.2f – %s", unit.fromBase(band.low()), number(band.high(), unit));
    }
}
