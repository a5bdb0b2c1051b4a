package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/** What may happen next. The order of a practical assessment and its safety rules: common practice, no source. */
class RulesTest {
    private static final OffsetDateTime NOW = Streams.START;
    private static final Pinned PINNED = Streams.PINNED;

    private static final AssessmentEvent WRITE = new AssessmentEvent.ReadingWritten("a/b", "0.1", "");
    private static final AssessmentEvent LIVE = new AssessmentEvent.Energised(true, null);
    private static final AssessmentEvent DEAD = new AssessmentEvent.Energised(false, null);
    private static final AssessmentEvent IN = new AssessmentEvent.HandedIn();
    private static final AssessmentEvent ARM = new AssessmentEvent.BoxCommanded(List.of(1));
    private static final AssessmentEvent RELEASE = new AssessmentEvent.BoxCommanded(List.of());
    private static final AssessmentEvent STOP = new AssessmentEvent.Stopped("not proved dead");

    private static Assessment after(AssessmentEvent... events) {
        Assessment state = Assessment.replay(PINNED, List.of());
        for (AssessmentEvent event : events) {
            assertThat(Rules.mayHappen(event, state)).as(event.kind()).isEmpty();
            state = state.after(new Assessment.Recorded(state.seq() + 1, event, NOW, "ines"));
        }
        return state;
    }

    private static Assessment atWork(AssessmentEvent... more) {
        List<AssessmentEvent> all =
                new ArrayList<>(List.of(new AssessmentEvent.LockedOff(), new AssessmentEvent.SheetOpened()));
        all.addAll(List.of(more));
        return after(all.toArray(AssessmentEvent[]::new));
    }

    /** Asked for and given; then whatever comes. */
    private static Assessment allowedLive(AssessmentEvent... more) {
        List<AssessmentEvent> all = new ArrayList<>(Streams.ticksOf(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN));
        all.addAll(List.of(more));
        return atWork(all.toArray(AssessmentEvent[]::new));
    }

    private static String why(AssessmentEvent event, Assessment state) {
        Optional<Rules.Why> why = Rules.mayHappen(event, state);
        assertThat(why).isPresent();
        assertThat(why.get().words()).hasSizeGreaterThan(20);
        return why.get().code();
    }

    @Test
    void nothingIsSetOnARigThatIsNotLockedOff() {
        assertThat(why(ARM, after())).isEqualTo("not-locked-off");
        assertThat(why(new AssessmentEvent.FaultHandled(0, Handling.SET, true), after()))
                .isEqualTo("not-locked-off");
        assertThat(Rules.mayHappen(RELEASE, after()))
                .as("letting go is always safer")
                .isEmpty();
    }

    @Test
    void noRelayMovesAndNothingComesOutWhileTheRigIsLive() {
        Assessment live = allowedLive(LIVE);
        assertThat(why(ARM, live)).isEqualTo("energised");
        assertThat(why(RELEASE, live)).isEqualTo("energised");
        assertThat(why(new AssessmentEvent.FaultHandled(0, Handling.OUT, true), live))
                .isEqualTo("energised");
        assertThat(why(IN, live)).isEqualTo("energised");
        assertThat(Rules.mayHappen(WRITE, live)).isEmpty();
    }

    @Test
    void clearingWaitsUntilTheSheetIsInAndTheRigDead() {
        assertThat(why(new AssessmentEvent.Cleared(), atWork())).isEqualTo("not-handed-in");
        assertThat(Rules.mayHappen(new AssessmentEvent.Cleared(), allowedLive(LIVE, DEAD, IN)))
                .isEmpty();
    }

    @Test
    void aSheetIsWrittenOnlyWhileItIsOpen() {
        assertThat(why(WRITE, after())).isEqualTo("sheet-closed");
        assertThat(why(WRITE, atWork(IN))).isEqualTo("sheet-closed");
        assertThat(Rules.mayHappen(WRITE, atWork(IN, new AssessmentEvent.HandedBack("two boxes are empty"))))
                .isEmpty();
    }

    @Test
    void aStopFreezesTheSheetAndKeepsTheRigDead() {
        Assessment stopped = atWork(WRITE, STOP);
        assertThat(why(WRITE, stopped)).isEqualTo("stopped");
        assertThat(why(LIVE, stopped)).isEqualTo("stopped");
        assertThat(why(STOP, stopped)).isEqualTo("not-at-work");
        assertThat(why(IN, stopped)).isEqualTo("make-safe");
        List<AssessmentEvent> safe = new ArrayList<>(List.of(STOP));
        safe.addAll(Streams.ticksOf(Checklist.MAKE_SAFE));
        safe.add(IN);
        assertThat(why(new AssessmentEvent.HandedBack("go on"), atWork(safe.toArray(AssessmentEvent[]::new))))
                .as("the assessor has ended it")
                .isEqualTo("not-back");
    }

    @Test
    void whatTheOutcomeWasDecidedOnStays() {
        Assessment decided = atWork(IN, new AssessmentEvent.OutcomeDecided(Verdict.PASS, Verdict.PASS, ""));
        assertThat(why(new AssessmentEvent.MarkDecided("m", Award.FULL, Award.NONE, "x"), decided))
                .isEqualTo("marked");
        assertThat(why(new AssessmentEvent.AnswersAccepted("{}", List.of()), decided))
                .isEqualTo("decided");
        assertThat(why(new AssessmentEvent.Observed("o", Sight.RIGHT, ""), decided))
                .isEqualTo("over");
    }

    @Test
    void whatIsSeenMayBeTakenBack() {
        Assessment seen = atWork(new AssessmentEvent.Observed("o", Sight.SLIP, "late"));
        assertThat(seen.observations()).containsKey("o");
        Assessment back = seen.after(
                new Assessment.Recorded(9, new AssessmentEvent.Observed("o", Sight.NOT_SEEN, ""), NOW, "ines"));
        assertThat(back.observations()).isEmpty();
    }

    /** Over thousands of random streams: whatever the rules let through, no relay moves live and no live rig is handed in. */
    @Test
    void noStreamOfEventsGetsPastTheSafetyRules() {
        List<AssessmentEvent> all = new ArrayList<>(List.of(
                new AssessmentEvent.LockedOff(),
                new AssessmentEvent.SheetOpened(),
                WRITE,
                LIVE,
                DEAD,
                IN,
                ARM,
                RELEASE,
                STOP,
                new AssessmentEvent.HandedBack("again"),
                new AssessmentEvent.FaultHandled(0, Handling.OUT, true),
                new AssessmentEvent.Halted(Pause.Why.INTERRUPTION, "alarm", Pause.Spared.NOTHING),
                new AssessmentEvent.Resumed("over"),
                new AssessmentEvent.StopLifted("goes on"),
                new AssessmentEvent.BrokenOff("rig fault", null),
                new AssessmentEvent.Cleared()));
        for (Checklist list : List.of(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN, Checklist.MAKE_SAFE)) {
            // many ticks at once: one by one a random stream would hardly ever get through a gate
            all.addAll(Collections.nCopies(12, new AssessmentEvent.Ticked(list, "all", true)));
        }
        SplittableRandom random = new SplittableRandom(11);
        int happened = 0;
        int lives = 0;
        int lifted = 0;
        for (int stream = 0; stream < 3000; stream++) {
            Assessment state = Assessment.replay(PINNED, List.of());
            List<Assessment.Recorded> recorded = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                AssessmentEvent drawn = all.get(random.nextInt(all.size()));
                List<AssessmentEvent> now =
                        drawn instanceof AssessmentEvent.Ticked tick ? Streams.ticksOf(tick.list()) : List.of(drawn);
                if (random.nextInt(10) == 0) {
                    now = now.subList(0, 1);
                }
                for (AssessmentEvent event : now) {
                    if (Rules.mayHappen(event, state).isPresent()) {
                        continue;
                    }
                    boolean live = state.energisedAt() != null;
                    assertThat(live && (event == ARM || event == RELEASE || event == IN))
                            .isFalse();
                    assertThat(live && event instanceof AssessmentEvent.Cleared).isFalse();
                    if (event == LIVE) {
                        lives++;
                        assertThat(state.stop()).isNull();
                        assertThat(state.conduct().pause()).isEmpty();
                        // while faults are set nobody has a sheet who could ask: the assessor proves what is set
                        assertThat(state.openedAt() == null
                                        || state.conduct()
                                                .open(Checklist.LIVE_ASKED)
                                                .isEmpty())
                                .isTrue();
                        assertThat(state.conduct().open(Checklist.LIVE_GIVEN)).isEmpty();
                    }
                    assertThat(live && event instanceof AssessmentEvent.SheetOpened)
                            .as("no sheet is opened on a live rig")
                            .isFalse();
                    assertThat(live && event instanceof AssessmentEvent.FaultHandled)
                            .as("no hand is in a live rig")
                            .isFalse();
                    if (event instanceof AssessmentEvent.StopLifted) {
                        lifted++;
                        assertThat(state.conduct().open(Checklist.MAKE_SAFE)).isEmpty();
                        assertThat(live).isFalse();
                    }
                    recorded.add(new Assessment.Recorded(state.seq() + 1, event, NOW, "ines"));
                    state = state.after(recorded.getLast());
                    happened++;
                }
            }
            // replayed at once it is the same state
            Assessment again = Assessment.replay(PINNED, recorded);
            assertThat(again.stage()).isEqualTo(state.stage());
            assertThat(again.relays()).isEqualTo(state.relays());
            assertThat(again.energisedAt()).isEqualTo(state.energisedAt());
        }
        assertThat(happened).isGreaterThan(10_000);
        assertThat(lives).isGreaterThan(100);
        assertThat(lifted).isGreaterThan(10);
    }

    /** What only a live reading tells is proved live, through the gate; that opens no live test of the candidate. */
    @Test
    void aRigThatIsLiveToProveWhatIsSetIsNotTheCandidatesLiveStage() {
        List<AssessmentEvent> proving = new ArrayList<>(List.of(new AssessmentEvent.LockedOff()));
        proving.addAll(Streams.ticksOf(Checklist.LIVE_GIVEN));
        proving.add(LIVE);
        Assessment live = after(proving.toArray(AssessmentEvent[]::new));
        assertThat(live.energisedAt()).isNotNull();
        assertThat(why(new AssessmentEvent.SheetOpened(), live)).isEqualTo("energised");
        assertThat(why(new AssessmentEvent.FaultHandled(0, Handling.SET, true), live))
                .isEqualTo("energised");
        assertThat(why(ARM, live)).isEqualTo("energised");
        assertThat(why(new AssessmentEvent.FaultsChosen("{}", null), live)).isEqualTo("energised");
        proving.add(DEAD);
        proving.add(new AssessmentEvent.SheetOpened());
        Assessment open = after(proving.toArray(AssessmentEvent[]::new));
        assertThat(open.wasLive()).isFalse();
        assertThat(why(LIVE, open)).as("asked for and given anew").isEqualTo("not-asked-or-given");
    }

    @Test
    void everyKindHasANameOfItsOwnThatIsNoClassName() {
        assertThat(WRITE.kind()).isEqualTo("reading-written");
        assertThat(STOP.kind()).isEqualTo("stopped");
        assertThat(LIVE.kind()).isEqualTo("energised");
        List<Class<?>> all = List.of(AssessmentEvent.class.getPermittedSubclasses());
        assertThat(AssessmentEvent.KINDS.keySet()).as("every event has a name").isEqualTo(java.util.Set.copyOf(all));
        assertThat(AssessmentEvent.KINDS.values())
                .as("of its own, that no renaming of a class changes")
                .doesNotHaveDuplicates()
                .allMatch(k -> k.matches("[a-z]+(-[a-z]+)*"));
    }

    /** SHA-256 is FIPS 180-4; the value below by Python's hashlib over the same bytes. */
    @Test
    void eachEventIsLinkedToTheOneBefore() {
        Chain.Link first = new Chain.Link("a1", 1, "event-0001", "{\"event\":\"locked-off\"}", NOW, "ines");
        String one = Chain.next(Chain.START, first);
        assertThat(one).isEqualTo("6a7b2acd6e49a816c4da846b7dc0e8c2da50f5d505106df05717eccdcb210ed9");
        Chain.Link second = new Chain.Link("a1", 2, "event-0002", "{}", NOW, "ines");
        String two = Chain.next(one, second);
        assertThat(Chain.next(
                        Chain.next(
                                Chain.START,
                                new Chain.Link("a1", 1, "event-0001", "{\"event\":\"locked-out\"}", NOW, "ines")),
                        second))
                .as("one letter of the first changed")
                .isNotEqualTo(two);
        assertThat(Chain.next(one, new Chain.Link("a1", 2, "event-0002", "{}", NOW.plusSeconds(1), "ines")))
                .isNotEqualTo(two);
    }
}
