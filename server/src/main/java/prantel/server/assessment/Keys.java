package prantel.server.assessment;

import java.nio.charset.StandardCharsets;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Conduct;
import prantel.core.assessment.Course;
import prantel.core.assessment.Pinned;
import prantel.core.assessment.SparedBoxes;
import prantel.core.assessment.WatchedOf;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Key;
import prantel.core.expectation.KeyName;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.inference.Beside;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;
import prantel.formats.FaultSetFile;
import prantel.server.keys.Explorations;
import prantel.server.keys.Heavy;
import prantel.server.keys.PureValues;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** From an assessment to core's objects: its rig, its key, its record, its marked sheet. */
@Service
public class Keys {
    private static final Logger LOG = LoggerFactory.getLogger(Keys.class);
    /** So many of the newest are held beside one. */
    private static final int MOST_BESIDE = 8;

    private static final DateTimeFormatter HANDED_IN = DateTimeFormatter.ofPattern("'on' d MMMM 'at' HH:mm", Locale.UK);

    private final Workshop workshop;
    private final AsBuiltReadings asBuilt;
    private final Explorations explorations;
    private final PureValues values;
    private final Schemes schemes;
    private final Assessments assessments;

    Keys(
            Workshop workshop,
            AsBuiltReadings asBuilt,
            Explorations explorations,
            PureValues values,
            Schemes schemes,
            Assessments assessments) {
        this.assessments = assessments;
        this.workshop = workshop;
        this.asBuilt = asBuilt;
        this.explorations = explorations;
        this.values = values;
        this.schemes = schemes;
    }

    private record FaultsOf(DocumentRef rig, String file) {}

    private record KeyOf(DocumentRef rig, DocumentRef tester, SchemeOf scheme, AsBuilt asBuilt, FaultSet faults) {}

    /** @param beside the records it is held beside, each as it then was */
    private record MarkedOf(String assessmentId, int seq, List<BesideOf> beside) {}

    private record BesideOf(String assessmentId, int seq) {}

    private record ReasonsOf(KeyName key) {}

    private record BandReasonsOf(Map<SlotId, List<Key.BandReason>> reasons) implements Heavy {
        @Override
        public int items() {
            return reasons.values().stream().mapToInt(List::size).sum();
        }
    }

    private static DocumentRef rigRef(Assessment assessment) {
        return new DocumentRef(
                assessment.fixed().versions().rig().id(),
                assessment.fixed().versions().rig().version());
    }

    public Rig rig(Assessment assessment) {
        return workshop.rig(rigRef(assessment));
    }

    public Tester tester(Assessment assessment) {
        return workshop.tester(testerRef(assessment));
    }

    private static DocumentRef testerRef(Assessment assessment) {
        return ref(assessment.conduct().tester());
    }

    private static DocumentRef ref(Pinned.Document document) {
        return new DocumentRef(document.id(), document.version());
    }

    /** What it is done and marked by: the scheme that was pinned; of a resit the parts that are done again. */
    public Scheme scheme(Assessment assessment) {
        return scheme(schemeOf(assessment));
    }

    /** The scheme that was pinned, all of it. */
    public Scheme wholeScheme(Assessment assessment) {
        return partOf(assessment, List.of());
    }

    /** The parts of it that are done again. @throws ProblemsException if nothing of them counts */
    public Scheme partOf(Assessment assessment, List<String> parts) {
        return scheme(new SchemeOf(assessment.fixed().versions().scheme(), parts));
    }

    private Scheme scheme(SchemeOf of) {
        Scheme whole =
                schemes.scheme(new DocumentRef(of.scheme().id(), of.scheme().version()));
        return of.parts().isEmpty()
                ? whole
                : values.of(
                        of,
                        () -> whole.only(
                                Set.copyOf(of.parts()), of.parts().contains(prantel.core.marking.Part.FAULTS.id())));
    }

    private static SchemeOf schemeOf(Assessment assessment) {
        return new SchemeOf(
                assessment.fixed().versions().scheme(),
                assessment.conduct().resit().map(Conduct.Resit::parts).orElse(List.of()));
    }

    /** @param parts that are done again; empty for the whole */
    private record SchemeOf(Pinned.Document scheme, List<String> parts) {}

    /** The boxes of its sheet, in order: those of the circuits that are tested. */
    public List<Slot> sheet(Assessment assessment) {
        Set<CircuitId> circuits = circuits(assessment);
        return values.of(
                        new SheetOf(rigRef(assessment), schemeOf(assessment), circuits),
                        () -> new SheetSlots(SlotPlan.sheet(rig(assessment), scheme(assessment)).stream()
                                .filter(s -> circuits.isEmpty()
                                        || s.circuit().map(circuits::contains).orElse(true))
                                .toList()))
                .slots();
    }

    /** The circuits that are tested; empty for all. */
    public Set<CircuitId> circuits(Assessment assessment) {
        return assessment.conduct().circuits().stream().map(CircuitId::new).collect(Collectors.toSet());
    }

    /** Where an assessment stands in its scheme's sequence. */
    public Course course(Assessment assessment) {
        return Course.of(assessment, rig(assessment), scheme(assessment), sheet(assessment));
    }

    private record SheetOf(DocumentRef rig, SchemeOf scheme, Set<CircuitId> circuits) {}

    private record SheetSlots(List<Slot> slots) implements Heavy {
        @Override
        public int items() {
            return slots.size();
        }
    }

    public FaultSet faults(Assessment assessment) {
        String file = assessment.faultsFile();
        return file == null
                ? FaultSet.NONE
                : values.of(
                        new FaultsOf(rigRef(assessment), file),
                        () -> FaultSetFile.read(file.getBytes(StandardCharsets.UTF_8), rig(assessment)));
    }

    /** Kinds of the faults set in any of these. */
    public Set<FaultKind> kindsIn(List<Assessment> assessments) {
        Set<FaultKind> kinds = new HashSet<>();
        assessments.forEach(a -> faults(a).faults().forEach(f -> kinds.add(f.kind())));
        return kinds;
    }

    /** Every box held against the rig as it was when the box was written: faults that were out by then are out of it. */
    public Key key(Assessment assessment) {
        FaultSet all = faults(assessment);
        Key key = keyWith(assessment, all);
        Map<Set<Integer>, Set<SlotId>> later = new LinkedHashMap<>();
        assessment.readings().keySet().forEach(slot -> {
            Set<Integer> out = assessment.outWhenWritten(slot);
            if (!out.isEmpty()) {
                later.computeIfAbsent(out, o -> new HashSet<>()).add(new SlotId(slot));
            }
        });
        for (var then : later.entrySet()) {
            key = key.readWith(keyWith(assessment, without(all, then.getKey())), then.getValue());
        }
        return key;
    }

    /** The faults that are in the rig now, as far as they were not taken out. */
    public FaultSet faultsIn(Assessment assessment) {
        return without(faults(assessment), assessment.takenOut());
    }

    private static FaultSet without(FaultSet all, Set<Integer> out) {
        List<Fault> left = new ArrayList<>();
        for (int i = 0; i < all.faults().size(); i++) {
            if (!out.contains(i)) {
                left.add(all.faults().get(i));
            }
        }
        return new FaultSet(left);
    }

    /** The key for what is tested and marked: of the circuits that were chosen. */
    public Key asked(Assessment assessment) {
        return key(assessment).of(circuits(assessment));
    }

    /** The key as it would be with another set. */
    public Key keyWith(Assessment assessment, FaultSet faults) {
        Key key = keyBy(assessment, testerRef(assessment), faults);
        Map<DocumentRef, Set<SlotId>> before = new LinkedHashMap<>();
        assessment.readings().keySet().forEach(slot -> {
            DocumentRef with = ref(assessment.writtenWith(slot));
            if (!with.equals(testerRef(assessment))) {
                before.computeIfAbsent(with, t -> new HashSet<>()).add(new SlotId(slot));
            }
        });
        for (var other : before.entrySet()) {
            key = key.readWith(keyBy(assessment, other.getKey(), faults), other.getValue());
        }
        return key;
    }

    private Key keyBy(Assessment assessment, DocumentRef tester, FaultSet faults) {
        DocumentRef rig = rigRef(assessment);
        AsBuilt known = asBuilt.of(rig, assessment.fixed().preparedAt());
        Key healthy = explorations.healthy(rig(assessment), workshop.tester(tester), scheme(assessment), known);
        return faults.isEmpty()
                ? healthy
                : values.of(new KeyOf(rig, tester, schemeOf(assessment), known, faults), () -> healthy.with(faults));
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
        return record(assessment, assessments.handedInBefore(assessment, MOST_BESIDE));
    }

    private CandidateRecord record(Assessment assessment, List<Assessment> othersBefore) {
        Map<SlotId, Boolean> judgements = new LinkedHashMap<>();
        assessment.judgements().forEach((slot, entry) -> {
            Boolean value = entry.value();
            if (value != null) {
                judgements.put(new SlotId(slot), value);
            }
        });
        Map<SlotId, String> expected = new LinkedHashMap<>();
        assessment.expected().forEach((slot, entry) -> expected.put(new SlotId(slot), entry.value()));
        return new CandidateRecord(
                new CandidateRecord.Sheet(readings(assessment), judgements, expected),
                reports(assessment),
                assessment.writtenWhileOut().stream().map(SlotId::new).collect(Collectors.toSet()),
                WatchedOf.of(assessment, rig(assessment), scheme(assessment), sheet(assessment)),
                SparedBoxes.of(assessment, scheme(assessment), sheet(assessment)),
                beside(assessment, othersBefore));
    }

    /** What weighs in beside the sheet itself. Nobody is named: a record may be shown to whom it is about. */
    private Beside beside(Assessment assessment, List<Assessment> othersBefore) {
        Map<SlotId, String> checks = new LinkedHashMap<>();
        assessment.checks().forEach((slot, taken) -> checks.put(new SlotId(slot), taken.text()));
        Set<SlotId> fromTester = new LinkedHashSet<>();
        assessment.readings().forEach((slot, entry) -> {
            AssessmentEvent.ReadingTaken taken = assessment.taken(slot);
            if (taken != null && taken.text().equals(entry.value())) {
                fromTester.add(new SlotId(slot));
            }
        });
        List<Beside.Other> others = new ArrayList<>();
        List<Map<SlotId, String>> atThisRig = new ArrayList<>();
        for (Assessment other : othersBefore) {
            try {
                if (faults(other).equals(faults(assessment))) {
                    others.add(new Beside.Other(
                            "the record handed in " + HANDED_IN.format(other.handedInAt()), readings(other)));
                }
                if (other.fixed().bayId().equals(assessment.fixed().bayId())) {
                    atThisRig.add(readAlike(other, assessment));
                }
            } catch (ProblemsException e) {
                // one record that cannot be read does not keep another from being marked
                LOG.error("Assessment {} cannot be held beside another: {}", other.id(), e.getMessage());
            }
        }
        return new Beside(checks, fromTester, others, atThisRig);
    }

    private static Map<SlotId, String> readings(Assessment assessment) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        assessment.readings().forEach((slot, entry) -> readings.put(new SlotId(slot), entry.value()));
        return readings;
    }

    /** What stands in the boxes of a record that read alike with what was set for both. */
    private Map<SlotId, String> readAlike(Assessment other, Assessment mine) {
        Map<SlotId, String> readings = readings(other);
        if (!faults(other).equals(faults(mine))) {
            Map<SlotId, Reading> theirs = new HashMap<>();
            key(other).expectations().forEach(e -> theirs.put(e.slot().id(), e.withFaults()));
            Set<SlotId> alike = key(mine).expectations().stream()
                    .filter(e -> e.withFaults().equals(theirs.get(e.slot().id())))
                    .map(e -> e.slot().id())
                    .collect(Collectors.toSet());
            readings.keySet().retainAll(alike);
        }
        return readings;
    }

    public List<CandidateRecord.FaultReport> reports(Assessment assessment) {
        String file = assessment.reportsFile();
        if (file == null) {
            return List.of();
        }
        try {
            return FaultSetFile.readReports(file.getBytes(StandardCharsets.UTF_8), rig(assessment));
        } catch (ProblemsException e) {
            // kept by an earlier version that did not look first: the next report of the candidate replaces it
            LOG.warn("The fault report of assessment {} cannot be read: {}", assessment.id(), e.getMessage());
            return List.of();
        }
    }

    /** Whether there is a fault report that cannot be read; writing one again mends it. */
    public boolean isReportDamaged(Assessment assessment) {
        String file = assessment.reportsFile();
        if (file == null) {
            return false;
        }
        try {
            FaultSetFile.readReports(file.getBytes(StandardCharsets.UTF_8), rig(assessment));
            return false;
        } catch (ProblemsException e) {
            return true;
        }
    }

    /** By what another scheme says that counts, on the boxes of this assessment's own. */
    public MarkedSheet markedBy(Assessment assessment, Scheme scheme) {
        return Marker.mark(asked(assessment), scheme, record(assessment), agreedByFault(assessment));
    }

    public MarkedSheet marked(Assessment assessment) {
        List<Assessment> before = assessments.handedInBefore(assessment, MOST_BESIDE);
        return values.of(
                new MarkedOf(
                        assessment.id(),
                        assessment.markedSeq(),
                        before.stream()
                                .map(b -> new BesideOf(b.id(), b.markedSeq()))
                                .toList()),
                () -> Marker.mark(asked(assessment), record(assessment, before), agreedByFault(assessment)));
    }

    /** Why the bands of a key are as wide as they are: kept apart from the key, since the rig is varied for it many times. */
    public Map<SlotId, List<Key.BandReason>> bandReasons(Key key) {
        return values.of(new ReasonsOf(key.name()), () -> new BandReasonsOf(key.reasons(key.measured())))
                .reasons();
    }
}
