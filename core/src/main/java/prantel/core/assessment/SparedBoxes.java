package prantel.core.assessment;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import prantel.core.fault.BoxTruth;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Boxes that cost a candidate nothing, because the rig or the instrument was not as it should be when they were written.
 * What was written again afterwards counts as it stands.
 */
public final class SparedBoxes {
    private SparedBoxes() {}

    /** @return by box, what was the matter */
    public static Map<SlotId, String> of(Assessment assessment, Scheme scheme, List<Slot> slots) {
        Map<SlotId, String> spared = new HashMap<>();
        for (Pause pause : assessment.conduct().pauses()) {
            int until = pause.ended().map(Pause.Ended::seq).orElse(assessment.seq());
            for (Slot slot : slots) {
                if (isMeant(pause.spared(), scheme, slot)
                        && assessment.lastSeqAbout("reading/" + slot.id().value()) <= until) {
                    spared.putIfAbsent(slot.id(), pause.why().words() + ": " + pause.what());
                }
            }
        }
        Map<String, List<Integer>> astray = assessment.writtenWhileAstray();
        for (Slot slot : slots) {
            List<Integer> relays = astray.get(slot.id().value());
            if (relays != null) {
                spared.putIfAbsent(slot.id(), new BoxTruth.Matter(BoxTruth.Trouble.NOT_COMMANDED, relays).words());
            }
        }
        return spared;
    }

    private static boolean isMeant(Pause.Spared spared, Scheme scheme, Slot slot) {
        boolean circuit = slot.circuit()
                .filter(c -> spared.circuits().contains(c.value()))
                .isPresent();
        boolean step = scheme.stepOf(slot.step())
                .filter(s -> spared.steps().contains(s.id()))
                .isPresent();
        return spared.circuits().isEmpty() ? step : circuit && (spared.steps().isEmpty() || step);
    }
}
