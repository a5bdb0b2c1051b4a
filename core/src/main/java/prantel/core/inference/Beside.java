package prantel.core.inference;

import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.sequence.SlotId;

/**
 * What is known beside a sheet and weighs in why a reading is off.
 *
 * @param checks readings that proved the faults set on the rig before the sheet was opened, as shown, by box
 * @param fromTester boxes that were filled by the tester itself: nobody copied or made them up
 * @param others records of the same rig with the same faults that were handed in before
 * @param atThisRig what other people read at the very same rig, as written, by box; of boxes that read alike with what was
 *     set for them
 */
public record Beside(
        Map<SlotId, String> checks, Set<SlotId> fromTester, List<Other> others, List<Map<SlotId, String>> atThisRig) {
    public static final Beside NOTHING = new Beside(Map.of(), Set.of(), List.of(), List.of());

    public Beside {
        checks = Map.copyOf(checks);
        fromTester = Set.copyOf(fromTester);
        others = List.copyOf(others);
        atThisRig = List.copyOf(atThisRig);
    }

    /**
     * Another candidate's record.
     *
     * @param label for people who may see both, without a name: "the record of bay B2, 14:20"
     * @param readings as written, by box
     */
    public record Other(String label, Map<SlotId, String> readings) {
        public Other {
            readings = Map.copyOf(readings);
        }
    }
}
