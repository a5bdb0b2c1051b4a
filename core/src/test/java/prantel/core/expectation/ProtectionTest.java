package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Stop;
import prantel.core.limits.Limit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.SectionId;
import prantel.core.rig.Supply;
import prantel.core.rig.Way;
import prantel.core.sequence.SlotId;

/** What trips opens its own circuit and no other; a test ends when its own supply is gone, and says so. Physics, no source. */
class ProtectionTest {
    private static final SectionId BEHIND_RCD = new SectionId("behind-rcd");
    private static final SectionId PLAIN = new SectionId("plain");
    private static final CircuitId MOTOR = new CircuitId("motor");

    private static Rig rig() {
        ResidualDevice rcd = ResidualDevice.sound(ResidualDevice.Type.A, 30, false);
        Board board = new Board(
                Board.MAIN,
                "Board",
                Optional.empty(),
                List.of(
                        new Board.Section(BEHIND_RCD, "Behind the RCD", Optional.of(rcd)),
                        new Board.Section(PLAIN, "Plain", Optional.empty())),
                false);
        return Rigs.rig(
                Supply.tnCS(230, 0.35, 0.11, 0.09),
                Rigs.usual(),
                List.of(board),
                List.of(circuit(Rigs.SOCKETS, BEHIND_RCD, 1, "socket-1"), circuit(MOTOR, PLAIN, 2, "pump")));
    }

    private static Circuit circuit(CircuitId id, SectionId section, int way, String point) {
        CircuitHead plain = Rigs.head(id, way, 20, new prantel.core.rig.Cable(2.5, 1.5));
        CircuitHead head =
                new CircuitHead(id, plain.label(), new Way(Board.MAIN, section, way, 1), plain.device(), plain.cable());
        return new Radial(head, false, List.of(new Point(new PointId(point), point, PointKind.TWIN_SOCKET, 20)));
    }

    private static Expectation at(Rig rig, String slot, Fault... faults) {
        return Key.of(rig, FaultSet.of(faults), Testers.usual(), Schemes.fullSequence())
                .expectation(new SlotId(slot));
    }

    private static Fault neutralToEarthBehindTheRcd() {
        return new Fault(
                FaultCatalogue.kind("dead-short"),
                new Place.AtPoint(Rigs.SOCKETS, new PointId("socket-1")),
                List.of(Conductor.NEUTRAL, Conductor.CPC),
                0);
    }

    @Test
    void rcdThatDoesNotFeedTheProbesDoesNotEndTheTest() {
        Rig rig = rig();
        Reading healthy = at(rig, "motor/zs/pump").healthy();
        assertThat(healthy).isInstanceOf(Reading.Value.class);
        Reading withFault =
                at(rig, "motor/zs/pump", neutralToEarthBehindTheRcd()).withFaults();
        assertThat(withFault).isInstanceOf(Reading.Value.class);
        assertThat(((Reading.Value) withFault).value())
                .isCloseTo(((Reading.Value) healthy).value(), org.assertj.core.api.Assertions.within(0.03));
    }

    @Test
    void loopTesterShowsNothingOnAPairWithoutVoltage() {
        Fault reversed = FaultCatalogue.kind("incoming-reversed")
                .usual(new Place.AtSupply(), List.of(Conductor.LINE, Conductor.NEUTRAL), Optional.empty(), rig());
        Expectation ze = at(rig(), "origin/ze", reversed);
        assertThat(ze.withFaults()).isInstanceOf(Reading.NoReading.class);
        assertThat(ze.satisfactory()).as("no supply satisfies no limit").contains(false);
        Expectation pefc = at(rig(), "origin/ipf/pefc", reversed);
        assertThat(pefc.withFaults()).as("no current either").isInstanceOf(Reading.NoReading.class);
        assertThat(pefc.satisfactory().orElse(false)).isFalse();
    }

    @Test
    void whatStoppedATestMeetsNoLimitNotEvenALeastOne() {
        Reading tripped = new Reading.NoReading(Stop.TRIPPED, "the RCD of the sockets", prantel.core.quantity.Unit.OHM);
        assertThat(tripped.meets(Limit.atMost(1.37, "from memory", ""))).isFalse();
        assertThat(tripped.meets(Limit.atLeast(1, "from memory", ""))).isFalse();
    }

    @Test
    void thereIsNoDelayedDeviceForAdditionalProtection() {
        // IEC 61008-1, from memory: S types begin above 30 mA
        assertThat(org.assertj.core.api.Assertions.catchThrowable(
                        () -> ResidualDevice.sound(ResidualDevice.Type.A, 30, true)))
                .isInstanceOf(prantel.core.quantity.ProblemsException.class);
        assertThat(ResidualDevice.sound(ResidualDevice.Type.A, 100, true).delayed())
                .isTrue();
    }

    @Test
    void jointOfTheLineHeatsAtTheCircuitsLoad() {
        // I²R: 20 A through 1.5 Ω is 600 W, physics
        var report = prantel.core.safety.SafetyCheck.of(
                Rigs.fiveSockets(), FaultSet.of(Faults.joint(1, Conductor.LINE, 1.5)));
        assertThat(report.mayGoLive()).isFalse();
        assertThat(report.dangers())
                .anySatisfy(d -> assertThat(d.kind()).isEqualTo(prantel.core.safety.Danger.Kind.HEATING));
        var cpc = prantel.core.safety.SafetyCheck.of(
                Rigs.fiveSockets(), FaultSet.of(Faults.joint(1, Conductor.CPC, 0.05)));
        assertThat(cpc.dangers())
                .as("a CPC carries no load")
                .noneMatch(d -> d.kind() == prantel.core.safety.Danger.Kind.HEATING);
    }
}
