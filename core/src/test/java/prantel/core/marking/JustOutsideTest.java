package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** A window allows for what is usual; who reads honestly on a damp day or through tired clips loses nothing. Common practice, no source. */
class JustOutsideTest {
    private static final Key KEY = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
    private static final SlotId BOX = new SlotId("sockets/r1r2/socket-5");
    private static final SlotId INSULATION = new SlotId("sockets/ir500/l-e");

    private static MarkedSheet marked(SlotId box, String text) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Expectation e : KEY.expectations()) {
            if (e.slot() instanceof Slot.Measured m) {
                texts.put(m.id(), e.withFaults().shown());
            }
        }
        texts.put(box, text);
        return Marker.mark(KEY, new CandidateRecord(texts, Map.of(), List.of()));
    }

    private static Finding at(MarkedSheet sheet, SlotId box) {
        return sheet.findings().stream()
                .filter(f -> f.expectation().slot().id().equals(box))
                .findFirst()
                .orElseThrow();
    }

    /** One that its own neighbours on the circuit speak against is odd, however near its window it lies. */
    @Test
    void aReadingThatItsNeighboursSpeakAgainstIsNotRight() {
        double high = KEY.expectation(BOX).window().high();
        Finding near = at(marked(BOX, String.format(Locale.ROOT, "%.2f", high + 0.006)), BOX);
        assertThat(near.side()).isEqualTo(Side.ABOVE);
        assertThat(near.odd()).isTrue();
        assertThat(near.isMeasuredRightly()).isFalse();
    }

    @Test
    void soundInsulationBelowItsWindowIsARightReadingAndALowOneIsNot() {
        Finding damp = at(marked(INSULATION, "60 MΩ"), INSULATION);
        assertThat(damp.side()).isEqualTo(Side.BELOW);
        assertThat(damp.odd()).isFalse();
        assertThat(damp.isMeasuredRightly()).isTrue();
        assertThat(at(marked(INSULATION, "0.40 MΩ"), INSULATION).isMeasuredRightly())
                .isFalse();
    }

    @Test
    void whatIsNotThereIsNoReading() {
        assertThat(at(marked(BOX, ""), BOX).isMeasuredRightly()).isFalse();
        assertThat(at(marked(BOX, "clear"), BOX).isMeasuredRightly()).isFalse();
    }
}
