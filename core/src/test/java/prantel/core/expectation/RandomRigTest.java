package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.network.Branch;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** Properties that hold for every rig, over thousands of random ones; the seed of a batch is its parameter. */
class RandomRigTest {
    private static final int RIGS_A_BATCH = 300;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void everyReadingIsANumberOrOpenAndTheSameFromBothSides(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < RIGS_A_BATCH; i++) {
            Rig rig = RandomRigs.rig(random);
            Bench bench = new Bench(rig, FaultSet.NONE, Variation.NONE);
            Set<SlotId> ids = new HashSet<>();
            for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
                String what = "seed " + seed + ", rig " + i + ", " + slot.id();
                assertThat(ids.add(slot.id())).as("id used twice: " + what).isTrue();
                if (slot instanceof Slot.Measured measured && i % 10 == 0) {
                    double value = bench.value(measured);
                    assertThat(value).as(what).isNotNaN().isGreaterThanOrEqualTo(0);
                    if (!measured.function().isLive()
                            && measured.measurement() instanceof Measurement.TwoProbe(var f, var a, var b, var n)) {
                        double back = bench.value(measured.with(new Measurement.TwoProbe(f, b, a)));
                        if (Double.isInfinite(value)) {
                            assertThat(back).as(what).isInfinite();
                        } else {
                            assertThat(back)
                                    .as(what)
                                    .isCloseTo(value, org.assertj.core.data.Percentage.withPercentage(1e-10));
                        }
                    }
                }
            }
        }
    }

    /** Raising any resistance never lowers a reading (Rayleigh's monotonicity law, physics). */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25})
    void addingResistanceAnywhereNeverLowersAReading(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < RIGS_A_BATCH; i++) {
            Network network = RigCompiler.compile(RandomRigs.rig(random));
            List<Terminal> terminals = List.copyOf(network.terminals());
            Terminal a = terminals.get(random.nextInt(terminals.size()));
            Terminal b = terminals.get(random.nextInt(terminals.size()));
            Branch branch =
                    network.branches().get(random.nextInt(network.branches().size()));
            double before = network.resistance(a, b);
            double after = network.with(List.of(new Edit.PutInSeries(branch.id(), random.nextDouble(1e-3, 100))))
                    .resistance(a, b);
            assertThat(after)
                    .as("seed " + seed + ", rig " + i + ", " + a + " to " + b + ", more in " + branch.id())
                    .isGreaterThanOrEqualTo(before * (1 - 1e-12));
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35})
    void editingAndTakingTheEditBackGivesTheSameBits(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < RIGS_A_BATCH; i++) {
            Network network = RigCompiler.compile(RandomRigs.rig(random));
            List<Terminal> terminals = List.copyOf(network.terminals());
            Terminal a = terminals.get(random.nextInt(terminals.size()));
            Terminal b = terminals.get(random.nextInt(terminals.size()));
            double before = network.resistance(a, b);
            Branch branch =
                    network.branches().get(random.nextInt(network.branches().size()));
            network.with(List.of(new Edit.Open(branch.id()))).resistance(a, b);
            assertThat(network.resistance(a, b))
                    .as("seed " + seed + ", rig " + i)
                    .isEqualTo(before);
            double opened = network.with(List.of(new Edit.Open(branch.id()))).resistance(a, b);
            double wider = network.with(List.of(new Edit.Open(branch.id()), new Edit.Open(branch.id())))
                    .resistance(a, b);
            assertThat(wider).as("an open branch stays open").isEqualTo(opened);
        }
    }

    /** The band is what the rig may be: its healthy reading lies inside, whatever the rig. */
    @ParameterizedTest
    @ValueSource(longs = {41, 42, 43, 44})
    void healthyReadingsLieInsideTheirBands(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < 25; i++) {
            Key key = Key.of(RandomRigs.rig(random), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            for (Expectation e : key.expectations()) {
                assertThat(Readings.isIn(e.window(), e.healthy()))
                        .as("seed " + seed + ", rig " + i + ", " + e.slot().id() + " reads "
                                + e.healthy().shown() + ", band " + e.window())
                        .isTrue();
            }
        }
    }
}
