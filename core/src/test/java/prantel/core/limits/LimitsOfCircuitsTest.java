package prantel.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Board;
import prantel.core.rig.BondId;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.Device;
import prantel.core.rig.Impedance;
import prantel.core.rig.MainEarthing;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.SupplementaryBond;
import prantel.core.rig.Supply;
import prantel.core.rig.Way;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** What a reading of a circuit's continuity is held against. */
class LimitsOfCircuitsTest {
    private static Rig rig(Supply supply, Device device) {
        Circuit circuit = new Radial(
                new CircuitHead(Rigs.SOCKETS, "Sockets", Way.of(1), device, new Cable(10, 4)),
                false,
                List.of(new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 20)));
        return Rigs.rig(supply, Rigs.usual(), List.of(Board.plain()), List.of(circuit));
    }

    private static Expectation at(Rig rig, String slot) {
        return Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence())
                .expectation(new SlotId(slot));
    }

    /** Table 41.3 less the declared Ze, BS 7671 from memory: C40 1.09 × 0.8 = 0.87 Ω (80 %), less 0.80 Ω leaves too little. */
    @Test
    void circuitThatCannotComplyHasNoLimitBelowNothing() {
        Supply highZe = new Supply(
                230,
                new Supply.Declared(Supply.Earthing.TN_S, 0.8),
                List.of(new Impedance(0.1, 0)),
                new Impedance(0.1, 0),
                new Supply.Earth(Supply.Earthing.TN_S, new Impedance(0.3, 0), 10, 1));
        Rig rig = rig(highZe, Device.mcb(Breaker.Curve.C, 63));
        at(rig, "sockets/r1r2")
                .slot()
                .limit()
                .ifPresent(l -> assertThat(l.end()).isPositive());
        at(rig, "sockets/r2").slot().limit().ifPresent(l -> assertThat(l.end()).isPositive());
        assertThat(at(rig, "sockets/zs").slot().limit()).isPresent();
    }

    @Test
    void ttIsHeldAgainstLengthAndNotAgainstTheElectrode() {
        Supply tt = new Supply(
                230,
                new Supply.Declared(Supply.Earthing.TT, 21),
                List.of(new Impedance(0.1, 0)),
                new Impedance(0.1, 0),
                new Supply.Earth(Supply.Earthing.TT, new Impedance(0.1, 0), 10, 80));
        Device rcbo = new Device(
                Device.Kind.RCBO,
                new Breaker(Breaker.Curve.B, 20),
                6,
                Optional.of(ResidualDevice.sound(ResidualDevice.Type.A, 30, false)));
        assertThat(at(rig(tt, Device.mcb(Breaker.Curve.B, 20)), "sockets/r1r2")
                        .slot()
                        .limit())
                .as("no RCD and an electrode: nothing is met by any cable, and none is said")
                .isEmpty();
        Limit limit = at(rig(tt, rcbo), "sockets/r1r2").slot().limit().orElseThrow();
        // 20 m of 10/4: 1.83 + 4.61 mΩ/m at 20 °C (IEC 60228) is 0.13 Ω; an electrode would allow hundreds
        assertThat(limit.end()).isBetween(0.12, 2.0);
    }

    /** Many a random circuit is too long for its device and has no such limit: so all rigs together must have met some. */
    @Test
    void noLimitOfAnyRigIsBelowNothingOrBeyondSense() {
        int met = 0;
        for (long seed = 1; seed <= 60; seed++) {
            Rig rig = RandomRigs.rig(new java.util.SplittableRandom(seed));
            Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            for (Expectation e : key.expectations()) {
                Optional<Limit> limit = e.slot().limit();
                if (limit.isPresent()
                        && (e.slot().step() == TestKind.R1_R2 || e.slot().step() == TestKind.R2)) {
                    assertThat(limit.get().end())
                            .as("seed " + seed + ", " + e.slot().id())
                            .isBetween(0.001, 50.0);
                    met++;
                }
            }
        }
        assertThat(met).as("limits looked at").isGreaterThan(20);
    }

    /** R ≤ 50 V/Ia, BS 7671 415.2.2 from memory: 50 / (5 × 20 A) for a B20. */
    @Test
    void supplementaryBondIsHeldAgainstFiftyVolts() {
        Rig plain = Rigs.fiveSockets();
        MainEarthing earthing = new MainEarthing(
                plain.earthing().conductor(),
                plain.earthing().bonds(),
                List.of(new SupplementaryBond(
                        new BondId("shower-room"), "shower room", Rigs.SOCKETS, Rigs.socket(5), Rigs.WATER, 4, 3)));
        Rig rig = new Rig(
                new Rig.Nameplate("test-rig", "Test rig", ""),
                new Rig.Intake(plain.supply(), earthing),
                plain.workmanship(),
                plain.boards(),
                plain.circuits(),
                List.of());
        Limit limit = at(rig, "supplementary-bond/shower-room").slot().limit().orElseThrow();
        assertThat(limit.end()).isCloseTo(0.5, within(1e-9));
    }

    /** 230 V +10 % −6 %, ESQCR from memory; between lines √3 of it. */
    @Test
    void voltageHasTwoEnds() {
        Rig rig = rig(Supply.tnCS(230, 0.35, 0.11, 0.09), Device.mcb(Breaker.Curve.B, 20));
        Limit volts = at(rig, "origin/volts/l-n").slot().limit().orElseThrow();
        assertThat(volts.isMetBy(230)).isTrue();
        assertThat(volts.isMetBy(254)).isFalse();
        assertThat(volts.isMetBy(215)).isFalse();
    }
}
