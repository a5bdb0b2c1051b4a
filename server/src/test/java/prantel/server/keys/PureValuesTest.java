package prantel.server.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(60)
class PureValuesTest {
    private record Name(int number) {}

    private final PureValues values = new PureValues(4L * 1024 * 1024);

    private <T> List<T> together(List<Callable<T>> deeds) throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(deeds.size())) {
            List<Future<T>> running = deeds.stream().map(threads::submit).toList();
            List<T> done = new ArrayList<>();
            for (Future<T> f : running) {
                done.add(f.get(30, TimeUnit.SECONDS));
            }
            return done;
        }
    }

    @Test
    void aNameIsMadeOnceHoweverManyAsk() throws Exception {
        AtomicInteger made = new AtomicInteger();
        List<Callable<Integer>> askers = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            askers.add(() -> values.of(new Name(1), () -> {
                sleep(50);
                return made.incrementAndGet();
            }));
        }
        assertThat(together(askers)).containsOnly(1);
        assertThat(made).hasValue(1);
    }

    /** A waits for B and B for A: with a lock a name, or 64 striped ones, nobody ever goes on. */
    @Test
    void twoThatNeedEachOthersNamesBothEnd() throws Exception {
        CountDownLatch bothBegun = new CountDownLatch(2);
        List<String> made = together(List.of(crossing(1, 2, bothBegun), crossing(2, 1, bothBegun)));
        assertThat(made).containsExactlyInAnyOrder("1 with 2", "2 with 1");
    }

    private Callable<String> crossing(int mine, int other, CountDownLatch bothBegun) {
        return () -> values.of(new Name(mine), () -> {
            bothBegun.countDown();
            await(bothBegun);
            // what the other makes of it does not ask back: a value never follows from itself
            return mine + " with "
                    + values.of(new Name(other), () -> String.valueOf(other)).charAt(0);
        });
    }

    @Test
    void manyThatNeedManyOthersEnd() throws Exception {
        List<Callable<Integer>> askers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            long seed = 71L + i;
            askers.add(() -> {
                RandomGenerator random =
                        RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
                int sum = 0;
                for (int round = 0; round < 400; round++) {
                    int number = random.nextInt(200);
                    assertThat(depth(number)).as("seed " + seed).isEqualTo(number % 7);
                    sum++;
                }
                return sum;
            });
        }
        assertThat(together(askers)).containsOnly(400);
    }

    /** Each asks for the one seven-less-one below it, over names that collide in any striping. */
    private int depth(int number) {
        return values.of(new Name(1000 + number), () -> number % 7 == 0 ? 0 : 1 + depth(number - 1));
    }

    @Test
    void aFailureIsEachAskersOwnAndTheNextOneTriesAgain() {
        assertThatThrownBy(() -> values.of(new Name(5), () -> {
                    throw new IllegalArgumentException("not this time");
                }))
                .hasMessage("not this time");
        assertThat(values.of(new Name(5), () -> "now")).isEqualTo("now");
    }

    @Test
    void whatWouldFollowFromItselfIsToldAndDoesNotHang() {
        assertThatThrownBy(() -> values.of(new Name(6), () -> values.of(new Name(6), () -> "never")))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("follows from itself");
    }

    private record Large(int items) implements Heavy {}

    @Test
    void boundedByWeightAndNotByCount() {
        for (int i = 0; i < 2000; i++) {
            int number = i;
            values.of(new Name(2000 + number), () -> new Large(100));
        }
        assertThat(values.bytesKept()).isLessThanOrEqualTo(4L * 1024 * 1024);
        assertThat(values.count()).isBetween(20L, 100L);
        for (int i = 0; i < 500; i++) {
            int number = i;
            values.of(new Name(5000 + number), () -> new Large(0));
        }
        assertThat(values.bytesKept()).isLessThanOrEqualTo(4L * 1024 * 1024);
    }

    private static void sleep(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(10, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
