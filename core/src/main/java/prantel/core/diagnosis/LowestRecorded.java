package prantel.core.diagnosis;

import java.util.List;
import java.util.stream.Stream;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Written;
import prantel.core.quantity.Check;
import prantel.core.sequence.Slot;

/** The lowest of the candidate's own readings, or of what the points give, stands where the highest belongs. */
final class LowestRecorded implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (!(expectation.slot() instanceof Slot.Composed slot)
                || slot.rule() != Slot.Rule.HIGHEST
                || !(written instanceof Written.Number number)) {
            return List.of();
        }
        double[] own = slot.of().stream()
                .map(theCase.sheet::at)
                .flatMap(w -> w instanceof Written.Number n ? Stream.of(n) : Stream.empty())
                .mapToDouble(Written.Number::base)
                .sorted()
                .toArray();
        if (own.length > 1 && Check.same(number.base(), own[0]) && own[own.length - 1] > own[0]) {
            return List.of(new Explanation(
                    slot.id(),
                    Cause.LOWEST_RECORDED,
                    number.text().strip(),
                    number.text().strip() + " is the lowest of the " + own.length
                            + " readings on the sheet; the highest there is "
                            + slot.boxUnit().text(own[own.length - 1]) + ".",
                    Cause.LOWEST_RECORDED.prior()));
        }
        Expectation lowest = slot.of().stream()
                .map(theCase.key::expectation)
                .min(java.util.Comparator.comparingDouble(e -> e.withFaults().base()))
                .orElseThrow();
        if (own.length == 0 && lowest.window().holds(number.base())) {
            return List.of(new Explanation(
                    slot.id(),
                    Cause.LOWEST_RECORDED,
                    lowest.withFaults().shown(),
                    number.text().strip() + " is what " + lowest.slot().where() + " gives, the lowest of the circuit.",
                    Cause.LOWEST_RECORDED.prior() * 0.8));
        }
        return List.of();
    }
}
