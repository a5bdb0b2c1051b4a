package prantel.core.practice;

import prantel.core.instrument.Saying;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;

/** What of a rig is left as it should be, for the boxes that ask when the work is done. */
final class Closing {
    private final Moment now;

    Closing(Moment now) {
        this.now = now;
    }

    /** @param well what is written where all is as it should be */
    Saying found(Slot.Measured box, Saying well) {
        return isDone(box.address().quantity()) ? well : Saying.NOT_DONE;
    }

    private boolean isDone(Quantity quantity) {
        return switch (quantity) {
            case LINKS_OUT -> now.standing().stream().noneMatch(d -> d instanceof Deed.Link || d instanceof Deed.Cross);
            case CONDUCTORS_BACK ->
                now.standing().stream().noneMatch(d -> d instanceof Deed.PutElsewhere || isOut(d, false));
            case EARTH_BACK -> now.standing().stream().noneMatch(d -> isOut(d, true));
            case RESET -> now.open().isEmpty();
            default -> true;
        };
    }

    private static boolean isOut(Deed deed, boolean earthing) {
        return deed instanceof Deed.TakeOut(var ends)
                && ends.stream().anyMatch(e -> (e instanceof End.OfEarthing || e instanceof End.OfBond) == earthing);
    }
}
