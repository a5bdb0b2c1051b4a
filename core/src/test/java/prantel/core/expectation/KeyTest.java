package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Change.Visibility;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.rig.Workmanship;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

class KeyTest {

    private static Key key(Rig rig, Fault... faults) {
        return Key.of(rig, new FaultSet(List.of(faults)), Testers.usual(), Schemes.workshop());
    }

    private static Expectation at(Key key, String slot) {
        return key.expectation(new SlotId(slot));
    }

    private static double trueOhms(Rig rig, String slot, Fault... faults) {
        Slot.Measured measured = (Slot.Measured) at(key(rig), slot).slot();
        return new Bench(rig, new FaultSet(List.of(faults)), Variation.NONE).value(measured);
    }

    // Worked example, common practice: 55 m of 2.5/1.5 gives R1+R2 = 1.07 Ω.
    @Test
    void fiftyFiveMetresOfTwoPointFiveReads1Point07() {
        Key key = key(Rigs.radialOf55MetresTwoPointFive());
        assertThat(at(key, "sockets/r1r2").healthy().shown()).isEqualTo("1.07\u2009Ω");
    }

    // Source: IEC 60228, 19.51 mΩ/m for 2.5/1.5 and 12.10 mΩ/m for the CPC alone. Up to 24 joints of 0.01 mΩ lie on the
    // way.
    @ParameterizedTest
    @CsvSource({"1,6", "2,13", "3,19", "4,27", "5,36"})
    void healthyRadialClimbsWithTheCable(int socket, double metres) {
        Rig rig = Rigs.fiveSocketsPerfect();
        assertThat(trueOhms(rig, "sockets/r1r2/socket-" + socket)).isCloseTo(metres * 0.01951, within(3e-4));
        assertThat(trueOhms(rig, "sockets/r2/socket-" + socket)).isCloseTo(metres * 0.01210, within(3e-4));
    }

    // Handbook §3: 10 mm² at 1.83 mΩ/m.
    @ParameterizedTest
    @CsvSource({"gas,9", "water,22"})
    void bondsReadByLengthOnClampAndOnPipe(String bond, double metres) {
        Rig rig = Rigs.fiveSocketsPerfect();
        assertThat(trueOhms(rig, "bond/" + bond + "/clamp")).isCloseTo(metres * 0.00183, within(1e-4));
        assertThat(trueOhms(rig, "bond/" + bond + "/part")).isCloseTo(metres * 0.00183, within(1e-4));
    }

    // Per-metre insulation in parallel: 50 MΩ·km over 36 m is 1389 MΩ for each pair; the third conductor floats
    // between,
    // so L–N is R in parallel with (R + R) = 2/3 R. Derived from physics.
    @Test
    void insulationIsTheParallelOfEveryMetre() {
        double ohms = trueOhms(Rigs.fiveSockets(), "sockets/ir500/l-e");
        assertThat(ohms).isCloseTo(50e6 / 0.036 * 2 / 3, within(1e4));
    }

    @Test
    void cpcOpenReadsOverRangeBeyondAndHealthyBefore() {
        Key key = key(Rigs.fiveSockets(), Faults.cpcOpenAfter(3));
        assertThat(at(key, "sockets/r1r2/socket-3").change().timesTolerance()).isZero();
        assertThat(at(key, "sockets/r1r2/socket-4").withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(at(key, "sockets/r2/socket-5").withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(at(key, "sockets/r1r2").withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(at(key, "sockets/r1r2/socket-4").change().visibility()).isEqualTo(Visibility.FINDABLE);
    }

    @Test
    void jointIsAStepFromItsPointOn() {
        Rig rig = Rigs.fiveSockets();
        Fault joint = Faults.joint(3, Conductor.CPC, 0.62);
        for (int socket = 1; socket <= 5; socket++) {
            double step = trueOhms(rig, "sockets/r1r2/socket-" + socket, joint)
                    - trueOhms(rig, "sockets/r1r2/socket-" + socket);
            assertThat(step).isCloseTo(socket < 3 ? 0 : 0.62, within(1e-9));
        }
    }

    @Test
    void jointInTheLineDoesNotShowInR2() {
        Key key = key(Rigs.fiveSockets(), Faults.joint(3, Conductor.LINE, 0.62));
        assertThat(at(key, "sockets/r2/socket-5").change().timesTolerance()).isZero();
        assertThat(at(key, "sockets/r1r2/socket-5").change().visibility()).isEqualTo(Visibility.FINDABLE);
    }

    @Test
    void reversedSocketReadsOpenBetweenLineAndEarthThereOnly() {
        Key key = key(Rigs.fiveSockets(), Faults.reversed(3));
        assertThat(at(key, "sockets/r1r2/socket-3").withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(at(key, "sockets/r1r2/socket-4").change().timesTolerance()).isZero();
    }

    @Test
    void leakReadsItsOwnValueOnItsPair() {
        Key key = key(Rigs.fiveSockets(), Faults.lowInsulation(4, Conductor.LINE, Conductor.CPC, 0.5));
        Expectation lineEarth = at(key, "sockets/ir500/l-e");
        assertThat(lineEarth.withFaults().shown()).isEqualTo("0.50\u2009MΩ");
        assertThat(lineEarth.satisfactory()).contains(false);
        assertThat(lineEarth.change().visibility()).isEqualTo(Visibility.FINDABLE);
        assertThat(at(key, "sockets/ir500/l-n").satisfactory()).contains(true);
    }

    @Test
    void paintUnderTheClampShowsOnThePipeOnly() {
        Key key = key(Rigs.fiveSockets(), Faults.clampOnPaint(Rigs.WATER));
        assertThat(at(key, "bond/water/clamp").change().timesTolerance()).isZero();
        assertThat(at(key, "bond/water/part").withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(at(key, "bond/gas/part").change().timesTolerance()).isZero();
    }

    // A 0.02 Ω joint in a 0.9 Ω circuit is unfair (handbook §5); the smallest joint there is, 0.05 Ω, is hidden too.
    @Test
    void smallJointFarOutIsHidden() {
        Key key = key(Rigs.fiveSockets(), Faults.joint(5, Conductor.CPC, 0.05));
        assertThat(at(key, "sockets/r1r2/socket-5").change().visibility()).isEqualTo(Visibility.HIDDEN);
    }

    @Test
    void bandHoldsBothEndsOfWhatTheRigMayBeAndItsReasonsAreNamed() {
        Key key = key(Rigs.fiveSockets(), Faults.joint(2, Conductor.CPC, 0.6));
        Expectation far = at(key, "sockets/r1r2/socket-5");
        assertThat(far.window().holds(far.withFaults().base())).isTrue();
        assertThat(key
                        .reasons(List.of((Slot.Measured) far.slot()))
                        .get(far.slot().id())
                        .stream()
                        .map(Key.BandReason::cause)
                        .toList())
                .hasSize(5)
                .anyMatch(c -> c.contains("nulling"))
                .anyMatch(c -> c.contains("cable"))
                .anyMatch(c -> c.contains("joints"))
                .anyMatch(c -> c.contains("resistor set"))
                .anyMatch(c -> c.contains("tester"));
    }

    @Test
    void faultThatDoesNotFitIsRefusedWithItsPlace() {
        assertThatThrownBy(() -> key(Rigs.fiveSockets(), Faults.cpcOpenAfter(5)))
                .hasMessageContaining("faults/0")
                .hasMessageContaining("nothing lies beyond");
        assertThatThrownBy(() -> key(
                        Rigs.fiveSockets(), Faults.joint(2, Conductor.CPC, 0.6), Faults.joint(9, Conductor.CPC, 0.6)))
                .hasMessageContaining("faults/1")
                .hasMessageContaining("socket-9");
        assertThatThrownBy(() -> key(Rigs.fiveSockets(), Faults.joint(2, Conductor.CPC, 900)))
                .hasMessageContaining("900 Ω");
        assertThatThrownBy(() -> key(Rigs.fiveSockets(), Faults.reversed(2), Faults.reversed(2)))
                .hasMessageContaining("once");
    }

    /** Held against a rig that was made with joints twice as bad: what is more there lies in the joints. */
    @Test
    void whatLiesInTheJointsOfAReadingIsWhatTwiceAsBadOnesAdd() {
        Workmanship once = new Workmanship(0.5, 4, 50);
        Workmanship twice = new Workmanship(1, 8, 50);
        Key key = Key.of(Rigs.rig(once, 6, 13, 19), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Key worse = Key.of(Rigs.rig(twice, 6, 13, 19), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Bench good = key.bench(FaultSet.NONE);
        Bench bad = worse.bench(FaultSet.NONE);
        int compared = 0;
        for (Expectation e : key.expectations()) {
            if (e.slot() instanceof Slot.Measured m) {
                boolean continuity = m.function().isContinuity() && Double.isFinite(good.value(m));
                assertThat(key.inJoints(m.id()))
                        .as(m.id().value())
                        .isCloseTo(continuity ? bad.value(m) - good.value(m) : 0, within(1e-9));
                compared += continuity ? 1 : 0;
            }
        }
        assertThat(compared).isGreaterThan(5);
        assertThat(key.inJoints(new SlotId("sockets/r1r2/socket-3")))
                .isGreaterThan(key.inJoints(new SlotId("sockets/r1r2/socket-1")));
    }
}
