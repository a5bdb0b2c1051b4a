package prantel.core.reference;

import java.util.List;
import prantel.core.limits.FaultCurrent;
import prantel.core.quantity.Check;

/** Ipf and the three-phase rules beside the physics. */
final class FaultCurrentCalculator extends Calculator {
    FaultCurrentCalculator() {
        super(
                "fault-current",
                "Ipf, and the three-phase rules",
                List.of(
                        Input.number("u0", "U0", "V", "230"),
                        Input.number("zl", "One line back to the source", "Ω", "0.05"),
                        Input.number("zn", "Neutral back to the source", "Ω", "0.05"),
                        Input.number("ze", "Earth path back to the source", "Ω", "0.08")));
    }

    @Override
    Answer answer(Values values) {
        double u0 = values.number("u0", 50, 400);
        double line = values.number("zl", 0.0001, 100);
        double neutral = values.number("zn", 0.0001, 100);
        double earth = values.number("ze", 0.0001, 100);
        double lineNeutral = FaultCurrent.loopAmps(u0, line + neutral);
        double lineEarth = FaultCurrent.loopAmps(u0, line + earth);
        double bolted = FaultCurrent.threePhaseAmps(u0, line);
        double doubled = 2 * lineNeutral;
        return new Answer(
                List.of(
                        line("PSCC, L–N", lineNeutral, 0, "A"),
                        line("PEFC, L–E", lineEarth, 0, "A"),
                        line("Ipf of a single-phase supply, the larger one", Math.max(lineNeutral, lineEarth), 0, "A"),
                        line("Three-phase by doubling L–N", doubled, 0, "A"),
                        line("L–L as measured", FaultCurrent.lineToLineAmps(u0, line), 0, "A"),
                        line("All three lines together, by physics", bolted, 0, "A"),
                        new Line("Doubling here", verdict(doubled, bolted))),
                List.of(
                        text(
                                "U0 ÷ (ZL + ZN) = %s ÷ %s = %.0f A",
                                Check.plain(u0), Check.plain(line + neutral), lineNeutral),
                        text(
                                "√3·U0 ÷ (2·ZL) and U0 ÷ ZL = %s ÷ %s = %.0f A",
                                Check.plain(u0), Check.plain(line), bolted)),
                "Physics, impedances taken as resistances. Doubling and L–L: common practice, two schools. Compare with the "
                        + "breaking capacity of the devices.");
    }

    private static String verdict(double doubled, double bolted) {
        if (Check.same(doubled, bolted)) {
            return "equals the physics: ZN = ZL";
        }
        return doubled > bolted ? "on the safe side: ZN < ZL" : "too low: the neutral is weaker than a line";
    }
}
