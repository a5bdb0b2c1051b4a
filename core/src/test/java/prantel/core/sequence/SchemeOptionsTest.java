package prantel.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.limits.Breaker;
import prantel.core.limits.Limit;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.PointId;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.SectionId;
import prantel.core.rig.Supply;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Practice.RcdTest;
import prantel.core.scheme.Practice.Yardstick;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Where schools differ, the list of boxes differs: each option with the practice it stands for. */
class SchemeOptionsTest {
    private static final Practice USUAL = Schemes.usual();

    private static Scheme with(Practice practice) {
        return Schemes.fullSequence().with(practice);
    }

    private static List<Slot> of(Rig rig, Scheme scheme, TestKind step) {
        return SlotPlan.of(rig, Schemes.asking("t", EnumSet.of(step)).with(scheme.practice()));
    }

    private static Limit limit(Rig rig, Scheme scheme, String id) {
        return SlotPlan.of(rig, scheme).stream()
                .filter(s -> s.id().value().equals(id))
                .findFirst()
                .orElseThrow()
                .limit()
                .orElseThrow();
    }

    private static Rig lights(int switches) {
        List<LightSwitch> all = new java.util.ArrayList<>();
        for (int i = 0; i < switches; i++) {
            all.add(new LightSwitch(new PointId("switch-" + i), "switch " + i, 5));
        }
        return Rigs.rig(
                Rigs.usual(),
                List.of(new Lighting(
                        Rigs.head(new CircuitId("lights"), 1, 6, new Cable(1.5, 1)),
                        List.of(new LightGroup(
                                "g",
                                "G",
                                LightGroup.Feed.LAMP,
                                List.of(new LightGroup.Lamp(
                                        new PointId("lamp"), "lamp", 6, new Load(Load.Kind.LED_DRIVER, 9), false)),
                                all)))));
    }

    @Test
    void stepsComeInTheOrderOfTheSequence() {
        List<TestKind> steps = SlotPlan.of(Rigs.fiveSockets(), Schemes.fullSequence()).stream()
                .map(Slot::step)
                .distinct()
                .toList();
        assertThat(steps).isSorted();
        assertThat(steps.indexOf(TestKind.INSULATION)).isLessThan(steps.indexOf(TestKind.ZE));
    }

    /** Common practice: live conductors joined and tested to earth only. */
    @Test
    void joinedInsulationAsksForOneReadingAVoltage() {
        Practice joined = Schemes.with(Practice.Pairs.JOINED_TO_EARTH, Practice.Rounds.EVERY_SWITCH);
        assertThat(of(Rigs.fiveSockets(), with(USUAL), TestKind.INSULATION)).hasSize(6);
        assertThat(of(Rigs.fiveSockets(), with(joined), TestKind.INSULATION)).hasSize(2);
    }

    /** Common practice: n + 1 rounds, or first and last position only. */
    @Test
    void switchRoundsMayBeShortened() {
        Practice two = Schemes.with(Practice.Pairs.EVERY, Practice.Rounds.FIRST_AND_LAST);
        assertThat(of(lights(4), with(USUAL), TestKind.INSULATION)).hasSize(2 * 5 * 3);
        assertThat(of(lights(4), with(two), TestKind.INSULATION)).hasSize(2 * 2 * 3);
    }

    /** IET Guidance Note 3 (from memory) 0.05 Ω; AS/NZS 3000 (from memory) 0.5 Ω; or by length: 22 m of 10 mm² about 0.04 Ω. */
    @Test
    void bondsAreHeldAgainstTheYardstickOfTheSchool() {
        Rig rig = Rigs.fiveSockets();
        assertThat(limit(rig, with(yardstick(Yardstick.FIXED)), "bond/water/part")
                        .end())
                .isEqualTo(0.05);
        assertThat(limit(rig, with(yardstick(Yardstick.HALF_OHM)), "bond/water/part")
                        .end())
                .isEqualTo(0.5);
        assertThat(limit(rig, with(yardstick(Yardstick.BY_LENGTH)), "bond/water/part")
                        .end())
                .isBetween(0.04, 0.07);
    }

    private static Practice yardstick(Yardstick yardstick) {
        return Schemes.with(new Practice.Bonding(Practice.OneEnd.OFF, yardstick));
    }

    /** BS 7671 411.4.4: B20 at 230 V 2.185 Ω; 80 % of it 1.748; or at 70 °C (2.185 + 0.2·0.35) / 1.2 = 1.879. */
    @Test
    void zsIsHeldAgainstEightyPerCentOrCorrectedForTemperature() {
        Practice hot = loop(Practice.Points.EVERY, Practice.ZsLimit.HOT, Practice.ThreePhase.TWICE_HIGHEST);
        assertThat(limit(Rigs.fiveSockets(), with(USUAL), "sockets/zs").end()).isCloseTo(1.748, within(1e-3));
        assertThat(limit(Rigs.fiveSockets(), with(hot), "sockets/zs").end()).isCloseTo(1.879, within(1e-3));
    }

    /** AS/NZS 3000 (from memory): 0.8 · 0.8 · 230 / (4 · 20) = 1.84 Ω for a B20. */
    @Test
    void otherCodeHasItsOwnMaximum() {
        Practice code = Schemes.with(
                new Practice.Continuity(Practice.Methods.EITHER, Practice.Maxima.AS_NZS),
                new Practice.Bonding(Practice.OneEnd.OFF, Yardstick.HALF_OHM));
        assertThat(limit(Rigs.fiveSockets(), with(code), "sockets/r1r2").end()).isCloseTo(1.84, within(1e-9));
        assertThat(limit(Rigs.fiveSockets(), with(code), "earthing-conductor").end())
                .isEqualTo(0.5);
        assertThat(prantel.core.limits.AsNzs.phaseEarthMaxOhms(230, new Breaker(Breaker.Curve.C, 20)))
                .isCloseTo(0.981, within(1e-3));
    }

    /** Common practice: Zs everywhere, or at the last point with the rest calculated. */
    @Test
    void zsMayBeMeasuredAtTheLastPointOnly() {
        Practice last =
                loop(Practice.Points.FURTHEST, Practice.ZsLimit.EIGHTY_PERCENT, Practice.ThreePhase.TWICE_HIGHEST);
        assertThat(of(Rigs.fiveSockets(), with(USUAL), TestKind.ZS)).hasSize(6);
        List<Slot> slots = of(Rigs.fiveSockets(), with(last), TestKind.ZS);
        assertThat(slots).hasSize(2);
        assertThat(slots.getFirst().where()).isEqualTo("socket 5");
    }

    /** Common practice: ½ and 1 × only, or 5 × and a ramp as well. */
    @Test
    void rcdTestsFollowTheSchool() {
        Board board = new Board(
                Board.MAIN,
                "Board",
                Optional.empty(),
                List.of(new Board.Section(
                        new SectionId("main"),
                        "All",
                        Optional.of(ResidualDevice.sound(ResidualDevice.Type.A, 30, false)))),
                false);
        Rig rig = Rigs.rig(
                Supply.tnCS(230, 0.35, 0.1, 0.1),
                Rigs.usual(),
                List.of(board),
                Rigs.fiveSockets().circuits());
        Practice first =
                Schemes.with(new Practice.Rcd(java.util.Set.of(RcdTest.ONE, RcdTest.BUTTON), Practice.Button.FIRST));
        assertThat(of(rig, with(first), TestKind.RCD).getFirst().id().value())
                .as("schools differ on when the button is pressed")
                .endsWith("/button");
        Practice few = Schemes.with(Schemes.rcd(RcdTest.HALF, RcdTest.ONE, RcdTest.BUTTON));
        assertThat(of(rig, with(USUAL), TestKind.RCD)).hasSize(2 + 3 + 3 + 1 + 1);
        assertThat(of(rig, with(few), TestKind.RCD)).hasSize(2 + 3 + 1);
        Practice two = Schemes.with(Schemes.rcd(RcdTest.HALF, RcdTest.ONE, RcdTest.TWO, RcdTest.BUTTON));
        // IEC 61008-1 Table 1: 150 ms at 2 × IΔn
        assertThat(limit(rig, with(two), "board/main/rcd/2x").end()).isEqualTo(150);
    }

    /** Common practice: twice the highest of line to neutral, or measured between lines. */
    @Test
    void threePhaseFaultCurrentIsDoubledOrMeasured() {
        Supply three = new Supply(
                230,
                new Supply.Declared(Supply.Earthing.TN_C_S, 0.35),
                List.of(Impedance.of(0.05), Impedance.of(0.05), Impedance.of(0.05)),
                Impedance.of(0.04),
                new Supply.Earth(Supply.Earthing.TN_C_S, Impedance.of(0.04), 5, 1));
        List<Circuit> circuits = Rigs.fiveSockets().circuits();
        Rig rig = Rigs.rig(three, Rigs.usual(), List.of(Board.plain()), circuits);
        Practice between =
                loop(Practice.Points.EVERY, Practice.ZsLimit.EIGHTY_PERCENT, Practice.ThreePhase.LINE_TO_LINE);
        assertThat(rule(rig, with(USUAL))).isEqualTo(Slot.Rule.TWICE_HIGHEST);
        assertThat(rule(rig, with(between))).isEqualTo(Slot.Rule.HIGHEST);
        assertThat(of(rig, with(between), TestKind.IPF)).hasSize(6 + 3 + 1);
        assertThat(of(rig, with(USUAL), TestKind.LIVE_POLARITY))
                .as("ten pairs of a three-phase supply")
                .hasSize(10);
    }

    private static Practice loop(Practice.Points points, Practice.ZsLimit limit, Practice.ThreePhase threePhase) {
        return Schemes.with(new Practice.Loop(Practice.LoopLeads.TWO, points, limit, threePhase));
    }

    private static Slot.Rule rule(Rig rig, Scheme scheme) {
        return ((Slot.Composed) of(rig, scheme, TestKind.IPF).getLast()).rule();
    }

    @Test
    void singlePhaseSupplyIsProvedWithThreePairs() {
        assertThat(of(Rigs.fiveSockets(), with(USUAL), TestKind.SAFE_ISOLATION))
                .extracting(Slot::quantity)
                .containsExactly("L–N", "L–E", "N–E");
    }

    @Test
    void workshopSchemeAsksForDeadTestsOnly() {
        Set<TestKind> asked = Set.copyOf(Schemes.workshop().tests());
        assertThat(asked).noneMatch(TestKind::isLive);
    }
}
