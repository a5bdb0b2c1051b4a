package prantel.core.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Ring;
import prantel.core.rig.Variation;
import prantel.core.rig.Workmanship;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** Deeds with objects. What comes before what at a rig: common practice, no source; proving dead: HSE GS38, from memory. */
class DeedsTest {
    private static final Rig RIG = Rigs.fiveSockets();
    private static final BoardId ORIGIN = RIG.origin().id();
    private static final End LINE = new End.AtBoard(Rigs.SOCKETS, Conductor.LINE);
    private static final Deed OFF = new Deed.MainSwitchOff(ORIGIN);
    private static final Deed LOCK = new Deed.LockOff(ORIGIN);
    private static final Deed PROVE = new Deed.ProveDead(ORIGIN);
    private static final Deed ON = new Deed.Energise(ORIGIN);
    private static final Deed LINK =
            new Deed.Link(new Deed.Joint(new Contact.AtEnd(LINE), new Contact.EarthBar(ORIGIN)));

    private static Set<SetUp> setUps(Rig rig) {
        Set<SetUp> all = new HashSet<>();
        for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
            if (slot instanceof Slot.Measured m) {
                all.add(m.setUp());
            }
        }
        return all;
    }

    /** On rigs of every shape: no set-up asks for a deed before what it needs. */
    @Test
    void noSetUpAsksForADeedTooEarly() {
        SplittableRandom random = new SplittableRandom(5);
        int looked = 0;
        for (int n = 0; n < 30; n++) {
            Rig rig = RandomRigs.rig(random);
            for (SetUp setUp : setUps(rig)) {
                assertThat(Need.tooEarly(rig, setUp.deeds()))
                        .as(setUp.steps().toString())
                        .isEmpty();
                assertThat(setUp.steps()).isNotEmpty().noneMatch(String::isBlank);
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(300);
    }

    /** Whoever leaves out isolating, locking or proving is told at the first deed that needs it, with what to do. */
    @Test
    void aForgottenDeedIsToldAtTheOneThatNeedsIt() {
        List<Deed> right = List.of(OFF, LOCK, PROVE, new Deed.TakeOut(LINE), LINK);
        assertThat(Need.tooEarly(RIG, right)).isEmpty();
        assertThat(Need.tooEarly(RIG, without(right, OFF))).containsExactly(LOCK, PROVE, new Deed.TakeOut(LINE), LINK);
        assertThat(Need.tooEarly(RIG, without(right, LOCK))).containsExactly(PROVE, new Deed.TakeOut(LINE), LINK);
        assertThat(Need.tooEarly(RIG, without(right, PROVE))).containsExactly(new Deed.TakeOut(LINE), LINK);
        assertThat(Need.missing(RigState.of(RIG, List.of(OFF, LOCK)), LINK)).containsExactly(Need.PROVED_DEAD);
        assertThat(Need.PROVED_DEAD.caution()).contains("every pair");
    }

    private static List<Deed> without(List<Deed> deeds, Deed one) {
        List<Deed> rest = new ArrayList<>(deeds);
        rest.remove(one);
        return rest;
    }

    /** The earthing conductor comes off for Ze with the incoming supply on; a bond does not. */
    @Test
    void theEarthMayComeOffLockedAndUnproved() {
        RigState locked = RigState.of(RIG, List.of(OFF, LOCK));
        assertThat(Need.missing(locked, new Deed.TakeOut(new End.OfEarthing()))).isEmpty();
        assertThat(Need.missing(locked, new Deed.TakeOut(LINE))).containsExactly(Need.PROVED_DEAD);
        assertThat(Need.missing(RigState.untouched(RIG), new Deed.TakeOut(new End.OfEarthing())))
                .containsExactly(Need.ISOLATED, Need.LOCKED);
    }

    @Test
    void whatIsTrueFollowsFromWhatWasDone() {
        RigState dead = RigState.of(RIG, List.of(OFF, LOCK, PROVE, new Deed.TakeOut(LINE), LINK));
        assertThat(dead.isEnergised(ORIGIN)).isFalse();
        assertThat(dead.isOut(LINE)).isTrue();
        assertThat(dead.isLinked()).isTrue();
        assertThat(Need.missing(dead, ON)).containsExactly(Need.CLOSED_UP);
        RigState live = dead.after(new Deed.CloseUp()).after(ON);
        assertThat(live.isEnergised(ORIGIN)).isTrue();
        assertThat(live.isOut(LINE)).isFalse();
        assertThat(live.isLinked()).isFalse();
        assertThat(live.standing()).isEmpty();
        assertThat(live.isProvedDead(ORIGIN)).as("it is live again").isFalse();
        assertThat(Need.missing(live, new Deed.TakeOut(LINE)))
                .containsExactly(Need.ISOLATED, Need.LOCKED, Need.PROVED_DEAD);
        RigState again = live.after(OFF);
        assertThat(again.isProvedDead(ORIGIN)).as("off, and not proved since").isFalse();
    }

    /** A link left in after closing up is not closed up: the rig may not go live. */
    @Test
    void whoLinksAgainMustCloseUpAgain() {
        RigState state = RigState.of(RIG, List.of(new Deed.CloseUp(), LINK));
        assertThat(Need.missing(state, ON)).containsExactly(Need.CLOSED_UP);
        assertThat(Need.missing(state.after(new Deed.CloseUp()), ON)).isEmpty();
    }

    /** Each deed and the one that undoes it leave the network as it was. */
    @Test
    void whatIsUndoneLeavesNothingBehind() {
        Contact bar = new Contact.EarthBar(ORIGIN);
        Deed.Joint joint = new Deed.Joint(new Contact.AtEnd(LINE), bar);
        List<List<Deed>> pairs = List.of(
                List.of(OFF, ON),
                List.of(new Deed.TakeOut(LINE), new Deed.PutBack(List.of(LINE))),
                List.of(new Deed.TakeOut(LINE), new Deed.PutElsewhere(LINE, bar), new Deed.PutBack(List.of(LINE))),
                List.of(new Deed.Link(joint), new Deed.Unlink(joint)),
                List.of(
                        new Deed.Operate(new Position.Device(Rigs.SOCKETS, false)),
                        new Deed.Operate(new Position.Device(Rigs.SOCKETS, true))),
                List.of(new Deed.LoadIn(Rigs.SOCKETS, Rigs.socket(1)), new Deed.TakeLoadsOut(false)),
                List.of(new Deed.SurgeProtectionIn(ORIGIN), new Deed.TakeLoadsOut(true)));
        for (List<Deed> pair : pairs) {
            RigState state = RigState.of(RIG, pair);
            assertThat(new DeedEdits(RIG).of(state.standing()))
                    .as(pair.toString())
                    .isEmpty();
            assertThat(RigState.of(RIG, pair.subList(0, pair.size() - 1)).standing())
                    .as(pair.toString())
                    .isNotEmpty();
        }
    }

    /** An end that is put elsewhere is no longer in its terminal, and the network meets it where it is. */
    @Test
    void anEndPutElsewhereIsConnectedThere() {
        Deed out = new Deed.TakeOut(LINE);
        SetUp setUp = new SetUp(RIG, List.of(OFF, out, new Deed.PutElsewhere(LINE, new Contact.EarthBar(ORIGIN))));
        assertThat(setUp.edits()).isEqualTo(new SetUp(RIG, List.of(OFF, out, LINK)).edits());
    }

    /**
     * Energised is what the network says: behind a main switch there is mains voltage where the state says energised, and none
     * where it does not.
     */
    @Test
    void energisedAgreesWithTheNetwork() {
        SplittableRandom random = new SplittableRandom(8);
        int live = 0;
        int dead = 0;
        for (int n = 0; n < 40; n++) {
            Rig rig = RandomRigs.rig(random);
            Network healthy = RigCompiler.compile(rig, Variation.NONE);
            for (SetUp setUp : setUps(rig)) {
                if (setUp.state().isLinked() || random.nextInt(4) != 0) {
                    continue;
                }
                Network network = healthy.with(setUp.isolation(), 0).with(setUp.edits(), 0);
                for (Board board : rig.boards()) {
                    Terminal behind = Places.behindMainSwitch(
                            board.id(), rig.isThreePhase(board.id()) ? Conductor.L1 : Conductor.LINE);
                    boolean reaches = lines(rig).stream()
                            .anyMatch(l -> network.resistance(
                                            behind,
                                            Places.incoming(rig, rig.origin().id(), l))
                                    < 5);
                    assertThat(setUp.state().isEnergised(board.id()))
                            .as(board.label() + ": " + setUp.steps())
                            .isEqualTo(reaches);
                    live += reaches ? 1 : 0;
                    dead += reaches ? 0 : 1;
                }
            }
        }
        assertThat(live).isGreaterThan(20);
        assertThat(dead).isGreaterThan(20);
    }

    private static List<Conductor> lines(Rig rig) {
        return rig.supply().isThreePhase() ? Conductor.THREE_LINES : List.of(Conductor.LINE);
    }

    /** A sub-board is dead when the board before it is, and locked and proved by that. */
    @Test
    void aSubBoardIsDeadWithTheBoardBeforeIt() {
        Rig rig = rigWithSubBoard();
        BoardId sub = rig.boards().get(1).id();
        BoardId origin = rig.origin().id();
        RigState state = RigState.of(
                rig, List.of(new Deed.MainSwitchOff(origin), new Deed.LockOff(origin), new Deed.ProveDead(origin)));
        assertThat(state.isEnergised(sub)).isFalse();
        assertThat(state.isLocked(sub)).isTrue();
        assertThat(state.isProvedDead(sub)).isTrue();
        RigState only =
                RigState.of(rig, List.of(new Deed.MainSwitchOff(sub), new Deed.LockOff(sub), new Deed.ProveDead(sub)));
        assertThat(only.isProvedDead(sub)).isTrue();
        assertThat(only.isEnergised(origin)).isTrue();
        assertThat(only.isProvedDead(origin)).isFalse();
        RigState fed = RigState.of(
                rig,
                List.of(new Deed.Operate(
                        new Position.Device(rig.feedOf(sub).orElseThrow().id(), false))));
        assertThat(fed.isEnergised(sub)).isFalse();
        assertThat(fed.isEnergised(origin)).isTrue();
    }

    private static Rig rigWithSubBoard() {
        SplittableRandom random = new SplittableRandom(9);
        Rig rig = RandomRigs.rig(random);
        while (rig.boards().size() < 2) {
            rig = RandomRigs.rig(random);
        }
        return rig;
    }

    /** Wrong crossings of a ring as edits: each joins the ends that its words say. */
    @Test
    void aRingIsCrossedAsItsWordsSay() {
        Ring ring = ring();
        Rig rig = rigOf(ring);
        for (Deed.Legs legs : Deed.Legs.values()) {
            Deed cross = new Deed.Cross(ring.id(), Conductor.CPC, legs);
            boolean one = legs == Deed.Legs.FIRST_LINE_ONLY || legs == Deed.Legs.SECOND_LINE_ONLY;
            assertThat(new DeedEdits(rig).of(cross)).hasSize(one ? 1 : 2);
            assertThat(new DeedWords(rig).of(cross))
                    .contains(legs == Deed.Legs.EACH_WITH_ITSELF ? "same leg" : "other leg");
        }
        assertThat(new DeedEdits(rig).of(new Deed.Cross(ring.id(), Conductor.CPC, Deed.Legs.FIRST_LINE_ONLY)))
                .isSubsetOf(new DeedEdits(rig).of(new Deed.Cross(ring.id(), Conductor.CPC)));
    }

    private Rig made;

    private Ring ring() {
        SplittableRandom random = new SplittableRandom(10);
        while (true) {
            made = RandomRigs.rig(random);
            Optional<Circuit> ring =
                    made.circuits().stream().filter(Ring.class::isInstance).findFirst();
            if (ring.isPresent()) {
                return (Ring) ring.get();
            }
        }
    }

    private Rig rigOf(Ring ring) {
        assertThat(made.circuits()).contains(ring);
        return made;
    }

    /** Every deed can be said, with the labels of its rig. */
    @Test
    void everyDeedHasWords() {
        DeedWords words = new DeedWords(RIG);
        List<Deed> all = List.of(
                OFF,
                LOCK,
                PROVE,
                new Deed.TakeOut(LINE),
                new Deed.PutBack(List.of(LINE)),
                new Deed.PutElsewhere(LINE, new Contact.Met()),
                LINK,
                new Deed.Unlink(new Deed.Joint(new Contact.AtEnd(LINE), new Contact.EarthBar(ORIGIN))),
                new Deed.Operate(new Position.Device(Rigs.SOCKETS, true)),
                new Deed.TakeLoadsOut(true),
                new Deed.LoadIn(Rigs.SOCKETS, Rigs.socket(2)),
                new Deed.SurgeProtectionIn(ORIGIN),
                new Deed.NullLeads(Deed.Leads.PAIR),
                new Deed.Choose(Function.INSULATION_250),
                new Deed.PutProbes(new ProbesAt.On(List.of(
                        new Contact.Front(Rigs.SOCKETS, Rigs.socket(2), Conductor.LINE),
                        new Contact.Front(Rigs.SOCKETS, Rigs.socket(2), Conductor.CPC)))),
                new Deed.PressTestButton("nothing"),
                new Deed.Reset("nothing"),
                new Deed.CloseUp(),
                ON,
                new Deed.Heed(Caution.Usual.LIVE));
        Set<String> said = new HashSet<>();
        for (Deed deed : all) {
            assertThat(words.of(deed)).isNotBlank().doesNotContain("[");
            said.add(words.of(deed));
        }
        assertThat(said).as("no two deeds in the same words").hasSameSizeAs(all);
        assertThat(words.of(new Deed.LoadIn(Rigs.SOCKETS, Rigs.socket(2)))).contains("socket 2");
    }

    @Test
    void sentencesAreJoinedAsTheyAreTold() {
        List<String> lines = new DeedWords(RIG)
                .lines(List.of(OFF, LOCK, PROVE, new Deed.TakeOut(LINE), LINK, new Deed.NullLeads(Deed.Leads.PAIR)));
        assertThat(lines).hasSize(3);
        assertThat(lines.get(0)).startsWith("Main switch off, locked, proved dead in all 3 tests");
        assertThat(lines.get(1)).endsWith("out of its device and into the earth bar");
        assertThat(lines.get(2)).isEqualTo("Leads nulled");
        assertThat(new DeedWords(RIG).lines(List.of(OFF, LOCK)).getFirst()).startsWith("Supply on, main switch of");
    }

    /** The key is what the deeds make of the rig: leaving the link out of method 1 opens every reading of it. */
    @Test
    void aDeedLeftOutShowsInTheReadings() {
        Key key = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.workshop());
        Slot.Measured r1r2 = key.expectations().stream()
                .map(e -> e.slot())
                .filter(s -> s instanceof Slot.Measured m
                        && m.setUp().deed(Deed.Link.class).isPresent())
                .map(Slot.Measured.class::cast)
                .findFirst()
                .orElseThrow();
        SetUp left = r1r2.setUp().without(Deed.Link.class::isInstance);
        assertThat(left).isNotEqualTo(r1r2.setUp());
        assertThat(key.expect(r1r2.in(left)).withFaults().shown()).contains(">");
    }

    /** The same deeds at a rig with poorer joints are another set-up: their link is another resistance. */
    @Test
    void aSetUpIsThatOfItsRig() {
        List<Deed> deeds = List.of(OFF, LOCK, PROVE, new Deed.TakeOut(LINE), LINK);
        Rig poorer = Rigs.rig(new Workmanship(5, 4, 50), 6, 13, 19);
        Rig good = Rigs.rig(new Workmanship(0.5, 4, 50), 6, 13, 19);
        assertThat(new SetUp(good, deeds)).isEqualTo(new SetUp(good, deeds)).isNotEqualTo(new SetUp(poorer, deeds));
        assertThat(new SetUp(Rigs.rig(new Workmanship(0.5, 4, 50), 6, 13, 19), deeds))
                .isEqualTo(new SetUp(good, deeds));
    }
}
