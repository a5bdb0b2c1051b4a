package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** Isolation, set-up and faults are made in steps and shared between tests: the same as all of them made at once. */
class SetUpInStepsTest {
    private static final int RIGS_A_SEED = 6;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void readingIsThatOfAllEditsMadeAtOnce(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Rig rig = RandomRigs.rig(random);
            List<Fault> all = FaultCatalogue.everyFault(rig);
            FaultSet faults = FaultSet.of(all.get(random.nextInt(all.size())));
            Variation variation = random.nextBoolean()
                    ? Variation.NONE
                    : Schemes.fullSequence().practice().tolerances().high();
            Bench bench = new Bench(rig, faults, variation);
            Network compiled = RigCompiler.compile(rig, variation);
            for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
                if (slot instanceof Slot.Measured measured
                        && !measured.function().isLive()
                        && measured.measurement() instanceof Measurement.TwoProbe probes) {
                    List<Edit> edits = new ArrayList<>(measured.setUp().isolation());
                    edits.addAll(measured.setUp().edits());
                    edits.addAll(faults.edits(rig, variation));
                    double plain =
                            compiled.with(edits, measured.function().volts()).resistance(probes.a(), probes.b());
                    double shared = bench.value(measured);
                    String what = "seed " + seed + ", rig " + n + ", " + slot.id() + ", " + faults;
                    if (Double.isInfinite(plain)) {
                        assertThat(shared).as(what).isInfinite();
                    } else {
                        assertThat(shared).as(what).isCloseTo(plain, within(1e-12 * plain));
                    }
                }
            }
        }
    }
}
