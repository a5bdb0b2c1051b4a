package prantel.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Collections;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class GuessesTest {
    private final AtomicLong nanos = new AtomicLong(5);
    private final Guesses guesses = new Guesses(nanos::get, name -> !name.startsWith("nobody"));

    private boolean may(String name, String address) {
        return guesses.take(name, address).isZero();
    }

    @Test
    void whoGuessesLocksOutNobodyElse() {
        for (int i = 0; i < 5; i++) {
            assertThat(may("varga", "10.0.0.9")).isTrue();
        }
        assertThat(may("varga", "10.0.0.9")).isFalse();
        assertThat(may("varga", "10.0.0.1"))
                .as("the administrator, from another device")
                .isTrue();
        assertThat(may("ines", "10.0.0.9"))
                .as("another name, from the same device")
                .isTrue();
    }

    @Test
    void fortyGuessesAtOncePassNoMoreThanFive() throws Exception {
        int passed = 0;
        try (var threads = Executors.newFixedThreadPool(16)) {
            Callable<Boolean> guess = () -> may("ines", "10.0.0.9");
            for (var done : threads.invokeAll(Collections.nCopies(40, guess))) {
                passed += done.get() ? 1 : 0;
            }
        }
        assertThat(passed).isEqualTo(5);
    }

    @Test
    void lockEndsByAClockThatOnlyGoesForward() {
        for (int i = 0; i < 5; i++) {
            may("ines", "here");
        }
        assertThat(guesses.take("ines", "here")).isBetween(Duration.ofMinutes(4), Duration.ofMinutes(5));
        nanos.addAndGet(Duration.ofMinutes(5).plusSeconds(1).toNanos());
        assertThat(may("ines", "here")).isTrue();
    }

    @Test
    void tryThatWasNotMadeIsNotCounted() {
        for (int i = 0; i < 20; i++) {
            assertThat(may("ines", "here")).isTrue();
            guesses.giveBack("ines", "here");
        }
        for (int i = 0; i < 5; i++) {
            assertThat(may("ines", "here")).isTrue();
        }
        assertThat(may("ines", "here")).isFalse();
    }

    @Test
    void rightPasswordForgetsTheWrongOnes() {
        for (int i = 0; i < 4; i++) {
            may("ines", "here");
        }
        guesses.forget("ines", "here");
        for (int i = 0; i < 5; i++) {
            assertThat(may("ines", "here")).isTrue();
        }
    }

    @Test
    void thousandsOfInventedNamesFreeNobodyWhoIsLocked() {
        for (int i = 0; i < 6; i++) {
            may("ines", "here");
        }
        // more than are held: 21,000 of them pushed the locked one out
        for (int i = 0; i < 45_000; i++) {
            may("nobody-" + i, "here");
        }
        assertThat(may("ines", "here")).isFalse();
    }
}
