package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Conductor;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Criterion.Aspect;
import prantel.core.scheme.Criterion.Common;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.PassRule;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Where a mark turns: how many boxes are few, how near is near, what an answer needs, what a named fault is worth. Arithmetic. */
class ShareOfBoxesTest {
    private static final Step WATCHED = new Step(
            "watched",
            "Watched",
            Step.Stage.DEAD,
            List.of(),
            List.of(
                    new Observation("locked", "Locked", Severity.SAFETY, 1, List.of("key left")),
                    new Observation("said", "Said aloud", Severity.KEY, 3, List.of())),
            List.of(new Question(
                    "why",
                    new Question.Wording("Why twice?", List.of("may fail", "proves nothing", "source"), ""),
                    2,
                    4,
                    Question.Asked.OF_EVERYBODY,
                    Set.of())));
    private static final Step CPC =
            new Step("cpc", "CPC", Step.Stage.DEAD, List.of(TestKind.R1_R2), List.of(), List.of());

    private static Common counts(String id, double weight) {
        return new Common(id, "", id, weight, Severity.COUNTS);
    }

    private static Scheme scheme(Criterion... criteria) {
        return new Scheme(
                Schemes.about("s"),
                Schemes.usual(),
                List.of(WATCHED, CPC),
                List.of(),
                List.of(criteria),
                new PassRule(0, 0, 1));
    }

    private static Key key(Scheme scheme, Fault... faults) {
        return Key.of(Rigs.fiveSockets(), FaultSet.of(faults), Testers.usual(), scheme);
    }

    private static Map<SlotId, String> right(Key key) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            readings.put(e.slot().id(), e.withFaults().shown());
        }
        return readings;
    }

    private static List<SlotId> points(Key key) {
        return key.expectations().stream()
                .map(Expectation::slot)
                .filter(s -> s.step() == TestKind.R1_R2 && s instanceof Slot.Measured)
                .map(Slot::id)
                .toList();
    }

    private static Mark only(Key key, CandidateRecord record) {
        List<Mark> marks = Marker.mark(key, record).marks();
        assertThat(marks).hasSize(1);
        return marks.getFirst();
    }

    // Five sockets: a fifth of them is one, two fifths are two.
    @ParameterizedTest
    @CsvSource({
        "0.2, 0, FULL",
        "0.2, 1, HALF",
        "0.2, 2, NONE",
        "0.4, 2, HALF",
        "0.39, 2, NONE",
        "0, 1, NONE",
        "1, 5, HALF"
    })
    void fewBoxesOffAreHalf(double few, int off, Award award) {
        Key key = key(scheme(new Criterion.MeasuredRightly(counts("measured", 1), EnumSet.of(TestKind.R1_R2), few)));
        Map<SlotId, String> readings = right(key);
        List<SlotId> points = points(key);
        assertThat(points).hasSize(5);
        String[] wrong = {"7.77", "3.91", "5.23", "8.88", "6.41"};
        for (int i = 0; i < off; i++) {
            readings.put(points.get(i), wrong[i]);
        }
        assertThat(only(key, new CandidateRecord(readings, Map.of(), List.of())).award())
                .isEqualTo(award);
    }

    @ParameterizedTest
    @CsvSource({"0.2, 1, HALF", "0.2, 2, NONE", "0.4, 2, HALF", "0.15, 1, NONE"})
    void fewOpenBoxesAreHalf(double few, int open, Award award) {
        Key key = key(scheme(new Criterion.Complete(counts("complete", 1), EnumSet.of(TestKind.R1_R2), few)));
        Map<SlotId, String> readings = right(key);
        List<SlotId> points = points(key);
        for (int i = 0; i < open; i++) {
            readings.remove(points.get(i));
        }
        // the box for the record is one more: six in all
        Mark mark = only(key, new CandidateRecord(readings, Map.of(), List.of()));
        assertThat(mark.award()).isEqualTo(award);
        assertThat(mark.evidence()).isInstanceOfSatisfying(Evidence.Filled.class, e -> {
            assertThat(e.open()).hasSize(open);
            assertThat(e.of()).isGreaterThanOrEqualTo(5);
        });
    }

    @ParameterizedTest
    @CsvSource({"'', NONE, 0", "0, HALF, 1", "0 2, FULL, 2", "0 1 2, FULL, 3", "0 3, HALF, 1", "0 -1, HALF, 1"})
    void anAnswerCountsThePointsThatThereAre(String points, Award award, int told) {
        Set<Integer> said = new java.util.HashSet<>();
        for (String p : points.isEmpty() ? new String[0] : points.split(" ")) {
            said.add(Integer.valueOf(p));
        }
        Key key = key(scheme(new Criterion.Answered(counts("asked", 2), List.of())));
        Watched watched = new Watched(Map.of(), Map.of("why", said), Watched.Order.UNKNOWN, Optional.empty());
        Mark mark = only(key, watched(watched));
        assertThat(mark.award()).isEqualTo(award);
        assertThat(mark.weight()).as("of the question and of the criterion").isEqualTo(8);
        assertThat(mark.group()).as("the step where the criterion has no group").isEqualTo("Watched");
        assertThat(mark.evidence())
                .isInstanceOfSatisfying(
                        Evidence.Answer.class, a -> assertThat(a.said()).hasSize(told));
    }

    private static CandidateRecord watched(Watched watched) {
        return new CandidateRecord(Map.of(), Map.of(), List.of(), Set.of(), Map.of(), watched);
    }

    @Test
    void anObservationHasItsWeightItsSeverityAndItsEvidence() {
        Scheme scheme = scheme(new Criterion.Observed(counts("seen", 2), List.of("watched")));
        Watched watched = new Watched(
                Map.of("locked", new Watched.Sight(false, "key left"), "said", new Watched.Sight(true, "")),
                Map.of(),
                Watched.Order.UNKNOWN,
                Optional.empty());
        List<Mark> marks = Marker.mark(key(scheme), watched(watched)).marks();
        assertThat(marks).extracting(Mark::award).containsExactly(Award.NONE, Award.FULL);
        assertThat(marks).extracting(m -> m.worth().severity()).containsExactly(Severity.SAFETY, Severity.KEY);
        assertThat(marks).extracting(Mark::weight).containsExactly(2.0, 6.0);
        assertThat(marks)
                .extracting(Mark::evidence)
                .containsExactly(new Evidence.SeenSlip("key left"), new Evidence.SeenRight());
        Scheme told = scheme(
                new Criterion.Observed(counts("seen", 2), List.of()),
                new Criterion.Safe(new Common("safe", "", "safe", 0, Severity.SAFETY)));
        assertThat(Marker.mark(key(told), watched(watched)).marks())
                .filteredOn(m -> m.id().startsWith("seen/"))
                .extracting(m -> m.worth().severity())
                .as("the criterion of its own stops; here it only counts")
                .containsExactly(Severity.COUNTS, Severity.KEY);
        assertThat(Marker.mark(key(scheme), watched(Watched.NOTHING)).marks())
                .extracting(Mark::evidence)
                .containsOnly(new Evidence.NotSeen());
    }

    private static FaultReport report(Fault fault, String remedy, String code) {
        return new FaultReport(fault.kind(), fault.place(), fault.conductors(), remedy, "", code);
    }

    @Test
    void whatANamedFaultIsWorthAndWhatIsToldOfIt() {
        Fault joint = Faults.joint(3, Conductor.CPC, 0.62);
        Scheme found = scheme(new Criterion.FaultReported(counts("found", 1), Aspect.FOUND));
        Mark whole = told(found, joint, report(joint, "remake it", ""));
        assertThat(whole.award()).isEqualTo(Award.FULL);
        assertThat(whole.title()).isEqualTo("High-resistance joint, CPC, 0.62\u2009Ω, socket 3, sockets");
        assertThat(whole.evidence()).isInstanceOfSatisfying(Evidence.Found.class, f -> {
            assertThat(f.samePlace()).isTrue();
            assertThat(f.remedy()).isTrue();
            assertThat(f.named()).contains("socket 3");
        });
        assertThat(told(found, joint, report(joint, " ", "")).evidence())
                .isInstanceOfSatisfying(
                        Evidence.Found.class,
                        f -> assertThat(f.remedy()).as("a blank is no remedy").isFalse());
        assertThat(told(found, joint, report(Faults.joint(1, Conductor.CPC, 0.62), "", ""))
                        .evidence())
                .isInstanceOfSatisfying(
                        Evidence.PartlyFound.class, f -> assertThat(f.place()).isFalse());
        Mark otherConductor = told(found, joint, report(Faults.joint(3, Conductor.LINE, 0.62), "", ""));
        assertThat(otherConductor.award()).isEqualTo(Award.HALF);
        assertThat(otherConductor.evidence())
                .isInstanceOfSatisfying(
                        Evidence.PartlyFound.class, f -> assertThat(f.place()).isTrue());
        Mark otherNature = told(found, joint, report(Faults.reversed(3), "", ""));
        assertThat(otherNature.award()).as("the very place, another name").isEqualTo(Award.HALF);
        assertThat(told(found, joint, report(Faults.reversed(2), "", "")).evidence())
                .isEqualTo(new Evidence.NotOnTheSheet());
    }

    private static Mark told(Scheme scheme, Fault set, FaultReport report) {
        return Marker.mark(key(scheme, set), new CandidateRecord(Map.of(), Map.of(), List.of(report)))
                .marks()
                .getFirst();
    }

    @Test
    void remedyAndCodeAreToldWithWhatPracticeSays() {
        Fault reversed = Faults.reversed(3);
        Scheme remedied = scheme(new Criterion.FaultReported(counts("remedied", 1), Aspect.REMEDIED));
        assertThat(((Evidence.AspectOf) told(remedied, reversed, report(reversed, "swap them", ""))
                                .evidence())
                        .named())
                .endsWith(", swap them");
        assertThat(((Evidence.AspectOf) told(remedied, reversed, report(reversed, "", ""))
                                .evidence())
                        .named())
                .endsWith(", without a remedy");
        Scheme coded = scheme(new Criterion.FaultReported(counts("coded", 1), Aspect.CODED));
        Evidence.AspectOf none = (Evidence.AspectOf)
                told(coded, reversed, report(reversed, "", "")).evidence();
        assertThat(none.named()).contains(", without a code; usual practice is C1 or C2, ");
        assertThat(none.right()).isFalse();
        assertThat(((Evidence.AspectOf) told(coded, reversed, report(reversed, "", "C2"))
                                .evidence())
                        .right())
                .isTrue();
        Scheme named = scheme(new Criterion.FaultReported(counts("named", 1), Aspect.NAMED));
        assertThat(told(named, reversed, report(reversed, "", "")).title()).startsWith("named: Line and neutral");
        Fault joint = Faults.joint(3, Conductor.CPC, 0.62);
        assertThat(told(named, joint, report(Faults.joint(3, Conductor.LINE, 0.62), "", ""))
                        .award())
                .as("of another conductor")
                .isEqualTo(Award.NONE);
    }

    /** Two sets that read the same: what the assessor agreed on counts as the fault itself, whatever is marked of it. */
    @Test
    void whatTheAssessorAgreedOnCountsInFull() {
        Fault joint = Faults.joint(3, Conductor.CPC, 0.62);
        Fault other = Faults.joint(1, Conductor.CPC, 0.62);
        Scheme scheme = scheme(
                new Criterion.FaultReported(counts("found", 1), Aspect.FOUND),
                new Criterion.FaultReported(counts("named", 1), Aspect.NAMED),
                new Criterion.FaultReported(counts("located", 1), Aspect.LOCATED),
                new Criterion.NothingInvented(counts("invented", 1)));
        CandidateRecord record = new CandidateRecord(Map.of(), Map.of(), List.of(report(other, "", "")));
        assertThat(Marker.mark(key(scheme, joint), record, Map.of(joint, List.of(other)))
                        .marks())
                .extracting(Mark::award)
                .containsOnly(Award.FULL);
        assertThat(Marker.mark(key(scheme, joint), record).marks())
                .extracting(Mark::award)
                .containsExactly(Award.HALF, Award.FULL, Award.NONE, Award.FULL);
    }

    // By hand 36 m × 19.51 mΩ/m is 0.70 Ω: a fifth is 0.14 Ω. IEC 60228 by the table of the trade.
    @ParameterizedTest
    @CsvSource({"1.0, FULL", "1.19, FULL", "1.22, NONE", "0.81, FULL", "0.78, NONE"})
    void nearIsWithinAFifth(double factor, Award award) {
        Key key = key(scheme(new Criterion.ExpectedFirst(counts("expected", 1), EnumSet.of(TestKind.R1_R2))));
        Slot.Measured furthest = (Slot.Measured)
                key.expectation(new SlotId("sockets/r1r2/socket-5")).slot();
        double byHand = furthest.byHand().orElseThrow().base();
        Map<SlotId, String> said = new HashMap<>();
        said.put(furthest.id(), String.format(java.util.Locale.ROOT, "%.3f", byHand * factor));
        assertThat(expected(key, said).award()).isEqualTo(award);
    }

    private static Mark expected(Key key, Map<SlotId, String> said) {
        return only(key, new CandidateRecord(right(key), Map.of(), List.of(), Set.of(), said, Watched.NOTHING));
    }

    @Test
    void blankIsNotSaid() {
        Key key = key(scheme(new Criterion.ExpectedFirst(counts("expected", 1), EnumSet.of(TestKind.R1_R2))));
        List<SlotId> points = new ArrayList<>(points(key));
        Map<SlotId, String> said = new HashMap<>();
        points.forEach(p -> said.put(p, " "));
        assertThat(expected(key, said).award()).isEqualTo(Award.NONE);
        said.put(new SlotId("sockets/r1r2/socket-5"), "plenty");
        assertThat(expected(key, said).award()).as("no number is near nothing").isEqualTo(Award.NONE);
    }
}
