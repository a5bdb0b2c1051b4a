package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.fault.BoxTruth.Heard;
import prantel.core.fault.BoxTruth.Trouble;

/** What is not known is never taken for sound: common practice, no source. */
class BoxTruthTest {
    private static BoxTruth told(Set<Integer> commanded, Heard heard) {
        return new BoxTruth(commanded, heard);
    }

    private static List<Trouble> troubles(BoxTruth truth) {
        return truth.matters().stream().map(BoxTruth.Matter::trouble).toList();
    }

    @Test
    void asToldIsNoTrouble() {
        assertThat(told(Set.of(), new Heard.Answering(Set.of())).isAsTold()).isTrue();
        assertThat(told(Set.of(2, 5), new Heard.Answering(Set.of(5, 2))).isAsTold())
                .isTrue();
        assertThat(told(Set.of(), new Heard.NoBox()).isAsTold()).isTrue();
        assertThat(told(Set.of(), new Heard.Unplugged()).isAsTold()).isTrue();
    }

    @Test
    void aRelayThatNobodyPulledInIsTheGravest() {
        BoxTruth truth = told(Set.of(2), new Heard.Answering(Set.of(7)));
        assertThat(troubles(truth)).containsExactly(Trouble.NOT_COMMANDED, Trouble.NOT_IN);
        assertThat(truth.relays(Trouble.NOT_COMMANDED)).containsExactly(7);
        assertThat(truth.relays(Trouble.NOT_IN)).containsExactly(2);
        assertThat(truth.words())
                .startsWith("Relay 7")
                .contains("nobody pulled it in")
                .contains("Relay 2");
        assertThat(told(Set.of(), new Heard.Answering(Set.of(1, 4))).words())
                .startsWith("Relays 1, 4")
                .contains("them");
    }

    @Test
    void silenceIsTroubleAlsoWhereNothingWasCommanded() {
        assertThat(troubles(told(Set.of(), new Heard.Silent()))).containsExactly(Trouble.SILENT);
        assertThat(troubles(told(Set.of(1), new Heard.Silent()))).containsExactly(Trouble.SILENT);
        assertThat(troubles(told(Set.of(1), new Heard.NoBox()))).containsExactly(Trouble.SILENT);
        assertThat(told(Set.of(1), new Heard.Silent()).in()).as("not known").isEmpty();
    }

    @Test
    void unpluggedNothingOfItIsInTheRig() {
        assertThat(troubles(told(Set.of(1), new Heard.Unplugged()))).containsExactly(Trouble.NOT_IN);
        assertThat(told(Set.of(1), new Heard.Unplugged()).in()).isEmpty();
    }

    @Test
    void aGlanceSaysTheGravest() {
        assertThat(told(Set.of(2), new Heard.Answering(Set.of(7))).brief()).contains("nobody pulled in");
        assertThat(told(Set.of(2), new Heard.Answering(Set.of())).brief()).contains("fell out");
        assertThat(told(Set.of(), new Heard.Silent()).brief()).contains("does not answer");
        assertThat(told(Set.of(), new Heard.Answering(Set.of())).brief()).isEmpty();
    }
}
