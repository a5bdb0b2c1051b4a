package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What is remarked of how a reading was written. Common practice, no source. */
class RemarksTest {
    private static final Key KEY = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.workshop());
    private static final SlotId INSULATION = KEY.expectations().stream()
            .map(e -> e.slot())
            .filter(s -> s.step() == TestKind.INSULATION && s.limit().isPresent())
            .map(Slot::id)
            .findFirst()
            .orElseThrow();

    private static List<String> remarks(String slot, String text, Set<SlotId> out) {
        Sheets sheet = Sheets.perfect(KEY).write(slot, text);
        CandidateRecord record = new CandidateRecord(sheet.readings, sheet.judgements, sheet.faults, out);
        return Marker.mark(KEY, record).findings().stream()
                .filter(f -> f.expectation().slot().id().equals(new SlotId(slot)))
                .findFirst()
                .orElseThrow()
                .remarks();
    }

    // A new circuit below 2 MΩ or so is looked into though 1 MΩ is met: IET Guidance Note 3, from memory.
    @ParameterizedTest
    @CsvSource({"0.99, -0.01, false", "1.00, 0, true", "0, -0.01, true", "0, 0, false", "200, 0, false"})
    void insulationThatPassesAndIsLow(double megohms, double offItsFigure, boolean remarked) {
        double figure = KEY.scheme().practice().insulation().investigateBelowMegohms();
        double written = megohms > 0 ? megohms : figure + offItsFigure;
        List<String> remarks = remarks(INSULATION.value(), String.format(Locale.ROOT, "%.2f MΩ", written), Set.of());
        assertThat(remarks.stream().anyMatch(r -> r.startsWith("Passes, but below ")))
                .isEqualTo(remarked);
    }

    @Test
    void lowContinuityIsNoInsulation() {
        assertThat(remarks("sockets/r1r2/socket-1", "0.12", Set.of())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, true", "0.00, false", "0.0, false", "1, false"})
    void aBareNoughtIsNoReading(String text, boolean remarked) {
        assertThat(remarks("sockets/r1r2/socket-1", text, Set.of()).stream()
                        .anyMatch(r -> r.startsWith("A bare 0 is not a reading; this tester would show 0.00")))
                .isEqualTo(remarked);
    }

    @Test
    void overRangeOfAnotherTesterIsTold() {
        assertThat(remarks(INSULATION.value(), ">500 MΩ", Set.of()))
                .singleElement()
                .satisfies(r -> assertThat(r).contains("reads up to 999").contains("“>500 MΩ” is not what it showed"));
        assertThat(remarks(INSULATION.value(), ">999 MΩ", Set.of())).isEmpty();
        assertThat(remarks(INSULATION.value(), "OL", Set.of()))
                .singleElement()
                .satisfies(r -> assertThat(r).contains("does not say how far").contains(">999"));
    }

    @Test
    void whatWasWrittenWhileTheRelaysWereOutIsTold() {
        SlotId box = new SlotId("sockets/r1r2/socket-1");
        assertThat(remarks(box.value(), "0.12", Set.of(box)))
                .containsExactly(
                        "Written while the fault box had let its relays go: the healthy value counts as right.");
        assertThat(remarks(box.value(), "", Set.of(box)))
                .as("nothing is written")
                .isEmpty();
    }

    @Test
    void aReasonExcusesNothingWhereEveryBoxIsTested() {
        assertThat(remarks("sockets/r1r2/socket-1", "not tested: locked", Set.of()))
                .containsExactly("Not tested: locked. Here every box is tested; the reason excuses nothing.");
    }
}
