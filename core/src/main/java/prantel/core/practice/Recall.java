package prantel.core.practice;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * When a drill is worth doing again: a day after it went wrong, and then at growing distances as long as it goes well.
 * Spacing practice: Cepeda and others 2006, from memory; the steps are our own.
 */
public final class Recall {
    private static final List<Integer> DAYS = List.of(1, 3, 7, 21);

    private Recall() {}

    /** One go at a drill. @param clean whether nothing went wrong */
    public record Go(LocalDate day, boolean clean) {}

    /**
     * @param goes in order
     * @return when it is due; empty when it was never done, never went wrong, or went well at every distance since
     */
    public static Optional<LocalDate> due(List<Go> goes) {
        int step = -1;
        LocalDate due = null;
        for (Go go : goes) {
            if (!go.clean()) {
                step = 0;
                due = go.day().plusDays(DAYS.getFirst());
            } else if (due != null && !go.day().isBefore(due)) {
                step++;
                due = step < DAYS.size() ? go.day().plusDays(DAYS.get(step)) : null;
            }
        }
        return Optional.ofNullable(due);
    }
}
