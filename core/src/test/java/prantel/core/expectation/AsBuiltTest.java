package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.rig.Workmanship;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** Keys follow the real board; joints are fitted to what was measured. */
class AsBuiltTest {
    private static final SlotId FIRST = new SlotId("sockets/r1r2/socket-1");
    private static final SlotId LAST = new SlotId("sockets/r1r2/socket-5");

    private static Key key(AsBuilt asBuilt, FaultSet faults) {
        return Key.of(Rigs.fiveSockets(), faults, Testers.usual(), Schemes.workshop(), asBuilt);
    }

    @Test
    void keyMovesByWhatTheHealthyRigReadsOffTheModel() {
        double modelled =
                key(AsBuilt.NONE, FaultSet.NONE).expectation(LAST).healthy().base();
        AsBuilt asBuilt = new AsBuilt(Map.of(LAST, modelled + 0.05));
        assertThat(key(asBuilt, FaultSet.NONE).expectation(LAST).healthy().base())
                .isCloseTo(modelled + 0.05, within(0.011));
        FaultSet joint = new FaultSet(List.of(Faults.joint(3, Conductor.CPC, 0.62)));
        double faulted = key(AsBuilt.NONE, joint).expectation(LAST).withFaults().base();
        assertThat(key(asBuilt, joint).expectation(LAST).withFaults().base()).isCloseTo(faulted + 0.05, within(0.011));
        assertThat(key(asBuilt, joint).expectation(FIRST).withFaults())
                .as("another box is not moved")
                .isEqualTo(key(AsBuilt.NONE, joint).expectation(FIRST).withFaults());
    }

    @Test
    void openStaysOpenWhateverWasMeasured() {
        FaultSet open = new FaultSet(List.of(Faults.cpcOpenAfter(3)));
        Expectation e = key(new AsBuilt(Map.of(LAST, 0.9)), open).expectation(LAST);
        assertThat(e.withFaults().base()).isInfinite();
    }

    @Test
    void driftWithinToleranceIsSaidAndBeyondItWarns() {
        Key key = key(AsBuilt.NONE, FaultSet.NONE);
        double healthy = key.expectation(LAST).healthy().base();
        AsBuilt asBuilt = new AsBuilt(Map.of(LAST, healthy + 0.01, FIRST, 3.0));
        List<Drift> drifts = Drift.of(Rigs.fiveSockets(), Testers.usual(), Schemes.workshop(), asBuilt);
        assertThat(drifts).hasSize(2);
        assertThat(drifts.getFirst().modelled().slot().id()).isEqualTo(FIRST);
        assertThat(drifts.getFirst().isBeyond()).isTrue();
        assertThat(drifts.getLast().isBeyond()).isFalse();
        assertThat(drifts.getLast().tolerances()).isBetween(0.0, 1.0);
    }

    /** A rig is measured by the model itself with other joints: the fit must find them again. */
    @Test
    void fitFindsTheJointsThatMadeTheReadings() {
        Rig described = Rigs.fiveSockets();
        Rig real = Rigs.rig(new Workmanship(2.2, 11, 50), 6, 13, 19, 27, 36);
        Bench bench = new Bench(real, FaultSet.NONE, Variation.NONE);
        Map<SlotId, Double> readings = new HashMap<>();
        for (Slot slot : SlotPlan.of(described, Schemes.workshop())) {
            if (slot instanceof Slot.Measured m && m.function().isContinuity()) {
                readings.put(m.id(), bench.value(m));
            }
        }
        JointFit fit = JointFit.of(described, Schemes.workshop(), new AsBuilt(readings));
        assertThat(fit.rmsAfterOhms()).isLessThan(fit.rmsBeforeOhms() / 10);
        assertThat(fit.fitted().terminationMilliohms()).isCloseTo(2.2, within(0.3));
        assertThat(fit.fitted().contactMilliohms()).isCloseTo(11, within(1.5));
    }

    @Test
    void fitNeedsThreeReadings() {
        assertThatThrownBy(() -> JointFit.of(Rigs.fiveSockets(), Schemes.workshop(), new AsBuilt(Map.of(LAST, 0.7))))
                .isInstanceOf(ProblemsException.class)
                .hasMessageContaining("at least three");
    }
}
