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
 * @param remarks on how it was written: range, unit, notation
 * @param explanations likeliest first; empty where the record as a whole gives no reason to ask
 */
public record Finding(
        Expectation expectation,
        boolean asked,
        Written written,
        Side side,
        Judged judged,
        List<String> remarks,
        List<Explanation> explanations) {
    public Finding {
        remarks = List.copyOf(remarks);
        explanations = List.copyOf(explanations);
    }

    /** Whether an assessor should look at it: wrong, unreadable, badly noted or wrongly judged. */
    public boolean wantsEye() {
        return asked
                && (side != Side.INSIDE
                        || !explanations.isEmpty()
                        || !remarks.isEmpty()
                        || judged == Judged.WRONG
                        || judged == Judged.MISSING);
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
