package prantel.core.marking;

import java.util.List;
import java.util.Map;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.rig.Conductor;
import prantel.core.sequence.SlotId;

/**
 * What a candidate handed in.
 *
 * @param readings as written, by box
 * @param judgements whether the candidate calls the box satisfactory, by box
 * @param faults what the candidate says is wrong with the rig
 */
public record CandidateRecord(Map<SlotId, String> readings, Map<SlotId, Boolean> judgements, List<FaultReport> faults) {
    public CandidateRecord {
        readings = Map.copyOf(readings);
        judgements = Map.copyOf(judgements);
        faults = List.copyOf(faults);
    }

    /** A fault as a candidate names it: nature, place, remedy. */
    public record FaultReport(FaultKind kind, Place place, List<Conductor> conductors, String remedy) {
        public FaultReport {
            conductors = List.copyOf(conductors);
        }

        /** For lists: "Low insulation, L–E". */
        public String title() {
            return kind.titleWith(conductors);
        }
    }
}
