package prantel.core.marking;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.expectation.Window;
import prantel.core.expectation.Window.Side;
import prantel.core.inference.Cause;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Readings that lie off in the same way on the sheets of several people who stood at the same rig. One person slips; where
 * several read alike the rig is suspected first, and for all of them.
 */
public final class AlikeOnTheRig {
    /** What people do to every reading through the same leads; it says nothing of the rig though two of them do it. */
    private static final Set<Cause> HABITS = EnumSet.of(
            Cause.LEADS_NOT_NULLED,
            Cause.ANOTHER_BOX,
            Cause.SLIP_OF_TEN,
            Cause.CALCULATED,
            Cause.COPIED_CALCULATION,
            Cause.NULLED_WRONG,
            Cause.ROUND_NUMBERS);

    /** Residuals this near each other, as a share of the larger one, are alike. */
    private static final double NEAR = 0.3;

    private AlikeOnTheRig() {}

    /**
     * @param slot a box that is off
     * @param others how many of the others have it off in the same way
     * @param of how many of the others have something in it
     */
    public record Alike(SlotId slot, Side side, int others, int of) {}

    /**
     * Where a sheet is off as others of the same rig are: in at least half of all sheets that have the box, this one counted.
     * Each is held against its own key, so that other faults may have been set.
     *
     * @param others of other people, in the same bay, on the same version of the rig
     */
    public static List<Alike> of(MarkedSheet mine, List<MarkedSheet> others) {
        List<Map<SlotId, Finding>> theirs = others.stream()
                .map(o -> {
                    Map<SlotId, Finding> bySlot = new HashMap<>();
                    o.findings().forEach(f -> bySlot.put(f.expectation().slot().id(), f));
                    return bySlot;
                })
                .toList();
        List<Alike> alike = new ArrayList<>();
        for (Finding finding : mine.findings()) {
            if (!isOff(finding)) {
                continue;
            }
            SlotId slot = finding.expectation().slot().id();
            int of = 0;
            int same = 0;
            for (Map<SlotId, Finding> other : theirs) {
                Finding there = other.get(slot);
                if (there != null && there.written().isReading()) {
                    of++;
                    same += isOff(there) && isAlike(finding, there) ? 1 : 0;
                }
            }
            if (same > 0 && 2 * (same + 1) >= of + 1) {
                alike.add(new Alike(slot, finding.side(), same, of));
            }
        }
        return alike;
    }

    /** Boxes of these, for a quick look. */
    public static Set<SlotId> slots(List<Alike> alike) {
        Set<SlotId> slots = new HashSet<>();
        alike.forEach(a -> slots.add(a.slot()));
        return slots;
    }

    private static boolean isOff(Finding finding) {
        boolean habit = !finding.explanations().isEmpty()
                && HABITS.contains(finding.explanations().getFirst().cause());
        return finding.asked()
                && finding.expectation().slot() instanceof Slot.Measured
                && finding.written().isReading()
                && finding.side() != Side.INSIDE
                && finding.side() != Side.NOTHING
                && !habit;
    }

    private static boolean isAlike(Finding a, Finding b) {
        if (a.side() != b.side()) {
            return false;
        }
        if (a.written() instanceof Written.Number x && b.written() instanceof Written.Number y) {
            double one = residual(a, x);
            double two = residual(b, y);
            double noise = Math.max(noise(a), noise(b));
            return Math.abs(one - two) <= Math.max(NEAR * Math.max(Math.abs(one), Math.abs(two)), noise);
        }
        // over-range, or the same word, where something else was to be read
        return a.written().getClass() == b.written().getClass();
    }

    /** From the nearer end of its window; of a number where none was to be read, the number itself. */
    private static double residual(Finding finding, Written.Number written) {
        Window window = finding.expectation().window().measured();
        if (!window.isNumeric()) {
            return written.base();
        }
        return finding.side() == Side.ABOVE && window instanceof Window.Between between
                ? written.base() - between.high()
                : written.base() - window.low();
    }

    private static double noise(Finding finding) {
        return finding.expectation().window().measured() instanceof Window.Between between
                ? (between.high() - between.low()) / 4
                : 0;
    }
}
