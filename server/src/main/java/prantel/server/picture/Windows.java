package prantel.server.picture;

import java.util.Locale;
import prantel.core.expectation.Band;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Reading;
import prantel.core.quantity.Unit;

/** The window of a check reading in words, in the unit of its box. */
public final class Windows {
    private Windows() {}

    public static String of(Expectation expected) {
        Band band = expected.band();
        Unit unit = expected.slot().boxUnit();
        if (band.isOverRangeOnly() || unit == Unit.WORDS) {
            return expected.withFaults().shown();
        }
        if (expected.withFaults() instanceof Reading.OverRange over
                && band.low() >= over.unit().toBase(over.top())) {
            return over.shown();
        }
        String low = number(unit.fromBase(band.low()));
        if (band.allowsOverRange()) {
            return low + "\u2009" + unit.symbol() + " or more";
        }
        return low + " – " + number(unit.fromBase(band.high())) + "\u2009" + unit.symbol();
    }

    /** As many places as a display of that size has. */
    private static String number(double value) {
        return String.format(Locale.ROOT, value < 10 ? "%.2f" : value < 100 ? "%.1f" : "%.0f", value);
    }
}
