package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.rig.Circuit;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/**
 * Proposes marks for a candidate's record: reads what the scheme says that counts, one criterion after the other. Nothing
 * here knows a scheme, a weight or an order.
 */
public final class Marker {
    private final Key key;
    private final Scheme scheme;
    private final CandidateRecord record;
    private final Map<Fault, List<Fault>> agreed;
    private final BoxMarks boxes;
    private final WatchMarks watched;

    private Marker(Key key, Scheme scheme, CandidateRecord record, Map<Fault, List<Fault>> agreed) {
        this.key = key;
        this.scheme = scheme;
        this.record = record;
        this.agreed = agreed;
        this.boxes = new BoxMarks(key, scheme, record);
        this.watched = new WatchMarks(
                scheme,
                record.watched(),
                key.expectations().stream().map(e -> e.slot().step()).collect(Collectors.toSet()));
    }

    /** The same key and record always give the same result. */
    public static MarkedSheet mark(Key key, CandidateRecord record) {
        return mark(key, record, Map.of());
    }

    /** @param agreed answers that the assessor accepts besides a fault of the set, because they read the same */
    public static MarkedSheet mark(Key key, CandidateRecord record, Map<Fault, List<Fault>> agreed) {
        return mark(key, key.scheme(), record, agreed);
    }

    /**
     * By what another scheme says that counts: to see what would come out.
     *
     * @param scheme asks for the same boxes as the key's, or for fewer
     */
    public static MarkedSheet mark(Key key, Scheme scheme, CandidateRecord record, Map<Fault, List<Fault>> agreed) {
        Marker marker = new Marker(key, scheme, record, agreed);
        List<Mark> marks = Habits.once(marker.marks(), marker.boxes.findings()).stream()
                .map(m -> spared(m, record))
                .toList();
        return new MarkedSheet(key, marker.boxes.findings(), marks, Outcome.of(marks, scheme.pass()));
    }

    /** What was not the candidate's doing costs nothing; what came out right all the same counts. */
    private static Mark spared(Mark mark, CandidateRecord record) {
        if (mark.award() == Mark.Award.FULL || record.spared().isEmpty()) {
            return mark;
        }
        return mark.slots().stream()
                .map(record.spared()::get)
                .filter(java.util.Objects::nonNull)
                .findFirst()
                .map(what -> mark.with(Mark.Award.NOT_SEEN, new Evidence.Spared(what)))
                .orElse(mark);
    }

    /**
     * What is of the whole record and of the rig in the order of the file; what is of circuits circuit by circuit, each test
     * after the other; then the faults.
     */
    private List<Mark> marks() {
        List<Mark> marks = new ArrayList<>();
        for (Criterion criterion : scheme.criteria()) {
            marks.addAll(ofTheRecord(criterion));
        }
        for (TestKind test : scheme.tests()) {
            if (!test.isOfEachCircuit()) {
                ofTests(test).forEach(c -> marks.addAll(boxes.ofRig(c, test)));
            }
        }
        for (Circuit circuit : key.circuits()) {
            for (TestKind test : scheme.tests()) {
                if (test.isOfEachCircuit()) {
                    ofTests(test).forEach(c -> marks.addAll(boxes.ofCircuit(c, test, circuit)));
                }
            }
            for (Criterion criterion : scheme.criteria()) {
                marks.addAll(boxes.ofCircuit(criterion, circuit));
            }
        }
        for (Criterion criterion : scheme.criteria()) {
            marks.addAll(ofFaults(criterion));
        }
        return marks;
    }

    private List<Criterion.OfTests> ofTests(TestKind test) {
        return scheme.criteria().stream()
                .filter(Criterion.OfTests.class::isInstance)
                .map(Criterion.OfTests.class::cast)
                .filter(c -> c.tests().contains(test))
                .toList();
    }

    private List<Mark> ofTheRecord(Criterion criterion) {
        return switch (criterion) {
            case Criterion.LeadsNulled leads -> List.of(boxes.leads(leads));
            case Criterion.Observed observed -> watched.observed(observed);
            case Criterion.Answered answered -> watched.answered(answered);
            case Criterion.OrderKept kept -> List.of(watched.order(kept));
            case Criterion.Safe safe -> List.of(watched.safe(safe, boxes.leftUndone()));
            case Criterion.Closed closed -> List.of(watched.closed(closed));
            case Criterion.OfTests tests -> List.of();
            case Criterion.OneMethod one -> List.of();
            case Criterion.Consistent consistent -> boxes.ofRecord(consistent);
            case Criterion.FaultReported fault -> List.of();
            case Criterion.NothingInvented invented -> List.of();
        };
    }

    private List<Mark> ofFaults(Criterion criterion) {
        return switch (criterion) {
            case Criterion.FaultReported fault -> new FaultMarks(key, record, agreed, boxes.findings()).of(fault);
            case Criterion.NothingInvented invented ->
                List.of(new FaultMarks(key, record, agreed, boxes.findings()).invented(invented));
            default -> List.of();
        };
    }
}
