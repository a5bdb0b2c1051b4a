package prantel.core.limits;

import java.util.List;
import prantel.core.quantity.Check;

/** Circuits tested together read lower than the worst of them: 1 / Σ(1/R). Derived from physics. */
public final class ParallelInsulation {
    private ParallelInsulation() {}

    /** @param ohms each above 0, at least one */
    public static double together(List<Double> ohms) {
        Check.that(!ohms.isEmpty(), "no-values", "values", "", "give at least one value");
        return 1
                / ohms.stream()
                        .mapToDouble(r -> 1 / Check.positive(r, "value", "Ω"))
                        .sum();
    }
}
