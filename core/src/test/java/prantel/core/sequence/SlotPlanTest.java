package prantel.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;

/** Properties of the list of boxes, over random rigs. */
class SlotPlanTest {
    private static final int RIGS_A_SEED = 25;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void idsAreDistinctAndComposedBoxesComeAfterTheirParts(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Set<SlotId> before = new HashSet<>();
            for (Slot slot : SlotPlan.of(RandomRigs.rig(random), Schemes.fullSequence())) {
                if (slot instanceof Slot.Composed composed) {
                    assertThat(composed.of()).as(slot.id().value()).isNotEmpty();
                    assertThat(before).as(slot.id().value()).containsAll(composed.of());
                }
                assertThat(before.add(slot.id())).as("twice: " + slot.id()).isTrue();
            }
        }
    }

    /** Common practice, no source: nothing is tested dead before the main switch is off and proved dead. */
    @ParameterizedTest
    @ValueSource(longs = {4, 5, 6})
    void everyDeadTestBeginsWithTheMainSwitchOff(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Rig rig = RandomRigs.rig(random);
            Edit neutralOff = new Edit.Open(Places.mainSwitch(rig.origin().id(), Conductor.NEUTRAL));
            for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
                if (slot instanceof Slot.Measured measured
                        && !measured.function().isLive()) {
                    assertThat(measured.setUp().isolation())
                            .as(slot.id().value())
                            .contains(neutralOff);
                    assertThat(measured.setUp().steps().getFirst()).contains("proved dead");
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 8, 9})
    void probesAndEditsAreOfTheRig(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Rig rig = RandomRigs.rig(random);
            Network compiled = RigCompiler.compile(rig);
            for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
                if (slot instanceof Slot.Measured measured) {
                    for (List<Edit> edits : List.of(
                            measured.setUp().isolation(), measured.setUp().edits())) {
                        edits.forEach(e -> e.branches()
                                .forEach(b -> assertThat(compiled.has(b))
                                        .as(slot.id() + ": " + b)
                                        .isTrue()));
                    }
                    probes(measured.measurement())
                            .forEach(t -> assertThat(compiled.has(t))
                                    .as(slot.id() + ": " + t)
                                    .isTrue());
                }
            }
        }
    }

    private static List<Terminal> probes(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe p -> List.of(p.a(), p.b());
            case Measurement.Trip t -> List.of(t.line(), t.earth());
            case Measurement.Rotation r -> List.of(r.l1(), r.l2(), r.l3());
            case Measurement.LoadCurrent l -> List.of(l.a(), l.b());
            case Measurement.Operation o ->
                o.trials().stream()
                        .flatMap(t -> java.util.stream.Stream.of(t.a(), t.b()))
                        .toList();
            case Measurement.Button b -> List.of();
            case Measurement.Looked l -> List.of();
            case Measurement.Inspected i -> List.of();
        };
    }
}
