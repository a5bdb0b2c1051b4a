package prantel.core.reference;

import java.util.List;
import prantel.core.limits.CopperTemperature;
import prantel.core.quantity.Check;

/** A resistance at another temperature. */
final class TemperatureCalculator extends Calculator {
    TemperatureCalculator() {
        super(
                "temperature",
                "Resistance at another temperature",
                List.of(
                        Input.number("ohms", "Resistance", "Ω", "1.07"),
                        Input.number("from", "at", "°C", "20"),
                        Input.number("to", "wanted at", "°C", "70")));
    }

    @Override
    Answer answer(Values values) {
        double ohms = values.number("ohms", 0.0001, 1e6);
        double from = values.number("from", -40, 200);
        double to = values.number("to", -40, 200);
        double corrected = CopperTemperature.corrected(ohms, from, to);
        return new Answer(
                List.of(
                        line("At " + Check.plain(to) + " °C", corrected, 3, "Ω"),
                        new Line("Factor", number(corrected / ohms, 3))),
                List.of(text(
                        "%s Ω × (1 + 0.004·(%s−20)) ÷ (1 + 0.004·(%s−20)) = %.3f Ω",
                        Check.plain(ohms), Check.plain(to), Check.plain(from), corrected)),
                "0.004 per K: common practice; copper itself 0.00393 per K (IEC 60028)");
    }
}
