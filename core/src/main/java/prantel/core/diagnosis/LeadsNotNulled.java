package prantel.core.diagnosis;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Tester.Function;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;

/** The leads' own resistance is in the reading. Shows in all readings with the same leads, so they are counted together. */
final class LeadsNotNulled implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        Optional<Slot.Measured> taken = takenAt(expectation, theCase);
        if (taken.isEmpty()
                || !taken.get().function().isContinuity()
                || !(written instanceof Written.Number number)
                || !fits(taken.get(), number, theCase)) {
            return List.of();
        }
        Slot.Measured slot = taken.get();
        List<Expectation> wrong = wrongNumbers(slot.function(), theCase);
        long fitting = wrong.stream()
                .filter(e -> fits(
                        (Slot.Measured) e.slot(),
                        (Written.Number) theCase.sheet.at(e.slot().id()),
                        theCase))
                .count();
        double leadOhms = theCase.key.tester().leadOhms(slot.function());
        double above = number.base() - expectation.withFaults().base();
        String evidence = number.text().strip() + " is " + slot.boxUnit().text(above)
                + " above what this rig gives; these leads measure "
                + slot.boxUnit().text(leadOhms) + "."
                + (wrong.isEmpty()
                        ? ""
                        : " Taking that off puts " + fitting + " of " + wrong.size()
                                + " readings with these leads back inside their bands.");
        double share = wrong.isEmpty() ? 1 : (double) fitting / wrong.size();
        return List.of(new Explanation(
                expectation.slot().id(),
                Cause.LEADS_NOT_NULLED,
                theCase.simulate(slot, slot.setUp(), leadOhms).shown(),
                evidence,
                Cause.LEADS_NOT_NULLED.prior() * share));
    }

    /** The slot itself, or for the box of the highest reading the point that reads highest. */
    private static Optional<Slot.Measured> takenAt(Expectation expectation, Case theCase) {
        return switch (expectation.slot()) {
            case Slot.Measured measured -> Optional.of(measured);
            case Slot.Composed composed when composed.rule() != Slot.Rule.HIGHEST -> Optional.empty();
            case Slot.Composed highest ->
                highest.of().stream()
                        .map(theCase.key::expectation)
                        .max(Comparator.comparingDouble(e -> e.withFaults().base()))
                        .flatMap(e -> e.slot() instanceof Slot.Measured m ? Optional.of(m) : Optional.empty());
        };
    }

    private static List<Expectation> wrongNumbers(Function function, Case theCase) {
        return theCase.key.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured m && m.function() == function)
                .filter(e -> theCase.sheet.at(e.slot().id()) instanceof Written.Number number
                        && e.window().sideOf(number) != Side.INSIDE)
                .toList();
    }

    private static boolean fits(Slot.Measured slot, Written.Number number, Case theCase) {
        double leadOhms = theCase.key.tester().leadOhms(slot.function());
        return leadOhms > 0
                && theCase.simulate(slot, slot.setUp(), leadOhms).window().holds(number.base());
    }
}
