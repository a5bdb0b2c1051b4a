package prantel.server.marking;

import java.util.List;
import prantel.core.assessment.Assessment;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome;

/** The marks as they stand: what the assessor gave where decided, what is proposed elsewhere. */
final class Decided {
    private Decided() {}

    static Outcome outcome(Assessment assessment, MarkedSheet sheet) {
        List<Mark> marks = sheet.marks().stream()
                .map(m -> {
                    Assessment.Decision decision = assessment.decisions().get(m.id());
                    return decision == null ? m : m.withAward(decision.given());
                })
                .toList();
        return Outcome.of(marks, sheet.key().scheme().pass());
    }

    /** How many marks nobody has looked at yet; what nobody saw is not waited for. */
    static int open(Assessment assessment, MarkedSheet sheet) {
        return (int) sheet.marks().stream()
                .filter(m -> m.award() != Mark.Award.NOT_SEEN)
                .filter(m -> !assessment.decisions().containsKey(m.id()))
                .count();
    }
}
