package prantel.server.web;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;

/**
 * Turns at something that only few may do at once. Whoever comes waits, and the next turn goes to another owner than the
 * last one where one waits: somebody who sends a thousand requests holds up their own, and everybody else by one.
 */
public final class FairTurns {
    private final int atOnce;
    private final int atOnceOfOne;
    private final int mostWaiting;
    private final ReentrantLock lock = new ReentrantLock();
    /** In the order in which their turns come. */
    private final Map<String, Deque<Waiter>> waiting = new LinkedHashMap<>();

    private final Map<String, Integer> having = new HashMap<>();
    private int given;
    private int waitingInAll;

    private static final class Waiter {
        private final Condition called;
        private boolean hasTurn;

        Waiter(Condition called) {
            this.called = called;
        }
    }

    /**
     * @param atOnce turns in all
     * @param atOnceOfOne turns that one owner may have
     * @param mostWaiting who comes beyond them is refused at once
     */
    public FairTurns(int atOnce, int atOnceOfOne, int mostWaiting) {
        this.atOnce = atOnce;
        this.atOnceOfOne = atOnceOfOne;
        this.mostWaiting = mostWaiting;
    }

    /** @return whether the turn came within the time; then it has to be given back */
    public boolean take(String owner, Duration patience) {
        lock.lock();
        try {
            if (waitingInAll >= mostWaiting && !isFreeFor(owner)) {
                return false;
            }
            Waiter me = new Waiter(lock.newCondition());
            waiting.computeIfAbsent(owner, o -> new ArrayDeque<>()).add(me);
            waitingInAll++;
            callNext();
            await(me, patience.toNanos());
            if (!me.hasTurn) {
                giveUp(owner, me);
            }
            return me.hasTurn;
        } finally {
            lock.unlock();
        }
    }

    private static void await(Waiter me, long nanos) {
        long left = nanos;
        try {
            while (!me.hasTurn && left > 0) {
                left = me.called.awaitNanos(left);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    public void giveBack(String owner) {
        lock.lock();
        try {
            given--;
            having.computeIfPresent(owner, (o, count) -> count == 1 ? null : count - 1);
            callNext();
        } finally {
            lock.unlock();
        }
    }

    private boolean isFreeFor(String owner) {
        return given < atOnce && having.getOrDefault(owner, 0) < atOnceOfOne;
    }

    private void callNext() {
        while (given < atOnce) {
            @Nullable
            String next = waiting.keySet().stream()
                    .filter(this::isFreeFor)
                    .findFirst()
                    .orElse(null);
            if (next == null) {
                return;
            }
            Deque<Waiter> theirs = Objects.requireNonNull(waiting.remove(next));
            Waiter called = theirs.remove();
            if (!theirs.isEmpty()) {
                // behind all others
                waiting.put(next, theirs);
            }
            waitingInAll--;
            given++;
            having.merge(next, 1, Integer::sum);
            called.hasTurn = true;
            called.called.signal();
        }
    }

    private void giveUp(String owner, Waiter me) {
        Deque<Waiter> theirs = waiting.get(owner);
        if (theirs != null) {
            for (Iterator<Waiter> i = theirs.iterator(); i.hasNext(); ) {
                if (i.next() == me) {
                    i.remove();
                    waitingInAll--;
                }
            }
            if (theirs.isEmpty()) {
                waiting.remove(owner);
            }
        }
    }
}
