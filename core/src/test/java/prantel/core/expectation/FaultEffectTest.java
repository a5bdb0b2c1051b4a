package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.FaultEffect.Result;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Conductor;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.SlotId;

class FaultEffectTest {

    private static Key key(Fault... faults) {
        return Key.of(Rigs.fiveSockets(), new FaultSet(List.of(faults)), Testers.usual(), Schemes.workshop());
    }

    @Test
    void eachFaultOfASetIsJudgedByWhatItAdds() {
        List<FaultEffect> effects =
                FaultEffect.of(key(Faults.joint(3, Conductor.CPC, 0.6), Faults.clampOnPaint(Rigs.WATER)));
        assertThat(effects).allMatch(e -> e.visibility() == Visibility.FINDABLE);
        assertThat(effects.get(0).firstSeen().orElseThrow().slot().id()).isEqualTo(new SlotId("sockets/r1r2/socket-3"));
        assertThat(effects.get(1).check().orElseThrow().set().slot().id()).isEqualTo(new SlotId("bond/water/part"));
    }

    @Test
    void jointBeyondAnOpenCpcIsMaskedByIt() {
        List<FaultEffect> effects = FaultEffect.of(key(Faults.cpcOpenAfter(2), Faults.joint(4, Conductor.CPC, 0.6)));
        assertThat(effects.get(0).visibility()).isEqualTo(Visibility.FINDABLE);
        assertThat(effects.get(1).visibility()).isEqualTo(Visibility.HIDDEN);
        assertThat(effects.get(1).check()).isEmpty();
    }

    // The best check is R2 at socket 5: 36 m · 12.10 mΩ/m = 0.44 Ω of CPC, and 0.6 Ω with the joint on top.
    @ParameterizedTest
    @CsvSource({"1.05,FITS", "0.45,NOT_SET", "5.0,NEITHER", "abc,UNREADABLE", ">99.9 kΩ,NEITHER"})
    void checkReadingSaysWhetherTheFaultIsSet(String text, Result result) {
        FaultEffect effect =
                FaultEffect.of(key(Faults.joint(5, Conductor.CPC, 0.6))).getFirst();
        assertThat(effect.check().orElseThrow().of(text)).isEqualTo(result);
    }

    @Test
    void profileShowsABadJointAsAStepAtItsStation() {
        List<Profile.Sample> samples =
                Profile.of(key(Faults.joint(3, Conductor.CPC, 0.6)), Rigs.SOCKETS, Quantity.R1_R2);
        assertThat(samples).hasSize(10);
        Profile.Sample before = samples.get(4);
        Profile.Sample at = samples.get(5);
        assertThat(before.atMetres()).isEqualTo(at.atMetres()).isEqualTo(19);
        double step = at.expected().withFaults().base()
                - before.expected().withFaults().base();
        assertThat(step).isCloseTo(0.6, within(0.03));
        double healthyStep =
                at.expected().healthy().base() - before.expected().healthy().base();
        assertThat(healthyStep).isLessThan(0.03);
    }
}
