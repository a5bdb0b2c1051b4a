package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;

/**
 * What the candidate was told.
 *
 * @param faults what was set, in words; null where it stays untold
 */
public record Feedback(List<Sentence> lines, @Nullable List<String> faults, String by, OffsetDateTime at) {

    public enum Kind {
        /** What was right. */
        RIGHT,
        /** What to do otherwise. */
        CHANGE,
        /** What to practise before the next time. */
        PRACTISE
    }

    /**
     * One sentence or two.
     *
     * @param slots ids of the boxes that taught it; empty for none
     */
    public record Sentence(Kind kind, String text, List<String> slots) {
        /** Characters. */
        public static final int LONGEST = 600;

        public Sentence {
            slots = List.copyOf(slots);
            Check.all(
                    () -> Check.text(text, LONGEST, "text"),
                    () -> Check.that(!text.isBlank(), "empty", "text", "nothing", "write something, or take it out"));
        }
    }
}
