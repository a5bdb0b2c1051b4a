package prantel.server.marking;

import prantel.core.expectation.Window;
import prantel.core.instrument.Written;
import prantel.core.marking.Finding;
import prantel.core.quantity.Unit;

/** Where a reading lies, in words: "0.30 Ω above the band". */
final class Sides {
    private Sides() {}

    /** What to make of a reading outside its band that nothing explains; empty for any other. */
    static String unexplained(Finding finding) {
        if (!finding.asked()
                || finding.side() == Window.Side.INSIDE
                || finding.written() instanceof Written.Blank
                || !finding.explanations().isEmpty()) {
            return "";
        }
        return !finding.isMeasuredRightly()
                ? "No known mistake gives this value. Ask how it was taken."
                : !finding.expectation().slot().isDoneAtTheRig()
                        ? "It follows from the readings it comes from; what is the matter with those is said there."
                        : "So near that nothing speaks against it: leads, hands and a damp day account for it. It costs nothing.";
    }

    static String words(Finding finding) {
        if (!finding.asked() && finding.written() instanceof Written.Blank) {
            return "not needed: the other method was taken";
        }
        Window band = finding.expectation().window();
        Unit unit = finding.expectation().slot().boxUnit();
        return switch (finding.side()) {
            case INSIDE -> "inside the band";
            case ABOVE ->
                finding.written() instanceof Written.Number n && band.measured() instanceof Window.Between between
                        ? unit.text(n.base() - between.high()) + " above the band"
                        : "above the band";
            case BELOW ->
                finding.written() instanceof Written.Number n && band.measured().isNumeric()
                        ? unit.text(band.low() - n.base()) + " below the band"
                        : "a number where over-range is to be expected";
            case OVER_RANGE_INSTEAD -> "over-range where a number is to be expected";
            case DIFFERS -> "not what this rig shows";
            case NOTHING -> finding.written() instanceof Written.Blank ? "nothing recorded" : "cannot be read";
        };
    }
}
