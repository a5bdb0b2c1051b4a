package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.Pause.Spared;
import prantel.core.assessment.Pause.Why;
import prantel.core.scheme.About;

/** Clocks, checks, stops, handing over and taking back. What stops a clock: common practice, no source. */
class ConductTest {
    private static final About.Times TIMES = new About.Times(60, 30, 100);
    private static final AssessmentEvent LIVE = new AssessmentEvent.Energised(true, null);
    private static final AssessmentEvent DEAD = new AssessmentEvent.Energised(false, null);
    private static final AssessmentEvent HALT = new AssessmentEvent.Halted(
            Why.RIG_FAULT, "strapper loose at the landing", new Spared(List.of("lights"), List.of()));

    private static StageClock clock(Streams s) {
        return StageClock.of(s.state(), TIMES, s.now());
    }

    @Test
    void theClockStandsStillForARigFaultAndGoesOnAfterwards() {
        Streams s = Streams.atWork().minutes(20).add(HALT).minutes(45);
        assertThat(clock(s).state()).isEqualTo(StageClock.State.HALTED);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(20));
        s.add(new AssessmentEvent.Resumed("tightened")).minutes(10);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(30));
        assertThat(clock(s).dead().left()).isEqualTo(Duration.ofMinutes(30));
        assertThat(s.state().conduct().pauses().getFirst().outcome()).isEqualTo("tightened");
    }

    /** Whoever reads the brief, or waits for a tablet, does not work yet. */
    @Test
    void theClockStartsWhenTheCandidateHasConfirmed() {
        Streams s = new Streams().add(new AssessmentEvent.LockedOff(), new AssessmentEvent.SheetOpened());
        s.minutes(12);
        assertThat(clock(s).all().gone()).isZero();
        assertThat(clock(s).state()).isEqualTo(StageClock.State.NOT_CONFIRMED);
        List<AssessmentEvent> work = List.of(
                new AssessmentEvent.ReadingWritten("a", "1", ""),
                new AssessmentEvent.ReadingTaken("a", "1", "t", "low-ohm", true, null),
                new AssessmentEvent.ExpectedSaid("a", "1", ""),
                new AssessmentEvent.BoxJudged("a", true, null),
                new AssessmentEvent.FaultsReported("{}"),
                new AssessmentEvent.Ticked(Checklist.LIVE_ASKED, "ask", true),
                new AssessmentEvent.HandedIn());
        assertThat(work)
                .allSatisfy(e -> assertThat(Rules.mayBeBy(e, "owen", false, s.state())
                                .orElseThrow()
                                .code())
                        .isEqualTo("not-confirmed"));
        assertThat(work)
                .as("an assessor enters what was confirmed on paper")
                .allSatisfy(e ->
                        assertThat(Rules.mayBeBy(e, "ines", false, s.state())).isEmpty());
        List<AssessmentEvent> ticks = Streams.ticksOf(Checklist.READY);
        ticks.subList(0, ticks.size() - 1).forEach(t -> s.by("owen", t));
        assertThat(clock(s).state()).isEqualTo(StageClock.State.NOT_CONFIRMED);
        s.by("owen", ticks.getLast()).minutes(3);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(3));
        assertThat(clock(s).state()).isEqualTo(StageClock.State.RUNS);
        assertThat(work)
                .allSatisfy(e ->
                        assertThat(Rules.mayBeBy(e, "owen", false, s.state())).isEmpty());
    }

    /** Records of a time in which nobody was asked first keep the clock that they had. */
    @Test
    void aRecordWithoutAConfirmationCountsFromItsOpening() {
        Streams s = new Streams().add(new AssessmentEvent.LockedOff(), new AssessmentEvent.SheetOpened());
        s.minutes(4).write("a", "1").minutes(6);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(10));
    }

    /** Taking faults out before a live stage, and proving them out, is the assessor's work. */
    @Test
    void theAssessorsHandsInTheRigAreNotOnTheCandidatesClock() {
        Streams s = Streams.atWork().minutes(20);
        s.add(new AssessmentEvent.FaultHandled(0, AssessmentEvent.Handling.OUT, true))
                .minutes(5);
        s.add(new AssessmentEvent.LiveCheckTaken("a", "1")).minutes(5);
        assertThat(clock(s).state()).isEqualTo(StageClock.State.AT_THE_RIG);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(20));
        s.add(LIVE).minutes(7);
        assertThat(clock(s).live().gone()).isEqualTo(Duration.ofMinutes(7));
        assertThat(clock(s).dead().gone()).isEqualTo(Duration.ofMinutes(20));
        Streams worksOn = Streams.atWork().minutes(20);
        worksOn.add(new AssessmentEvent.FaultHandled(0, AssessmentEvent.Handling.OUT, true))
                .minutes(5);
        worksOn.write("a", "1").minutes(2);
        assertThat(clock(worksOn).all().gone())
                .as("whoever writes on is at work")
                .isEqualTo(Duration.ofMinutes(22));
    }

    @Test
    void liveTimeIsCountedForItselfAndWithoutItsPauses() {
        Streams s = Streams.atWork().minutes(30).add(LIVE).minutes(10).add(HALT).minutes(5);
        s.add(new AssessmentEvent.Resumed("")).minutes(3).add(DEAD).minutes(4);
        assertThat(clock(s).live().gone()).isEqualTo(Duration.ofMinutes(13));
        assertThat(clock(s).dead().gone()).isEqualTo(Duration.ofMinutes(34));
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(47));
        s.add(new AssessmentEvent.HandedIn()).minutes(600);
        assertThat(clock(s).all().gone()).as("it ends when it is handed in").isEqualTo(Duration.ofMinutes(47));
        assertThat(clock(s).state()).isEqualTo(StageClock.State.CLOSED);
        s.add(new AssessmentEvent.HandedBack("two boxes are empty")).minutes(2);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(49));
    }

    @Test
    void extraTimeIsAFactorOfEveryLimit() {
        Streams s = Streams.atWork()
                .add(new AssessmentEvent.Adjusted(1.25, List.of("larger type")))
                .minutes(70);
        assertThat(clock(s).dead().allowed()).isEqualTo(Duration.ofMinutes(75));
        assertThat(clock(s).live().allowed()).isEqualTo(Duration.ofSeconds(2250));
        assertThat(clock(s).all().allowed()).isEqualTo(Duration.ofMinutes(125));
        assertThat(clock(s).dead().isOver()).isFalse();
        assertThat(clock(s.minutes(6)).dead().isOver()).isTrue();
        StageClock unlimited = StageClock.of(s.state(), new About.Times(0, 0, 0), s.now());
        assertThat(unlimited.all().isOver()).isFalse();
        assertThatThrownBy(() -> unlimited.all().left()).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void whatCarriesOnKeepsTheTimeThatWasUsed() {
        Streams s = new Streams()
                .add(
                        new AssessmentEvent.Continued("a0", 1200, 60),
                        new AssessmentEvent.LockedOff(),
                        new AssessmentEvent.SheetOpened())
                .tickAll(Checklist.READY)
                .minutes(5);
        assertThat(clock(s).all().gone()).isEqualTo(Duration.ofMinutes(26));
        assertThat(Rules.mayHappen(new AssessmentEvent.Continued("a0", 1, 1), s.state()))
                .isPresent();
    }

    @Test
    void nothingIsWrittenNorEnergisedWhileTheClockStandsStill() {
        Streams s = Streams.atWork()
                .tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN)
                .add(HALT);
        for (AssessmentEvent event :
                List.of(new AssessmentEvent.ReadingWritten("a", "1", ""), LIVE, HALT, new AssessmentEvent.HandedIn())) {
            assertThat(Rules.mayHappen(event, s.state()).orElseThrow().code())
                    .as(event.kind())
                    .isEqualTo("halted");
        }
        s.add(new AssessmentEvent.Resumed("mended"));
        assertThat(Rules.mayHappen(LIVE, s.state()).orElseThrow().code())
                .as("asked and given anew")
                .isEqualTo("not-asked-or-given");
        s.tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN);
        assertThat(Rules.mayHappen(LIVE, s.state())).isEmpty();
        assertThat(Rules.mayHappen(new AssessmentEvent.Resumed("again"), s.state())
                        .orElseThrow()
                        .code())
                .isEqualTo("not-halted");
    }

    @Test
    void aStopIsLiftedOnlyWhenTheRigIsMadeSafe() {
        Streams s = Streams.atWork().add(LIVE, new AssessmentEvent.Stopped("works over a live part"));
        AssessmentEvent on = new AssessmentEvent.StopLifted("stood back at once, goes on after a talk");
        assertThat(Rules.mayHappen(on, s.state()).orElseThrow().code()).isEqualTo("energised");
        s.add(DEAD);
        assertThat(Rules.mayHappen(on, s.state()).orElseThrow().code()).isEqualTo("make-safe");
        assertThat(Rules.mayHappen(new AssessmentEvent.HandedIn(), s.state())
                        .orElseThrow()
                        .code())
                .isEqualTo("make-safe");
        assertThat(Rules.mayHappen(new AssessmentEvent.Resumed("no"), s.state()))
                .as("a stop is no halt")
                .isPresent();
        s.minutes(12).tickAll(Checklist.MAKE_SAFE);
        assertThat(Rules.mayHappen(on, s.state())).isEmpty();
        s.add(on);
        assertThat(s.state().stop()).isNull();
        assertThat(s.state().conduct().pauses()).singleElement().satisfies(p -> {
            assertThat(p.why()).isEqualTo(Why.SAFETY);
            assertThat(p.outcome()).contains("after a talk");
        });
        assertThat(s.state().conduct().open(Checklist.MAKE_SAFE)).hasSize(4);
    }

    @Test
    void eachTimeItGoesLiveIsAskedAndGivenAnew() {
        Streams s = Streams.atWork().tickAll(Checklist.LIVE_ASKED);
        assertThat(Rules.mayHappen(LIVE, s.state()).orElseThrow().words()).contains("Permission given");
        s.tickAll(Checklist.LIVE_GIVEN);
        assertThat(Rules.mayHappen(LIVE, s.state())).isEmpty();
        s.add(LIVE, DEAD);
        assertThat(Rules.mayHappen(LIVE, s.state()).orElseThrow().words()).contains("I ask for permission");
    }

    /** What was said and seen of a rig holds only until somebody stops, halts, or has hands or relays in it. */
    @Test
    void permissionDoesNotOutliveAStopAHaltOrAHandInTheRig() {
        List<AssessmentEvent> all = Streams.ticksOf(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN);
        Streams stopped = Streams.atWork().add(all.toArray(AssessmentEvent[]::new));
        stopped.add(new AssessmentEvent.Stopped("reached in")).tickAll(Checklist.MAKE_SAFE);
        stopped.add(new AssessmentEvent.StopLifted("talked over"));
        Streams halted = Streams.atWork().add(all.toArray(AssessmentEvent[]::new));
        halted.add(HALT, new AssessmentEvent.Resumed("mended"));
        for (Streams s : List.of(stopped, halted)) {
            assertThat(s.state().conduct().open(Checklist.LIVE_ASKED)).hasSize(4);
            assertThat(Rules.mayHappen(LIVE, s.state())).isPresent();
        }
        for (AssessmentEvent hand : List.of(
                new AssessmentEvent.FaultHandled(0, AssessmentEvent.Handling.OUT, true),
                new AssessmentEvent.BoxCommanded(List.of()),
                new AssessmentEvent.BoxFellOut(List.of(1), "power lost"))) {
            Streams s =
                    Streams.atWork().add(all.toArray(AssessmentEvent[]::new)).add(hand);
            assertThat(Rules.mayHappen(LIVE, s.state()).orElseThrow().words())
                    .as(hand.kind())
                    .contains("Permission given");
            assertThat(s.state().conduct().open(Checklist.LIVE_ASKED))
                    .as("what was asked stays")
                    .isEmpty();
        }
    }

    @Test
    void anotherAssessorTakesOver() {
        Streams s = Streams.atWork().add(new AssessmentEvent.HandedOver("rolf"));
        assertThat(s.state().conduct().assessor()).isEqualTo("rolf");
        assertThat(s.state().fixed().assessorId()).as("who prepared it stays").isEqualTo("ines");
    }

    @Test
    void aBoxKeepsTheInstrumentItWasReadWith() {
        Pinned.Document other = new Pinned.Document("t2", 3);
        Streams s = Streams.atWork()
                .write("a", "0.1")
                .add(new AssessmentEvent.InstrumentChanged(other, "display fails"))
                .write("b", "0.2");
        assertThat(s.state().writtenWith("a").id()).isEqualTo("t1");
        assertThat(s.state().writtenWith("b")).isEqualTo(other);
        assertThat(s.state().writtenWith("not written")).isEqualTo(other);
        assertThat(Rules.mayHappen(
                        new AssessmentEvent.InstrumentChanged(other, ""),
                        Streams.atWork().add(LIVE).state()))
                .as("leads are not changed on a live rig")
                .isPresent();
    }

    @Test
    void brokenOffItFreesTheBayWithoutAJudgement() {
        Streams s = Streams.atWork().write("a", "1").add(new AssessmentEvent.BrokenOff("rig fault", "a2"));
        assertThat(s.state().stage()).isEqualTo(Stage.CLEAR);
        assertThat(Rules.mayHappen(new AssessmentEvent.ReadingWritten("a", "2", ""), s.state()))
                .isPresent();
        assertThat(Rules.mayHappen(
                        new AssessmentEvent.MarkDecided(
                                "m", prantel.core.marking.Mark.Award.FULL, prantel.core.marking.Mark.Award.FULL, ""),
                        s.state()))
                .isPresent();
        assertThat(Rules.mayHappen(new AssessmentEvent.HandedBack("again"), s.state()))
                .isPresent();
        s.add(new AssessmentEvent.Cleared());
        assertThat(s.state().stage()).isEqualTo(Stage.DONE);
        assertThat(Rules.mayHappen(
                        new AssessmentEvent.BrokenOff("no", null),
                        Streams.atWork().add(LIVE).state()))
                .as("never while it is live")
                .isPresent();
    }

    @Test
    void whatWasTappedLastIsTakenBackStepByStep() {
        Streams s = Streams.atWork()
                .add(new AssessmentEvent.Observed("o", Sight.RIGHT, ""))
                .add(new AssessmentEvent.Observed("o", Sight.SLIP, "late"))
                .add(new AssessmentEvent.Asked("q", List.of(0)))
                .add(new AssessmentEvent.Asked("q", List.of(0, 2)));
        undo(s);
        assertThat(s.state().questions().get("q").points()).containsExactly(0);
        undo(s);
        assertThat(s.state().questions()).isEmpty();
        undo(s);
        assertThat(s.state().observations().get("o").right()).isTrue();
        undo(s);
        assertThat(s.state().observations()).isEmpty();
        assertThat(s.state().undo("ines")).isNull();
    }

    @Test
    void nobodyTakesBackWhatSomebodyElseWroteSince() {
        Streams s = Streams.atWork().add(new AssessmentEvent.Observed("o", Sight.RIGHT, ""));
        s.by("rolf", new AssessmentEvent.Observed("o", Sight.SLIP, "late"));
        assertThat(s.state().undo("ines")).isNull();
        undo(s, "rolf");
        assertThat(s.state().observations().get("o").right()).isTrue();
        assertThat(s.state().undo("ines")).as("as it was when ines tapped it").isNotNull();
    }

    private static void undo(Streams s) {
        undo(s, "ines");
    }

    private static void undo(Streams s, String who) {
        s.by(who, java.util.Objects.requireNonNull(s.state().undo(who)));
    }

    /** Over random taps of two people: undoing everything leads back through every state to the first. */
    @Test
    void undoRestores() {
        SplittableRandom random = new SplittableRandom(5);
        int undone = 0;
        for (int stream = 0; stream < 2000; stream++) {
            Streams s = Streams.atWork();
            java.util.Deque<String> before = new java.util.ArrayDeque<>();
            for (int i = 0; i < 12; i++) {
                String was = watched(s.state());
                s.add(tap(random));
                if (!watched(s.state()).equals(was)) {
                    before.push(was);
                }
            }
            while (s.state().undo("ines") != null) {
                undo(s);
                undone++;
                if (random.nextInt(8) == 0 && !before.isEmpty()) {
                    // a tap in between is taken back first
                    String here = watched(s.state());
                    s.add(new AssessmentEvent.Observed("other", Sight.RIGHT, ""));
                    undo(s);
                    assertThat(watched(s.state())).isEqualTo(here);
                }
            }
            assertThat(watched(s.state())).isEqualTo(watched(Streams.atWork().state()));
            assertThat(watched(Assessment.replay(Streams.PINNED, s.recorded()))).isEqualTo(watched(s.state()));
        }
        assertThat(undone).isGreaterThan(10_000);
    }

    private static AssessmentEvent tap(SplittableRandom random) {
        String id = "o" + random.nextInt(3);
        return switch (random.nextInt(5)) {
            case 0 -> new AssessmentEvent.Observed(id, Sight.RIGHT, "");
            case 1 -> new AssessmentEvent.Observed(id, Sight.SLIP, "late");
            case 2 -> new AssessmentEvent.Observed(id, Sight.NOT_SEEN, "");
            case 3 -> new AssessmentEvent.Asked(id, List.of(random.nextInt(3)));
            default -> new AssessmentEvent.Ticked(Checklist.PREPARE, "leads", random.nextBoolean());
        };
    }

    private static String watched(Assessment a) {
        StringBuilder all = new StringBuilder();
        a.observations().keySet().stream()
                .sorted()
                .forEach(o -> all.append(o)
                        .append(a.observations().get(o).right())
                        .append(a.observations().get(o).slip()));
        a.questions().keySet().stream()
                .sorted()
                .forEach(q -> all.append(q).append(a.questions().get(q).points()));
        return all.append(a.conduct()
                        .ticks()
                        .getOrDefault(Checklist.PREPARE, java.util.Map.of())
                        .keySet())
                .toString();
    }
}
