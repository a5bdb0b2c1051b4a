package prantel.core.reference;

import java.util.ArrayList;
import java.util.List;
import prantel.core.limits.RcdTimes;
import prantel.core.quantity.Check;

/** Trip times by type, and what the device allows in a TT installation. */
final class RcdCalculator extends Calculator {
    private static final String GENERAL = "AC, A, F";
    private static final String DELAYED = "S, delayed";

    RcdCalculator() {
        super(
                "rcd",
                "RCD times, and Zs in TT",
                List.of(
                        Input.choice("type", "Type", "", List.of(GENERAL, DELAYED), GENERAL),
                        Input.number("rated", "IΔn", "mA", "30")));
    }

    @Override
    Answer answer(Values values) {
        boolean delayed = values.choice("type").equals(DELAYED);
        double milliamps = values.number("rated", 5, 3000);
        List<Line> lines = new ArrayList<>();
        lines.add(new Line(
                "½ × IΔn = " + Check.plain(milliamps / 2) + "\u2009mA", "no trip; the tester shows >1999\u2009ms"));
        for (RcdTimes.Window window : delayed ? RcdTimes.delayed() : RcdTimes.general()) {
            String range = window.leastMillis() > 0
                    ? Check.plain(window.leastMillis()) + " to " + Check.plain(window.mostMillis()) + "\u2009ms"
                    : "at most " + Check.plain(window.mostMillis()) + "\u2009ms";
            lines.add(new Line(
                    Check.plain(window.multiple()) + " × IΔn = " + Check.plain(window.multiple() * milliamps)
                            + "\u2009mA",
                    range));
        }
        double ttOhms = RcdTimes.ttZsMaxOhms(milliamps);
        lines.add(line("Greatest Zs in TT", ttOhms, 0, "Ω"));
        return new Answer(
                lines,
                List.of(
                        "At 0° and at 180°; the slower one is recorded.",
                        text("50 V ÷ %s mA = %.0f Ω", Check.plain(milliamps), ttOhms)),
                "IEC 61008-1 Table 1; TT: BS 7671 411.5.3. An electrode above 200 Ω is unstable (common practice).");
    }
}
