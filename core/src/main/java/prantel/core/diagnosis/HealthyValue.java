package prantel.core.diagnosis;

import java.util.List;
import prantel.core.expectation.Change;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Written;

/** What the circuit would read without the set faults: not measured, or measured before they were set. */
final class HealthyValue implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (expectation.change().visibility() == Change.Visibility.HIDDEN
                || expectation.healthyWindow().sideOf(written) != Side.INSIDE) {
            return List.of();
        }
        return List.of(new Explanation(
                expectation.slot().id(),
                Cause.HEALTHY_VALUE,
                expectation.healthy().shown(),
                "The healthy circuit gives " + expectation.healthy().shown() + " here; with the faults set it gives "
                        + expectation.withFaults().shown() + ".",
                Cause.HEALTHY_VALUE.prior()));
    }
}
