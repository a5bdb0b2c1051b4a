package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Saying;
import prantel.core.quantity.Unit;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Nature;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Supply;
import prantel.core.rig.SurgeProtection;
import prantel.core.rig.Workmanship;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** Boxes and parts of a rig that came later: each against what length and table (IEC 60228) give by hand. */
class AddedBoxesTest {
    private static final CircuitId LIGHTS = new CircuitId("lights");
    /** Joints of 0.01 mΩ are left out by hand, Ω. */
    private static final Offset<Double> JOINTS = offset(0.003);

    private static Rig lights(LightGroup.Feed feed, double longer) {
        LightGroup group = new LightGroup(
                "room",
                "Room",
                feed,
                List.of(new LightGroup.Lamp(
                        new PointId("lamp"), "lamp", 7, new Load(Load.Kind.FILAMENT_LAMP, 60), false)),
                List.of(
                        new LightSwitch(new PointId("first"), "first", 4),
                        new LightSwitch(new PointId("second"), "second", 5, longer)));
        return Rigs.rig(
                Rigs.perfect(), List.of(new Lighting(Rigs.head(LIGHTS, 1, 6, new Cable(1.5, 1.0)), List.of(group))));
    }

    private static Scheme switchesToo() {
        Practice usual = Schemes.usual();
        return Schemes.fullSequence()
                .with(Schemes.with(
                        new Practice.Continuity(
                                usual.continuity().methods(),
                                usual.continuity().maxima(),
                                Practice.Switches.TESTED,
                                Practice.Conduit.ON_BAR),
                        usual.bonding()));
    }

    private static double ohms(Rig rig, Scheme scheme, String box, Fault... faults) {
        Key key = Key.of(rig, new FaultSet(List.of(faults)), Testers.usual(), scheme);
        Slot.Measured slot = (Slot.Measured) key.expectation(new SlotId(box)).slot();
        return new Bench(rig, new FaultSet(List.of(faults)), prantel.core.rig.Variation.NONE).value(slot);
    }

    private static double ohms(Rig rig, String box, Fault... faults) {
        return ohms(rig, switchesToo(), box, faults);
    }

    /** 12.10 and 18.10 mΩ/m: IEC 60228. Fed at the lamp, the line goes 7 + 4 m to the switch and its CPC comes the same way. */
    @Test
    void lineToCpcIsReadAtTheSwitchesToo() {
        Rig rig = lights(LightGroup.Feed.LAMP, 0);
        double first = 0.0121 * 11 + 0.0181 * 11;
        assertThat(ohms(rig, "lights/r1r2/first")).isCloseTo(first, JOINTS);
        assertThat(ohms(rig, "lights/r1r2/second")).isCloseTo(first + 5 * (0.0121 + 0.0181), JOINTS);
        assertThat(SlotPlan.of(rig, Schemes.fullSequence()))
                .extracting(s -> s.id().value())
                .doesNotContain("lights/r1r2/first");
    }

    @Test
    void strappersOfUnequalLengthReadApart() {
        Rig rig = lights(LightGroup.Feed.LAMP, 6);
        double one = ohms(rig, "lights/r1r2/lamp/position-1");
        double other = ohms(rig, "lights/r1r2/lamp/position-2");
        assertThat(other - one).isCloseTo(6 * 0.0121, JOINTS);
    }

    /** Fed at switch 1 (4 m), strapper of 5 m, lamp 7 m beyond switch 2: line and CPC each 16 m. */
    @Test
    void lampBeyondTheLastSwitchHasItsCableOnce() {
        Rig rig = lights(LightGroup.Feed.THROUGH, 0);
        assertThat(ohms(rig, "lights/r1r2/lamp/position-1")).isCloseTo(16 * (0.0121 + 0.0181), JOINTS);
        Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        assertThat(key.expectation(new SlotId("lights/works/room")).withFaults())
                .isEqualTo(new prantel.core.instrument.Reading.Said(Saying.WORKS));
    }

    /** 2 × 7.41 mΩ/m: IEC 60228. */
    @Test
    void lineAndNeutralOfARadialAreReadWhereItIsAsked() {
        assertThat(ohms(Rigs.fiveSocketsPerfect(), "sockets/r1rn/socket-5")).isCloseTo(36 * 2 * 0.00741, JOINTS);
    }

    @Test
    void anOpenNeutralShowsInR1RnAndAnOpenLineInR1R2() {
        Rig rig = Rigs.fiveSocketsPerfect();
        Place third = Place.parse("sockets/socket-3", rig);
        Fault neutral = new Fault(FaultCatalogue.kind("live-open-after"), third, List.of(Conductor.NEUTRAL), 0);
        Fault line = new Fault(FaultCatalogue.kind("live-open-after"), third, List.of(Conductor.LINE), 0);
        assertThat(ohms(rig, "sockets/r1rn/socket-4", neutral)).isGreaterThan(1e6);
        assertThat(ohms(rig, "sockets/r1rn/socket-3", neutral)).isLessThan(1);
        assertThat(ohms(rig, "sockets/r1r2/socket-4", neutral)).isLessThan(1);
        assertThat(ohms(rig, "sockets/r1r2/socket-4", line)).isGreaterThan(1e6);
    }

    private static Rig ring() {
        List<Point> sockets = new ArrayList<>();
        for (int i = 1; i <= 4; i++) {
            sockets.add(new Point(Rigs.socket(i), "socket " + i, PointKind.TWIN_SOCKET, 10 * i));
        }
        return Rigs.rig(
                Rigs.perfect(),
                List.of(new Ring(Rigs.head(new CircuitId("ring"), 1, 32, new Cable(2.5, 1.5)), 50, sockets)));
    }

    /** r1 and rn of an even ring are alike, and crossed every socket reads the same: common practice, within 0.05 Ω. */
    @Test
    void evennessOfARingIsABoxWithALimit() {
        Key sound = Key.of(ring(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        for (String box : List.of("ring/ring-even/ends", "ring/ring-even/step-2")) {
            Expectation even = sound.expectation(new SlotId(box));
            assertThat(even.withFaults().base()).as(box).isLessThan(0.011);
            assertThat(even.satisfactory()).as(box).contains(true);
        }
        Fault bridge = FaultCatalogue.kind("ring-bridged")
                .usual(
                        Place.parse("ring/socket-1", ring()),
                        List.of(),
                        Optional.of(Place.parse("ring/socket-4", ring())),
                        ring());
        Key bridged = sound.with(new FaultSet(List.of(bridge)));
        assertThat(bridged.expectation(new SlotId("ring/ring-even/step-2"))
                        .withFaults()
                        .base())
                .isGreaterThan(0.02);
    }

    /** A bridge of 60 m draws less off the ring than one of 2 m, whose 2 × 2 m lie in parallel with 30 m. */
    @Test
    void bridgeOfARingHasTheLengthItIsGiven() {
        Fault usual = FaultCatalogue.kind("ring-bridged")
                .usual(
                        Place.parse("ring/socket-1", ring()),
                        List.of(),
                        Optional.of(Place.parse("ring/socket-4", ring())),
                        ring());
        double parallel = 30.0 * 2 / 32;
        assertThat(ohms(ring(), "ring/ring/r1", usual)).isCloseTo((20 + parallel) * 0.00741, JOINTS);
        double longer = 30.0 * 60 / 90;
        assertThat(ohms(ring(), "ring/ring/r1", usual.withSize(60))).isCloseTo((20 + longer) * 0.00741, JOINTS);
        Fault old = new Fault(usual.kind(), usual.place(), List.of(), 0, usual.other());
        assertThat(old.size()).isEqualTo(2);
    }

    private static Rig tt(Optional<Supply.Tails> tails) {
        Supply supply = new Supply(
                230,
                new Supply.Declared(Supply.Earthing.TT, 200),
                List.of(Impedance.of(0.2)),
                Impedance.of(0.2),
                new Supply.Earth(Supply.Earthing.TT, Impedance.of(0.2), 5, 84),
                tails);
        return Rigs.rig(
                supply,
                Rigs.perfect(),
                List.of(Board.plain()),
                List.of(Rigs.radial(
                        Rigs.SOCKETS, 1, List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 10)))));
    }

    /** Stakes read the electrode and 2 m of 16 mm²; the loop has source electrode and line on top. */
    @Test
    void electrodeIsReadByStakesOrByLoop() {
        assertThat(ohms(tt(Optional.empty()), "origin/electrode")).isCloseTo(84 + 2 * 0.00115, JOINTS);
        Key key = Key.of(tt(Optional.empty()), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        assertThat(key.expectation(new SlotId("origin/electrode-loop"))
                        .withFaults()
                        .base())
                .isCloseTo(84 + 5 + 0.2, offset(0.06));
        assertThat(key.expectation(new SlotId("origin/electrode")).satisfactory())
                .contains(true);
        assertThat(SlotPlan.of(Rigs.fiveSockets(), Schemes.fullSequence()))
                .noneMatch(s -> s.step() == TestKind.ELECTRODE || s.step() == TestKind.ELECTRODE_LOOP);
    }

    /** 10 m of 1.5 mm², 12.10 mΩ/m, in the line; Ze is measured before it. Source: IEC 60228. */
    @Test
    void tailsAreInZsAndNotInZe() {
        Rig without = tt(Optional.empty());
        Rig with = tt(Optional.of(new Supply.Tails(1.5, 10)));
        double tail = 10 * 0.0121;
        assertThat(live(with, "sockets/zs/socket-1") - live(without, "sockets/zs/socket-1"))
                .isCloseTo(tail, JOINTS);
        assertThat(live(with, "origin/ze")).isCloseTo(live(without, "origin/ze"), JOINTS);
    }

    private static double live(Rig rig, String box) {
        return ohms(rig, Schemes.fullSequence(), box);
    }

    /** Table 64 of BS 7671 = IEC 60364-6 Table 6.1. */
    @ParameterizedTest
    @CsvSource({"SELV,250,500000", "PELV,250,500000", "ABOVE_500,1000,1000000"})
    void separatedCircuitIsTestedAtItsOwnVoltage(Nature nature, int volts, double least) {
        Rig rig = natured(nature);
        List<Slot> boxes = SlotPlan.of(rig, Schemes.fullSequence()).stream()
                .filter(s -> s.circuit().filter(Rigs.SOCKETS::equals).isPresent())
                .toList();
        assertThat(boxes).hasSize(3).allMatch(s -> s.step() == TestKind.INSULATION);
        assertThat(boxes).allMatch(s -> s.id().value().startsWith("sockets/ir" + volts + "/"));
        assertThat(boxes)
                .allSatisfy(s -> assertThat(s.limit().orElseThrow().end()).isEqualTo(least));
        assertThat(Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence())
                        .expectations())
                .as("the rest of the rig is read as ever")
                .allMatch(e -> !e.satisfactory().equals(Optional.of(false)));
    }

    @Test
    void felvIsTestedAsThePrimarySideIs() {
        assertThat(SlotPlan.of(natured(Nature.FELV), Schemes.fullSequence()).stream()
                        .map(s -> s.id().value()))
                .contains("sockets/ir500/l-n", "sockets/ir250/l-n", "sockets/zs")
                .doesNotContain("sockets/ir1000/l-n");
    }

    private static Rig natured(Nature nature) {
        CircuitHead plain = Rigs.head(Rigs.SOCKETS, 1, 20, new Cable(2.5, 1.5));
        List<Point> points = List.of(new Point(Rigs.socket(1), "socket 1", PointKind.APPLIANCE, 10));
        Circuit special = new Radial(
                new CircuitHead(plain.id(), plain.label(), plain.way(), plain.device(), plain.cable(), nature),
                false,
                points);
        return Rigs.rig(Rigs.usual(), List.of(special, Rigs.radial(new CircuitId("other"), 2, points)));
    }

    @ParameterizedTest
    @CsvSource({"TO_NEUTRAL,l-n", "TO_EARTH,l-e"})
    void surgeProtectionLeftInClampsWhereItIsConnected(SurgeProtection surge, String low) {
        Board plain = Board.plain();
        Board board = new Board(plain.id(), plain.label(), plain.mainRcd(), plain.sections(), surge);
        Rig rig = Rigs.rig(
                Supply.tnCS(230, 0.35, 0.11, 0.09),
                Rigs.usual(),
                List.of(board),
                List.of(Rigs.radial(
                        Rigs.SOCKETS, 1, List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 10)))));
        Fault left = FaultCatalogue.kind("surge-protection-left-in")
                .usual(new Place.AtBoard(board.id()), List.of(), Optional.empty(), rig);
        assertThat(ohms(rig, Schemes.fullSequence(), "board/whole/ir500/" + low, left))
                .isLessThan(70e3);
        assertThat(ohms(rig, Schemes.fullSequence(), "board/whole/ir500/" + low))
                .isGreaterThan(1e6);
    }

    /** 10 m of 100, 20 and 50 MΩ·km: 10 000, 2 000 and 5 000 MΩ, each with the other two in series beside it. */
    @Test
    void insulationMayBeGivenPairByPair() {
        Workmanship apart = new Workmanship(0.01, 0.01, 1, Optional.of(new Workmanship.ByPair(100, 20, 50)));
        Rig rig = Rigs.rig(apart, 10);
        double ln = 10e9;
        double le = 2e9;
        double ne = 5e9;
        assertThat(ohms(rig, "sockets/ir500/l-n")).isCloseTo(beside(ln, le + ne), offset(1e6));
        assertThat(ohms(rig, "sockets/ir500/l-e")).isCloseTo(beside(le, ln + ne), offset(1e6));
        assertThat(ohms(rig, "sockets/ir500/n-e")).isCloseTo(beside(ne, ln + le), offset(1e6));
    }

    private static double beside(double a, double b) {
        return a * b / (a + b);
    }

    @Test
    void clampWithResistanceReadsOnThePartAndNotOnItself() {
        Rig rig = Rigs.fiveSocketsPerfect();
        Fault clamp = new Fault(FaultCatalogue.kind("clamp-resistance"), new Place.AtBond(Rigs.WATER), List.of(), 0.8);
        assertThat(ohms(rig, "bond/water/part", clamp) - ohms(rig, "bond/water/clamp", clamp))
                .isCloseTo(0.8, offset(0.001));
    }

    @Test
    void leakMayBeBelowFiftyKilohms() {
        Rig rig = Rigs.fiveSocketsPerfect();
        Fault leak = new Fault(
                FaultCatalogue.kind("low-insulation"),
                Place.parse("sockets/socket-2", rig),
                List.of(Conductor.NEUTRAL, Conductor.CPC),
                Unit.MEGOHM.toBase(0.004));
        leak.checkOn(rig);
        assertThat(ohms(rig, "sockets/ir500/n-e", leak)).isCloseTo(4000, offset(5.0));
    }

    @Test
    void timerSwitchesTheLineOnly() {
        Rig rig = Rigs.rig(
                Rigs.usual(),
                List.of(Rigs.radial(
                        Rigs.SOCKETS,
                        1,
                        List.of(
                                new Point(new PointId("timer"), "timer", PointKind.TIMER, 5),
                                new Point(new PointId("heater"), "heater", PointKind.APPLIANCE, 9)))));
        Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        assertThat(key.expectation(new SlotId("sockets/timer/timer")).withFaults())
                .isEqualTo(new prantel.core.instrument.Reading.Said(Saying.WORKS));
        assertThat(key.expectation(new SlotId("sockets/r1r2/heater"))
                        .withFaults()
                        .base())
                .isLessThan(1);
        assertThat(key.expectation(new SlotId("board/main-switch")).withFaults())
                .isEqualTo(new prantel.core.instrument.Reading.Said(Saying.WORKS));
    }

    @Test
    void everyPointHasItsVoltages() {
        Key key = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        assertThat(key.expectation(new SlotId("sockets/volts/socket-3/line-cpc"))
                        .withFaults()
                        .base())
                .isCloseTo(230, offset(1.0));
        assertThat(key.expectation(new SlotId("sockets/volts/socket-3/neutral-cpc"))
                        .satisfactory())
                .contains(true);
        Fault reversed = FaultCatalogue.kind("line-neutral-reversed")
                .usual(
                        Place.parse("sockets/socket-3", Rigs.fiveSockets()),
                        List.of(Conductor.LINE, Conductor.NEUTRAL),
                        Optional.empty(),
                        Rigs.fiveSockets());
        assertThat(key.with(new FaultSet(List.of(reversed)))
                        .expectation(new SlotId("sockets/volts/socket-3/line-cpc"))
                        .satisfactory())
                .contains(false);
    }

    @Test
    void anInspectionIsSatisfactoryButWhereSomethingIsToBeSeen() {
        Rig rig = Rigs.fiveSockets();
        Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        SlotId enclosure = new SlotId("inspection/enclosure");
        assertThat(key.expectation(enclosure).window()).isEqualTo(Window.words(Saying.SATISFACTORY));
        Fault loose = FaultCatalogue.kind("loose-cover")
                .usual(Place.parse("sockets/socket-1", rig), List.of(), Optional.empty(), rig);
        Key with = key.with(new FaultSet(List.of(loose)));
        assertThat(with.expectation(enclosure).window()).isEqualTo(Window.words(Saying.NOT_SATISFACTORY));
        assertThat(with.expectation(new SlotId("inspection/chart")).window())
                .isEqualTo(Window.words(Saying.SATISFACTORY));
        Practice p = Schemes.usual();
        Practice coded = new Practice(
                p.continuity(),
                p.bonding(),
                p.insulation(),
                p.loop(),
                p.rcd(),
                new Practice.Recording(
                        Practice.NotTested.NEVER,
                        Practice.OverRange.WITH_RANGE,
                        Practice.Codes.C1_TO_FI,
                        List.of(new Practice.Item("enclosure", "Enclosures", Set.of("missing-blank", "loose-cover")))),
                p.tolerances());
        Scheme codes = Schemes.asking("codes", EnumSet.of(TestKind.INSPECTION)).with(coded);
        assertThat(Key.of(rig, new FaultSet(List.of(loose)), Testers.usual(), codes)
                        .expectation(enclosure)
                        .window())
                .isEqualTo(Window.words(Saying.C2));
    }
}
