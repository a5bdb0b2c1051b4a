package prantel.cli;

import prantel.core.expectation.Band;
import prantel.core.quantity.Unit;

/** Bands for a terminal. */
final class Words {
    private Words() {}

    static String band(Band band, Unit unit) {
        if (unit == Unit.WORDS) {
            return "";
        }
        if (band.isOverRangeOnly()) {
            return "over-range";
        }
        if (band.allowsOverRange()) {
            return "from " + unit.text(band.low());
        }
        return unit.number(band.low()) + " – " + unit.text(band.high());
    }
}
