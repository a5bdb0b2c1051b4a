package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.rig.Workmanship;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * A rig that is built otherwise than drawn, read rightly: nobody is asked. How far joints of one hand and the insulation of
 * one day go: common practice, no source.
 */
class BuildTest {
    private static final CircuitId FIRST = new CircuitId("circuit-1");
    private static final Rig RIG = rig();
    private static final Key KEY = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static Rig rig() {
        List<Circuit> circuits = new ArrayList<>();
        for (int c = 1; c <= 4; c++) {
            List<Point> points = new ArrayList<>();
            for (int i = 1; i <= 4; i++) {
                points.add(new Point(Rigs.socket(i), "socket " + i, PointKind.TWIN_SOCKET, (5 + c) * i));
            }
            circuits.add(Rigs.radial(new CircuitId("circuit-" + c), c, points));
        }
        return Rigs.rig(new Workmanship(4, 22, 4), circuits);
    }

    private static Map<SlotId, String> read(Variation built, ToDoubleBiFunction<Slot.Measured, Double> shown) {
        Bench bench = new Bench(RIG, FaultSet.NONE, built);
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : KEY.expectations()) {
            if (e.slot() instanceof Slot.Measured m
                    && (m.function().isContinuity() || m.function().isInsulation())
                    && m.step() != TestKind.R2) {
                double base = shown.applyAsDouble(m, bench.value(m));
                texts.put(
                        m.id(),
                        KEY.tester()
                                .meter(m.function())
                                .orElseThrow()
                                .show(base)
                                .shown());
            }
        }
        return texts;
    }

    private static Map<SlotId, String> read(Variation built) {
        return read(built, (slot, base) -> base);
    }

    private static Map<SlotId, List<Explanation>> explained(Map<SlotId, String> texts) {
        return Explainer.explain(KEY, WrittenSheet.read(texts, KEY));
    }

    private static Variation joints(double factor) {
        return new Variation(1, factor, 1, 1, 1, 1, 1);
    }

    private static Variation insulation(double factor) {
        return new Variation(1, 1, factor, 1, 1, 1, 1);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.5, 2, 3, 4})
    void jointsOfOneHandAreTheRigs(double factor) {
        assertThat(explained(read(joints(factor)))).isEmpty();
    }

    @Test
    void leadsAreStillFoundAtARigWithBadJoints() {
        double lead = Testers.usual().leadOhms(Function.CONTINUITY);
        Map<SlotId, String> texts = read(
                joints(3),
                (slot, base) ->
                        slot.step() == TestKind.R1_R2 && slot.id().value().startsWith(FIRST.value())
                                ? base + lead
                                : base);
        Map<SlotId, List<Explanation>> told = explained(texts);
        assertThat(told)
                .hasSize(4)
                .allSatisfy((id, all) -> assertThat(all.getFirst().cause()).isEqualTo(Cause.LEADS_NOT_NULLED));
        assertThat(told.keySet()).allMatch(id -> id.value().startsWith(FIRST.value()));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.06, 0.025})
    void aWetDayIsEverybodys(double factor) {
        assertThat(explained(read(insulation(factor)))).isEmpty();
    }

    @Test
    void oneCircuitThatIsWetByItselfIsAsked() {
        Map<SlotId, String> texts = read(
                Variation.NONE,
                (slot, base) -> slot.id().value().startsWith(FIRST.value())
                                && slot.function().isInsulation()
                        ? 0.02 * base
                        : base);
        assertThat(explained(texts).keySet())
                .isNotEmpty()
                .allMatch(id -> id.value().startsWith(FIRST.value()));
    }

    @Test
    void itIsLikelierAsDrawn() {
        assertThat(Build.AS_DRAWN.logPrior()).isZero();
        assertThat(Build.AS_DRAWN.others())
                .doesNotContain(Build.AS_DRAWN)
                .doesNotHaveDuplicates()
                .allMatch(b -> b.logPrior() < 0);
        assertThat(new Build(1.04, 3).of(2, 0.1)).isEqualTo(2.08 + 0.2);
    }

    /** Where a device may trip as well, a number a digit outside is the same number as where it may not: nobody is asked. */
    @Test
    void aNumberIsHeldAgainstNumbersThoughTheDeviceMayTripToo() {
        int seen = 0;
        for (long seed = 0; seed < 40; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Key healthy = Key.of(RandomRigs.rig(random), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            for (Fault fault : healthy.everyFault().stream()
                    .filter(f -> f.kind().id().equals("neutral-borrowed"))
                    .limit(2)
                    .toList()) {
                Key key = healthy.with(FaultSet.of(fault));
                for (Expectation e : key.expectations()) {
                    if (e.window() instanceof Window.AnyOf
                            && e.slot() instanceof Slot.Measured m
                            && !m.function().isInsulation()
                            && e.window().measured() instanceof Window.Between(double low, double high)
                            && e.withFaults() instanceof Reading.Value v) {
                        Map<SlotId, String> texts = Map.of(
                                m.id(),
                                String.format(
                                        Locale.ROOT,
                                        "%.2f %s",
                                        m.boxUnit().fromBase(low - 0.002 * (high - low)),
                                        m.boxUnit().symbol()));
                        assertThat(Explainer.explain(key, WrittenSheet.read(texts, key)))
                                .as(texts + " for " + v.shown() + " of " + seed)
                                .isEmpty();
                        seen++;
                    }
                }
            }
        }
        assertThat(seen).isPositive();
    }
}
