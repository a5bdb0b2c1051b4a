package prantel.core.sequence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;

/**
 * For which boxes a value is worked out before anything is measured: one for each quantity of a circuit. On a ring the step
 * reads the same at every socket, so it stands with the first; elsewhere it is the highest, at the far end.
 */
public final class ExpectedBoxes {
    private ExpectedBoxes() {}

    /** @param slots of one sheet @return the box of each, with all boxes of the same quantity and circuit */
    public static Map<SlotId, List<Slot.Measured>> of(Rig rig, List<Slot> slots) {
        record Group(CircuitId circuit, Quantity quantity) {}
        Map<Group, List<Slot.Measured>> groups = new LinkedHashMap<>();
        for (Slot slot : slots) {
            if (slot instanceof Slot.Measured m
                    && m.byHand().isPresent()
                    && m.circuit().isPresent()
                    && m.spot().point().isPresent()) {
                groups.computeIfAbsent(new Group(m.circuit().get(), m.address().quantity()), g -> new ArrayList<>())
                        .add(m);
            }
        }
        Map<SlotId, List<Slot.Measured>> boxes = new LinkedHashMap<>();
        groups.forEach((group, of) -> {
            boolean ring = rig.circuit(group.circuit()) instanceof Ring;
            Slot.Measured box = ring
                    ? of.getFirst()
                    : of.stream()
                            .max(Comparator.comparingDouble(
                                    m -> m.byHand().orElseThrow().base()))
                            .orElseThrow();
            boxes.put(box.id(), List.copyOf(of));
        });
        return boxes;
    }
}
