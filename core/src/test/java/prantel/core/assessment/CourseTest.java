package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.Course.State;
import prantel.core.assessment.Pause.Spared;
import prantel.core.assessment.Pause.Why;
import prantel.core.expectation.Key;
import prantel.core.fault.BoxTruth;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Evidence;
import prantel.core.marking.Mark;
import prantel.core.marking.Marker;
import prantel.core.marking.Watched;
import prantel.core.rig.Rig;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.scheme.Undone;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** The sequence as it is followed. Its order: BS 7671 part 6, from memory; the rest common practice, no source. */
class CourseTest {
    private static final Rig RIG = Rigs.fiveSockets();
    private static final Scheme SCHEME = scheme();
    private static final List<Slot> SLOTS = SlotPlan.sheet(RIG, SCHEME);

    private static Scheme scheme() {
        Scheme all = Schemes.asking(
                "short",
                EnumSet.of(TestKind.SAFE_ISOLATION, TestKind.R1_R2, TestKind.R2, TestKind.INSULATION, TestKind.ZE));
        List<Step> steps = List.of(
                step("isolate", Step.Stage.DEAD, List.of(TestKind.SAFE_ISOLATION), "locked"),
                step("inspect", Step.Stage.DEAD, List.of(), "looked"),
                step("cpc", Step.Stage.DEAD, List.of(TestKind.R1_R2, TestKind.R2), "line-moved"),
                step("insulation", Step.Stage.DEAD, List.of(TestKind.INSULATION), "volts"),
                step("ze", Step.Stage.LIVE, List.of(TestKind.ZE), "earth-back"));
        return new Scheme(
                all.about(),
                all.practice(),
                steps,
                List.of(
                        rule("isolate", "inspect", Severity.SAFETY),
                        rule("inspect", "cpc", Severity.KEY),
                        rule("cpc", "insulation", Severity.COUNTS),
                        rule("insulation", "ze", Severity.SAFETY)),
                all.criteria(),
                new Scheme.PassRule(0, 0, 1));
    }

    private static Step step(String id, Step.Stage stage, List<TestKind> tests, String seen) {
        return new Step(
                id,
                id,
                stage,
                tests,
                List.of(new Observation(
                        seen, seen, Severity.COUNTS, 1, List.of("otherwise"), Map.of("otherwise", Undone.LINK))),
                List.of());
    }

    private static Scheme.OrderRule rule(String first, String then, Severity severity) {
        return new Scheme.OrderRule(first, then, severity, first + " comes first");
    }

    private static Course course(Streams s) {
        return Course.of(s.state(), RIG, SCHEME, SLOTS);
    }

    private static Course.Station at(Course course, String step) {
        return course.stations().stream()
                .filter(s -> s.step().id().equals(step))
                .findFirst()
                .orElseThrow();
    }

    private static List<Slot> boxes(TestKind test) {
        return SLOTS.stream().filter(s -> s.step() == test).toList();
    }

    private static Streams fill(Streams s, TestKind test) {
        boxes(test).forEach(b -> s.write(b.id().value(), "1"));
        return s;
    }

    private static AssessmentEvent right(String observation) {
        return new AssessmentEvent.Observed(observation, Sight.RIGHT, "");
    }

    @Test
    void whatComesNextFollowsTheScheme() {
        Streams s = Streams.atWork();
        assertThat(at(course(s), "isolate").next()).isTrue();
        assertThat(at(course(s), "inspect").shut()).isEqualTo("first: isolate");
        assertThat(at(course(s), "ze").shut()).contains("live");
        fill(s, TestKind.SAFE_ISOLATION).add(right("locked"));
        assertThat(at(course(s), "isolate").state()).isEqualTo(State.DONE);
        assertThat(at(course(s), "inspect").next()).isTrue();
        assertThat(at(course(s), "inspect").mayBegin()).isTrue();
    }

    @Test
    void ofTwoMethodsOneIsEnough() {
        Streams s = fill(Streams.atWork(), TestKind.R1_R2).add(right("line-moved"));
        Course.Station cpc = at(course(s), "cpc");
        assertThat(cpc.state()).isEqualTo(State.DONE);
        assertThat(cpc.open()).isZero();
        assertThat(cpc.filled()).isLessThan(cpc.boxes());
    }

    /** The two methods as steps of their own, neither watched: the one that was not taken is not passed over. */
    @Test
    void theOtherMethodInAStepOfItsOwnIsNotSkipped() {
        Scheme all = Schemes.asking("apart", EnumSet.of(TestKind.R1_R2, TestKind.R2, TestKind.INSULATION));
        List<Step> steps = List.of(
                new Step("one", "one", Step.Stage.DEAD, List.of(TestKind.R1_R2), List.of(), List.of()),
                new Step("two", "two", Step.Stage.DEAD, List.of(TestKind.R2), List.of(), List.of()),
                new Step(
                        "insulation",
                        "insulation",
                        Step.Stage.DEAD,
                        List.of(TestKind.INSULATION),
                        List.of(),
                        List.of()));
        Scheme apart =
                new Scheme(all.about(), all.practice(), steps, List.of(), all.criteria(), new Scheme.PassRule(0, 0, 1));
        List<Slot> slots = SlotPlan.sheet(RIG, apart);
        Streams s = Streams.atWork();
        assertThat(at(Course.of(s.state(), RIG, apart, slots), "one").next()).isTrue();
        slots.stream().filter(b -> b.step() == TestKind.R1_R2).forEach(b -> s.write(b.id().value(), "1"));
        Course course = Course.of(s.state(), RIG, apart, slots);
        assertThat(at(course, "two").open()).isZero();
        assertThat(at(course, "insulation").next()).isTrue();
        s.add(new AssessmentEvent.HandedIn());
        course = Course.of(s.state(), RIG, apart, slots);
        assertThat(at(course, "two").state()).isEqualTo(State.OPEN);
        assertThat(at(course, "insulation").state()).isEqualTo(State.SKIPPED);
    }

    @Test
    void aBrokenRuleIsToldWithTheTwoDeedsThatBrokeIt() {
        Streams s = Streams.atWork();
        fill(s, TestKind.INSULATION).minutes(3);
        fill(s, TestKind.R1_R2);
        Course.Broken broken = course(s).broken().stream()
                .filter(b -> b.rule().then().equals("insulation"))
                .findFirst()
                .orElseThrow();
        assertThat(broken.sure()).isTrue();
        assertThat(broken.then().of())
                .isEqualTo(boxes(TestKind.INSULATION).getFirst().id().value());
        assertThat(broken.first()).isNotNull();
        assertThat(broken.first().first().at()).isEqualTo(Streams.START.plusMinutes(3));
        assertThat(broken.first().first().by()).isEqualTo("owen");
    }

    @Test
    void aTapThatCameLateBreaksNothingForSure() {
        Streams s = fill(Streams.atWork(), TestKind.R1_R2).add(right("looked"));
        assertThat(course(s).broken()).filteredOn(Course.Broken::sure).isEmpty();
        assertThat(course(s).broken())
                .anySatisfy(b -> assertThat(b.rule().first()).isEqualTo("inspect"));
        assertThat(WatchedOf.of(s.state(), RIG, SCHEME, SLOTS).order().known()).isTrue();
        assertThat(WatchedOf.of(s.state(), RIG, SCHEME, SLOTS).order().broken()).isEmpty();
    }

    /** Common practice, no source: a step is before another when all its boxes are. */
    @Test
    void oneBoxOfInsulationIsNotInsulationBeforeZe() {
        Streams s = fill(Streams.atWork(), TestKind.SAFE_ISOLATION);
        fill(s, TestKind.R1_R2);
        List<Slot> boxes = boxes(TestKind.INSULATION);
        s.write(boxes.getFirst().id().value(), "200");
        s.tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN).add(new AssessmentEvent.Energised(true, null));
        fill(s, TestKind.ZE);
        Course.Broken broken = sure(s, "insulation", "ze");
        assertThat(broken.left()).isEqualTo(new Course.Broken.Left(boxes.size() - 1, false));
        assertThat(WatchedOf.of(s.state(), RIG, SCHEME, SLOTS).order().broken())
                .extracting(Watched.Breach::rule)
                .containsExactly(broken.rule());
        boxes.forEach(b -> s.write(b.id().value(), "200"));
        assertThat(sure(s, "insulation", "ze").left().boxes())
                .as("what is written afterwards was not there then")
                .isEqualTo(boxes.size() - 1);
    }

    private static Course.Broken sure(Streams s, String first, String then) {
        return course(s).broken().stream()
                .filter(b -> b.sure()
                        && b.rule().first().equals(first)
                        && b.rule().then().equals(then))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatTheAssessorLetGoLiveIsPermitted() {
        Streams s = fill(Streams.atWork(), TestKind.SAFE_ISOLATION);
        s.write(boxes(TestKind.INSULATION).getFirst().id().value(), "200");
        s.add(new AssessmentEvent.Energised(true, "socket 5 is out of reach today"));
        fill(s, TestKind.ZE);
        assertThat(sure(s, "insulation", "ze").left().permitted()).isTrue();
    }

    /** Begun before nothing of it was done: no leave covers that. */
    @Test
    void whatWasNotBegunAtAllIsNotPermitted() {
        Streams s = fill(Streams.atWork(), TestKind.SAFE_ISOLATION);
        s.add(new AssessmentEvent.Energised(true, "in a hurry"));
        fill(s, TestKind.ZE);
        assertThat(sure(s, "insulation", "ze").left()).isEqualTo(new Course.Broken.Left(0, false));
    }

    /** An empty box costs where it is empty; only safety asks for it before what follows as well. */
    @Test
    void aBoxLeftEmptyBreaksNoRuleThatIsNotSafety() {
        Streams s = fill(Streams.atWork(), TestKind.SAFE_ISOLATION);
        List<Slot> cpc = boxes(TestKind.R1_R2);
        cpc.subList(1, cpc.size()).forEach(b -> s.write(b.id().value(), "1"));
        fill(s, TestKind.INSULATION);
        assertThat(course(s).broken()).filteredOn(Course.Broken::sure).isEmpty();
        s.write(cpc.getFirst().id().value(), "1");
        assertThat(sure(s, "cpc", "insulation").left().boxes())
                .as("read after insulation")
                .isEqualTo(1);
    }

    /** An assessor enters a sheet of paper later, and in the order of the paper: when it was read nobody knows. */
    @Test
    void whatAnAssessorEntersTellsNoOrder() {
        Streams s = Streams.atWork();
        boxes(TestKind.INSULATION)
                .forEach(b -> s.by("ines", new AssessmentEvent.ReadingWritten(b.id().value(), "1", "")));
        boxes(TestKind.R1_R2).forEach(b -> s.by("ines", new AssessmentEvent.ReadingWritten(b.id().value(), "1", "")));
        assertThat(course(s).broken()).filteredOn(Course.Broken::sure).isEmpty();
        assertThat(WatchedOf.of(s.state(), RIG, SCHEME, SLOTS).order().known()).isFalse();
    }

    @Test
    void whatWasPassedOverIsSkipped() {
        Streams s = fill(Streams.atWork(), TestKind.R1_R2);
        assertThat(at(course(s), "inspect").state()).isEqualTo(State.SKIPPED);
        assertThat(at(course(s), "insulation").state()).isEqualTo(State.OPEN);
        s.add(new AssessmentEvent.HandedIn());
        assertThat(at(course(s), "insulation").state()).isEqualTo(State.SKIPPED);
        assertThat(course(s).stations()).noneMatch(Course.Station::next);
    }

    @Test
    void whatIsTrueOfTheRigFollowsFromWhatHappened() {
        Streams s = Streams.atWork();
        assertThat(course(s).rig()).isEqualTo(new Course.RigNow(false, true, Course.Dead.NOT_PROVED, false, List.of()));
        fill(s, TestKind.SAFE_ISOLATION).tickAll(Checklist.LIVE_ASKED);
        assertThat(course(s).rig()).isEqualTo(new Course.RigNow(false, true, Course.Dead.PROVED, true, List.of()));
        s.add(new AssessmentEvent.Energised(true, "only the loop today"));
        assertThat(course(s).rig()).isEqualTo(new Course.RigNow(true, false, Course.Dead.NOT_PROVED, false, List.of()));
        assertThat(at(course(s), "insulation").shut()).contains("dead again");
        assertThat(at(course(s), "ze").next())
                .as("what fits the supply as it is")
                .isTrue();
        assertThat(at(course(s), "ze").shut())
                .as("a rule asks for insulation first")
                .contains("first: insulation");
        s.add(new AssessmentEvent.Energised(false, null));
        assertThat(course(s).rig()).isEqualTo(new Course.RigNow(false, true, Course.Dead.PROVED, false, List.of()));
        s.add(new AssessmentEvent.Observed("line-moved", Sight.SLIP, "otherwise"));
        assertThat(course(s).rig().isUndone(Undone.LINK, TestKind.R1_R2)).isTrue();
        assertThat(course(s).rig().isUndone(Undone.LINK, TestKind.INSULATION))
                .as("of that step's tests")
                .isFalse();
        assertThat(course(s).rig().isUndone(Undone.NULLING, TestKind.R1_R2)).isFalse();
        s.add(right("line-moved"));
        assertThat(course(s).rig().notDone()).as("put right").isEmpty();
        Streams early = fill(Streams.atWork(), TestKind.R1_R2);
        assertThat(course(early).rig().dead()).isEqualTo(Course.Dead.READ_UNPROVED);
    }

    @Test
    void aSlipIsASlipHoweverMuchIsWritten() {
        Streams s = fill(Streams.atWork(), TestKind.SAFE_ISOLATION)
                .add(new AssessmentEvent.Observed("locked", Sight.SLIP, "otherwise"));
        assertThat(at(course(s), "isolate").state()).isEqualTo(State.SLIP);
        assertThat(at(course(s), "isolate").next())
                .as("all is seen and written")
                .isFalse();
        Streams early = Streams.atWork().add(new AssessmentEvent.Observed("locked", Sight.SLIP, "otherwise"));
        assertThat(at(course(early), "isolate").state()).isEqualTo(State.SLIP);
        assertThat(at(course(early), "isolate").next())
                .as("a slip does not end a step")
                .isTrue();
    }

    @Test
    void theGateSaysEverythingThatStandsAgainstGoingLive() {
        Streams s = Streams.atWork();
        List<Course.OpenDead> open = course(s).openDead();
        assertThat(open).extracting(Course.OpenDead::step).containsExactly("isolate", "cpc", "insulation");
        LiveGate.Facts bad = new LiveGate.Facts(
                List.of("CPC open, socket 2"),
                List.of("metal at 230 V"),
                new BoxTruth(Set.of(), new BoxTruth.Heard.Silent()),
                2,
                Optional.of("Bay 4"));
        assertThat(LiveGate.shut(s.state(), open, "", bad).stream().map(LiveGate.Shut::kind))
                .containsExactly(
                        LiveGate.Kind.TAKE_OUT,
                        LiveGate.Kind.DANGER,
                        LiveGate.Kind.BOX,
                        LiveGate.Kind.PROVE_OUT,
                        LiveGate.Kind.ELSEWHERE,
                        LiveGate.Kind.DEAD_TESTS_OPEN,
                        LiveGate.Kind.RULE);
        s.tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN);
        LiveGate.Facts good = new LiveGate.Facts(
                List.of(), List.of(), new BoxTruth(Set.of(), new BoxTruth.Heard.NoBox()), 0, Optional.empty());
        assertThat(LiveGate.shut(s.state(), open, "only the loop today", good)).isEmpty();
        assertThat(LiveGate.shut(s.state(), open, " ", good))
                .singleElement()
                .satisfies(shut -> assertThat(shut.words())
                        .contains("insulation " + open.getLast().boxes()));
    }

    /** A fault that no key knows was measured: that costs nothing, until the box is read again with the relay out. */
    @Test
    void whatIsReadWhileARelayIsInByItselfIsSpared() {
        Streams s = fill(Streams.atWork(), TestKind.R1_R2);
        String box = boxes(TestKind.R1_R2).getFirst().id().value();
        s.add(new AssessmentEvent.BoxAstray(List.of(3))).write(box, "1.7");
        assertThat(s.state().relaysAstray()).containsExactly(3);
        assertThat(SparedBoxes.of(s.state(), SCHEME, SLOTS)).hasSize(1).allSatisfy((id, why) -> {
            assertThat(id.value()).isEqualTo(box);
            assertThat(why).contains("Relay 3").contains("nobody pulled it in");
        });
        s.add(new AssessmentEvent.BoxAstray(List.of()));
        assertThat(SparedBoxes.of(s.state(), SCHEME, SLOTS))
                .as("what was read stays read")
                .hasSize(1);
        s.write(box, "0.5");
        assertThat(SparedBoxes.of(s.state(), SCHEME, SLOTS)).isEmpty();
    }

    /** Whoever waits for a technician is not marked down for what the rig did. */
    @Test
    void whatTheRigDidCostsNothing() {
        Streams s = fill(Streams.atWork(), TestKind.R1_R2);
        s.add(new AssessmentEvent.Halted(
                Why.RIG_FAULT, "worn socket", new Spared(List.of(Rigs.SOCKETS.value()), List.of("cpc"))));
        String again = boxes(TestKind.R1_R2).getFirst().id().value();
        s.add(new AssessmentEvent.Resumed("changed")).write(again, "2");
        Map<prantel.core.sequence.SlotId, String> spared = SparedBoxes.of(s.state(), SCHEME, SLOTS);
        assertThat(spared.keySet()).noneMatch(id -> id.value().equals(again));
        assertThat(spared)
                .hasSize(boxes(TestKind.R1_R2).size() + boxes(TestKind.R2).size() - 1);
        assertThat(spared.values()).allMatch("Rig fault: worn socket"::equals);

        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        CandidateRecord honest = record(key, Map.of());
        CandidateRecord sparing = record(key, spared);
        List<Mark> marks = Marker.mark(key, honest).marks();
        List<Mark> lenient = Marker.mark(key, sparing).marks();
        for (int i = 0; i < marks.size(); i++) {
            boolean touched = marks.get(i).slots().stream().anyMatch(spared::containsKey);
            if (touched && marks.get(i).award() != Mark.Award.FULL) {
                assertThat(lenient.get(i).award()).isEqualTo(Mark.Award.NOT_SEEN);
                assertThat(lenient.get(i).evidence()).isInstanceOf(Evidence.Spared.class);
                assertThat(lenient.get(i).words()).contains("Costs nothing").contains("worn socket");
            } else {
                assertThat(lenient.get(i)).isEqualTo(marks.get(i));
            }
        }
        assertThat(lenient).isNotEqualTo(marks);
    }

    private static CandidateRecord record(Key key, Map<prantel.core.sequence.SlotId, String> spared) {
        Map<prantel.core.sequence.SlotId, String> readings = new java.util.HashMap<>();
        key.expectations().forEach(e -> readings.put(e.slot().id(), "77"));
        return new CandidateRecord(
                new CandidateRecord.Sheet(readings, Map.of(), Map.of()),
                List.of(),
                java.util.Set.of(),
                Watched.NOTHING,
                spared,
                prantel.core.inference.Beside.NOTHING);
    }

    @Test
    void aPartOfARigHasAKeyOfItsOwn() {
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        assertThat(key.of(java.util.Set.of()).expectations()).isEqualTo(key.expectations());
        Key none = key.of(java.util.Set.of(new prantel.core.rig.CircuitId("elsewhere")));
        assertThat(none.circuits()).isEmpty();
        assertThat(none.expectations())
                .isNotEmpty()
                .allMatch(e -> e.slot().circuit().isEmpty());
        assertThat(Marker.mark(none, record(none, Map.of())).marks())
                .noneMatch(m -> m.id().startsWith(Rigs.SOCKETS.value() + "/"));
    }
}
