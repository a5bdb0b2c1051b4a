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
    DONE("done", List.of("done")),
    NOT_DONE("not done", List.of("not done")),
    SATISFACTORY("satisfactory", List.of("satisfactory", "sat")),
    NOT_SATISFACTORY("not satisfactory", List.of("not satisfactory", "unsatisfactory", "unsat")),
    ALL_RIGHT("all right", List.of("all right", "all ok")),
    NOT_ALL_RIGHT("not all right", List.of("not all right")),
    C1("C1", List.of("c1")),
    C2("C2", List.of("c2")),
    C3("C3", List.of("c3")),
    FI("FI", List.of("fi")),
    NOT_APPLICABLE("n/a", List.of("n/a", "na", "not applicable")),
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

    /** Whether somebody who wrote another one said this: a tick is "works", "done" or "satisfactory", as the box asks. */
    public boolean isSaidBy(Saying written) {
        return this == written || isGood() && written.isGood() || isBad() && written.isBad();
    }

    /** Whether it is a code of a condition report: it wants a reason. */
    public boolean isCode() {
        return this == C1 || this == C2 || this == C3 || this == FI;
    }

    private boolean isGood() {
        return this == WORKS || this == DONE || this == SATISFACTORY || this == ALL_RIGHT;
    }

    /** Whether it says that something is not as it should be. */
    public boolean isBad() {
        return this == DOES_NOT_WORK || this == NOT_DONE || this == NOT_SATISFACTORY || this == NOT_ALL_RIGHT;
    }

    /**
     * What somebody meant who wrote this; empty if it is none of them. What follows a colon is a reason: "C2: no blank in
     * way 7".
     */
    public static Optional<Saying> read(String text) {
        String plain = text.replaceFirst(":.*$", "").strip().toLowerCase(Locale.ROOT);
        for (Saying saying : values()) {
            if (saying.alsoWritten.contains(plain)) {
                return Optional.of(saying);
            }
        }
        return Optional.empty();
    }
}
