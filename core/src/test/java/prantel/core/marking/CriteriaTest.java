package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Criterion.Aspect;
import prantel.core.scheme.Criterion.Common;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Scheme.PassRule;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** Each kind of criterion by itself. What counts as right: common practice, no source, unless a line says otherwise. */
class CriteriaTest {
    private static final Rig RIG = Rigs.fiveSockets();
    private static final Step LOOK = new Step(
            "look",
            "Look",
            Step.Stage.DEAD,
            List.of(),
            List.of(
                    new Observation("locked", "Locked, key on the person", Severity.SAFETY, 1, List.of("key left")),
                    new Observation("said", "Said aloud", Severity.COUNTS, 2, List.of())),
            List.of(new Question(
                    "why",
                    new Question.Wording("Why twice?", List.of("may fail", "proves nothing", "source"), ""),
                    2,
                    1,
                    Question.Asked.OF_EVERYBODY,
                    Set.of())));
    private static final Step BONDS =
            new Step("bonds", "Bonds", Step.Stage.DEAD, List.of(TestKind.BONDING), List.of(), List.of());
    private static final Step CPC =
            new Step("cpc", "CPC", Step.Stage.DEAD, List.of(TestKind.R1_R2), List.of(), List.of());

    private static Scheme scheme(Criterion... criteria) {
        return new Scheme(
                Schemes.about("s"),
                Schemes.usual(),
                List.of(LOOK, BONDS, CPC),
                List.of(
                        new OrderRule("look", "bonds", Severity.SAFETY, "dead first"),
                        new OrderRule("bonds", "cpc", Severity.COUNTS, "a path to earth first")),
                List.of(criteria),
                new PassRule(0, 0, 1));
    }

    private static Common common(String id, double weight, Severity severity) {
        return new Common(id, "G", id, weight, severity);
    }

    private static Common counts(String id) {
        return common(id, 1, Severity.COUNTS);
    }

    private static MarkedSheet mark(Scheme scheme, FaultSet faults, CandidateRecord record) {
        return Marker.mark(Key.of(RIG, faults, Testers.usual(), scheme), record);
    }

    private static Mark only(Scheme scheme, CandidateRecord record) {
        return mark(scheme, FaultSet.NONE, record).marks().getFirst();
    }

    private static CandidateRecord watched(Watched watched) {
        return new CandidateRecord(Map.of(), Map.of(), List.of(), Set.of(), Map.of(), watched);
    }

    private static Watched seen(String id, boolean right, String slip) {
        return new Watched(
                Map.of(id, new Watched.Sight(right, slip)), Map.of(), Watched.Order.UNKNOWN, Optional.empty());
    }

    @Test
    void whatNobodySawCountsNeitherWay() {
        Scheme scheme = scheme(new Criterion.Observed(counts("seen"), List.of("look")));
        MarkedSheet nothing = mark(scheme, FaultSet.NONE, watched(Watched.NOTHING));
        assertThat(nothing.marks()).hasSize(2).extracting(Mark::award).containsOnly(Award.NOT_SEEN);
        assertThat(nothing.outcome().outOf()).isZero();
        MarkedSheet one = mark(scheme, FaultSet.NONE, watched(seen("said", true, "")));
        assertThat(one.outcome().outOf()).as("weight of the observation").isEqualTo(2);
        assertThat(one.outcome().points()).isEqualTo(2);
    }

    @Test
    void aSafetySlipStopsOnceWhereACriterionTellsIt() {
        Scheme scheme = scheme(
                new Criterion.Observed(counts("seen"), List.of("look")),
                new Criterion.Safe(common("safe", 0, Severity.SAFETY)));
        MarkedSheet sheet = mark(scheme, FaultSet.NONE, watched(seen("locked", false, "key left")));
        assertThat(sheet.outcome().verdict()).isEqualTo(Outcome.Verdict.STOPPED);
        assertThat(sheet.outcome().reasons()).hasSize(1);
        assertThat(sheet.marks())
                .filteredOn(m -> m.id().equals("safe"))
                .singleElement()
                .satisfies(m -> assertThat(m.words()).contains("key left"));
    }

    @Test
    void aStopIsUnsafeThoughNothingElseWasRecorded() {
        Scheme scheme = scheme(new Criterion.Safe(common("safe", 0, Severity.SAFETY)));
        Watched stopped =
                new Watched(Map.of(), Map.of(), Watched.Order.UNKNOWN, Optional.of("worked over a live part"));
        assertThat(mark(scheme, FaultSet.NONE, watched(stopped)).outcome().verdict())
                .isEqualTo(Outcome.Verdict.STOPPED);
    }

    @Test
    void anAnswerNeedsItsPoints() {
        Scheme scheme = scheme(new Criterion.Answered(counts("asked"), List.of("look")));
        assertThat(mark(scheme, FaultSet.NONE, watched(Watched.NOTHING)).marks())
                .as("not asked")
                .isEmpty();
        assertThat(only(scheme, watched(said(Set.of()))).award()).isEqualTo(Award.NONE);
        assertThat(only(scheme, watched(said(Set.of(1)))).award()).isEqualTo(Award.HALF);
        Mark full = only(scheme, watched(said(Set.of(0, 2))));
        assertThat(full.award()).isEqualTo(Award.FULL);
        assertThat(full.words()).contains("may fail").contains("source");
    }

    private static Watched said(Set<Integer> points) {
        return new Watched(Map.of(), Map.of("why", points), Watched.Order.UNKNOWN, Optional.empty());
    }

    @Test
    void orderIsHeldByWhatWasBegunFirst() {
        Scheme scheme = scheme(new Criterion.OrderKept(counts("order"), Set.of(Severity.COUNTS)));
        OrderRule rule = scheme.order().getLast();
        assertThat(only(scheme, order()).award()).isEqualTo(Award.FULL);
        Mark broken = only(scheme, order(new Watched.Breach(rule, 0, false)));
        assertThat(broken.award()).isEqualTo(Award.NONE);
        assertThat(broken.words()).contains("“CPC”").contains("“Bonds”").contains("a path to earth first");
        assertThat(only(scheme, order(new Watched.Breach(rule, 2, false))).words())
                .contains("“CPC” was begun with 2 boxes of “Bonds” still empty");
        assertThat(only(scheme, order(new Watched.Breach(scheme.order().getFirst(), 0, false)))
                        .award())
                .as("a rule of another severity is another criterion's")
                .isEqualTo(Award.FULL);
        assertThat(only(scheme, watched(Watched.NOTHING)).award())
                .as("nobody knows when anything was done")
                .isEqualTo(Award.NOT_SEEN);
    }

    private static CandidateRecord order(Watched.Breach... broken) {
        return watched(new Watched(Map.of(), Map.of(), new Watched.Order(true, List.of(broken)), Optional.empty()));
    }

    /** Where usual practice allows two codes, both are right. Common practice, no source. */
    @Test
    void aCodeThatUsualPracticeAllowsAsWellIsRight() {
        Scheme scheme = scheme(new Criterion.FaultReported(counts("coded"), Aspect.CODED));
        var reversed = Faults.reversed(3);
        assertThat(reversed.kind().codes())
                .containsExactly(prantel.core.fault.Severity.C1, prantel.core.fault.Severity.C2);
        for (String code : List.of("C1", "C2", "C3")) {
            FaultReport report =
                    new FaultReport(reversed.kind(), reversed.place(), reversed.conductors(), "", "", code);
            assertThat(awards(scheme, new FaultSet(List.of(reversed)), report).values())
                    .as(code)
                    .containsOnly(code.equals("C3") ? Award.NONE : Award.FULL);
        }
    }

    /** The right circuit and another name for what is wrong there: not found, and no sound part called faulty. */
    @Test
    void aFaultNamedWronglyInItsOwnCircuitIsNotInventedToo() {
        Scheme scheme = scheme(
                new Criterion.FaultReported(counts("found"), Aspect.FOUND),
                new Criterion.NothingInvented(counts("invented")));
        var joint = Faults.joint(3, Conductor.CPC, 0.62);
        var open = Faults.cpcOpenAfter(1);
        FaultReport wrong = new FaultReport(open.kind(), open.place(), open.conductors(), "", "", "");
        assertThat(awards(scheme, new FaultSet(List.of(joint)), wrong))
                .containsEntry("found/1", Award.NONE)
                .containsEntry("invented", Award.FULL);
        assertThat(awards(scheme, FaultSet.NONE, wrong)).containsEntry("invented", Award.NONE);
    }

    /** An empty box costs where it is measured and nowhere else. */
    @Test
    void anEmptyBoxCostsOnce() {
        Scheme scheme = scheme(
                new Criterion.MeasuredRightly(counts("measured"), EnumSet.of(TestKind.BONDING), 0),
                new Criterion.JudgedRightly(counts("judged"), EnumSet.of(TestKind.BONDING), 0));
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), scheme);
        Map<SlotId, String> readings = right(key);
        Map<SlotId, Boolean> judged = new HashMap<>();
        for (Expectation e : key.expectations()) {
            e.slot()
                    .limit()
                    .ifPresent(l -> judged.put(e.slot().id(), e.withFaults().meets(l)));
        }
        SlotId empty = key.expectations().stream()
                .filter(e ->
                        e.slot().step() == TestKind.BONDING && e.slot().limit().isPresent())
                .map(e -> e.slot().id())
                .findFirst()
                .orElseThrow();
        readings.remove(empty);
        judged.remove(empty);
        Map<String, Award> awards = Marker.mark(key, new CandidateRecord(readings, judged, List.of())).marks().stream()
                .collect(Collectors.toMap(Mark::title, Mark::award, (a, b) -> a.share() < b.share() ? a : b));
        assertThat(awards).containsEntry("measured", Award.NONE).containsEntry("judged", Award.FULL);
    }

    /** Whoever passes what fails lets it be used: a key mark whatever the scheme says. Common practice, no source. */
    @Test
    void passingWhatFailsIsAKeyMarkAndFailingWhatPassesASlip() {
        Scheme scheme = scheme(new Criterion.JudgedRightly(counts("judged"), EnumSet.of(TestKind.BONDING), 1));
        Key key = Key.of(RIG, new FaultSet(List.of(Faults.clampOnPaint(Rigs.GAS))), Testers.usual(), scheme);
        Map<SlotId, Boolean> judged = new HashMap<>();
        for (Expectation e : key.expectations()) {
            e.slot().limit().ifPresent(l -> judged.put(e.slot().id(), true));
        }
        MarkedSheet passed = Marker.mark(key, new CandidateRecord(right(key), judged, List.of()));
        assertThat(passed.marks()).anySatisfy(m -> {
            assertThat(m.worth().severity()).isEqualTo(Severity.KEY);
            assertThat(m.award()).isEqualTo(Award.NONE);
            assertThat(m.words()).contains("fails its limit and is called satisfactory");
        });
        assertThat(passed.outcome().verdict()).isNotEqualTo(Outcome.Verdict.PASS);
        judged.replaceAll((id, v) -> false);
        assertThat(Marker.mark(key, new CandidateRecord(right(key), judged, List.of()))
                        .marks())
                .allSatisfy(m -> assertThat(m.worth().severity()).isEqualTo(Severity.COUNTS));
    }

    /** Common practice, no source: what is safety and nobody saw is not taken as done. */
    @Test
    void whatIsSafetyAndNobodySawLetsNoPassBeProposed() {
        Scheme scheme = scheme(new Criterion.Safe(common("safe", 0, Severity.SAFETY)));
        MarkedSheet unseen = mark(scheme, FaultSet.NONE, order());
        assertThat(unseen.outcome().verdict()).isEqualTo(Outcome.Verdict.YOUR_WORD);
        assertThat(unseen.outcome().verdict().isGiven()).isFalse();
        assertThat(unseen.marks().getFirst().words()).contains("nobody saw it: Locked");
        Mark word = unseen.marks().getFirst().withAward(Award.FULL);
        assertThat(Outcome.of(List.of(word), scheme.pass()).verdict())
                .as("the assessor gives it")
                .isEqualTo(Outcome.Verdict.PASS);
        assertThat(mark(scheme, FaultSet.NONE, watched(seen("locked", true, "")))
                        .outcome()
                        .verdict())
                .isEqualTo(Outcome.Verdict.PASS);
    }

    /** With the assessor's leave, and a reason, it is told and not held against the candidate. */
    @Test
    void whatTheAssessorPermittedIsToldAndNotUnsafe() {
        Scheme scheme = scheme(new Criterion.Safe(common("safe", 0, Severity.SAFETY)));
        OrderRule rule = scheme.order().getFirst();
        Watched seen = new Watched(
                Map.of("locked", new Watched.Sight(true, "")),
                Map.of(),
                new Watched.Order(true, List.of(new Watched.Breach(rule, 3, true))),
                Optional.empty());
        Mark permitted = only(scheme, watched(seen));
        assertThat(permitted.award()).isEqualTo(Award.FULL);
        assertThat(permitted.words()).contains("Permitted").contains("3 boxes");
        Mark own = only(scheme, order(new Watched.Breach(rule, 3, false)));
        assertThat(own.award()).isEqualTo(Award.NONE);
        assertThat(own.words()).contains("Stopped for safety");
    }

    @Test
    void openBoxesCostOnceWhereTheSchemeAsksForAllOfThem() {
        Scheme scheme = scheme(
                new Criterion.MeasuredRightly(counts("measured"), EnumSet.of(TestKind.R1_R2), 0),
                new Criterion.Complete(counts("complete"), EnumSet.of(TestKind.R1_R2), 0));
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), scheme);
        Map<SlotId, String> readings = right(key);
        readings.remove(new SlotId("sockets/r1r2/socket-3"));
        Map<String, Award> awards =
                Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of())).marks().stream()
                        .collect(Collectors.toMap(Mark::title, Mark::award));
        assertThat(awards).containsEntry("measured", Award.FULL).containsEntry("complete", Award.NONE);
    }

    private static Map<SlotId, String> right(Key key) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            readings.put(e.slot().id(), e.withFaults().shown());
        }
        return readings;
    }

    @Test
    void aFaultIsNamedLocatedAndRemediedEachForItself() {
        Scheme scheme = scheme(
                new Criterion.FaultReported(counts("named"), Aspect.NAMED),
                new Criterion.FaultReported(counts("located"), Aspect.LOCATED),
                new Criterion.FaultReported(counts("remedied"), Aspect.REMEDIED),
                new Criterion.FaultReported(counts("coded"), Aspect.CODED));
        var fault = Faults.joint(3, Conductor.CPC, 0.62);
        FaultReport elsewhere = new FaultReport(
                fault.kind(), Faults.joint(1, Conductor.CPC, 0.62).place(), fault.conductors(), "", "", "");
        Map<String, Award> awards = awards(scheme, new FaultSet(List.of(fault)), elsewhere);
        assertThat(awards)
                .containsEntry("named/1", Award.FULL)
                .containsEntry("located/1", Award.NONE)
                .containsEntry("remedied/1", Award.NONE)
                .containsEntry("coded/1", Award.NONE);
        FaultReport whole = new FaultReport(
                fault.kind(),
                fault.place(),
                fault.conductors(),
                "remake it",
                "R1+R2 jumps at socket 3",
                fault.kind().severity().name());
        assertThat(awards(scheme, new FaultSet(List.of(fault)), whole).values()).containsOnly(Award.FULL);
    }

    private static Map<String, Award> awards(Scheme scheme, FaultSet faults, FaultReport report) {
        Map<String, Award> awards = new HashMap<>();
        mark(scheme, faults, new CandidateRecord(Map.of(), Map.of(), List.of(report)))
                .marks()
                .forEach(m -> awards.put(m.id(), m.award()));
        return awards;
    }

    /** Expected value: length × mΩ/m of IEC 60228, as the trade works it out. */
    @Test
    void anExpectedValueIsNearWhatTheArithmeticGives() {
        Scheme scheme = scheme(new Criterion.ExpectedFirst(counts("expected"), EnumSet.of(TestKind.R1_R2)));
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), scheme);
        SlotId furthest = new SlotId("sockets/r1r2/socket-5");
        for (var expected : Map.of("0.72", Award.FULL, "2.00", Award.NONE).entrySet()) {
            CandidateRecord record = new CandidateRecord(
                    right(key), Map.of(), List.of(), Set.of(), Map.of(furthest, expected.getKey()), Watched.NOTHING);
            assertThat(Marker.mark(key, record).marks().getFirst().award())
                    .as(expected.getKey())
                    .isEqualTo(expected.getValue());
        }
    }

    @Test
    void aBoxLeftOutWithAReasonCountsNeitherWayWhereThatIsAllowed() {
        Scheme strict = scheme(new Criterion.MeasuredRightly(counts("measured"), EnumSet.of(TestKind.R1_R2), 0));
        var usual = Schemes.usual();
        Scheme mild = strict.with(new prantel.core.scheme.Practice(
                usual.continuity(),
                usual.bonding(),
                usual.insulation(),
                usual.loop(),
                usual.rcd(),
                new prantel.core.scheme.Practice.Recording(
                        prantel.core.scheme.Practice.NotTested.WITH_REASON,
                        prantel.core.scheme.Practice.OverRange.WITH_RANGE,
                        prantel.core.scheme.Practice.Codes.NONE),
                usual.tolerances()));
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), strict);
        Map<SlotId, String> readings = right(key);
        readings.put(new SlotId("sockets/r1r2/socket-3"), "not tested: behind a built-in cupboard");
        CandidateRecord record = new CandidateRecord(readings, Map.of(), List.of());
        assertThat(only(strict, record).award()).isEqualTo(Award.NONE);
        assertThat(only(mild, record).award()).isEqualTo(Award.FULL);
    }
}
