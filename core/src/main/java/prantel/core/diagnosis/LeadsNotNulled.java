package prantel.core.diagnosis;

import java.util.List;
import prantel.core.expectation.Band.Side;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;

/** The leads' own resistance is in the reading. Shows in all continuity readings alike, so they are counted together. */
final class LeadsNotNulled implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (!(expectation.slot() instanceof Slot.Measured slot)
                || slot.function().isInsulation()
                || !(written instanceof Written.Number number)
                || !fits(slot, number, theCase)) {
            return List.of();
        }
        List<Expectation> wrong = theCase.key.expectations().stream()
                .filter(e ->
                        e.slot() instanceof Slot.Measured m && !m.function().isInsulation())
                .filter(e -> isWrongNumber(e, theCase))
                .toList();
        long fitting = wrong.stream()
                .filter(e -> fits(
                        (Slot.Measured) e.slot(),
                        (Written.Number) theCase.sheet.at(e.slot().id()),
                        theCase))
                .count();
        double leadOhms = theCase.key.tester().leadOhms(slot.function());
        double above = number.ohms() - expectation.withFaults().ohms();
        String evidence = number.text().strip() + " is " + Case.shown(above, slot.boxUnit())
                + " above what this rig gives; these leads measure " + Case.shown(leadOhms, slot.boxUnit())
                + ". Taking that off puts " + fitting + " of " + wrong.size()
                + " continuity readings that are out of band inside it.";
        double likelihood = Cause.LEADS_NOT_NULLED.prior() * fitting / wrong.size();
        return List.of(new Explanation(
                slot.id(),
                Cause.LEADS_NOT_NULLED,
                theCase.simulate(slot, slot.setUp(), leadOhms).shown(),
                evidence,
                likelihood));
    }

    private static boolean isWrongNumber(Expectation expectation, Case theCase) {
        Written written = theCase.sheet.at(expectation.slot().id());
        return written instanceof Written.Number && expectation.band().sideOf(written) != Side.INSIDE;
    }

    private static boolean fits(Slot.Measured slot, Written.Number number, Case theCase) {
        double leadOhms = theCase.key.tester().leadOhms(slot.function());
        return leadOhms > 0
                && theCase.simulate(slot, slot.setUp(), leadOhms).band().holds(number.ohms());
    }
}
