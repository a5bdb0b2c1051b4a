package prantel.core.diagnosis;

import java.util.List;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Written;
import prantel.core.procedure.Action;
import prantel.core.procedure.SetUp;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;

/** Method 1 without the link between line and CPC at the board: every point reads over-range. */
final class LinkMissing implements Mistake {
    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (!(expectation.slot() instanceof Slot.Measured slot)
                || slot.step() != TestKind.R1_R2
                || expectation.window().sideOf(written) != Side.OVER_RANGE_INSTEAD) {
            return List.of();
        }
        SetUp unlinked = slot.setUp().without(Action.Link.class::isInstance);
        Case.Simulated simulated = theCase.simulate(slot, unlinked, 0);
        if (simulated.window().sideOf(written) != Side.INSIDE) {
            return List.of();
        }
        return List.of(new Explanation(
                slot.id(),
                Cause.LINK_MISSING,
                simulated.shown(),
                "Without the link at the board this point reads " + simulated.shown() + "; linked it gives "
                        + expectation.withFaults().shown() + ".",
                Cause.LINK_MISSING.prior()));
    }
}
