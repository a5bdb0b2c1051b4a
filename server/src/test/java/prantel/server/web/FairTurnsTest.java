package prantel.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(30)
class FairTurnsTest {
    private static final Duration LONG = Duration.ofSeconds(10);

    @Test
    void nobodyWaitsBehindAThousandOfOneOther() throws Exception {
        FairTurns turns = new FairTurns(1, 1, 1000);
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        AtomicInteger waiting = new AtomicInteger();
        assertThat(turns.take("greedy", LONG)).isTrue();
        try (ExecutorService threads = Executors.newFixedThreadPool(60)) {
            for (int i = 0; i < 50; i++) {
                threads.submit(() -> one("greedy", turns, order, waiting));
            }
            await().until(() -> waiting.get() == 50);
            Thread.sleep(50);
            threads.submit(() -> one("modest", turns, order, waiting));
            await().until(() -> waiting.get() == 51);
            Thread.sleep(50);
            turns.giveBack("greedy");
        }
        assertThat(order).hasSize(51);
        assertThat(order.indexOf("modest"))
                .as("after one of the others at most")
                .isLessThanOrEqualTo(1);
    }

    private static void one(String owner, FairTurns turns, List<String> order, AtomicInteger waiting) {
        waiting.incrementAndGet();
        if (turns.take(owner, LONG)) {
            order.add(owner);
            turns.giveBack(owner);
        }
    }

    @Test
    void oneOwnerHasNoMoreThanItsShareOfFreeTurns() {
        FairTurns turns = new FairTurns(4, 2, 10);
        assertThat(turns.take("a", Duration.ZERO)).isTrue();
        assertThat(turns.take("a", Duration.ZERO)).isTrue();
        assertThat(turns.take("a", Duration.ofMillis(20))).isFalse();
        assertThat(turns.take("b", Duration.ZERO)).isTrue();
        turns.giveBack("a");
        assertThat(turns.take("a", Duration.ZERO))
                .as("who gave up waiting is in nobody's way")
                .isTrue();
    }

    @Test
    void whoComesBeyondTheQueueIsRefusedAtOnce() throws Exception {
        FairTurns turns = new FairTurns(1, 1, 2);
        turns.take("a", Duration.ZERO);
        try (ExecutorService threads = Executors.newFixedThreadPool(2)) {
            threads.submit(() -> turns.take("b", Duration.ofSeconds(2)));
            threads.submit(() -> turns.take("c", Duration.ofSeconds(2)));
            Thread.sleep(200);
            long before = System.nanoTime();
            assertThat(turns.take("d", LONG)).isFalse();
            assertThat(Duration.ofNanos(System.nanoTime() - before)).isLessThan(Duration.ofSeconds(1));
        }
    }
}
