package prantel.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;
import prantel.core.procedure.Deed;
import prantel.core.sequence.Slot;

/**
 * What must have been left out for a reading that stands in a record: each deed that its box asks for is left out on the rig,
 * one at a time, and the rig is read.
 *
 * @param asDone the box as it was then taken
 * @param unnulled whether the leads were not nulled
 * @param deeds what was not done
 * @param shown what the tester shows then
 */
public record LeftOut(Slot.Measured asDone, boolean unnulled, List<Deed> deeds, Reading shown) {
    /** Hands, cables and joints differ from rig to rig by this much. Common practice, no source. */
    private static final double SAME_SHARE = 0.08;

    private static final int SAME_DIGITS = 3;
    private static final int MOST_DEEDS = 80;

    public LeftOut {
        deeds = List.copyOf(deeds);
    }

    /** The first that fits, in the order in which the deeds are asked for; empty where none does, or where it reads so anyhow. */
    public static Optional<LeftOut> of(PracticeRig practice, Slot.Measured box, String text) {
        Written written = Notation.read(text, box.boxUnit());
        if (!written.isReading() || box.measurement().isByEye()) {
            return Optional.empty();
        }
        Optional<Reading> right = read(practice, box, false);
        if (right.isEmpty() || isSame(written, right.get(), box)) {
            return Optional.empty();
        }
        for (LeftOut one : candidates(practice, box)) {
            if (isSame(written, one.shown(), box)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    private static List<LeftOut> candidates(PracticeRig practice, Slot.Measured box) {
        List<LeftOut> all = new ArrayList<>();
        if (box.function().isContinuity()) {
            read(practice, box, true)
                    .ifPresent(r -> all.add(new LeftOut(box, true, List.of(new Deed.NullLeads(Deed.Leads.PAIR)), r)));
        }
        for (Deed deed : box.setUp().state().standing()) {
            // nobody reads a dead circuit with the supply on: the tester refuses
            if (!(deed instanceof Deed.MainSwitchOff)) {
                Slot.Measured asDone = box.in(box.setUp().without(deed::equals));
                read(practice, asDone, false).ifPresent(r -> all.add(new LeftOut(asDone, false, List.of(deed), r)));
            }
        }
        return all;
    }

    private static Optional<Reading> read(PracticeRig practice, Slot.Measured box, boolean unnulled) {
        Guide guide = new Guide(practice, unnulled);
        Moment now = practice.asFound();
        int deeds = 0;
        for (Optional<Deed> next = guide.next(now, box);
                next.isPresent() && deeds < MOST_DEEDS;
                next = guide.next(now, box)) {
            now = practice.after(now, next.get()).moment();
            deeds++;
        }
        return now.display().map(Moment.Display::reading);
    }

    private static boolean isSame(Written written, Reading shown, Slot.Measured box) {
        if (shown instanceof Reading.Value value && written instanceof Written.Number number) {
            double apart = Math.abs(number.base() - value.base());
            double digit = value.unit().toBase(value.resolution());
            return apart <= Math.max(SAME_DIGITS * digit, SAME_SHARE * value.base());
        }
        return shown instanceof Reading.OverRange
                && (written instanceof Written.Above || written instanceof Written.Open);
    }
}
