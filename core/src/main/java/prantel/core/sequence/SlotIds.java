package prantel.core.sequence;

import java.util.Set;
import prantel.core.rig.BoardId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.rig.SectionId;

/**
 * Ids of the rig as parts of box ids. One that is also a word of the boxes' own gets a tilde, which no file can spell: a
 * point called "device" never meets the box of the circuit's device.
 */
final class SlotIds {
    private static final Set<String> FIRST = Set.of(
            "origin",
            "isolation",
            "bond",
            "supplementary-bond",
            "earthing-conductor",
            "indicator",
            "inspection",
            "closing");
    private static final Set<String> LATER = Set.of("device", "whole", "zdb", "ipf", "main-rcd");

    private SlotIds() {}

    static String of(CircuitId circuit) {
        return first(circuit.value());
    }

    static String of(BoardId board) {
        return first(board.value());
    }

    static String of(SectionId section) {
        return later(section.value());
    }

    static String of(PointId point) {
        return later(point.value());
    }

    /** A light group. */
    static String ofGroup(String group) {
        return later(group);
    }

    private static String first(String id) {
        return FIRST.contains(id) ? "~" + id : id;
    }

    private static String later(String id) {
        return LATER.contains(id) ? "~" + id : id;
    }
}
