package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.limits.Breaker;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotId;

class FaultTest {
    private static final Rig RIG = Rigs.fiveSockets();

    private static Fault fault(String kind, String at, double size) {
        FaultKind theKind = FaultCatalogue.kind(kind);
        return new Fault(
                theKind,
                Place.parse(at, RIG),
                theKind.conductorChoices().getFirst(),
                theKind.magnitude().map(m -> m.unit().toBase(size)).orElse(0.0));
    }

    // B20 → C20 halves the greatest Zs: 0.95 · 230 V ÷ 200 A = 1.09 Ω. BS 7671 411.4.4, IEC 60898-1.
    @Test
    void slowerCurveChangesTheLimitAndNotTheReading() {
        Fault fault = fault("wrong-curve", "sockets", 0);
        assertThat(fault.fitted(RIG).circuit(Rigs.SOCKETS).device().overcurrent())
                .isEqualTo(new Breaker(Breaker.Curve.C, 20));
        Key healthy = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Expectation zs = healthy.with(FaultSet.of(fault)).expectation(new SlotId("sockets/zs"));
        assertThat(zs.withFaults()).isEqualTo(zs.healthy());
        assertThat(zs.healthyLimit().orElseThrow().end()).isBetween(1.74, 1.75);
        assertThat(zs.slot().limit().orElseThrow().end()).isBetween(0.87, 0.88);
        // Ze 0.35 and 36 m · 19.51 mΩ/m = 0.70: 1.05 Ω is more than 80 % of 1.09
        assertThat(zs.failsByItsLimit()).isTrue();
        assertThat(zs.satisfactory()).contains(false);
    }

    // IEC 60228: 2.5 mm² has 7.41 mΩ/m, 10 mm² 1.83; the ratio is 4.05.
    @Test
    void undersizedBondReadsByItsSection() {
        Fault fault = fault("bond-undersized", "bond/gas", 2.5);
        Key key = Key.of(Rigs.fiveSocketsPerfect(), FaultSet.NONE, Testers.usual(), Schemes.workshop());
        double metres = key.rig().bond(Rigs.GAS).lengthMetres();
        Expectation clamp = key.with(FaultSet.of(fault)).expectation(new SlotId("bond/gas/clamp"));
        assertThat(clamp.withFaults().base())
                .isCloseTo(7.41e-3 * metres, org.assertj.core.api.Assertions.within(0.006));
    }

    // 30 m more of 2.5/1.5: 30 · 19.51 mΩ = 0.585 Ω more at every point.
    @Test
    void longerCircuitReadsHigherByTheSameEverywhere() {
        Key key =
                Key.of(RIG, FaultSet.of(fault("circuit-too-long", "sockets", 30)), Testers.usual(), Schemes.workshop());
        for (int socket = 1; socket <= 5; socket++) {
            Expectation e = key.expectation(new SlotId("sockets/r1r2/socket-" + socket));
            assertThat(e.withFaults().base() - e.healthy().base())
                    .isCloseTo(0.585, org.assertj.core.api.Assertions.within(0.011));
        }
    }

    // Three leaks of R between three terminals: between two of them R in parallel with R + R, ⅔ R.
    @Test
    void wetAccessoryReadsTwoThirdsOfEachLeak() {
        Key key = Key.of(
                RIG, FaultSet.of(fault("wet-accessory", "sockets/socket-2", 3)), Testers.usual(), Schemes.workshop());
        for (String pair : List.of("l-n", "l-e", "n-e")) {
            assertThat(key.expectation(new SlotId("sockets/ir500/" + pair))
                            .withFaults()
                            .base())
                    .isCloseTo(2e6, org.assertj.core.api.Assertions.within(0.03e6));
        }
    }

    @Test
    void looseTerminalRaisesItsOwnPointOnly() {
        Fault fault = new Fault(
                FaultCatalogue.kind("loose-terminal"),
                Faults.socket(3),
                List.of(Conductor.LINE),
                1.0,
                Optional.empty());
        Key key = Key.of(RIG, FaultSet.of(fault), Testers.usual(), Schemes.workshop());
        for (int socket = 1; socket <= 5; socket++) {
            Expectation e = key.expectation(new SlotId("sockets/r1r2/socket-" + socket));
            assertThat(e.withFaults().base() - e.healthy().base())
                    .isCloseTo(socket == 3 ? 1.0 : 0.0, org.assertj.core.api.Assertions.within(0.011));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "sockets/socket-3, socket 3",
        "sockets, at the board",
        "bond/gas, bond to gas",
        "supply, supply",
        "earthing-conductor, earthing conductor"
    })
    void placesAreNamedAndFound(String id, String words) {
        assertThat(Place.parse(id, RIG).label(RIG)).contains(words);
        assertThat(Place.parse(id, RIG).id()).isEqualTo(id);
    }

    @ParameterizedTest
    @CsvSource({"sockets/socket-9", "nowhere", "bond/steam", "residual/board/main-rcd", "''", "supply/line"})
    void unknownPlaceSaysHowPlacesAreNamed(String id) {
        ProblemsException problem = catchThrowableOfType(ProblemsException.class, () -> Place.parse(id, RIG));
        assertThat(problem.problems().getFirst().mend()).contains("circuit/point");
    }

    @Test
    void faultWithTwoPlacesNeedsTheSecondOneAndOthersMustNotHaveIt() {
        Fault joint = Faults.joint(2, Conductor.CPC, 0.6);
        Fault withSecond = new Fault(
                joint.kind(), joint.place(), joint.conductors(), joint.size(), Optional.of(new Place.AtSupply()));
        ProblemsException problem = catchThrowableOfType(ProblemsException.class, () -> withSecond.checkOn(RIG));
        assertThat(problem.problems().getFirst().where()).isEqualTo("to");
    }

    @Test
    void sameFaultAtTwoPlacesIsTwoFaultsAndTwiceAtOneIsRefused() {
        FaultSet.of(Faults.cpcOpenAfter(1), Faults.cpcOpenAfter(3)).checkOn(RIG);
        ProblemsException problem = catchThrowableOfType(
                ProblemsException.class,
                () -> FaultSet.of(Faults.joint(2, Conductor.CPC, 0.6), Faults.joint(2, Conductor.CPC, 0.9))
                        .checkOn(RIG));
        assertThat(problem.problems().getFirst().code()).isEqualTo("fault-twice");
    }
}
