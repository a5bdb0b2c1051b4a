package prantel.server.marking;

import java.util.List;
import java.util.Map;
import prantel.core.assessment.Assessment;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome;

/** The marks as they stand: what was given where decided, what is proposed elsewhere. */
public final class Decided {
    private Decided() {}

    public static List<Mark> marks(Map<String, Assessment.Decision> decisions, MarkedSheet sheet) {
        return sheet.marks().stream()
                .map(m -> {
                    Assessment.Decision decision = decisions.get(m.id());
                    return decision == null ? m : m.withAward(decision.given());
                })
                .toList();
    }

    public static Outcome outcome(Map<String, Assessment.Decision> decisions, MarkedSheet sheet) {
        return Outcome.of(marks(decisions, sheet), sheet.key().scheme().pass());
    }

    /** How many of them wait for somebody to look at the rig or the tester. */
    static int lookedAtFirst(Map<String, Assessment.Decision> decisions, MarkedSheet sheet) {
        return (int) sheet.marks().stream()
                .filter(Mark::isLookedAtFirst)
                .filter(m -> !decisions.containsKey(m.id()))
                .count();
    }

    /** How many marks nobody has decided yet. */
    static int open(Map<String, Assessment.Decision> decisions, MarkedSheet sheet) {
        return (int) sheet.marks().stream()
                .filter(Mark::wantsDecision)
                .filter(m -> !decisions.containsKey(m.id()))
                .count();
    }
}
