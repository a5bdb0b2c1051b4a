package prantel.core.marking;

import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.inference.Beside;
import prantel.core.quantity.Check;
import prantel.core.rig.Conductor;
import prantel.core.sequence.SlotId;

/**
 * What a candidate handed in, and what was seen and answered on the way.
 *
 * @param sheet what stands in its boxes
 * @param faults what the candidate says is wrong with the rig
 * @param faultsWereOut boxes written while the set faults were not on the rig, through nobody's doing but the rig's own
 * @param watched what an assessor saw and asked
 * @param spared boxes that cost nothing, each with what was the matter with the rig or the instrument
 * @param beside what else weighs in why a reading is off
 */
public record CandidateRecord(
        Sheet sheet,
        List<FaultReport> faults,
        Set<SlotId> faultsWereOut,
        Watched watched,
        Map<SlotId, String> spared,
        Beside beside) {
    public CandidateRecord {
        spared = Map.copyOf(spared);
        faults = List.copyOf(faults);
        faultsWereOut = Set.copyOf(faultsWereOut);
    }

    /**
     * @param readings as written, by box
     * @param judgements whether the candidate calls the box satisfactory, by box
     * @param expected what the candidate said a box would read before it was read, as written
     */
    public record Sheet(Map<SlotId, String> readings, Map<SlotId, Boolean> judgements, Map<SlotId, String> expected) {
        public Sheet {
            readings = Map.copyOf(readings);
            judgements = Map.copyOf(judgements);
            expected = Map.copyOf(expected);
        }
    }

    public Map<SlotId, String> readings() {
        return sheet.readings();
    }

    public Map<SlotId, Boolean> judgements() {
        return sheet.judgements();
    }

    public Map<SlotId, String> expected() {
        return sheet.expected();
    }

    public CandidateRecord(
            Map<SlotId, String> readings,
            Map<SlotId, Boolean> judgements,
            List<FaultReport> faults,
            Set<SlotId> faultsWereOut) {
        this(readings, judgements, faults, faultsWereOut, Map.of(), Watched.NOTHING);
    }

    public CandidateRecord(
            Map<SlotId, String> readings,
            Map<SlotId, Boolean> judgements,
            List<FaultReport> faults,
            Set<SlotId> faultsWereOut,
            Map<SlotId, String> expected,
            Watched watched) {
        this(new Sheet(readings, judgements, expected), faults, faultsWereOut, watched, Map.of(), Beside.NOTHING);
    }

    public CandidateRecord(Map<SlotId, String> readings, Map<SlotId, Boolean> judgements, List<FaultReport> faults) {
        this(readings, judgements, faults, Set.of());
    }

    /** Whether nothing at all is on it. */
    boolean isEmpty() {
        return faults.isEmpty() && readings().values().stream().allMatch(String::isBlank);
    }

    /**
     * A fault as a candidate names it.
     *
     * @param remedy what puts it right
     * @param evidence how it is known: which reading, what was seen
     * @param code C1, C2, C3 or FI where a scheme asks for it; empty for none
     */
    public record FaultReport(
            FaultKind kind, Place place, List<Conductor> conductors, String remedy, String evidence, String code) {
        public static final int LONGEST_REMEDY = 500;
        private static final Set<String> CODES = Set.of("", "C1", "C2", "C3", "FI");

        public FaultReport {
            conductors = List.copyOf(conductors);
            Check.all(
                    () -> Check.text(remedy, LONGEST_REMEDY, "remedy"),
                    () -> Check.text(evidence, LONGEST_REMEDY, "evidence"),
                    () -> Check.that(
                            CODES.contains(code), "bad-code", "code", Check.quoted(code), "give C1, C2, C3 or FI"));
        }

        public FaultReport(FaultKind kind, Place place, List<Conductor> conductors, String remedy) {
            this(kind, place, conductors, remedy, "", "");
        }

        /** For lists: "Low insulation, L–E". */
        public String title() {
            return kind.titleWith(conductors);
        }
    }
}
