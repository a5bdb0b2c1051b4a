package prantel.core.marking;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import prantel.core.marking.Mark.Award;
import prantel.core.quantity.Check;
import prantel.core.scheme.Scheme.PassRule;
import prantel.core.scheme.Severity;

/**
 * What the marks add up to under the scheme's pass rule.
 *
 * @param reasons why it is not a pass; empty for one
 * @param repeat what is to be done again; empty for a pass, and where the whole is done again
 */
public record Outcome(
        Verdict verdict, double points, double outOf, PassRule rule, List<String> reasons, List<Repeat> repeat) {
    public Outcome {
        reasons = List.copyOf(reasons);
        repeat = List.copyOf(repeat);
    }

    /**
     * A part to be done again.
     *
     * @param why key marks missed in it, or the share of its points that was not reached
     */
    public record Repeat(Part part, List<String> why) {
        public Repeat {
            why = List.copyOf(why);
        }
    }

    /**
     * A pass if no more key marks are missed than the rule allows, none of safety, and the share of the points is reached.
     * A mark that nobody saw counts neither way, but for safety: with what is safety and was not seen, no pass is proposed; that
     * takes an assessor's own word. Else those parts are referred in which a key mark was missed or the share
     * was not reached; if they are more than the rule lets be referred, the whole is done again.
     */
    public static Outcome of(List<Mark> marks, PassRule rule) {
        double points = marks.stream().mapToDouble(Mark::points).sum();
        double outOf = marks.stream().mapToDouble(Mark::weight).sum();
        List<String> reasons = new ArrayList<>();
        List<Mark> unsafe = missed(marks, Severity.SAFETY);
        List<Mark> key = missed(marks, Severity.KEY);
        unsafe.forEach(m -> reasons.add("Safety: " + m.title() + "."));
        if (key.size() > rule.keyMissed()) {
            key.forEach(m -> reasons.add(keyMissed(m)));
        }
        if (points < rule.share() * outOf) {
            reasons.add(points(points, outOf, rule));
        }
        if (!unsafe.isEmpty()) {
            return new Outcome(Verdict.STOPPED, points, outOf, rule, reasons, List.of());
        }
        if (reasons.isEmpty()) {
            List<Mark> unseen = marks.stream().filter(Outcome::isUnseenSafety).toList();
            unseen.forEach(m -> reasons.add("Safety, and nobody saw it: " + m.title() + "."));
            return new Outcome(
                    unseen.isEmpty() ? Verdict.PASS : Verdict.YOUR_WORD, points, outOf, rule, reasons, List.of());
        }
        Map<Part, List<Mark>> parts = parts(marks);
        List<Repeat> repeat = repeat(parts, rule);
        boolean whole = repeat.isEmpty()
                || repeat.stream().anyMatch(r -> r.part().kind() == Part.Kind.WHOLE)
                || repeat.size() > rule.referParts() * parts.size();
        return whole
                ? new Outcome(Verdict.NOT_YET, points, outOf, rule, reasons, List.of())
                : new Outcome(Verdict.REFERRAL, points, outOf, rule, reasons, repeat);
    }

    private static boolean isUnseenSafety(Mark mark) {
        return mark.worth().severity() == Severity.SAFETY
                && mark.award() == Award.NOT_SEEN
                && !(mark.evidence() instanceof Evidence.Spared);
    }

    private static Map<Part, List<Mark>> parts(List<Mark> marks) {
        Map<Part, List<Mark>> parts = new LinkedHashMap<>();
        marks.stream()
                .filter(m -> m.award() != Award.NOT_SEEN)
                .forEach(m ->
                        parts.computeIfAbsent(m.part(), p -> new ArrayList<>()).add(m));
        return parts;
    }

    private static List<Repeat> repeat(Map<Part, List<Mark>> parts, PassRule rule) {
        List<Repeat> repeat = new ArrayList<>();
        parts.forEach((part, of) -> {
            List<String> why = new ArrayList<>();
            missed(of, Severity.KEY).forEach(m -> why.add(keyMissed(m)));
            double points = of.stream().mapToDouble(Mark::points).sum();
            double outOf = of.stream().mapToDouble(Mark::weight).sum();
            // points lost over the whole are made good in no part alone; a key mark is
            if (part.kind() != Part.Kind.WHOLE && points < rule.share() * outOf) {
                why.add(points(points, outOf, rule));
            }
            if (!why.isEmpty()) {
                repeat.add(new Repeat(part, why));
            }
        });
        return repeat;
    }

    /** A circuit that was passed though it fails is named. */
    private static String keyMissed(Mark mark) {
        return "Key mark missed: " + mark.title()
                + (mark.evidence() instanceof Evidence.Judged ? ", " + mark.group() + ": " + mark.words() : ".");
    }

    private static String points(double points, double outOf, PassRule rule) {
        return String.format(
                Locale.ROOT,
                "%s of %s points; %s are needed.",
                Check.plain(points),
                Check.plain(outOf),
                Check.plain(needed(rule, outOf)));
    }

    private static List<Mark> missed(List<Mark> marks, Severity severity) {
        return marks.stream()
                .filter(m -> m.worth().severity() == severity && m.award() == Award.NONE)
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
        PASS("Competent"),
        /** Everything else is there, but nobody saw what is safety: only ever proposed, never given. */
        YOUR_WORD("Your own word first"),
        /** Some parts are done again, the rest stands. */
        REFERRAL("Refer these parts"),
        /** The whole is done again. */
        NOT_YET("Not yet competent"),
        /** Something unsafe was seen or done. */
        STOPPED("Stopped for safety");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether somebody may be given it. */
        public boolean isGiven() {
            return this != YOUR_WORD;
        }
    }
}
