package prantel.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.fault.Fault;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * What one fault alone does to the readings of a rig.
 *
 * @param visibility the best of all readings; findable too when it is seen at inspection
 * @param first the first box of the sequence in which it is as visible as that; empty when it is seen or hidden
 * @param firstIndex position of that box in the sequence, 0 for what is seen; the number of boxes when hidden
 * @param strength greatest change in tolerances; +∞ from a number to over-range
 * @param changed every measured box that is not as in the healthy rig
 */
public record Effect(
        Fault fault,
        Visibility visibility,
        Optional<Expectation> first,
        int firstIndex,
        double strength,
        Map<SlotId, Expectation> changed) {

    /** Measured boxes in which it is findable. */
    public List<Expectation> findable() {
        return changed.values().stream()
                .filter(e -> e.slot() instanceof Slot.Measured && e.visibility() == Visibility.FINDABLE)
                .toList();
    }

    /** "Inspection", the test of the first box, or "—". */
    public String firstTest() {
        return fault.kind().isSeen()
                ? "Inspection"
                : first.map(e -> e.slot().step().label()).orElse("—");
    }
}
