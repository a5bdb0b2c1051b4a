package prantel.core.inference;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * CircuitFigures of whole circuits whose readings are not on the sheet. A highest R2 that was written is a reading of the point that
 * reads highest on this rig, so what is known of one reading explains the figure as well; of the other points nothing is
 * known.
 */
final class CircuitFigures {
    /** Reading that gives it on this rig, and the figure. */
    private final Map<SlotId, SlotId> figureOf = new HashMap<>();

    CircuitFigures(List<Expectation> expectations) {
        Map<SlotId, Expectation> byId = new HashMap<>();
        expectations.forEach(e -> byId.put(e.slot().id(), e));
        for (Expectation e : expectations) {
            if (e.slot() instanceof Slot.Composed figure && figure.isFigure()) {
                giving(e, figure, byId).ifPresent(id -> figureOf.put(id, figure.id()));
            }
        }
    }

    /** The first of those that read what the figure has to be; empty where none reads anything. */
    private static Optional<SlotId> giving(Expectation expected, Slot.Composed figure, Map<SlotId, Expectation> byId) {
        return figure.of().stream()
                .map(byId::get)
                .filter(one -> one != null && one.withFaults().equals(expected.withFaults()))
                .map(one -> one.slot().id())
                .findFirst();
    }

    /** The sheet with each figure written where it was read. */
    WrittenSheet asReadings(WrittenSheet sheet) {
        if (figureOf.isEmpty()) {
            return sheet;
        }
        Map<SlotId, Written> written = new LinkedHashMap<>(sheet.written());
        figureOf.forEach((reading, figure) -> {
            if (sheet.isBlank(reading) && !sheet.isBlank(figure)) {
                written.put(reading, sheet.at(figure));
            }
        });
        return new WrittenSheet(written);
    }

    /** What was found out of readings that stand for a figure, told of the figure. */
    Map<SlotId, List<Explanation>> ofFigures(Map<SlotId, List<Explanation>> found, WrittenSheet sheet) {
        Map<SlotId, List<Explanation>> told = new LinkedHashMap<>();
        found.forEach((id, explanations) -> {
            SlotId figure = figureOf.get(id);
            if (figure == null || !sheet.isBlank(id)) {
                told.put(id, explanations);
            } else {
                told.put(figure, explanations.stream().map(e -> e.of(figure)).toList());
            }
        });
        return told;
    }
}
