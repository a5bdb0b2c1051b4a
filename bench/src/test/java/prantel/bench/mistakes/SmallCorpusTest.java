package prantel.bench.mistakes;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.formats.RigFile;
import prantel.formats.ShippedSchemes;
import prantel.formats.TesterFile;

/**
 * A small fixed part of the corpus behind docs/mistakes.md: records with known truth, so that a cause that is gone, or a figure
 * of the inference that is off, does not wait for somebody to run the bench. Made with the corpus, no source.
 */
class SmallCorpusTest {
    private static final List<String> RIGS =
            List.of("toll-cottage", "signal-cabin", "creamery", "bunkhouse", "ferry-kiosk");
    /** One finds its range by itself, the other is put on it by hand. */
    private static final List<String> TESTERS = List.of("t1", "t2");
    /** What lies within tolerance as a rule (docs/mistakes.md), or can be done on few circuits only. */
    private static final List<String> SELDOM = List.of(
            "bond-left-on", "range-too-low", "range-too-high", "wrong-volts", "neutral-in", "cpc-off", "rounds");

    private static final int OF_A_KIND = 3;
    private static final int TRIES = 24;
    private static final int HONEST = 40;
    private static final double LEAST_RIGHT = 0.95;

    private static final MistakeBench.Tally TALLY = new MistakeBench.Tally();

    @BeforeAll
    static void explain() throws Exception {
        Path demo = Path.of("..", "demo");
        List<Key> keys = new ArrayList<>();
        for (String id : TESTERS) {
            Tester tester = TesterFile.read(Files.readAllBytes(demo.resolve(id + ".tester.json")));
            for (String rig : RIGS) {
                keys.add(Key.of(
                                RigFile.read(Files.readAllBytes(demo.resolve(rig + ".rig.json"))),
                                FaultSet.NONE,
                                tester,
                                ShippedSchemes.everyTest())
                        .prepared());
            }
        }
        Corpus corpus = new Corpus(2026, 1);
        for (int i = 0; i < HONEST; i++) {
            corpus.make(corpus.with(keys.get(i % keys.size()), i % 3), "").ifPresent(TALLY::add);
        }
        for (String kind : Corpus.KINDS) {
            // each kind is drawn for itself: another one more moves none
            Corpus own = new Corpus(kind.hashCode(), 1);
            // what lies within tolerance is not noticed, and tells nothing of its cause
            for (int i = 0; i < TRIES && noticed(kind) < OF_A_KIND; i++) {
                Key key = own.with(keys.get(i % keys.size()), i % 3);
                own.make(key, kind).ifPresent(TALLY::add);
            }
        }
    }

    private static int noticed(String kind) {
        int[] of = TALLY.ofKind(kind);
        return of[0] - of[3];
    }

    @Test
    void everyKindOfMistakeIsRecoveredByItsOwnCause() {
        List<String> unnoticed =
                Corpus.KINDS.stream().filter(k -> noticed(k) == 0).toList();
        List<String> misread = Corpus.KINDS.stream()
                .filter(k -> noticed(k) > 0 && TALLY.ofKind(k)[1] == 0)
                .toList();
        assertThat(misread).as("its own cause leads in none of them").isEmpty();
        assertThat(SELDOM).as("noticed nowhere").containsAll(unnoticed);
    }

    @Test
    void ofWhatIsNoticedMostIsToldRightly() {
        assertThat(TALLY.noticed()).isGreaterThan(2 * Corpus.KINDS.size());
        assertThat(TALLY.shareOfTopRight()).isGreaterThan(LEAST_RIGHT);
    }

    @Test
    void honestRecordsAreNotAskedAbout() {
        assertThat(TALLY.shareOfHonestAsked()).isZero();
    }
}
