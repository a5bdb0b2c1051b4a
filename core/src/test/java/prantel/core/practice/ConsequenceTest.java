package prantel.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.expectation.SimulatedRig;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.Need;
import prantel.core.procedure.ProbesAt;
import prantel.core.rig.BoardId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Load;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;

/**
 * What comes of doing it wrong. Numbers are Ohm's law on the rig's own loop, worked out beside each check; what a tester does
 * with voltage on its leads: common practice, no source.
 */
class ConsequenceTest {
    private static final Rig RIG = Rigs.fiveSockets();
    private static final BoardId BOARD = RIG.origin().id();
    private static final PracticeRig PRACTICE =
            new PracticeRig(RIG, Testers.usual(), SimulatedRig.asDeclared(RIG, FaultSet.NONE));
    private static final End LINE = new End.AtBoard(Rigs.SOCKETS, Conductor.LINE);
    private static final End CPC = new End.AtBoard(Rigs.SOCKETS, Conductor.CPC);
    private static final Deed OFF = new Deed.MainSwitchOff(BOARD);
    private static final Deed LOCK = new Deed.LockOff(BOARD);
    private static final Deed UNLOCK = new Deed.Unlock(BOARD);
    private static final Deed ON = new Deed.Energise(BOARD);
    private static final Deed OPEN = new Deed.CoverOff(new Cover.OfBoard(BOARD));
    private static final Deed PROVE = new Deed.ProveDead(BOARD);

    /** All of them, none refused. */
    private static Answer done(PracticeRig practice, Moment from, Deed... deeds) {
        Answer answer = new Answer(from, Optional.empty(), List.of(), List.of());
        for (Deed deed : deeds) {
            answer = practice.after(answer.moment(), deed);
            assertThat(answer.cannot()).as(deed.toString()).isEmpty();
        }
        return answer;
    }

    private static Answer done(Deed... deeds) {
        return done(PRACTICE, PRACTICE.asFound(), deeds);
    }

    private static Contact front(int socket, Conductor conductor) {
        return new Contact.Front(Rigs.SOCKETS, Rigs.socket(socket), conductor);
    }

    private static Deed probes(Contact... at) {
        return new Deed.PutProbes(new ProbesAt.On(List.of(at)));
    }

    @Test
    void anInsulationTesterOnALiveCircuitWarnsAndDoesNotTest() {
        Answer answer = done(
                new Deed.Choose(Function.INSULATION_500),
                probes(front(1, Conductor.LINE), front(1, Conductor.CPC)),
                new Deed.TakeReading());
        assertThat(answer.moment().display()).isEmpty();
        assertThat(answer.consequences())
                .singleElement()
                .isInstanceOfSatisfying(
                        Consequence.Refused.class,
                        r -> assertThat(r.volts()).isCloseTo(RIG.supply().nominalVolts(), within(3.0)));
    }

    @Test
    void aLinkLeftInTripsTheBreakerWithWhatTheLoopLetsThrough() {
        Deed.Joint joint = new Deed.Joint(new Contact.AtEnd(LINE), new Contact.EarthBar(BOARD));
        Deed.Link link = new Deed.Link(joint);
        Answer linkedAndBack =
                done(OFF, LOCK, OPEN, PROVE, new Deed.TakeOut(LINE), link, new Deed.PutBack(List.of(LINE)), UNLOCK);
        Answer on = PRACTICE.after(linkedAndBack.moment(), ON);
        assertThat(on.slips()).containsExactly(Need.CLOSED_UP);
        // a short at the board: the supply's own loop and nothing else but joints
        double ze = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence()).expectations().stream()
                .filter(e -> e.slot().address().is(Quantity.ZE))
                .mapToDouble(e -> e.withFaults().base())
                .findFirst()
                .orElseThrow();
        assertThat(on.consequences())
                .anySatisfy(c -> assertThat(c).isInstanceOfSatisfying(Consequence.Tripped.class, t -> {
                    assertThat(t.device().residual()).isFalse();
                    assertThat(t.device().amps()).isCloseTo(230 / ze, within(0.15 * 230 / ze));
                }));
        // what tripped is open for a dead test as well
        Contact bar = new Contact.Bar(BOARD, RIG.origin().sections().getFirst().id(), Conductor.LINE);
        Moment acrossIt = done(
                        PRACTICE,
                        on.moment(),
                        OFF,
                        new Deed.Choose(Function.CONTINUITY),
                        probes(bar, new Contact.DeviceOut(Rigs.SOCKETS, Conductor.LINE)),
                        new Deed.TakeReading())
                .moment();
        assertThat(acrossIt.display().orElseThrow().reading()).isInstanceOf(Reading.OverRange.class);
        Deed.Reset again = new Deed.Reset(on.moment().open().iterator().next());
        Answer reset = PRACTICE.after(on.moment(), again);
        assertThat(reset.moment().open())
                .as("it trips again")
                .isEqualTo(on.moment().open());
        Answer mended = done(
                PRACTICE,
                reset.moment(),
                OFF,
                LOCK,
                PROVE,
                new Deed.Unlink(joint),
                new Deed.CloseUp(),
                UNLOCK,
                ON,
                again);
        assertThat(mended.consequences()).isEmpty();
        assertThat(mended.moment().open()).isEmpty();
    }

    @Test
    void theCpcInTheBreakerMakesEveryEarthContactLive() {
        Answer on = done(
                OFF,
                LOCK,
                OPEN,
                PROVE,
                new Deed.TakeOut(CPC),
                new Deed.PutElsewhere(CPC, new Contact.DeviceOut(Rigs.SOCKETS, Conductor.LINE)),
                UNLOCK,
                ON);
        assertThat(on.consequences())
                .anySatisfy(c -> assertThat(c).isInstanceOfSatisfying(Consequence.MetalLive.class, m -> {
                    assertThat(m.volts()).isCloseTo(230, within(5.0));
                    assertThat(m.at()).contains(front(5, Conductor.CPC));
                }));
        assertThat(on.moment().open()).as("no current flows, so nothing opens").isEmpty();
        Answer off = PRACTICE.after(on.moment(), OFF);
        assertThat(off.moment().harm().liveMetal()).isEmpty();
    }

    @Test
    void withTheEarthLeftOffAFaultMakesTheMetalLiveAndNothingMayOpen() {
        Deed fault = new Deed.Link(new Deed.Joint(front(3, Conductor.LINE), front(3, Conductor.CPC)));
        Answer on = done(OFF, LOCK, OPEN, PROVE, new Deed.TakeOut(new End.OfEarthing()), fault, UNLOCK, ON);
        assertThat(on.slips()).containsExactly(Need.CLOSED_UP);
        assertThat(on.consequences()).anyMatch(Consequence.MetalLive.class::isInstance);
        assertThat(on.moment().harm().liveMetal()).contains(new Contact.Met());
    }

    @Test
    void whoTakesALiveEndInTheirHandsIsToldTheVoltage() {
        Answer open = PRACTICE.after(PRACTICE.asFound(), OPEN);
        assertThat(open.consequences()).anyMatch(Consequence.LiveOpen.class::isInstance);
        Answer out = PRACTICE.after(open.moment(), new Deed.TakeOut(LINE));
        assertThat(out.slips()).containsExactly(Need.ISOLATED, Need.LOCKED, Need.PROVED_DEAD);
        assertThat(out.consequences())
                .anySatisfy(c -> assertThat(c)
                        .isInstanceOfSatisfying(
                                Consequence.Shock.class,
                                s -> assertThat(s.volts()).isCloseTo(230, within(5.0))));
        Answer bond = PRACTICE.after(PRACTICE.asFound(), new Deed.TakeOut(new End.OfBond(Rigs.WATER)));
        assertThat(bond.slips()).as("a bond off with circuits live").contains(Need.ISOLATED);
        assertThat(bond.consequences()).as("no voltage on it: luck").noneMatch(Consequence.Shock.class::isInstance);
    }

    @Test
    void deadIsProvedPairByPairBetweenTwoProofsOfTheIndicator() {
        Contact line = new Contact.BehindMainSwitch(BOARD, Conductor.LINE);
        Contact neutral = new Contact.BehindMainSwitch(BOARD, Conductor.NEUTRAL);
        Contact earth = new Contact.EarthBar(BOARD);
        List<Deed> pairs = new ArrayList<>(List.of(OFF, LOCK, OPEN, new Deed.ProveIndicator()));
        for (List<Contact> pair : List.of(List.of(line, neutral), List.of(line, earth), List.of(neutral, earth))) {
            pairs.add(probes(pair.get(0), pair.get(1)));
            pairs.add(new Deed.TakeReading());
        }
        Moment almost = done(pairs.toArray(Deed[]::new)).moment();
        assertThat(almost.state().isProvedDead(BOARD))
                .as("the indicator may have broken since")
                .isFalse();
        Moment proved = PRACTICE.after(almost, new Deed.ProveIndicator()).moment();
        assertThat(proved.state().isProvedDead(BOARD)).isTrue();
        assertThat(done(PRACTICE, proved, UNLOCK, ON).moment().state().isProvedDead(BOARD))
                .isFalse();
        pairs.remove(3);
        Moment unproved = done(PRACTICE, done(pairs.toArray(Deed[]::new)).moment(), new Deed.ProveIndicator())
                .moment();
        assertThat(unproved.state().isProvedDead(BOARD)).as("not proved before").isFalse();
    }

    @Test
    void whatIsLiveIsNotProvedDead() {
        Answer answer = done(OPEN, PROVE);
        assertThat(answer.consequences()).singleElement().isInstanceOf(Consequence.NotDead.class);
        assertThat(answer.moment().state().isProvedDead(BOARD)).isFalse();
    }

    @Test
    void aCoverIsInTheWayAndALockFitsOnlyASwitchThatIsOff() {
        Moment found = PRACTICE.asFound();
        assertThat(PRACTICE.after(found, new Deed.TakeOut(LINE)).cannot())
                .contains(new Cannot.Covered(new Cover.OfBoard(BOARD)));
        assertThat(PRACTICE.after(found, LOCK).cannot()).contains(Cannot.Because.NOTHING_TO_LOCK);
        assertThat(PRACTICE.after(done(OFF, LOCK).moment(), ON).cannot()).contains(Cannot.Because.LOCKED);
    }

    @Test
    void fiveHundredVoltsThroughElectronicsSpoilThem() {
        Rig rig = Rigs.rig(
                Rigs.usual(),
                List.of(Rigs.radial(
                        Rigs.SOCKETS,
                        1,
                        List.of(new Point(
                                Rigs.socket(1),
                                "outlet",
                                PointKind.TWIN_SOCKET,
                                10,
                                Optional.empty(),
                                Optional.of(new Load(Load.Kind.USB_OUTLET, 10)),
                                false)))));
        PracticeRig practice = new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, FaultSet.NONE));
        Deed[] test = {
            OFF,
            LOCK,
            new Deed.Choose(Function.INSULATION_500),
            probes(front(1, Conductor.LINE), front(1, Conductor.NEUTRAL)),
            new Deed.TakeReading()
        };
        Answer spoilt = done(practice, practice.asFound(), test);
        assertThat(spoilt.consequences())
                .anySatisfy(c -> assertThat(c)
                        .isInstanceOfSatisfying(
                                Consequence.Spoilt.class,
                                s -> assertThat(s.volts()).isCloseTo(500, within(5.0))));
        // at 500 V the outlet's electronics are 220 kΩ in this model: far below 1 MΩ
        assertThat(spoilt.moment().display().orElseThrow().reading().base()).isLessThan(1e6);
        Answer sound = done(
                practice,
                done(practice, practice.asFound(), new Deed.TakeLoadsOut(true)).moment(),
                test);
        assertThat(sound.consequences()).isEmpty();
        assertThat(sound.moment().display().orElseThrow().reading()).isInstanceOf(Reading.class);
        assertThat(sound.moment().display().orElseThrow().reading().base()).isGreaterThan(50e6);
    }

    /** Tellegen's theorem: what all branches dissipate is what is put in. */
    @Test
    void whatEachConductorContributesIsTheReading() {
        Slot.Measured last = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence()).expectations().stream()
                .map(e -> e.slot())
                .filter(s -> s instanceof Slot.Measured && s.address().is(Quantity.R1_R2))
                .map(Slot.Measured.class::cast)
                .reduce((a, b) -> b)
                .orElseThrow();
        Guide guide = new Guide(PRACTICE);
        Moment now = PRACTICE.asFound();
        for (Optional<Deed> next = guide.next(now, last); next.isPresent(); next = guide.next(now, last)) {
            now = PRACTICE.after(now, next.get()).moment();
        }
        CurrentPath path = PRACTICE.path(now).orElseThrow();
        double sum =
                path.legs().stream().mapToDouble(CurrentPath.Leg::contributes).sum() + path.restOhms();
        assertThat(sum).isCloseTo(path.ohms(), within(1e-6));
        assertThat(path.restOhms()).isLessThan(0.01 * path.ohms());
        assertThat(path.legs().getFirst().what()).isEqualTo(CurrentPath.What.CABLE);
        assertThat(path.ohms()).isCloseTo(now.display().orElseThrow().reading().base(), within(0.006));
    }

    /** Leads left unnulled, a load left in, a wrong lead: each is told with what to do. */
    @Test
    void theCoachNamesWhatIsNotAsTheReadingAsks() {
        Key sound = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Slot.Measured box = sound.expectations().stream()
                .map(e -> e.slot())
                .filter(s -> s instanceof Slot.Measured && s.address().is(Quantity.R1_R2))
                .map(Slot.Measured.class::cast)
                .findFirst()
                .orElseThrow();
        Coach coach = new Coach(PRACTICE);
        Moment unnulled = done(
                        OFF,
                        LOCK,
                        OPEN,
                        PROVE,
                        new Deed.TakeOut(LINE),
                        new Deed.Link(new Deed.Joint(new Contact.AtEnd(LINE), new Contact.EarthBar(BOARD))),
                        new Deed.Choose(Function.CONTINUITY),
                        probes(front(1, Conductor.LINE), front(1, Conductor.CPC)),
                        new Deed.TakeReading())
                .moment();
        assertThat(coach.onReading(unnulled, box, sound.expectation(box.id())))
                .singleElement()
                .satisfies(a -> assertThat(a.says()).contains("not nulled", "0.30"));
        Moment right = done(PRACTICE, unnulled, new Deed.NullLeads(Deed.Leads.PAIR), new Deed.TakeReading())
                .moment();
        assertThat(coach.onReading(right, box, sound.expectation(box.id())))
                .singleElement()
                .satisfies(a -> assertThat(a.kind()).isEqualTo(Coach.Kind.RIGHT));
        Moment wrongPlace = done(
                        PRACTICE,
                        right,
                        probes(front(2, Conductor.LINE), front(2, Conductor.CPC)),
                        new Deed.TakeReading())
                .moment();
        assertThat(coach.onReading(wrongPlace, box, sound.expectation(box.id())))
                .singleElement()
                .satisfies(a -> assertThat(a.says()).contains("leads are on"));
    }

    @Test
    void whatWentWrongComesBackAfterADayThreeSevenAndTwentyOne() {
        LocalDate day = LocalDate.of(2026, 12, 1);
        List<Recall.Go> goes = new ArrayList<>(List.of(new Recall.Go(day, true)));
        assertThat(Recall.due(goes)).as("never wrong").isEmpty();
        goes.add(new Recall.Go(day, false));
        assertThat(Recall.due(goes)).contains(day.plusDays(1));
        goes.add(new Recall.Go(day, true));
        assertThat(Recall.due(goes)).as("the same day does not count").contains(day.plusDays(1));
        int passed = 1;
        for (int step : List.of(3, 7, 21)) {
            goes.add(new Recall.Go(day.plusDays(passed), true));
            assertThat(Recall.due(goes)).contains(day.plusDays(passed + step));
            passed += step;
        }
        goes.add(new Recall.Go(day.plusDays(passed), true));
        assertThat(Recall.due(goes)).as("well kept").isEmpty();
        goes.add(new Recall.Go(day.plusDays(passed), false));
        assertThat(Recall.due(goes)).contains(day.plusDays(passed + 1));
    }
}
