package prantel.core.reference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.sequence.Quantity;

/** The words that a screen uses are explained. What belongs into it: common practice, no source. */
class GlossaryTest {
    private static final String ALL =
            String.join(" ", Glossary.terms().stream().map(Glossary.Term::word).toList());

    @Test
    void everyWordStandsOnceInOrderWithASentence() {
        List<String> words = Glossary.terms().stream().map(Glossary.Term::word).toList();
        assertThat(words).doesNotHaveDuplicates().isSortedAccordingTo(String.CASE_INSENSITIVE_ORDER);
        assertThat(Glossary.terms()).allSatisfy(t -> assertThat(t.meaning()).matches("\\p{Lu}.{20,200}\\."));
    }

    /** What stands over a box as letters alone, nobody can guess. */
    @Test
    void whatABoxIsCalledByLettersIsExplained() {
        List<Quantity> letters = List.of(
                Quantity.R1_R2,
                Quantity.R2,
                Quantity.RING_LINE,
                Quantity.RING_NEUTRAL,
                Quantity.RING_CPC,
                Quantity.ZE,
                Quantity.ZDB,
                Quantity.ZS,
                Quantity.PSCC,
                Quantity.PEFC,
                Quantity.IPF);
        assertThat(letters).allSatisfy(q -> assertThat(ALL).contains(q.label()));
        assertThat(Arrays.asList("CPC", "RCD", "AFDD", "IΔn"))
                .allSatisfy(w -> assertThat(ALL).contains(w));
    }

    @Test
    void wordsOfOurOwnAreToldApart() {
        assertThat(Glossary.terms()).anyMatch(Glossary.Term::ours).anyMatch(t -> !t.ours());
    }
}
