package prantel.core.reference;

import java.util.List;
import prantel.core.limits.ConductorTable;
import prantel.core.limits.CopperTemperature;
import prantel.core.quantity.Check;

/** R1+R2 by length and cable. */
final class ConductorCalculator extends Calculator {
    static final List<String> SIZES =
            ConductorTable.all().keySet().stream().map(Check::plain).toList();
    static final String TABLE = "IEC 60228, greatest resistance of copper conductors at 20 °C";

    ConductorCalculator() {
        super(
                "conductor",
                "R1+R2 by length and cable",
                List.of(
                        Input.choice("line", "Line", "mm²", SIZES, "2.5"),
                        Input.choice("cpc", "CPC", "mm²", SIZES, "1.5"),
                        Input.number("metres", "Length", "m", "55")));
    }

    @Override
    Answer answer(Values values) {
        double line = ConductorTable.milliohmPerMetre(Double.parseDouble(values.choice("line")));
        double cpc = ConductorTable.milliohmPerMetre(Double.parseDouble(values.choice("cpc")));
        double metres = values.number("metres", 0.1, 10_000);
        double ohms = (line + cpc) * metres / 1000;
        return new Answer(
                List.of(
                        line("R1+R2 at 20 °C", ohms, 3, "Ω"),
                        line("R1", line * metres / 1000, 3, "Ω"),
                        line("R2", cpc * metres / 1000, 3, "Ω"),
                        line("R1+R2 at 70 °C", ohms * CopperTemperature.factor(70), 3, "Ω")),
                List.of(text(
                        "(%s + %s) mΩ/m × %s m ÷ 1000 = %.3f Ω",
                        Check.plain(line), Check.plain(cpc), Check.plain(metres), ohms)),
                TABLE + "; 70 °C by 1 + 0.004·(θ−20), common practice");
    }
}
