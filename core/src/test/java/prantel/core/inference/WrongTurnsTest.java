package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.rig.Cable;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Wrong turns of an explainer that looks at each reading alone, each with what a joint one says. Common practice, no source. */
class WrongTurnsTest {
    private static final Rig RIG = rig();
    private static final Key KEY = Key.of(RIG, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static Rig rig() {
        List<Point> sockets = new ArrayList<>();
        for (int i = 1; i <= 5; i++) {
            sockets.add(new Point(Rigs.socket(i), "socket " + i, PointKind.TWIN_SOCKET, 9 * i));
        }
        return Rigs.rig(
                Rigs.usual(),
                List.of(
                        new Ring(Rigs.head(new CircuitId("ring"), 1, 32, new Cable(2.5, 1.5)), 60, sockets),
                        Rigs.radial(Rigs.SOCKETS, 2, sockets)));
    }

    /** As the tester shows it, a digit up or down here and there: a hand is never exact. */
    private static Map<SlotId, String> honest() {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        int n = 0;
        for (Expectation e : KEY.expectations()) {
            if (e.slot() instanceof Slot.Measured m && m.step() != TestKind.R2) {
                texts.put(m.id(), shifted(e, x -> x, (n++ * 7) % 3 - 1));
            }
        }
        return texts;
    }

    private static String shifted(Expectation e, DoubleUnaryOperator change, int digits) {
        if (!(e.withFaults() instanceof Reading.Value v)) {
            return e.withFaults().shown();
        }
        double value = Math.max(0, change.applyAsDouble(v.value()) + digits * v.resolution());
        return String.format(Locale.ROOT, "%.3f %s", value, v.unit().symbol());
    }

    private static void change(Map<SlotId, String> texts, String boxes, DoubleUnaryOperator change) {
        int n = 0;
        for (Expectation e : KEY.expectations()) {
            if (e.slot().id().value().matches(boxes)) {
                texts.put(e.slot().id(), shifted(e, change, n++ % 2));
            }
        }
    }

    private static Map<SlotId, List<Explanation>> told(Map<SlotId, String> texts) {
        return Explainer.explain(KEY, WrittenSheet.read(texts, KEY));
    }

    private static void allSay(Map<SlotId, List<Explanation>> told, String boxes, Cause cause) {
        List<SlotId> of =
                told.keySet().stream().filter(id -> id.value().matches(boxes)).toList();
        assertThat(of).isNotEmpty();
        assertThat(of)
                .allSatisfy(id -> assertThat(told.get(id).getFirst().cause()).isEqualTo(cause));
    }

    @Test
    void honestRecordIsNotAskedAbout() {
        assertThat(told(honest())).isEmpty();
    }

    /** Leads are never what the data sheet says: by a third off they are the leads still. */
    @ParameterizedTest
    @ValueSource(doubles = {0.65, 0.75, 0.85, 1.0})
    void wanderLeadOfAnotherResistanceIsTheWanderLead(double ohms) {
        Map<SlotId, String> texts = honest();
        change(texts, "bond/.*", x -> x + ohms);
        allSay(told(texts), "bond/.*", Cause.LEADS_NOT_NULLED);
    }

    @Test
    void ringNotDividedByFourIsNotTheLeads() {
        Map<SlotId, String> texts = honest();
        change(texts, "ring/ring/step-2/.*", x -> 4 * x);
        allSay(told(texts), "ring/ring/step-2/.*", Cause.NOT_DIVIDED);
    }

    @Test
    void leadsInsideEveryBandAreSeenTogether() {
        Map<SlotId, String> texts = honest();
        change(texts, "sockets/r1r2/.*", x -> x + 0.3);
        allSay(told(texts), "sockets/r1r2/.*", Cause.LEADS_NOT_NULLED);
    }

    @Test
    void stepTwoCopiedIntoStepThreeIsSeenByItsFigures() {
        Map<SlotId, String> texts = honest();
        for (int i = 1; i <= 5; i++) {
            texts.put(
                    new SlotId("ring/ring/step-3/socket-" + i), texts.get(new SlotId("ring/ring/step-2/socket-" + i)));
        }
        allSay(told(texts), "ring/ring/step-3/.*", Cause.ANOTHER_BOX);
    }

    /** One slip of the pen beside a habit: both are told, each at its boxes. */
    @Test
    void twoMistakesInOneRecordAreBothTold() {
        Map<SlotId, String> texts = honest();
        change(texts, "bond/.*", x -> x + 0.85);
        change(texts, "sockets/r1r2/socket-4", x -> 10 * x);
        Map<SlotId, List<Explanation>> told = told(texts);
        allSay(told, "bond/.*", Cause.LEADS_NOT_NULLED);
        allSay(told, "sockets/r1r2/socket-4", Cause.SLIP_OF_TEN);
    }

    /** What nothing explains is told, and blamed on nobody. */
    @Test
    void nothingKnownExplainsThisIsAnAnswer() {
        Map<SlotId, String> texts = honest();
        texts.put(new SlotId("sockets/r1r2/socket-3"), "1.873 Ω");
        assertThat(told(texts).get(new SlotId("sockets/r1r2/socket-3"))).isEmpty();
    }

    @Test
    void sharesOfOneBoxAddUpToNoMoreThanOne() {
        Map<SlotId, String> texts = honest();
        texts.put(new SlotId("sockets/r1r2/socket-5"), ">99.9 kΩ");
        List<Explanation> told = told(texts).get(new SlotId("sockets/r1r2/socket-5"));
        assertThat(told).hasSizeGreaterThan(1);
        assertThat(told.stream().mapToDouble(Explanation::likelihood).sum()).isBetween(0.3, 1.0);
        assertThat(told)
                .extracting(Explanation::evidence)
                .allSatisfy(e -> assertThat(e).contains(">99.9 kΩ"));
    }
}
