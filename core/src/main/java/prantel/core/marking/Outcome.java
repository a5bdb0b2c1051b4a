package prantel.core.marking;

import java.util.List;

/** What the marks add up to under the scheme's pass rule. */
public record Outcome(Verdict verdict, double points, double outOf, double passShare, List<String> reasons) {
    public Outcome {
        reasons = List.copyOf(reasons);
    }

    /** Pass if no key mark is lost and the share of the points reaches the scheme's. */
    public static Outcome of(List<Mark> marks, double passShare) {
        double points = marks.stream().mapToDouble(Mark::points).sum();
        double outOf = marks.stream().mapToDouble(Mark::weight).sum();
        List<String> reasons = new java.util.ArrayList<>();
        marks.stream()
                .filter(m -> m.key() && m.award() == Mark.Award.NONE)
                .forEach(m -> reasons.add("Key mark missed: " + m.title() + "."));
        if (points < passShare * outOf) {
            reasons.add(String.format(
                    java.util.Locale.ROOT,
                    "%s of %s points; %s are needed.",
                    plain(points),
                    plain(outOf),
                    plain(Math.ceil(2 * passShare * outOf) / 2)));
        }
        return new Outcome(reasons.isEmpty() ? Verdict.PASS : Verdict.REFERRAL, points, outOf, passShare, reasons);
    }

    private static String plain(double value) {
        return prantel.core.quantity.Check.plain(value);
    }

    /** The decision proposed. */
    public enum Verdict {
        PASS,
        REFERRAL
    }
}
