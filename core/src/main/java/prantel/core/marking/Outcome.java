package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import prantel.core.quantity.Check;
import prantel.core.scheme.Scheme.PassRule;
import prantel.core.scheme.Severity;

/** What the marks add up to under the scheme's pass rule. */
public record Outcome(Verdict verdict, double points, double outOf, PassRule rule, List<String> reasons) {
    public Outcome {
        reasons = List.copyOf(reasons);
    }

    /**
     * A pass if no more key marks are missed than the rule allows, none of safety, and the share of the points is reached.
     * A mark that nobody saw counts neither way.
     */
    public static Outcome of(List<Mark> marks, PassRule rule) {
        double points = marks.stream().mapToDouble(Mark::points).sum();
        double outOf = marks.stream().mapToDouble(Mark::weight).sum();
        List<String> reasons = new ArrayList<>();
        List<Mark> unsafe = missed(marks, Severity.SAFETY);
        List<Mark> key = missed(marks, Severity.KEY);
        unsafe.forEach(m -> reasons.add("Safety: " + m.title() + "."));
        if (key.size() > rule.keyMissed()) {
            key.forEach(m -> reasons.add("Key mark missed: " + m.title() + "."));
        }
        if (points < rule.share() * outOf) {
            reasons.add(String.format(
                    Locale.ROOT,
                    "%s of %s points; %s are needed.",
                    Check.plain(points),
                    Check.plain(outOf),
                    Check.plain(needed(rule, outOf))));
        }
        Verdict verdict = !unsafe.isEmpty() ? Verdict.STOPPED : reasons.isEmpty() ? Verdict.PASS : Verdict.REFERRAL;
        return new Outcome(verdict, points, outOf, rule, reasons);
    }

    private static List<Mark> missed(List<Mark> marks, Severity severity) {
        return marks.stream()
                .filter(m -> m.worth().severity() == severity && m.award() == Mark.Award.NONE)
                .toList();
    }

    /** Points needed, to the next half. */
    public double needed() {
        return needed(rule, outOf);
    }

    private static double needed(PassRule rule, double outOf) {
        return Math.ceil(2 * rule.share() * outOf) / 2;
    }

    /** The decision proposed. */
    public enum Verdict {
        PASS,
        REFERRAL,
        /** Something unsafe was seen or done. */
        STOPPED
    }
}
