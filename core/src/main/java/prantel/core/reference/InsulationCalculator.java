package prantel.core.reference;

import java.util.List;
import java.util.stream.Collectors;
import prantel.core.limits.InsulationMinimum;
import prantel.core.limits.ParallelInsulation;
import prantel.core.quantity.Check;

/** What circuits read together. */
final class InsulationCalculator extends Calculator {
    InsulationCalculator() {
        super(
                "insulation",
                "Insulation of circuits tested together",
                List.of(Input.number("values", "Each circuit, with spaces between", "MΩ", "200 150 999 2.2")));
    }

    @Override
    Answer answer(Values values) {
        List<Double> megohms = values.numbers("values", 0.001, 1e6);
        double together = ParallelInsulation.together(megohms);
        double least = InsulationMinimum.UP_TO_500_VOLTS_OHMS / 1e6;
        return new Answer(
                List.of(
                        line("Together", together, 2, "MΩ"),
                        new Line(
                                "Against the minimum of " + Check.plain(least) + "\u2009MΩ",
                                together >= least
                                        ? "satisfied"
                                        : "not satisfied: divide, breakers off one after another")),
                List.of(text(
                        "1 ÷ (%s) = %.2f MΩ",
                        megohms.stream().map(r -> "1/" + Check.plain(r)).collect(Collectors.joining(" + ")), together)),
                "Physics: conductances add. Minimum: " + InsulationMinimum.SOURCE);
    }
}
