package prantel.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

// 50 V touch limit: IEC 60364-4-41. Disconnection: BS 7671 411.4.4 with IEC 60898-1.
class SafetyCheckTest {
    private static final Rig RIG = Rigs.fiveSockets();

    private static Fault at(String kind, int socket, Conductor... conductors) {
        return new Fault(FaultCatalogue.kind(kind), Faults.socket(socket), List.of(conductors), 0, Optional.empty());
    }

    private static SafetyCheck.Report report(Fault... faults) {
        return SafetyCheck.of(RIG, FaultSet.of(faults));
    }

    @Test
    void healthyRigMayGoLive() {
        assertThat(report().dangers()).isEmpty();
        assertThat(report().mayGoLive()).isTrue();
        assertThat(report().strictest()).isEqualTo(SafetyClass.MAY_STAY_LIVE);
    }

    @Test
    void lineOnTheEarthTerminalIsFoundAtMainsVoltage() {
        SafetyCheck.Report report = report(at("line-cpc-reversed", 2, Conductor.LINE, Conductor.CPC));
        assertThat(report.dangers()).anySatisfy(d -> {
            assertThat(d.kind()).isEqualTo(Danger.Kind.TOUCH_VOLTAGE);
            assertThat(d.where()).contains("socket 2");
            assertThat(d.finding()).containsPattern("2[2-5][0-9] V");
        });
        assertThat(report.mayGoLive()).isFalse();
    }

    @Test
    void openCpcLeavesTheSocketsBeyondWithoutDisconnection() {
        assertThat(report(Faults.cpcOpenAfter(3)).dangers())
                .extracting(Danger::kind, Danger::where)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(
                                Danger.Kind.NO_DISCONNECTION,
                                "socket 4, " + RIG.circuits().getFirst().label()),
                        org.assertj.core.groups.Tuple.tuple(
                                Danger.Kind.NO_DISCONNECTION,
                                "socket 5, " + RIG.circuits().getFirst().label()));
    }

    // B20 needs 100 A: 0.95 · 230 ÷ 100 = 2.185 Ω. Ze 0.35 and 0.70 to the last socket leave about 1.13 Ω for a joint.
    @Test
    void jointIsHarmlessUntilTheDeviceWouldNoLongerTrip() {
        assertThat(report(Faults.joint(3, Conductor.CPC, 1.0)).dangers()).isEmpty();
        assertThat(report(Faults.joint(3, Conductor.CPC, 1.3)).dangers())
                .extracting(Danger::kind)
                .contains(Danger.Kind.NO_DISCONNECTION);
        assertThat(report(Faults.joint(3, Conductor.CPC, 1.3)).strictest()).isEqualTo(SafetyClass.DEAD_ONLY);
    }

    @Test
    void shortBetweenLineAndNeutralShortsTheSupply() {
        assertThat(report(at("dead-short", 1, Conductor.LINE, Conductor.NEUTRAL))
                        .dangers())
                .extracting(Danger::kind)
                .contains(Danger.Kind.SUPPLY_SHORT);
        assertThat(report(at("dead-short", 1, Conductor.NEUTRAL, Conductor.CPC)).dangers())
                .as("neutral to earth shorts nothing")
                .noneMatch(d -> d.kind() == Danger.Kind.SUPPLY_SHORT);
    }

    @Test
    void catalogueCanBeStricterThanTheSimulation() {
        SafetyCheck.Report report = report(at("line-neutral-reversed", 2, Conductor.LINE, Conductor.NEUTRAL));
        assertThat(report.dangers()).isEmpty();
        assertThat(report.strictest()).isEqualTo(SafetyClass.DEAD_ONLY);
        assertThat(report.mayGoLive()).isFalse();
    }

    @Test
    void randomHealthyRigsNeverShowLiveMetalOrAShort() {
        SplittableRandom random = new SplittableRandom(404);
        for (int i = 0; i < 60; i++) {
            Rig rig = RandomRigs.rig(random);
            assertThat(SafetyCheck.of(rig, FaultSet.NONE).dangers())
                    .as("rig %d", i)
                    .noneMatch(d -> d.kind() == Danger.Kind.TOUCH_VOLTAGE || d.kind() == Danger.Kind.SUPPLY_SHORT);
        }
    }
}
