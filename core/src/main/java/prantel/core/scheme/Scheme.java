package prantel.core.scheme;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

    /** Whether one figure a circuit is written of a test, and not every reading. */
    public boolean isOneFigure(TestKind test) {
        return practice.recording().oneFigure().contains(test);
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

    /**
     * The same school for a part of the sequence: to do again what was referred. What must come before by a rule of safety
     * stays in, and counts. Faults are found by measuring: to find them again every step is done, and only what was chosen counts.
     *
     * @param chosen ids of steps; unknown ones are left out
     * @param faults whether faults are to be found again
     * @throws ProblemsException if nothing of it counts
     */
    public Scheme only(Set<String> chosen, boolean faults) {
        Set<String> counting = withWhatKeepsItSafe(chosen);
        List<Step> counted =
                steps.stream().filter(s -> counting.contains(s.id())).toList();
        List<Step> done = faults ? steps : counted;
        Set<String> in = done.stream().map(Step::id).collect(Collectors.toSet());
        List<OrderRule> rules = order.stream()
                .filter(r -> in.contains(r.first()) && in.contains(r.then()))
                .toList();
        return new Scheme(
                about,
                practice,
                done,
                rules,
                criteria.stream()
                        .flatMap(c -> Narrowed.of(c, counted, done, rules, faults).stream())
                        .toList(),
                pass);
    }

    /**
     * The same school for somebody who practises alone: every reading is taken and written, none is judged, said first or put
     * on record, and nobody watches. What is left counts: readings, how they are written, leads, and faults found. The same
     * scheme where none of its criteria looks at any of that.
     */
    public Scheme practised() {
        List<Criterion> shown = criteria.stream().filter(Scheme::isShownAlone).toList();
        return new Scheme(about, practice.everyReading(), steps, order, shown.isEmpty() ? criteria : shown, pass);
    }

    private static boolean isShownAlone(Criterion criterion) {
        return switch (criterion) {
            case Criterion.MeasuredRightly c -> true;
            case Criterion.Notation c -> true;
            case Criterion.LeadsNulled c -> true;
            case Criterion.FaultReported c -> c.aspect() == Criterion.Aspect.FOUND;
            case Criterion.NothingInvented c -> true;
            case Criterion.JudgedRightly c -> false;
            case Criterion.RightOneOfSeveral c -> false;
            case Criterion.Complete c -> false;
            case Criterion.ExpectedFirst c -> false;
            case Criterion.OneMethod c -> false;
            case Criterion.Consistent c -> false;
            case Criterion.Observed c -> false;
            case Criterion.Answered c -> false;
            case Criterion.OrderKept c -> false;
            case Criterion.Safe c -> false;
            case Criterion.Closed c -> false;
        };
    }

    private Set<String> withWhatKeepsItSafe(Set<String> chosen) {
        boolean live = steps.stream().anyMatch(s -> s.isLive() && chosen.contains(s.id()));
        return grown(chosen, in -> {
            Stream<String> before = safety().filter(r -> in.contains(r.then()))
                    .map(OrderRule::first)
                    .filter(f -> live || step(f).filter(s -> !s.isLive()).isPresent());
            // a box that is worked out needs those it is worked out from
            Stream<String> needed = steps.stream()
                    .filter(s -> in.contains(s.id()))
                    .flatMap(s -> s.tests().stream())
                    .flatMap(t -> t.needs().stream())
                    .flatMap(t -> stepOf(t).stream())
                    .map(Step::id);
            return Stream.concat(before, needed);
        });
    }

    /** Steps with a test, and all that come after them by rules of safety, straight or one by the other; their ids. */
    public Set<String> safelyAfter(TestKind test) {
        Set<String> with = stepOf(test).stream().map(Step::id).collect(Collectors.toSet());
        return grown(with, in -> safety().filter(r -> in.contains(r.first())).map(OrderRule::then));
    }

    private Stream<OrderRule> safety() {
        return order.stream().filter(r -> r.severity() == Severity.SAFETY);
    }

    /** With what each round adds, until one adds nothing. */
    private static Set<String> grown(Set<String> from, Function<Set<String>, Stream<String>> next) {
        Set<String> in = new HashSet<>(from);
        boolean more = true;
        while (more) {
            more = in.addAll(next.apply(Set.copyOf(in)).toList());
        }
        return in;
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
     * @param referParts share of the parts that may be done again by themselves, 0 to 1; with more the whole is done again
     */
    public record PassRule(double share, int keyMissed, double referParts) {
        public PassRule {
            Check.all(
                    () -> Check.between(share, 0, 1, "share", "(share of the points)"),
                    () -> Check.between(keyMissed, 0, 100, "keyMissed", "(how many)"),
                    () -> Check.between(referParts, 0, 1, "referParts", "(share of the parts)"));
        }
    }
}
