package prantel.server.marking;

import java.util.Locale;
import prantel.core.expectation.Band;
import prantel.core.instrument.Written;
import prantel.core.marking.Finding;
import prantel.core.quantity.Unit;

/** Where a reading lies, in words: "0.30 Ω above the band". */
final class Sides {
    private Sides() {}

    static String words(Finding finding) {
        if (!finding.asked() && finding.written() instanceof Written.Blank) {
            return "not needed: the other method was taken";
        }
        Band band = finding.expectation().band();
        Unit unit = finding.expectation().slot().boxUnit();
        return switch (finding.side()) {
            case INSIDE -> "inside the band";
            case ABOVE ->
                finding.written() instanceof Written.Number n
                        ? amount(n.base() - band.high(), unit) + " above the band"
                        : "above the band";
            case BELOW ->
                finding.written() instanceof Written.Number n && !band.isOverRangeOnly()
                        ? amount(band.low() - n.base(), unit) + " below the band"
                        : "a number where over-range is to be expected";
            case OVER_RANGE_INSTEAD -> "over-range where a number is to be expected";
            case DIFFERS -> "not what this rig shows";
            case NOTHING -> finding.written() instanceof Written.Blank ? "nothing recorded" : "cannot be read";
        };
    }

    private static String amount(double ohms, Unit unit) {
        double value = unit.fromBase(ohms);
        return String.format(Locale.ROOT, value < 0.01 ? "%.3f" : "%.2f", value) + "\u2009" + unit.symbol();
    }
}
