package prantel.core.reference;

import java.util.List;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** Every calculator there is, in the order of the test sequence. */
public final class Calculators {
    private static final List<Calculator> ALL = List.of(
            new BondLengthCalculator(),
            new ConductorCalculator(),
            new RingCalculator(),
            new InsulationCalculator(),
            new ZsCalculator(),
            new FaultCurrentCalculator(),
            new RcdCalculator(),
            new TemperatureCalculator());

    private Calculators() {}

    public static List<Calculator> all() {
        return ALL;
    }

    /** @throws ProblemsException if there is none */
    public static Calculator get(String id) {
        return ALL.stream()
                .filter(c -> c.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-calculator", "calculator", Check.quoted(id), "choose one of the reference page")));
    }
}
