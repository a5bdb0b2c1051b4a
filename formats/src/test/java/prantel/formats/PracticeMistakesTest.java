package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.expectation.SimulatedRig;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.practice.Answer;
import prantel.core.practice.Coach;
import prantel.core.practice.Consequence;
import prantel.core.practice.CurrentPath;
import prantel.core.practice.Guide;
import prantel.core.practice.LeftOut;
import prantel.core.practice.Moment;
import prantel.core.practice.PracticeRig;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.ProbesAt;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/**
 * Classic mistakes, made on purpose on the rigs that ship: what the tester then shows, by arithmetic from what it should have
 * shown, and what the coach says. Which mistakes are classic: common practice, no source. More of them, the dangerous ones
 * among them, are in core's ConsequenceTest.
 */
class PracticeMistakesTest {
    private static final CircuitId SOCKETS = new CircuitId("sockets");
    private static final CircuitId RING = new CircuitId("kitchen-ring");
    private static final CircuitId LIGHTS = new CircuitId("lights");
    private static final Deed TEST = new Deed.TakeReading();

    /** A learner at a rig, led to a box and then left alone. */
    private static final class Learner {
        private final Rig rig;
        private final Key key;
        private final PracticeRig practice;
        private Moment now;
        private final List<Consequence> consequences = new ArrayList<>();

        Learner(String name) throws Exception {
            rig = DemoRigsTest.rig(name);
            key = Key.of(rig, FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
            practice = new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, FaultSet.NONE));
            now = practice.asFound();
        }

        Slot.Measured box(Quantity quantity, Predicate<Slot.Measured> wanted) {
            return key.expectations().stream()
                    .map(e -> e.slot())
                    .filter(s -> s instanceof Slot.Measured && s.address().is(quantity))
                    .map(Slot.Measured.class::cast)
                    .filter(wanted)
                    .findFirst()
                    .orElseThrow();
        }

        /** Everything up to the press of the tester's button. */
        Slot.Measured ready(Quantity quantity, Predicate<Slot.Measured> wanted) {
            Slot.Measured box = box(quantity, wanted);
            Guide guide = new Guide(practice);
            for (Optional<Deed> next = guide.next(now, box);
                    next.isPresent() && !next.get().equals(TEST);
                    next = guide.next(now, box)) {
                now = practice.after(now, next.get()).moment();
            }
            return box;
        }

        void does(Deed... deeds) {
            for (Deed deed : deeds) {
                Answer answer = practice.after(now, deed);
                assertThat(answer.cannot()).as(deed.toString()).isEmpty();
                consequences.addAll(answer.consequences());
                now = answer.moment();
            }
        }

        Reading shown() {
            return now.display().orElseThrow().reading();
        }

        double reads() {
            assertThat(shown()).isInstanceOf(Reading.Value.class);
            return shown().base();
        }

        /** What the box should have read, base unit. */
        double right(Slot.Measured box) {
            return key.expectation(box.id()).withFaults().base();
        }

        /** All that the coach says of the reading, in one line. */
        String told(Slot.Measured box) {
            List<Coach.Advice> advice = new Coach(practice).onReading(now, box, key.expectation(box.id()));
            assertThat(advice).extracting(Coach.Advice::kind).contains(Coach.Kind.SLIP);
            return advice.stream().map(a -> a.says() + " " + a.putRight()).reduce("", String::concat);
        }
    }

    private static Predicate<Slot.Measured> at(CircuitId circuit, String point) {
        return s -> s.circuit().filter(circuit::equals).isPresent()
                && (point.isEmpty()
                        || s.spot().point().filter(p -> p.value().equals(point)).isPresent());
    }

    private static Deed probes(String socket, Conductor... conductors) {
        return new Deed.PutProbes(new ProbesAt.On(Stream.of(conductors)
                .<Contact>map(c -> new Contact.Front(SOCKETS, new PointId(socket), c))
                .toList()));
    }

    private static End end(CircuitId circuit, Conductor conductor) {
        return new End.AtBoard(circuit, conductor);
    }

    @Test
    void withoutTheLinkAtTheBoardNothingComesBack() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        Deed.Link link = (Deed.Link) learner.now.standing().stream()
                .filter(Deed.Link.class::isInstance)
                .findFirst()
                .orElseThrow();
        learner.does(new Deed.Unlink(link.joints().getFirst()), TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.OverRange.class);
        assertThat(learner.told(box)).contains("linked with earth bar");
    }

    @Test
    void withTheLineLeftInItsDeviceOneCircuitReadsRightAndTheCoachSaysSo() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        learner.does(new Deed.PutBack(List.of(end(SOCKETS, Conductor.LINE))), TEST);
        // every load is out and the main switch off: nothing lies in parallel
        assertThat(learner.reads()).isCloseTo(learner.right(box), within(0.005));
        assertThat(learner.told(box)).contains("out of its device");
    }

    @Test
    void betweenLineAndNeutralThereIsNoLoop() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        learner.does(probes("socket-3", Conductor.LINE, Conductor.NEUTRAL), TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.OverRange.class);
        assertThat(learner.told(box)).contains("The leads are on the L of socket 3 and N of socket 3");
    }

    @Test
    void theWanderLeadNulledAsAPairIsInTheReading() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R2, at(SOCKETS, "socket-3"));
        learner.does(new Deed.NullLeads(Deed.Leads.PAIR), TEST);
        assertThat(learner.reads())
                .isCloseTo(learner.right(box) + Testers.usual().leads().wanderOhms(), within(0.015));
        assertThat(learner.told(box)).contains("not nulled");
    }

    @Test
    void theCpcTakenOffForR2LeavesNothingToMeasure() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R2, at(SOCKETS, "socket-3"));
        learner.does(new Deed.TakeOut(end(SOCKETS, Conductor.CPC)), TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.OverRange.class);
        assertThat(learner.told(box)).contains("CPC of Parlour sockets back");
    }

    @Test
    void aRingJoinedEachLegWithItselfClimbsTowardsItsMiddle() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R1_RN, at(RING, "socket-1"));
        learner.does(new Deed.Uncross(RING), new Deed.Cross(RING, Conductor.NEUTRAL, Deed.Legs.EACH_WITH_ITSELF), TEST);
        // a share p of the way round: (r1 + rn) · p · (1 − p); crossed it is a quarter of r1 + rn everywhere
        double length = ((Ring) learner.rig.circuit(RING)).ringMetres();
        double p = learner.rig.circuit(RING).point(new PointId("socket-1")).atMetres() / length;
        assertThat(learner.reads()).isCloseTo(4 * learner.right(box) * p * (1 - p), within(0.03));
        assertThat(learner.told(box)).contains("ends of Kitchen ring apart again");
    }

    @Test
    void aRingWithOneLineNotJoinedReadsMoreThanTwice() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.R1_RN, at(RING, "socket-4"));
        learner.does(new Deed.Uncross(RING), new Deed.Cross(RING, Conductor.NEUTRAL, Deed.Legs.FIRST_LINE_ONLY), TEST);
        // one way round only: half of r1 + rn at the middle, where both ways in parallel are a quarter
        assertThat(learner.reads()).isCloseTo(2 * learner.right(box), within(0.05));
        assertThat(learner.told(box)).contains("joined with the neutral of the other leg");
    }

    @Test
    void oneEndLeftInShowsNothingInStepOneAndTheCoachKnows() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.RING_LINE, s -> true);
        learner.does(new Deed.PutBack(List.of(new End.AtBoard(RING, Conductor.LINE, true))), TEST);
        assertThat(learner.reads()).isCloseTo(learner.right(box), within(0.005));
        assertThat(learner.told(box)).contains("other leg, out of its device");
    }

    @Test
    void aLampLeftInIsMeasuredInsteadOfTheInsulation() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.INSULATION, at(LIGHTS, ""));
        learner.does(new Deed.LoadIn(LIGHTS, new PointId("stairs-lamp")), TEST);
        // 40 W at 230 V is 1.3 kΩ hot, less when cold: nothing in megohms
        assertThat(learner.reads()).isLessThan(0.01e6);
        assertThat(learner.told(box)).contains("stairs lamp out");
    }

    @Test
    void anOhmmeterIsNoInsulationTester() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.INSULATION, at(SOCKETS, ""));
        learner.does(new Deed.Choose(Function.CONTINUITY), TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.OverRange.class);
        assertThat(learner.told(box)).contains("Taken with the low-resistance ohmmeter");
    }

    @Test
    void zeWithTheEarthStillOnIsNotZe() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.ZE, s -> true);
        learner.does(new Deed.PutBack(List.of(new End.OfEarthing())), TEST);
        // bonded pipes lie in parallel: never more than alone
        assertThat(learner.reads()).isLessThanOrEqualTo(learner.right(box));
        assertThat(learner.told(box)).contains("earthing conductor off the MET");
    }

    @Test
    void aLoopTestOfHighCurrentTripsTheRcdAndTheNextFindsNoSupply() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.ZS, at(SOCKETS, "socket-3"));
        learner.does(new Deed.Choose(Function.LOOP_TWO_LEAD), TEST);
        assertThat(learner.consequences)
                .anySatisfy(c -> assertThat(c)
                        .isInstanceOfSatisfying(
                                Consequence.Tripped.class,
                                t -> assertThat(t.device().residual()).isTrue()));
        assertThat(learner.told(box)).contains("loop, two leads, high current");
        learner.does(TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.NoReading.class);
    }

    @Test
    void zsBetweenLineAndNeutralIsTheOtherLoop() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.ZS, at(SOCKETS, "socket-3"));
        learner.does(
                new Deed.Choose(Function.LOOP_TWO_LEAD), probes("socket-3", Conductor.LINE, Conductor.NEUTRAL), TEST);
        // the neutral is as thick as the line, the CPC thinner: less than line to earth
        assertThat(learner.reads()).isLessThan(learner.right(box));
        assertThat(learner.consequences).isEmpty();
        assertThat(learner.told(box)).contains("N of socket 3");
    }

    @Test
    void fiveTimesTheCurrentInTheOneTimesBoxIsTooQuick() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.TRIP_AT_1, s -> true);
        learner.does(new Deed.SetTestCurrent(150, false), TEST);
        assertThat(learner.reads()).isCloseTo(12.5, within(0.1));
        assertThat(learner.told(box)).contains("Tested with 150 mA", "taken with 30 mA");
    }

    @Test
    void theOtherHalfWaveIsAnotherReading() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.TRIP_AT_1, s -> true);
        learner.does(new Deed.SetTestCurrent(30, true), TEST);
        // the rig's file: 29.6 ms from 0°, 34.1 ms from 180°
        assertThat(learner.reads()).isCloseTo(34.1, within(0.1));
        assertThat(learner.told(box)).contains("negative half-wave");
    }

    @Test
    void anRcdThatWasNotPutOnAgainGivesNoReading() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.ready(Quantity.TRIP_AT_1, s -> true);
        learner.does(TEST, TEST);
        assertThat(learner.shown()).isInstanceOf(Reading.NoReading.class);
        assertThat(learner.told(box)).contains("is still off", "Put it on again");
    }

    @Test
    void aBondOffWithCircuitsLiveIsADanger() throws Exception {
        Learner learner = new Learner("toll-cottage");
        learner.does(
                new Deed.CoverOff(new Cover.OfBoard(learner.rig.origin().id())),
                new Deed.TakeOut(new End.OfBond(learner.rig.bonds().getFirst().id())));
        assertThat(learner.consequences)
                .filteredOn(Consequence::isDangerous)
                .singleElement()
                .isInstanceOf(Consequence.Unbonded.class);
        // told once, and not at everything that is done after it
        learner.does(new Deed.Choose(Function.VOLTAGE));
        assertThat(learner.consequences)
                .filteredOn(Consequence.Unbonded.class::isInstance)
                .hasSize(1);
    }

    @Test
    void aNeutralLostBetweenThreePhasesPutsNearlyFourHundredVoltsOnTheSmallestLoad() throws Exception {
        Learner learner = new Learner("creamery");
        var origin = learner.rig.origin();
        learner.does(
                new Deed.CoverOff(new Cover.OfBoard(origin.id())),
                new Deed.TakeOut(new End.OfNeutralTail(
                        origin.id(), origin.sections().getFirst().id())));
        // a heater of 3 kW on one phase and a lamp of some watts on another: they share √3 · 230 V, the heater almost
        // none
        assertThat(learner.consequences)
                .anySatisfy(c -> assertThat(c).isInstanceOfSatisfying(Consequence.Overvolted.class, o -> {
                    assertThat(o.volts()).isBetween(0.95 * Math.sqrt(3) * 230, Math.sqrt(3) * 230 + 1);
                    assertThat(o.load().circuit().value()).isEqualTo("cold-lights");
                }));
        assertThat(learner.now.harm().spoilt()).isNotEmpty();
    }

    /** A loose joint in the path: the display moves round its value, and with the joint tight it reads as on a sound rig. */
    @Test
    void aLooseJointReadsUnsteadilyAndTightAgainAsSound() throws Exception {
        Rig rig = DemoRigsTest.rig("toll-cottage");
        Fault joint = FaultCatalogue.everyFault(rig).stream()
                .filter(f -> f.kind().id().equals("high-resistance-joint")
                        && f.conductors().equals(List.of(Conductor.LINE))
                        && f.place().equals(new Place.AtPoint(SOCKETS, new PointId("socket-2"))))
                .findFirst()
                .orElseThrow();
        Learner learner = new Learner("toll-cottage");
        PracticeRig practice = new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, FaultSet.of(joint)));
        Slot.Measured box = learner.box(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        Guide guide = new Guide(practice);
        Moment now = practice.asFound();
        for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
            now = practice.after(now, next.get()).moment();
        }
        Moment.Display display = now.display().orElseThrow();
        double reads = display.reading().base();
        Moment.Swinging swing = display.swing().orElseThrow();
        // 30 % of what the joint adds, to both sides; the display has hundredths
        assertThat(swing.high().base() - reads).isCloseTo(0.3 * joint.size(), within(0.02));
        assertThat(reads - swing.low().base()).isCloseTo(0.3 * joint.size(), within(0.02));
        CurrentPath path = practice.path(now).orElseThrow();
        CurrentPath.Leg loose = path.legs().stream()
                .filter(CurrentPath.Leg::isLoose)
                .findFirst()
                .orElseThrow();
        assertThat(practice.tightened(now, loose).orElseThrow().shown())
                .isEqualTo(learner.key.expectation(box.id()).withFaults().shown());
        CurrentPath.Leg sound =
                path.legs().stream().filter(l -> !l.isLoose()).findFirst().orElseThrow();
        assertThat(practice.tightened(now, sound)).isEmpty();
    }

    /** Taken apart in the middle the low value stays on one side: which, the reading says, and the coach after it. */
    @Test
    void halvingALowInsulationTellsTheSide() throws Exception {
        Rig rig = DemoRigsTest.rig("toll-cottage");
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.box(
                Quantity.INSULATION, at(SOCKETS, "").and(s -> s.quantity().contains("L–E")));
        for (String wet : List.of("socket-2", "socket-5")) {
            Fault fault = FaultCatalogue.everyFault(rig).stream()
                    .filter(f -> f.kind().id().equals("low-insulation")
                            && f.conductors().equals(List.of(Conductor.LINE, Conductor.CPC))
                            && f.place().equals(new Place.AtPoint(SOCKETS, new PointId(wet))))
                    .findFirst()
                    .orElseThrow();
            PracticeRig practice =
                    new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, FaultSet.of(fault)));
            Guide guide = new Guide(practice);
            Moment now = practice.asFound();
            for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
                now = practice.after(now, next.get()).moment();
            }
            PointId middle = new PointId("socket-3");
            List<End> further = Stream.of(Conductor.LINE, Conductor.NEUTRAL, Conductor.CPC)
                    .<End>map(c -> new End.AtPoint(SOCKETS, middle, c, End.Side.OUTGOING))
                    .toList();
            for (Deed deed :
                    List.of(new Deed.CoverOff(new Cover.OfPoint(SOCKETS, middle)), new Deed.TakeOut(further), TEST)) {
                Answer answer = practice.after(now, deed);
                assertThat(answer.slips()).isEmpty();
                now = answer.moment();
            }
            List<Coach.Advice> told = new Coach(practice).onReading(now, box, learner.key.expectation(box.id()));
            assertThat(told).singleElement().satisfies(a -> {
                assertThat(a.kind()).isEqualTo(Coach.Kind.NOTE);
                assertThat(a.says())
                        .contains("Taken apart at socket 3")
                        .contains(wet.equals("socket-2") ? "still low" : "clear");
            });
        }
    }

    /** What is asked when the work is done is looked at, and true: a link that is in is not "out". */
    @Test
    void whatIsLeftIsSeenAsItIs() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured out = closing(learner.rig, Quantity.LINKS_OUT);
        Slot.Measured back = closing(learner.rig, Quantity.CONDUCTORS_BACK);
        learner.ready(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        assertThat(seen(learner, out)).isEqualTo("not done");
        assertThat(seen(learner, back)).isEqualTo("not done");
        learner.does(new Deed.CloseUp());
        assertThat(seen(learner, out)).isEqualTo("done");
        assertThat(seen(learner, back)).isEqualTo("done");
        Slot.Measured read = learner.box(Quantity.ZE, s -> true);
        assertThat(learner.practice.look(learner.now, read).cannot()).isPresent();
    }

    /** From a figure in a record back to what was not done: the same deeds, left out one at a time and read. */
    @Test
    void whatWasLeftOutIsFoundAgainFromWhatStandsThere() throws Exception {
        Learner learner = new Learner("toll-cottage");
        Slot.Measured box = learner.box(Quantity.R1_R2, at(SOCKETS, "socket-3"));
        double right = learner.right(box);
        // the leads are 0.30 Ω: what is too much by that was read with leads that were not nulled
        LeftOut leads = LeftOut.of(learner.practice, box, String.format("%.2f", right + 0.30))
                .orElseThrow();
        assertThat(leads.unnulled()).isTrue();
        LeftOut link = LeftOut.of(learner.practice, box, ">99.9 kΩ").orElseThrow();
        assertThat(link.deeds()).singleElement().isInstanceOf(Deed.Link.class);
        Slot.Measured crossed = learner.box(Quantity.R1_RN, at(RING, "socket-1"));
        assertThat(LeftOut.of(learner.practice, crossed, ">99.9 kΩ")
                        .orElseThrow()
                        .deeds())
                .singleElement()
                .isInstanceOf(Deed.Cross.class);
        assertThat(LeftOut.of(learner.practice, box, String.format("%.2f", right)))
                .as("what is right needs nothing left out")
                .isEmpty();
        assertThat(LeftOut.of(learner.practice, box, "17.4"))
                .as("nothing left out gives this")
                .isEmpty();
    }

    private static Slot.Measured closing(Rig rig, Quantity quantity) {
        Scheme scheme = ShippedSchemes.named("initial-single-phase").orElseThrow();
        return SlotPlan.of(rig, scheme).stream()
                .filter(s -> s.address().is(quantity))
                .map(Slot.Measured.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private static String seen(Learner learner, Slot.Measured box) {
        return learner.practice
                .look(learner.now, box)
                .moment()
                .display()
                .orElseThrow()
                .reading()
                .shown();
    }
}
