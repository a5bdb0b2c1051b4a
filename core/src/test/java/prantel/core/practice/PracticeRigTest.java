package prantel.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.SimulatedRig;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.RigState;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/** Whoever follows the guide does nothing too early and reads what the key says, at every box, whatever went before. */
class PracticeRigTest {
    private static final int MOST_DEEDS = 60;

    private static PracticeRig practice(Rig rig, FaultSet faults) {
        return new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, faults));
    }

    private record Walked(Moment moment, List<Deed> deeds, List<Answer> answers) {}

    private static Walked walk(PracticeRig practice, Moment from, Slot.Measured box) {
        Guide guide = new Guide(practice);
        List<Deed> deeds = new ArrayList<>();
        List<Answer> answers = new ArrayList<>();
        Moment now = from;
        for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
            Answer answer = practice.after(now, next.get());
            deeds.add(next.get());
            answers.add(answer);
            assertThat(answer.cannot()).as(box.id() + " " + deeds).isEmpty();
            assertThat(deeds.size()).as(box.id() + " " + deeds).isLessThan(MOST_DEEDS);
            now = answer.moment();
        }
        if (guide.isToBeLookedAt(now, box)) {
            now = practice.look(now, box).moment();
        }
        return new Walked(now, deeds, answers);
    }

    private static boolean stands(Slot slot) {
        // what a plug-in load draws is not practised: there is none on the rig
        return slot instanceof Slot.Measured m && !(m.measurement() instanceof Measurement.LoadCurrent);
    }

    @Test
    void whoFollowsTheGuideReadsWhatTheKeySays() {
        SplittableRandom random = new SplittableRandom(11);
        int read = 0;
        for (int n = 0; n < 8; n++) {
            Rig rig = RandomRigs.rig(random);
            PracticeRig practice = practice(rig, FaultSet.NONE);
            Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            Moment now = practice.asFound();
            for (Expectation expected : key.expectations()) {
                if (!stands(expected.slot())) {
                    continue;
                }
                Slot.Measured box = (Slot.Measured) expected.slot();
                Walked walked = walk(practice, now, box);
                now = walked.moment();
                for (int i = 0; i < walked.answers().size(); i++) {
                    assertThat(walked.answers().get(i).slips())
                            .as(box.id() + ": " + walked.deeds().get(i) + " in " + walked.deeds())
                            .isEmpty();
                }
                assertThat(now.display()).as(box.id() + " " + walked.deeds()).isPresent();
                Reading shown = now.display().get().reading();
                assertThat(shown.shown())
                        .as(rig.id() + " " + box.id() + " " + walked.deeds())
                        .isEqualTo(expected.withFaults().shown());
                read++;
            }
        }
        assertThat(read).isGreaterThan(500);
    }

    /** With faults on the rig too: what trips or has no supply is met, and any number is the key's. */
    @Test
    void soItIsWithFaultsOnTheRig() {
        SplittableRandom random = new SplittableRandom(23);
        int read = 0;
        for (int n = 0; n < 6; n++) {
            Rig rig = RandomRigs.rig(random);
            Key healthy = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            List<Fault> every = FaultCatalogue.everyFault(rig);
            FaultSet faults = FaultSet.of(every.get(random.nextInt(every.size())));
            PracticeRig practice = practice(rig, faults);
            Moment now = practice.asFound();
            for (Expectation expected : healthy.with(faults).expectations()) {
                if (!stands(expected.slot())) {
                    continue;
                }
                Walked walked = walk(practice, now, (Slot.Measured) expected.slot());
                now = walked.moment();
                assertThat(now.display()).as(walked.deeds().toString()).isPresent();
                Reading shown = now.display().get().reading();
                if (expected.withFaults() instanceof Reading.NoReading) {
                    assertThat(shown).as(faults + " " + expected.slot().id()).isInstanceOf(Reading.NoReading.class);
                } else {
                    assertThat(shown.shown())
                            .as(faults + " " + expected.slot().id() + " " + walked.deeds())
                            .isEqualTo(expected.withFaults().shown());
                }
                read++;
            }
        }
        assertThat(read).isGreaterThan(300);
    }

    /**
     * Anything may be done, in any order: nothing throws, hangs or shows a number that is none, and what is told of a board is
     * what the network says. Kirchhoff's laws are asked, no rule of ours.
     */
    @Test
    void aThousandDeedsAtRandomLeaveTheRigAsTheNetworkSays() {
        SplittableRandom random = new SplittableRandom(3);
        int done = 0;
        int refused = 0;
        for (int n = 0; n < 2; n++) {
            Rig rig = RandomRigs.rig(random);
            PracticeRig practice = practice(rig, FaultSet.NONE);
            Moment now = practice.asFound();
            for (int i = 0; i < 1000; i++) {
                Deed deed = anything(practice, now, random);
                Answer answer = practice.after(now, deed);
                if (answer.cannot().isPresent()) {
                    assertThat(answer.moment()).isEqualTo(now);
                    refused++;
                    continue;
                }
                assertThat(practice.after(now, deed).moment())
                        .as("the same deed gives the same: " + deed)
                        .isEqualTo(answer.moment());
                now = answer.moment();
                now.display()
                        .ifPresent(d -> assertThat(d.reading().base())
                                .as(deed.toString())
                                .isNotNaN());
                if (now.harm().supplyLost()) {
                    now = practice.asFound();
                }
                agrees(practice, now);
                done++;
            }
        }
        assertThat(done).isGreaterThan(600);
        assertThat(refused).isGreaterThan(50);
    }

    /** A board that is told dead, without anything moved or joined, has no voltage; one proved dead is never live. */
    private static void agrees(PracticeRig practice, Moment now) {
        Rig rig = practice.rig();
        for (Board board : rig.boards()) {
            double volts = practice.supplied(now)
                    .volts(
                            Places.behindMainSwitch(
                                    board.id(), rig.lines(board.id()).getFirst()),
                            Places.behindMainSwitch(board.id(), Conductor.NEUTRAL));
            boolean joined = now.standing().stream()
                    .anyMatch(d -> d instanceof Deed.Link || d instanceof Deed.PutElsewhere || d instanceof Deed.Cross);
            if (!joined && !now.state().isEnergised(board.id())) {
                assertThat(volts).as(now.standing().toString()).isLessThan(PracticeRig.TOUCH_VOLTS);
            }
            boolean touched = now.standing().stream().anyMatch(RigState::isOpening);
            if (!touched && now.open().isEmpty() && now.state().isEnergised(board.id())) {
                assertThat(volts).as(now.standing().toString()).isGreaterThan(200);
            }
        }
    }

    /** Whatever somebody did before: the guide takes back what is too much, does nothing too early and arrives. */
    @Test
    void theGuideLeadsFromAnyStateToAnyReading() {
        SplittableRandom random = new SplittableRandom(41);
        int arrived = 0;
        for (int n = 0; n < 12; n++) {
            Rig rig = RandomRigs.rig(random);
            PracticeRig practice = practice(rig, FaultSet.NONE);
            List<Expectation> boxes =
                    Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence()).expectations().stream()
                            .filter(e -> stands(e.slot()))
                            .toList();
            for (int m = 0; m < 6; m++) {
                Moment now = practice.asFound();
                for (int i = 0; i < 25; i++) {
                    Moment next =
                            practice.after(now, anything(practice, now, random)).moment();
                    // without what no deed puts right
                    now = next.harm().supplyLost() || next.harm().fuseGone() ? now : next;
                }
                Expectation expected = boxes.get(random.nextInt(boxes.size()));
                Walked walked = walk(practice, now, (Slot.Measured) expected.slot());
                for (int i = 0; i < walked.answers().size(); i++) {
                    assertThat(walked.answers().get(i).slips())
                            .as(walked.deeds().get(i) + " in " + walked.deeds())
                            .isEmpty();
                }
                assertThat(walked.moment().display().orElseThrow().reading().shown())
                        .as(expected.slot().id() + " " + walked.deeds())
                        .isEqualTo(expected.withFaults().shown());
                arrived++;
            }
        }
        assertThat(arrived).isEqualTo(72);
    }

    private static Deed anything(PracticeRig practice, Moment now, SplittableRandom random) {
        List<Place> places = List.copyOf(practice.places().all());
        List<End> ends = places.stream().flatMap(p -> p.end().stream()).toList();
        List<RigControls.Control> controls = new RigControls(practice.rig()).all();
        RigControls all = new RigControls(practice.rig());
        Contact a = places.get(random.nextInt(places.size())).contact();
        Contact b = places.get(random.nextInt(places.size())).contact();
        End end = ends.get(random.nextInt(ends.size()));
        List<Cover> covers = practice.places().covers();
        Cover cover = covers.get(random.nextInt(covers.size()));
        BoardId board = practice.rig()
                .boards()
                .get(random.nextInt(practice.rig().boards().size()))
                .id();
        Function[] functions = Function.values();
        return switch (random.nextInt(18)) {
            case 0 -> new Deed.MainSwitchOff(board);
            case 1 -> new Deed.Energise(board);
            case 2 -> new Deed.LockOff(board);
            case 3 -> new Deed.Unlock(board);
            case 4 -> new Deed.ProveDead(board);
            case 5, 6 -> now.coversOff().contains(cover) ? new Deed.CoverOn(cover) : new Deed.CoverOff(cover);
            case 7 -> new Deed.TakeOut(end);
            case 8 -> new Deed.PutBack(List.of(end));
            case 9 -> new Deed.PutElsewhere(end, a);
            case 10 -> new Deed.Link(new Deed.Joint(a, b));
            case 11, 12 -> all.operate(now, controls.get(random.nextInt(controls.size())));
            case 13 -> new Deed.Choose(functions[random.nextInt(functions.length)]);
            case 14, 15 -> new Deed.PutProbes(new ProbesAt.On(List.of(a, b)));
            case 16 -> new Deed.TakeReading();
            default ->
                now.open().isEmpty()
                        ? new Deed.CloseUp()
                        : new Deed.Reset(now.open().iterator().next());
        };
    }
}
