package prantel.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.procedure.Isolation;
import prantel.core.rig.Conductor;
import prantel.core.rig.Impedance;
import prantel.core.rig.Rig;
import prantel.core.rig.Supply;

/** Proving dead and live work, as every set-up says them. Common practice, no source. */
class CautionsTest {
    private static Rig threePhase() {
        Impedance line = new Impedance(0.06, 0.03);
        return Rigs.rig(
                new Supply(
                        230,
                        new Supply.Declared(Supply.Earthing.TN_S, 0.8),
                        List.of(line, line, line),
                        line,
                        new Supply.Earth(Supply.Earthing.TN_S, line, 10, 1)),
                Rigs.usual(),
                List.of(prantel.core.rig.Board.plain()),
                Rigs.fiveSockets().circuits());
    }

    @Test
    void threePhaseRigIsProvedDeadInTenTests() {
        assertThat(Isolation.pairs(threePhase())).hasSize(10);
        assertThat(Isolation.pairs(threePhase()).stream().flatMap(List::stream))
                .contains(Conductor.L1, Conductor.L2, Conductor.L3, Conductor.NEUTRAL, Conductor.CPC);
        assertThat(Isolation.pairs(Rigs.fiveSockets())).hasSize(3);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void everyLiveSetUpCarriesItsCautionAndEveryDeadOneIsolation(long seed) {
        int live = 0;
        int dead = 0;
        for (Slot slot : SlotPlan.of(RandomRigs.rig(new java.util.SplittableRandom(seed)), Schemes.fullSequence())) {
            if (!(slot instanceof Slot.Measured measured)) {
                continue;
            }
            String words = String.join(" ", measured.setUp().steps());
            if (slot.step().isLive()) {
                assertThat(words).as(slot.id().toString()).containsIgnoringCase("live");
                live++;
            } else {
                assertThat(words)
                        .as(slot.id().toString())
                        .containsPattern("(?i)proved dead|locked off|isolat|main switch");
                dead++;
            }
        }
        assertThat(live).isPositive();
        assertThat(dead).isPositive();
    }
}
