package prantel.core.scheme;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/**
 * A school: what is done in which order, what is asked, written and marked, and what that adds up to.
 *
 * @param about what it is and where it comes from
 * @param practice how the tests are done
 * @param steps in working order
 * @param order what must come before what
 * @param criteria what counts
 * @param pass what is needed
 */
public record Scheme(
        About about,
        Practice practice,
        List<Step> steps,
        List<OrderRule> order,
        List<Criterion> criteria,
        PassRule pass) {
    private static final int MOST_STEPS = 60;

    /** @throws ProblemsException with every contradiction inside it, each with its place in the file */
    public Scheme {
        steps = List.copyOf(steps);
        order = List.copyOf(order);
        criteria = List.copyOf(criteria);
        List<Problem> problems = SchemeCheck.of(practice, steps, order, criteria, pass);
        if (steps.isEmpty() || steps.size() > MOST_STEPS) {
            problems.add(
                    new Problem("bad-steps", "steps", steps.size() + " steps", "give 1 to " + MOST_STEPS + " steps"));
        }
        ProblemsException.throwIfAny(problems);
    }

    public String id() {
        return about.id();
    }

    public int version() {
        return about.version();
    }

    public String name() {
        return about.name();
    }

    /** The tests asked for, in the order they are done. */
    public List<TestKind> tests() {
        return steps.stream().flatMap(s -> s.tests().stream()).toList();
    }

    public boolean asks(TestKind test) {
        return steps.stream().anyMatch(s -> s.tests().contains(test));
    }

    /** Whether a candidate takes one of method 1 and method 2 on each circuit. */
    public boolean eitherMethod() {
        return practice.continuity().methods() == Practice.Methods.EITHER && asks(TestKind.R1_R2) && asks(TestKind.R2);
    }

    /** The other way to prove the same thing, where a candidate takes one of the two. */
    public Optional<TestKind> alternativeTo(TestKind test) {
        if (!eitherMethod()) {
            return Optional.empty();
        }
        return switch (test) {
            case R1_R2 -> Optional.of(TestKind.R2);
            case R2 -> Optional.of(TestKind.R1_R2);
            default -> Optional.empty();
        };
    }

    /** What this school calls a test. */
    public String labelOf(TestKind test) {
        return about.vocabulary().getOrDefault(test.fileName(), test.label());
    }

    /** The step that asks for a test. */
    public Optional<Step> stepOf(TestKind test) {
        return steps.stream().filter(s -> s.tests().contains(test)).findFirst();
    }

    /** A sentence in this school's own words: each word of its vocabulary, wherever it stands alone, is replaced. */
    public String inItsWords(String sentence) {
        String said = sentence;
        for (var entry : about.vocabulary().entrySet()) {
            if (!isTest(entry.getKey())) {
                said = said.replaceAll(
                        "(?<![\\p{L}\\p{N}])" + java.util.regex.Pattern.quote(entry.getKey()) + "(?![\\p{L}\\p{N}])",
                        java.util.regex.Matcher.quoteReplacement(entry.getValue()));
            }
        }
        return said;
    }

    static boolean isTest(String word) {
        return TESTS.contains(word);
    }

    private static final Set<String> TESTS =
            java.util.Arrays.stream(TestKind.values()).map(TestKind::fileName).collect(Collectors.toSet());

    public List<Observation> observations() {
        List<Observation> all = new ArrayList<>();
        steps.forEach(s -> all.addAll(s.observations()));
        return all;
    }

    public List<Question> questions() {
        List<Question> all = new ArrayList<>();
        steps.forEach(s -> all.addAll(s.questions()));
        return all;
    }

    /** The same school with other practice: for trying one option. */
    public Scheme with(Practice other) {
        return new Scheme(about, other, steps, order, criteria, pass);
    }

    /** @param id of a step or of something in it @return the step */
    public Optional<Step> step(String id) {
        return steps.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /**
     * What must come before what.
     *
     * @param first id of the step that comes first
     * @param then id of the step that may only come when it is done
     * @param severity what breaking it means
     * @param why said when it is broken
     */
    public record OrderRule(String first, String then, Severity severity, String why) {
        public OrderRule {
            Check.text(why, 300, "why");
        }
    }

    /**
     * What is needed.
     *
     * @param share of the points, 0 to 1
     * @param keyMissed how many key marks may be missed before the record is referred
     */
    public record PassRule(double share, int keyMissed) {
        public PassRule {
            Check.all(
                    () -> Check.between(share, 0, 1, "share", "(share of the points)"),
                    () -> Check.between(keyMissed, 0, 100, "keyMissed", "(how many)"));
        }
    }
}
