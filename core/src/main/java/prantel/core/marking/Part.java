package prantel.core.marking;

/**
 * A part of an assessment that can be done again by itself: what a mark belongs to.
 *
 * @param id of the scheme's step; {@code "faults"} or {@code "whole"} for what is of no step
 * @param title for people
 */
public record Part(Kind kind, String id, String title) {
    /** Finding and naming the faults of the set. */
    public static final Part FAULTS = new Part(Kind.FAULTS, "faults", "Finding faults");

    /** What shows only over the whole: order, safety, how the record hangs together. */
    public static final Part WHOLE = new Part(Kind.WHOLE, "whole", "The whole sequence");

    public enum Kind {
        STEP,
        FAULTS,
        WHOLE
    }

    static Part of(prantel.core.scheme.Step step) {
        return new Part(Kind.STEP, step.id(), step.title());
    }
}
