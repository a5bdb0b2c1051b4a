package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Severity;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Mark.Worth;
import prantel.core.rig.Rig;
import prantel.core.scheme.Criterion;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/** Marks for the faults found, and for none invented. */
final class FaultMarks {
    private final Rig rig;
    private final List<Fault> faults;
    private final CandidateRecord record;
    private final Map<Fault, List<Fault>> agreed;
    /** For each fault of the set the report that comes nearest to it. */
    private final List<Optional<FaultReport>> answers = new ArrayList<>();

    private final List<FaultReport> unused;
    private final NotAsSet notAsSet;
    /** Kinds whose code stands in a box of the inspection. */
    private final Set<String> inspected;

    FaultMarks(Key key, CandidateRecord record, Map<Fault, List<Fault>> agreed, List<Finding> findings) {
        this.rig = key.rig();
        this.notAsSet = new NotAsSet(key.faults(), findings);
        this.inspected = key.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured m
                        && m.measurement() instanceof Measurement.Inspected item
                        && item.coded())
                .flatMap(e -> ((Measurement.Inspected) ((Slot.Measured) e.slot()).measurement()).faults().stream())
                .collect(Collectors.toSet());
        this.faults = key.faults().faults();
        this.record = record;
        this.agreed = agreed;
        this.unused = new ArrayList<>(record.faults());
        faults.forEach(f -> answers.add(Optional.empty()));
        // what is right goes to its own fault before anything counts as half of another at the same place
        answer(Award.FULL);
        answer(Award.HALF);
        dropNearMisses();
        // what is on the rig by the readings is not invented, though nobody set it
        unused.removeIf(r -> notAsSet.there().stream().anyMatch(f -> award(f, r) == Award.FULL));
    }

    private void answer(Award award) {
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            if (answers.get(i).isEmpty()) {
                Optional<FaultReport> best =
                        unused.stream().filter(r -> award(fault, r) == award).findFirst();
                best.ifPresent(unused::remove);
                answers.set(i, best);
            }
        }
    }

    /** A fault that is there, looked for in the right circuit and named as another: not found, and no sound part called faulty. */
    private void dropNearMisses() {
        for (int i = 0; i < faults.size(); i++) {
            if (answers.get(i).isEmpty()) {
                Fault missed = faults.get(i);
                unused.stream()
                        .filter(r -> r.kind().group() == missed.kind().group())
                        .filter(r -> r.place().ofCircuit().isPresent()
                                && r.place().ofCircuit().equals(missed.place().ofCircuit()))
                        .findFirst()
                        .ifPresent(unused::remove);
            }
        }
    }

    List<Mark> of(Criterion.FaultReported criterion) {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            if (criterion.aspect() == Criterion.Aspect.CODED && isCodedInItsBox(fault)) {
                continue;
            }
            Optional<FaultReport> answer = answers.get(i);
            Optional<NotAsSet.Told> told =
                    answer.filter(r -> award(fault, r) == Award.FULL).isPresent()
                            ? Optional.empty()
                            : notAsSet.missing(fault);
            Criterion.Common common = criterion.common();
            String title = fault.title() + ", " + fault.place().label(rig);
            marks.add(new Mark(
                    new Mark.Item(
                            common.id() + "/" + (i + 1),
                            Mark.Of.of(common, Part.FAULTS),
                            common.group(),
                            criterion.aspect() == Criterion.Aspect.FOUND ? title : common.title() + ": " + title),
                    new Worth(common.weight(), common.severity()),
                    told.map(t -> Award.NOT_SEEN)
                            .orElseGet(() -> answer.map(r -> award(criterion.aspect(), fault, r))
                                    .orElse(Award.NONE)),
                    told.<Evidence>map(t -> new Evidence.NotAsSet(
                                    t.cause(), answer.map(this::named).orElse("")))
                            .orElseGet(() -> answer.map(r -> evidence(criterion.aspect(), fault, r))
                                    .orElseGet(Evidence.NotOnTheSheet::new)),
                    told.map(NotAsSet.Told::slots).orElse(List.of())));
        }
        return marks;
    }

    /** Its code is asked for in a box of the inspection already, and charged there. */
    private boolean isCodedInItsBox(Fault fault) {
        return inspected.contains(fault.kind().id());
    }

    private Award award(Criterion.Aspect aspect, Fault fault, FaultReport report) {
        boolean agreedOn = isAgreed(fault, report);
        boolean right = switch (aspect) {
            case FOUND -> true;
            case NAMED ->
                agreedOn || isNature(fault, report) && fault.conductors().equals(report.conductors());
            case LOCATED -> agreedOn || isPlace(fault, report);
            case REMEDIED -> !report.remedy().isBlank();
            case CODED -> fault.kind().codes().stream().anyMatch(c -> c.name().equals(report.code()));
        };
        return aspect == Criterion.Aspect.FOUND ? award(fault, report) : right ? Award.FULL : Award.NONE;
    }

    Mark invented(Criterion.NothingInvented criterion) {
        boolean nothing = record.isEmpty();
        Criterion.Common common = criterion.common();
        return new Mark(
                new Mark.Item(common.id(), Mark.Of.of(common, Part.FAULTS), common.group(), common.title()),
                new Worth(common.weight(), common.severity()),
                unused.isEmpty() && !nothing ? Award.FULL : Award.NONE,
                nothing
                        ? new Evidence.NothingAtAll()
                        : new Evidence.Invented(unused.stream().map(this::named).toList()),
                List.of());
    }

    private String named(FaultReport report) {
        return report.title() + ", " + report.place().label(rig);
    }

    private boolean isAgreed(Fault fault, FaultReport report) {
        return agreed.getOrDefault(fault, List.of()).stream().anyMatch(a -> isExactly(a, report));
    }

    private Award award(Fault fault, FaultReport report) {
        if (isAgreed(fault, report)) {
            return Award.FULL;
        }
        boolean nature = isNature(fault, report) && fault.conductors().equals(report.conductors());
        boolean place = isPlace(fault, report);
        if (nature && place) {
            return Award.FULL;
        }
        return nature
                        || place && isNature(fault, report)
                        || place && fault.place().equals(report.place())
                ? Award.HALF
                : Award.NONE;
    }

    private boolean isPlace(Fault fault, FaultReport report) {
        return fault.kind().acceptedPlaces(fault, rig).contains(report.place());
    }

    private static boolean isExactly(Fault fault, FaultReport report) {
        return fault.kind() == report.kind()
                && fault.place().equals(report.place())
                && fault.conductors().equals(report.conductors());
    }

    private boolean isNature(Fault fault, FaultReport report) {
        FaultKind kind = fault.kind();
        return kind == report.kind()
                || kind.equivalentKinds(rig).contains(report.kind().id());
    }

    private Evidence evidence(Criterion.Aspect aspect, Fault fault, FaultReport report) {
        Award award = award(aspect, fault, report);
        if (aspect != Criterion.Aspect.FOUND) {
            return new Evidence.AspectOf(
                    switch (aspect) {
                        case REMEDIED ->
                            named(report) + (report.remedy().isBlank() ? ", without a remedy" : ", " + report.remedy());
                        case CODED ->
                            named(report) + (report.code().isEmpty() ? ", without a code" : ", " + report.code())
                                    + "; usual practice is "
                                    + fault.kind().codes().stream()
                                            .map(Severity::name)
                                            .collect(Collectors.joining(" or "))
                                    + ", "
                                    + fault.kind().because();
                        case FOUND, NAMED, LOCATED -> named(report);
                    },
                    award == Award.FULL);
        }
        return award == Award.FULL
                ? new Evidence.Found(
                        named(report),
                        fault.place().equals(report.place()),
                        !report.remedy().isBlank())
                : new Evidence.PartlyFound(named(report), isPlace(fault, report));
    }
}
