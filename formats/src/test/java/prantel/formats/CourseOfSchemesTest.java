package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Course;
import prantel.core.assessment.LiveGate;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Rules;
import prantel.core.assessment.Streams;
import prantel.core.fault.BoxTruth;
import prantel.core.rig.Rig;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** The shipped schemes followed on the demo rigs: in their own order, out of it, and in thousands of random streams. */
class CourseOfSchemesTest {
    private static final LiveGate.Facts NOTHING_WRONG = new LiveGate.Facts(
            List.of(), List.of(), new BoxTruth(Set.of(), new BoxTruth.Heard.NoBox()), 0, Optional.empty());

    static Stream<List<String>> everySchemeOnEveryRig() {
        return ShippedSchemes.all().keySet().stream()
                .flatMap(id -> Stream.of("toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse")
                        .map(rig -> List.of(id, rig)));
    }

    private static Scheme scheme(String id) {
        return Objects.requireNonNull(ShippedSchemes.all().get(id)).scheme();
    }

    private static Rig rig(String id) throws Exception {
        return RigFile.read(Files.readAllBytes(Path.of("../demo/" + id + ".rig.json")));
    }

    private static Streams goLive(Streams s) {
        return s.tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN)
                .add(new AssessmentEvent.Energised(true, "for this test"));
    }

    /** One step as its procedure has it: seen, then written, box by box. @param late taps are left for later */
    private static void follow(Streams s, Step step, List<Slot> slots, List<AssessmentEvent> late, boolean tapNow) {
        boolean live = s.state().energisedAt() != null;
        if (step.isLive() && !live) {
            goLive(s);
        } else if (!step.isLive() && live) {
            s.add(new AssessmentEvent.Energised(false, null));
        }
        for (Observation o : step.observations()) {
            AssessmentEvent tap = new AssessmentEvent.Observed(o.id(), Sight.RIGHT, "");
            if (tapNow) {
                s.add(tap);
            } else {
                late.add(tap);
            }
        }
        slots.stream().filter(b -> step.tests().contains(b.step())).forEach(b -> s.write(b.id().value(), "1"));
    }

    @ParameterizedTest
    @MethodSource("everySchemeOnEveryRig")
    void theSchemesOwnOrderIsNeverCalledWrong(List<String> of) throws Exception {
        Scheme scheme = scheme(of.get(0));
        List<Slot> slots = SlotPlan.sheet(rig(of.get(1)), scheme);
        SplittableRandom random = new SplittableRandom(of.hashCode());
        for (int stream = 0; stream < 12; stream++) {
            Streams s = Streams.atWork();
            List<AssessmentEvent> late = new ArrayList<>();
            for (Step step : scheme.steps()) {
                Course before = Course.of(s.state(), rig(of.get(1)), scheme, slots);
                follow(s, step, slots, late, stream == 0 || random.nextBoolean());
                if (stream == 0) {
                    station(before, step)
                            .filter(x -> x.boxes() > 0 && !step.isLive())
                            .ifPresent(x -> assertThat(x.shut())
                                    .as("%s is open when its turn comes", step.title())
                                    .doesNotStartWith("first:"));
                }
            }
            late.forEach(s::add);
            Course course = Course.of(s.state(), rig(of.get(1)), scheme, slots);
            assertThat(course.broken()).filteredOn(Course.Broken::sure).isEmpty();
            if (stream == 0) {
                assertThat(course.broken()).isEmpty();
                assertThat(course.stations()).noneMatch(Course.Station::next);
                assertThat(course.openDead()).isEmpty();
            }
        }
    }

    private static Optional<Course.Station> station(Course course, Step step) {
        return course.stations().stream().filter(x -> x.step().equals(step)).findFirst();
    }

    @ParameterizedTest
    @MethodSource("everySchemeOnEveryRig")
    void twoStepsTheWrongWayRoundAreTold(List<String> of) throws Exception {
        Scheme scheme = scheme(of.get(0));
        List<Slot> slots = SlotPlan.sheet(rig(of.get(1)), scheme);
        for (Scheme.OrderRule rule : scheme.order()) {
            Streams s = Streams.atWork();
            Step then = scheme.step(rule.then()).orElseThrow();
            Step first = scheme.step(rule.first()).orElseThrow();
            follow(s, then, slots, new ArrayList<>(), false);
            follow(s, first, slots, new ArrayList<>(), false);
            boolean bothWritten = Stream.of(then, first)
                    .allMatch(step -> slots.stream().anyMatch(b -> step.tests().contains(b.step())));
            List<Course.Broken> told = Course.of(s.state(), rig(of.get(1)), scheme, slots).broken().stream()
                    .filter(b -> b.rule().equals(rule) && b.sure())
                    .toList();
            assertThat(told).as(rule.why()).hasSize(bothWritten ? 1 : 0);
            told.forEach(b -> assertThat(b.then().seq())
                    .isLessThan(Objects.requireNonNull(b.first()).seq()));
        }
    }

    /** Nothing is touched before it is dead and proved so: common practice, no source. */
    @ParameterizedTest
    @MethodSource("everySchemeOnEveryRig")
    void aReadingOfADeadTestBeforeIsolationBreaksASafetyRule(List<String> of) throws Exception {
        Scheme scheme = scheme(of.get(0));
        if (scheme.step("isolate").isEmpty() || scheme.order().isEmpty()) {
            return;
        }
        List<Slot> slots = SlotPlan.sheet(rig(of.get(1)), scheme);
        Step isolate = scheme.step("isolate").orElseThrow();
        for (Step step : scheme.steps()) {
            boolean read =
                    !step.isLive() && slots.stream().anyMatch(b -> step.tests().contains(b.step()));
            boolean closing = step.id().equals("closing"); // what is written there is how the rig was left: no test
            if (!read || closing || step.equals(isolate)) {
                continue;
            }
            Streams s = Streams.atWork();
            follow(s, step, slots, new ArrayList<>(), false);
            follow(s, isolate, slots, new ArrayList<>(), false);
            assertThat(Course.of(s.state(), rig(of.get(1)), scheme, slots).broken())
                    .as(step.title())
                    .anyMatch(b -> b.sure()
                            && b.rule().first().equals("isolate")
                            && b.rule().severity() == Severity.SAFETY);
        }
    }

    /** Whatever is tried in whatever order: nothing goes live before its gate, and the course is the same replayed at once. */
    @Test
    void noStreamGetsPastTheGateAndReplayInPiecesIsReplayAtOnce() throws Exception {
        Scheme scheme = scheme("initial-single-phase");
        Rig rig = rig("toll-cottage");
        List<Slot> slots = SlotPlan.sheet(rig, scheme);
        SplittableRandom random = new SplittableRandom(12);
        int lives = 0;
        int refused = 0;
        for (int stream = 0; stream < 3000; stream++) {
            Streams s = Streams.atWork();
            for (int i = 0; i < 30; i++) {
                for (AssessmentEvent event : tried(random, scheme, slots)) {
                    Assessment state = s.state();
                    if (event instanceof AssessmentEvent.Energised on && on.on()) {
                        LiveGate.Facts facts = random.nextInt(4) > 0
                                ? NOTHING_WRONG
                                : new LiveGate.Facts(
                                        List.of("CPC open"),
                                        List.of(),
                                        new BoxTruth(Set.of(), new BoxTruth.Heard.NoBox()),
                                        0,
                                        Optional.empty());
                        List<Course.OpenDead> open =
                                Course.of(state, rig, scheme, slots).openDead();
                        String why = Objects.requireNonNullElse(on.reason(), "");
                        if (!LiveGate.shut(state, open, why, facts).isEmpty()) {
                            refused++;
                            continue;
                        }
                        lives++;
                        assertThat(facts).isEqualTo(NOTHING_WRONG);
                        assertThat(open.isEmpty() || !why.isBlank()).isTrue();
                        assertThat(state.stop()).isNull();
                        assertThat(state.conduct().pause()).isEmpty();
                        assertThat(state.conduct().open(Checklist.LIVE_ASKED)).isEmpty();
                        assertThat(state.conduct().open(Checklist.LIVE_GIVEN)).isEmpty();
                    } else if (Rules.mayHappen(event, state).isPresent()) {
                        continue;
                    }
                    s.add(event);
                }
            }
            if (stream % 10 == 0) {
                Course inPieces = Course.of(s.state(), rig, scheme, slots);
                Course atOnce = Course.of(Assessment.replay(Streams.PINNED, s.recorded()), rig, scheme, slots);
                assertThat(atOnce).isEqualTo(inPieces);
            }
        }
        assertThat(lives).isGreaterThan(300);
        assertThat(refused).isGreaterThan(3000);
    }

    private static List<AssessmentEvent> tried(SplittableRandom random, Scheme scheme, List<Slot> slots) {
        return switch (random.nextInt(9)) {
            case 0, 1 -> Streams.ticksOf(Checklist.LIVE_ASKED);
            case 2, 3 -> Streams.ticksOf(Checklist.LIVE_GIVEN).subList(0, random.nextInt(5, 7));
            case 4 -> List.of(new AssessmentEvent.Energised(true, random.nextBoolean() ? "only the loop" : null));
            case 5 -> List.of(new AssessmentEvent.Energised(false, null));
            case 6 ->
                random.nextInt(3) > 0
                        ? List.of(new AssessmentEvent.ReadingWritten(
                                slots.get(random.nextInt(slots.size())).id().value(), "1", ""))
                        : List.of(
                                new AssessmentEvent.Halted(Pause.Why.INTERRUPTION, "fire alarm", Pause.Spared.NOTHING),
                                new AssessmentEvent.Resumed("over"));
            case 7 -> {
                List<Observation> all = scheme.observations();
                yield List.of(new AssessmentEvent.Observed(
                        all.get(random.nextInt(all.size())).id(), Sight.RIGHT, ""));
            }
            default ->
                random.nextInt(10) > 0
                        ? Streams.ticksOf(Checklist.MAKE_SAFE)
                        : List.of(
                                new AssessmentEvent.Stopped("over a live part"),
                                new AssessmentEvent.StopLifted("goes on"));
        };
    }
}
