package prantel.core.network;

/**
 * What was done to solve networks: counted, because a count is the same on every machine and a time on none.
 *
 * @param factors networks that were factored, whole or in part
 * @param eliminations nodes eliminated for them
 * @param walks places where something was read: the way of a current to where it is known
 * @param potentials whole networks walked back down, for the current of every branch
 */
public record Effort(long factors, long eliminations, long walks, long potentials) {
    private static final int FACTORS = 0;
    private static final int ELIMINATIONS = 1;
    private static final int WALKS = 2;
    private static final int POTENTIALS = 3;

    /** By thread, so that tests beside each other do not count each other's work. */
    private static final ThreadLocal<long[]> COUNTS = ThreadLocal.withInitial(() -> new long[POTENTIALS + 1]);

    static void factored(int eliminations) {
        long[] counts = COUNTS.get();
        counts[FACTORS]++;
        counts[ELIMINATIONS] += eliminations;
    }

    static void walked() {
        COUNTS.get()[WALKS]++;
    }

    static void walkedDown() {
        COUNTS.get()[POTENTIALS]++;
    }

    /** What something costs, as far as this thread does it. */
    public static Effort of(Runnable what) {
        long[] before = COUNTS.get().clone();
        what.run();
        long[] after = COUNTS.get();
        return new Effort(
                after[FACTORS] - before[FACTORS],
                after[ELIMINATIONS] - before[ELIMINATIONS],
                after[WALKS] - before[WALKS],
                after[POTENTIALS] - before[POTENTIALS]);
    }
}
