package prantel.core.diagnosis;

import java.util.Comparator;
import java.util.List;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;

/** Right for another point of the same circuit, or for the other box of the same bond. */
final class AnotherPoint implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (!(expectation.slot() instanceof Slot.Measured slot) || !(written instanceof Written.Number number)) {
            return List.of();
        }
        return theCase.key.expectations().stream()
                .filter(other -> other.slot() instanceof Slot.Measured m
                        && m.step() == slot.step()
                        && m.circuit().equals(slot.circuit())
                        && m.quantity().equals(slot.quantity())
                        && m.function() == slot.function()
                        && !m.id().equals(slot.id()))
                .filter(other -> other.window() instanceof Window.Between between && between.holds(number.base()))
                .min(Comparator.comparingDouble(
                        other -> Math.abs(other.withFaults().base() - number.base())))
                .map(other -> new Explanation(
                        slot.id(),
                        Cause.ANOTHER_POINT,
                        other.withFaults().shown(),
                        number.text().strip() + " is what " + other.slot().where() + " gives ("
                                + other.withFaults().shown() + "); " + slot.where() + " gives "
                                + expectation.withFaults().shown() + ".",
                        Cause.ANOTHER_POINT.prior() * closeness(other, number)))
                .stream()
                .toList();
    }

    private static double closeness(Expectation other, Written.Number number) {
        // over-range has been left out: there are two ends
        double half = (other.window().high() - other.window().low()) / 2;
        return 1 - 0.5 * Math.abs(other.withFaults().base() - number.base()) / Math.max(half, 1e-9);
    }
}
