package prantel.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fixtures.Rigs;
import prantel.core.limits.Breaker;
import prantel.core.limits.FuseTable;
import prantel.core.quantity.ProblemsException;

/** A rig that exists is sound: what is refused, and in which words. */
class RigShapesTest {
    private static final Cable CABLE = new Cable(2.5, 1.5);

    private static CircuitHead head(String id, Way way) {
        return new CircuitHead(new CircuitId(id), id, way, Device.mcb(Breaker.Curve.B, 20), CABLE);
    }

    private static Point socket(String id, double at, Optional<PointId> after) {
        return new Point(new PointId(id), id, PointKind.TWIN_SOCKET, at, after, Optional.empty(), false);
    }

    private static Radial radial(String id, Way way) {
        return new Radial(head(id, way), false, List.of(socket("a", 5, Optional.empty())));
    }

    private static Board board(String id) {
        return new Board(
                new BoardId(id),
                id,
                Optional.empty(),
                List.of(new Board.Section(new SectionId("main"), "All", Optional.empty())),
                false);
    }

    private static Rig rig(List<Board> boards, Circuit... circuits) {
        return Rigs.rig(Supply.tnCS(230, 0.35, 0.1, 0.1), Rigs.usual(), boards, List.of(circuits));
    }

    @Test
    void ringMustBeLongerThanTheWayToItsLastSocket() {
        assertThatThrownBy(() -> new Ring(head("r", Way.of(1)), 20, List.of(socket("a", 25, Optional.empty()))))
                .isInstanceOf(ProblemsException.class)
                .hasMessageContaining("ringMetres")
                .hasMessageContaining("25 m to the last socket");
    }

    @Test
    void spurNamesAnEarlierPointAndLiesBeyondIt() {
        assertThatThrownBy(() -> new Ring(
                        head("r", Way.of(1)), 40, List.of(socket("a", 5, Optional.of(new PointId("nowhere"))))))
                .hasMessageContaining("points/0/after")
                .hasMessageContaining("earlier in the list");
        assertThatThrownBy(() -> new Ring(
                        head("r", Way.of(1)),
                        40,
                        List.of(socket("a", 15, Optional.empty()), socket("b", 12, Optional.of(new PointId("a"))))))
                .hasMessageContaining("12 m after 15 m");
    }

    @Test
    void spurMayLieNearerTheBoardThanALaterSocketOfTheRing() {
        Ring ring = new Ring(
                head("r", Way.of(1)),
                60,
                List.of(
                        socket("a", 5, Optional.empty()),
                        socket("spur", 30, Optional.of(new PointId("a"))),
                        socket("b", 12, Optional.empty())));
        assertThat(ring.onRing()).extracting(p -> p.id().value()).containsExactly("a", "b");
        assertThat(ring.returnMetres()).isEqualTo(48);
        assertThat(ring.goesOn(new PointId("spur"))).isFalse();
    }

    @Test
    void lampsAndSwitchesBelongToLightingCircuits() {
        assertThatThrownBy(() -> new Radial(
                        head("r", Way.of(1)), false, List.of(new Point(new PointId("a"), "a", PointKind.LAMP, 5))))
                .hasMessageContaining("belong to a lighting circuit");
    }

    @Test
    void threePhaseSocketNeedsThreePhases() {
        assertThatThrownBy(() -> new Radial(
                        head("r", Way.of(1)),
                        false,
                        List.of(new Point(new PointId("a"), "a", PointKind.THREE_PHASE_SOCKET, 5))))
                .hasMessageContaining("three phases");
        assertThatThrownBy(() -> rig(
                        List.of(board("board")),
                        new Radial(
                                head("r", Way.of(1)),
                                true,
                                List.of(new Point(new PointId("a"), "a", PointKind.MOTOR, 5)))))
                .hasMessageContaining("the supply has one line");
    }

    @Test
    void wayNamesAKnownBoardAndSection() {
        assertThatThrownBy(() -> rig(
                        List.of(board("board")),
                        radial("a", new Way(new BoardId("attic"), new SectionId("main"), 1, 1))))
                .hasMessageContaining("circuits/0/board")
                .hasMessageContaining("give one of board");
        assertThatThrownBy(() -> rig(
                        List.of(board("board")),
                        radial("a", new Way(new BoardId("board"), new SectionId("left"), 1, 1))))
                .hasMessageContaining("circuits/0/section");
    }

    @Test
    void subBoardIsFedExactlyOnceFromABoardBeforeIt() {
        List<Board> two = List.of(board("board"), board("sub"));
        Submain feed = new Submain(head("feed", Way.of(1)), false, 10, new BoardId("sub"));
        assertThat(rig(two, feed).feedOf(new BoardId("sub"))).contains(feed);
        assertThatThrownBy(() -> rig(two, radial("a", Way.of(1)))).hasMessageContaining("exactly one submain");
        Submain second = new Submain(head("feed-2", Way.of(2)), false, 10, new BoardId("sub"));
        assertThatThrownBy(() -> rig(two, feed, second)).hasMessageContaining("fed by 2 submains");
        Submain circle = new Submain(head("circle", Way.of(3)), false, 10, new BoardId("board"));
        assertThatThrownBy(() -> rig(two, feed, circle)).hasMessageContaining("no submain feeds it");
    }

    @Test
    void circuitMayNotBeCalledLikeABoardOrTheOrigin() {
        assertThatThrownBy(() -> rig(List.of(board("board")), radial("board", Way.of(1))))
                .hasMessageContaining("circuits/0/id");
        assertThatThrownBy(() -> rig(List.of(board("board")), radial("supply", Way.of(1))))
                .hasMessageContaining("give the circuit another");
    }

    @Test
    void supplementaryBondJoinsAKnownPointAndPart() {
        Rig rig = Rigs.fiveSockets();
        SupplementaryBond bond = new SupplementaryBond(
                new BondId("extra"), "extra", Rigs.SOCKETS, new PointId("nowhere"), Rigs.WATER, 4, 3);
        assertThatThrownBy(() -> new Rig(
                        new Rig.Nameplate("r", "R", ""),
                        new Rig.Intake(
                                rig.supply(), new MainEarthing(rig.earthing().conductor(), rig.bonds(), List.of(bond))),
                        rig.workmanship(),
                        rig.boards(),
                        rig.circuits(),
                        List.of()))
                .hasMessageContaining("supplementaryBonds/0/point");
    }

    @Test
    void deviceFitsItsKind() {
        assertThatThrownBy(() -> new Device(Device.Kind.RCBO, new Breaker(Breaker.Curve.B, 16), 6, Optional.empty()))
                .hasMessageContaining("an RCBO has a residual part");
        assertThatThrownBy(() -> new Device(Device.Kind.FUSE, new Breaker(Breaker.Curve.B, 16), 6, Optional.empty()))
                .hasMessageContaining("a standard for a fuse");
        assertThatThrownBy(() -> new Device(
                        Device.Kind.MCB,
                        new Breaker(Breaker.Curve.B, 16),
                        6,
                        Optional.of(ResidualDevice.sound(ResidualDevice.Type.A, 30, false))))
                .hasMessageContaining("only an RCBO or an AFDD");
        assertThatThrownBy(() -> FuseTable.of("BS 88-3", 33)).hasMessageContaining("BS 88-3, 32 A");
    }

    /** The time never rises with the current, meets what is known at IΔn and 5 IΔn, and is endless below the threshold. */
    @ParameterizedTest
    @CsvSource({"30, false", "100, true"})
    void tripTimeFallsWithTheCurrent(double rated, boolean delayed) {
        ResidualDevice device = ResidualDevice.sound(ResidualDevice.Type.A, rated, delayed);
        double before = Double.POSITIVE_INFINITY;
        for (double milliamps = 0; milliamps <= 6 * rated; milliamps += rated / 20) {
            double millis = device.tripMillis(milliamps, false);
            assertThat(millis).as(milliamps + " mA").isLessThanOrEqualTo(before);
            before = millis;
        }
        assertThat(device.tripMillis(rated / 2, false)).isInfinite();
        assertThat(device.tripMillis(rated, false)).isEqualTo(device.behaviour().ratedMillis0());
        assertThat(device.tripMillis(5 * rated, true))
                .isCloseTo(device.behaviour().fiveMillis180(), org.assertj.core.data.Offset.offset(1e-9));
    }

    @Test
    void lightingKnowsHowFarItsLampsAndSwitchesAre() {
        LightGroup first = new LightGroup(
                "one",
                "One",
                LightGroup.Feed.LAMP,
                List.of(lamp("lamp-1", 7), lamp("lamp-2", 5)),
                List.of(new LightSwitch(new PointId("switch-1"), "switch 1", 4)));
        LightGroup second = new LightGroup(
                "two",
                "Two",
                LightGroup.Feed.SWITCH,
                List.of(lamp("lamp-3", 3)),
                List.of(
                        new LightSwitch(new PointId("switch-2"), "switch 2", 6),
                        new LightSwitch(new PointId("switch-3"), "switch 3", 8)));
        Lighting lighting = new Lighting(head("lights", Way.of(1)), List.of(first, second));
        assertThat(lighting.points())
                .extracting(p -> p.id() + " " + p.atMetres())
                .containsExactly(
                        "lamp-1 7.0", "lamp-2 12.0", "switch-1 11.0", "lamp-3 16.0", "switch-2 13.0", "switch-3 21.0");
    }

    private static LightGroup.Lamp lamp(String id, double run) {
        return new LightGroup.Lamp(new PointId(id), id, run, new Load(Load.Kind.LED_DRIVER, 9), false);
    }

    /** Conduit or armour beside the CPC lowers R2; with the CPC off at the board the metal alone is left (physics). */
    @Test
    void metalRoundACableIsAnEarthPathOfItsOwn() {
        Cable plain = new Cable(4, 1.5);
        Cable armoured = new Cable(4, 1.5, Optional.of(new Cable.Enclosure(Cable.Enclosure.Kind.ARMOUR, 3)));
        double without = r2(plain);
        double with = r2(armoured);
        double cpc = 12.10e-3 * 30;
        double metal = 3e-3 * 30;
        assertThat(without).isCloseTo(cpc, org.assertj.core.data.Offset.offset(1e-3));
        assertThat(with).isCloseTo(cpc * metal / (cpc + metal), org.assertj.core.data.Offset.offset(1e-3));
    }

    private static double r2(Cable cable) {
        Circuit circuit = new Radial(
                new CircuitHead(new CircuitId("c"), "c", Way.of(1), Device.mcb(Breaker.Curve.B, 20), cable),
                false,
                List.of(socket("a", 30, Optional.empty())));
        return RigCompiler.compile(Rigs.rig(Rigs.perfect(), List.of(circuit)))
                .resistance(
                        Places.earthBar(Board.MAIN), Places.accessory(circuit.id(), new PointId("a"), Conductor.CPC));
    }
}
