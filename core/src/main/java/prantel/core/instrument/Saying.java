package prantel.core.instrument;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A finding that is no number. */
public enum Saying {
    WORKS("works", List.of("works", "work", "ok", "yes", "y", "✓", "✔", "pass", "good")),
    DOES_NOT_WORK(
            "does not work", List.of("does not work", "fails", "fail", "no", "n", "x", "✗", "bad", "not working")),
    CLOCKWISE("L1-L2-L3", List.of("l1-l2-l3", "1-2-3", "123", "1 2 3", "clockwise", "right")),
    ANTICLOCKWISE("L1-L3-L2", List.of("l1-l3-l2", "1-3-2", "132", "1 3 2", "anticlockwise", "3-2-1", "left")),
    NO_SEQUENCE("a line is missing", List.of("a line is missing", "no sequence", "line missing", "missing"));

    private final String words;
    private final List<String> alsoWritten;

    Saying(String words, List<String> alsoWritten) {
        this.words = words;
        this.alsoWritten = alsoWritten;
    }

    public String words() {
        return words;
    }

    /** What somebody meant who wrote this; empty if it is none of them. */
    public static Optional<Saying> read(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        for (Saying saying : values()) {
            if (saying.alsoWritten.contains(plain)) {
                return Optional.of(saying);
            }
        }
        return Optional.empty();
    }
}
