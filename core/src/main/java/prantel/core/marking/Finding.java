package prantel.core.marking;

import java.util.List;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window.Side;
import prantel.core.inference.Explanation;
import prantel.core.instrument.Written;

/**
 * One box, looked at.
 *
 * @param asked false where the candidate rightly took the other of two methods
 * @param compared what was written, held against what it must be
 * @param remarks on how it was written: range, unit, notation
 * @param odd whether the record as a whole speaks against it: a reading just outside its window need not be, where leads,
 *     hands and a damp day account for it, and one inside can be
 * @param explanations likeliest first; empty where it is not odd, and where nothing known explains it
 */
public record Finding(
        Expectation expectation,
        boolean asked,
        Compared compared,
        List<String> remarks,
        boolean odd,
        List<Explanation> explanations) {
    public Finding {
        remarks = List.copyOf(remarks);
        explanations = List.copyOf(explanations);
    }

    /** @param side where it lies, seen from its window */
    public record Compared(Written written, Side side, Judged judged) {}

    public Written written() {
        return compared.written();
    }

    public Side side() {
        return compared.side();
    }

    public Judged judged() {
        return compared.judged();
    }

    /** Whether it is a reading of this rig: within its window, or so near that nothing speaks against it. */
    public boolean isMeasuredRightly() {
        return side() == Side.INSIDE || side() != Side.NOTHING && written().isReading() && !odd;
    }

    /** Whether an assessor should look at it: wrong, unreadable, badly noted or wrongly judged. */
    public boolean wantsEye() {
        return asked
                && (side() != Side.INSIDE
                        || !explanations.isEmpty()
                        || !remarks.isEmpty()
                        || judged() == Judged.WRONG
                        || judged() == Judged.MISSING);
    }

    /** What became of the candidate's judgement of the box. */
    public enum Judged {
        RIGHT,
        WRONG,
        MISSING,
        /** The box is not judged. */
        NOT_ASKED
    }
}
