package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Slot;

/** How wet the day was, as the insulation readings of a whole record say. Limits: common practice, no source. */
final class Weather {
    /** Circuits, or boards, whose insulation tells of the weather. */
    private static final int ENOUGH_FOR_THE_WEATHER = 3;

    private static final double DAMPEST = 0.15;
    /** The same where most readings say so alike, within a factor. */
    private static final double WETTEST = 0.02;

    private static final double AGREE = 1.5;

    private Weather() {}

    /**
     * What leaks by itself, against what the rig as drawn gives: the middle one of all such readings, 1 for a day as dry as any.
     * Where they agree it may be as wet as they say, a meter may read over-range on the dry ones.
     */
    static double dryness(Boxes boxes) {
        List<Slot.Measured> low = new ArrayList<>();
        boolean asked = false;
        for (Expectation e : boxes.all()) {
            Optional<Double> written = boxes.number(e.slot().id());
            if (e.slot() instanceof Slot.Measured m
                    && m.function().isInsulation()
                    && e.window() instanceof Window.From(double least)
                    && written.isPresent()) {
                low.add(m);
                asked |= written.get() < least;
            }
        }
        if (!asked) {
            return 1;
        }
        List<Double> parts = new ArrayList<>();
        Set<Optional<CircuitId>> circuits = new HashSet<>();
        for (Slot.Measured slot : low) {
            double dry = boxes.right(slot.id()).orElseGet(() -> boxes.bench().value(slot));
            if (Double.isFinite(dry)) {
                parts.add(boxes.number(slot.id()).orElseThrow() / dry);
                circuits.add(slot.circuit());
            }
        }
        if (circuits.size() < ENOUGH_FOR_THE_WEATHER) {
            return 1;
        }
        parts.sort(null);
        double middle = parts.get(parts.size() / 2);
        boolean agree = parts.get(3 * parts.size() / 4) < AGREE * parts.get(parts.size() / 4);
        return Math.max(agree ? WETTEST : DAMPEST, Math.min(1, middle));
    }
}
