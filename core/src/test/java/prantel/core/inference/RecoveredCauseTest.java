package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** A mistake really made on a random rig with a random fault is among those that explain it. */
class RecoveredCauseTest {
    private static final int RIGS_A_SEED = 3;

    private static Key key(SplittableRandom random) {
        Rig rig = RandomRigs.rig(random);
        List<Fault> all = FaultCatalogue.everyFault(rig);
        FaultSet faults = random.nextBoolean() ? FaultSet.NONE : FaultSet.of(all.get(random.nextInt(all.size())));
        return Key.of(rig, faults, Testers.usual(), Schemes.fullSequence());
    }

    /** Every box as the tester shows it on this rig. */
    private static Map<SlotId, String> right(Key key) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        key.expectations().forEach(e -> texts.put(e.slot().id(), e.withFaults().shown()));
        return texts;
    }

    private static Map<SlotId, List<Explanation>> explained(Key key, Map<SlotId, String> texts) {
        return Explainer.explain(key, WrittenSheet.read(texts, key));
    }

    /** A sheet without a digit of error looks worked out, and is: that is asked, and is no mistake here. */
    private static boolean onlyAsked(List<? extends Explanation> explanations) {
        return !explanations.isEmpty() && explanations.getFirst().cause().onlyAsks();
    }

    private static boolean isInside(Expectation e, Map<SlotId, String> texts, Key key) {
        return e.window().sideOf(WrittenSheet.read(texts, key).at(e.slot().id())) == Window.Side.INSIDE;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void rightSheetWantsNoExplanation(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Key key = key(random);
            assertThat(explained(key, right(key)))
                    .as("seed " + seed + ", rig " + n + ", " + key.faults())
                    .allSatisfy((id, explanations) -> assertThat(explanations).matches(RecoveredCauseTest::onlyAsked));
        }
    }

    /** Leads of the tester's own resistance left in every low-resistance reading. */
    @ParameterizedTest
    @ValueSource(longs = {4, 5})
    void leadsLeftInAreFoundWhereverTheyShow(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int shown = 0;
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Key key = key(random);
            Map<SlotId, String> texts = right(key);
            List<Expectation> spoilt = new ArrayList<>();
            for (Expectation e : key.expectations()) {
                if (e.slot() instanceof Slot.Measured m
                        && m.function().isContinuity()
                        && e.withFaults() instanceof Reading.Value value
                        && value.base() < 9) {
                    double ohms = value.base() + key.tester().leadOhms(m.function());
                    texts.put(m.id(), String.format(Locale.ROOT, "%.2f Ω", ohms));
                    spoilt.add(e);
                }
            }
            Map<SlotId, List<Explanation>> explained = explained(key, texts);
            for (Expectation e : spoilt) {
                if (!isInside(e, texts, key)) {
                    shown++;
                    assertThat(explained.get(e.slot().id()))
                            .as(e.slot().id() + ", seed " + seed + ", rig " + n)
                            .extracting(Explanation::cause)
                            .contains(Cause.LEADS_NOT_NULLED);
                }
            }
        }
        assertThat(shown)
                .as("readings that the leads pushed out of their bands")
                .isGreaterThan(8);
    }

    /** One number with its point a place to the right. */
    @ParameterizedTest
    @ValueSource(longs = {7, 8, 9})
    void slippedPointIsFound(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int shown = 0;
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Key key = key(random);
            for (Expectation e : key.expectations()) {
                if (e.withFaults() instanceof Reading.Value value
                        // a digit or two, ten times as much, is a joint or a contact as well
                        && value.value() > 4 * value.resolution()
                        && random.nextInt(12) == 0) {
                    Map<SlotId, String> texts = right(key);
                    texts.put(
                            e.slot().id(),
                            String.format(
                                    Locale.ROOT,
                                    "%.3f %s",
                                    value.value() * 10,
                                    value.unit().symbol()));
                    if (!isInside(e, texts, key)) {
                        shown++;
                        assertThat(explained(key, texts).get(e.slot().id()))
                                .as(e.slot().id() + " " + texts.get(e.slot().id()) + ", seed " + seed + ", rig " + n)
                                .extracting(Explanation::cause)
                                .contains(Cause.SLIP_OF_TEN);
                    }
                }
            }
        }
        assertThat(shown).as("slips that show").isGreaterThan(8);
    }

    /** Likeliest first, each with its evidence, whatever was written. */
    @ParameterizedTest
    @ValueSource(longs = {10, 11})
    void everyExplanationHasALikelihoodAndWords(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < RIGS_A_SEED; n++) {
            Key key = key(random);
            Map<SlotId, String> texts = right(key);
            for (SlotId id : List.copyOf(texts.keySet())) {
                if (random.nextInt(8) == 0) {
                    texts.put(id, String.format(Locale.ROOT, "%.2f", random.nextDouble(0, 3)));
                }
            }
            explained(key, texts).forEach((id, explanations) -> {
                double before = Double.POSITIVE_INFINITY;
                for (Explanation e : explanations) {
                    assertThat(e.slot()).isEqualTo(id);
                    assertThat(e.likelihood()).isBetween(0.0, Math.min(1, before));
                    assertThat(e.evidence()).isNotBlank().doesNotContain("NaN");
                    before = e.likelihood();
                }
            });
        }
    }
}
