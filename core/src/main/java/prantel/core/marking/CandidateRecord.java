package prantel.core.marking;

import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.quantity.Check;
import prantel.core.rig.Conductor;
import prantel.core.sequence.SlotId;

/**
 * What a candidate handed in, and what was seen and answered on the way.
 *
 * @param readings as written, by box
 * @param judgements whether the candidate calls the box satisfactory, by box
 * @param faults what the candidate says is wrong with the rig
 * @param faultsWereOut boxes written while the set faults were not on the rig, through nobody's doing but the rig's own
 * @param expected what the candidate said a box would read before it was read, as written
 * @param watched what an assessor saw and asked
 */
public record CandidateRecord(
        Map<SlotId, String> readings,
        Map<SlotId, Boolean> judgements,
        List<FaultReport> faults,
        Set<SlotId> faultsWereOut,
        Map<SlotId, String> expected,
        Watched watched) {
    public CandidateRecord {
        readings = Map.copyOf(readings);
        judgements = Map.copyOf(judgements);
        faults = List.copyOf(faults);
        faultsWereOut = Set.copyOf(faultsWereOut);
        expected = Map.copyOf(expected);
    }

    public CandidateRecord(
            Map<SlotId, String> readings,
            Map<SlotId, Boolean> judgements,
            List<FaultReport> faults,
            Set<SlotId> faultsWereOut) {
        this(readings, judgements, faults, faultsWereOut, Map.of(), Watched.NOTHING);
    }

    public CandidateRecord(Map<SlotId, String> readings, Map<SlotId, Boolean> judgements, List<FaultReport> faults) {
        this(readings, judgements, faults, Set.of());
    }

    /** Whether nothing at all is on it. */
    boolean isEmpty() {
        return faults.isEmpty() && readings.values().stream().allMatch(String::isBlank);
    }

    /** A fault as a candidate names it: nature, place, remedy. */
    public record FaultReport(FaultKind kind, Place place, List<Conductor> conductors, String remedy) {
        public static final int LONGEST_REMEDY = 500;

        public FaultReport {
            conductors = List.copyOf(conductors);
            Check.text(remedy, LONGEST_REMEDY, "remedy");
        }

        /** For lists: "Low insulation, L–E". */
        public String title() {
            return kind.titleWith(conductors);
        }
    }
}
