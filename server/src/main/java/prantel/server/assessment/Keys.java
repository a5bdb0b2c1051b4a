package prantel.server.assessment;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.rig.Rig;
import prantel.core.sequence.Scheme;
import prantel.core.sequence.SlotId;
import prantel.formats.FaultSetFile;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** From an assessment to core's objects: its rig, its key, its record, its marked sheet. */
@Service
public class Keys {
    private final Workshop workshop;

    private final AsBuiltReadings asBuilt;

    Keys(Workshop workshop, AsBuiltReadings asBuilt) {
        this.workshop = workshop;
        this.asBuilt = asBuilt;
    }

    public Rig rig(Assessment assessment) {
        return workshop.rig(
                new DocumentRef(assessment.fixed().rigId(), assessment.fixed().rigVersion()));
    }

    public Tester tester(Assessment assessment) {
        return workshop.tester(new DocumentRef(
                assessment.fixed().testerId(), assessment.fixed().testerVersion()));
    }

    public FaultSet faults(Assessment assessment) {
        String file = assessment.faultsFile();
        return file == null ? FaultSet.NONE : FaultSetFile.read(file.getBytes(StandardCharsets.UTF_8), rig(assessment));
    }

    /** Kinds of the faults set in any of these. */
    public Set<FaultKind> kindsIn(List<Assessment> assessments) {
        Set<FaultKind> kinds = new HashSet<>();
        assessments.forEach(a -> faults(a).faults().forEach(f -> kinds.add(f.kind())));
        return kinds;
    }

    public Key key(Assessment assessment) {
        return keyWith(assessment, faults(assessment));
    }

    /** The key as it would be with another set. */
    public Key keyWith(Assessment assessment, FaultSet faults) {
        DocumentRef ref =
                new DocumentRef(assessment.fixed().rigId(), assessment.fixed().rigVersion());
        return Key.of(
                rig(assessment),
                faults,
                tester(assessment),
                Scheme.workshop(),
                asBuilt.of(ref, assessment.fixed().preparedAt()));
    }

    /** Answers the assessor accepts besides the faults themselves. */
    public List<Fault> agreedAnswers(Assessment assessment) {
        String file = assessment.answersFile();
        return file == null
                ? List.of()
                : FaultSetFile.read(file.getBytes(StandardCharsets.UTF_8), rig(assessment))
                        .faults();
    }

    /** The same, by the fault of the set they stand for. */
    private Map<Fault, List<Fault>> agreedByFault(Assessment assessment) {
        List<Fault> set = faults(assessment).faults();
        List<Fault> answers = agreedAnswers(assessment);
        Map<Fault, List<Fault>> agreed = new LinkedHashMap<>();
        for (int i = 0; i < answers.size(); i++) {
            agreed.computeIfAbsent(set.get(assessment.answersFor().get(i)), f -> new ArrayList<>())
                    .add(answers.get(i));
        }
        return agreed;
    }

    /** What the candidate wrote so far. */
    public CandidateRecord record(Assessment assessment) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        assessment.readings().forEach((slot, entry) -> readings.put(new SlotId(slot), entry.value()));
        Map<SlotId, Boolean> judgements = new LinkedHashMap<>();
        assessment.judgements().forEach((slot, entry) -> {
            Boolean value = entry.value();
            if (value != null) {
                judgements.put(new SlotId(slot), value);
            }
        });
        return new CandidateRecord(readings, judgements, reports(assessment));
    }

    public List<CandidateRecord.FaultReport> reports(Assessment assessment) {
        String file = assessment.reportsFile();
        return file == null
                ? List.of()
                : FaultSetFile.readReports(file.getBytes(StandardCharsets.UTF_8), rig(assessment));
    }

    public MarkedSheet marked(Assessment assessment) {
        return Marker.mark(key(assessment), record(assessment), agreedByFault(assessment));
    }
}
