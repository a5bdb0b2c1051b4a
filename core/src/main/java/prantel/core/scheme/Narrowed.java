package prantel.core.scheme;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import prantel.core.scheme.Scheme.OrderRule;

/** What remains of a criterion where only some steps count. */
final class Narrowed {
    private static final Predicate<Step> WATCHED = s -> !s.observations().isEmpty();
    private static final Predicate<Step> ASKED = s -> !s.questions().isEmpty();

    private Narrowed() {}

    /** @param steps those that count @param done those that are done @return empty where nothing is left for it to look at */
    static Optional<Criterion> of(
            Criterion criterion, List<Step> steps, List<Step> done, List<OrderRule> order, boolean faults) {
        Set<TestKind> tests = steps.stream().flatMap(s -> s.tests().stream()).collect(Collectors.toSet());
        return switch (criterion) {
            case Criterion.MeasuredRightly c ->
                ofTests(c, tests, left -> new Criterion.MeasuredRightly(c.common(), left, c.few()));
            case Criterion.JudgedRightly c ->
                ofTests(c, tests, left -> new Criterion.JudgedRightly(c.common(), left, c.few()));
            case Criterion.RightOneOfSeveral c ->
                ofTests(c, tests, left -> new Criterion.RightOneOfSeveral(c.common(), left));
            case Criterion.Notation c -> ofTests(c, tests, left -> new Criterion.Notation(c.common(), left));
            case Criterion.Complete c -> ofTests(c, tests, left -> new Criterion.Complete(c.common(), left, c.few()));
            case Criterion.ExpectedFirst c -> ofTests(c, tests, left -> new Criterion.ExpectedFirst(c.common(), left));
            case Criterion.OneMethod c ->
                keptIf(c, Criterion.OneMethod.TESTS.stream().anyMatch(tests::contains));
            case Criterion.LeadsNulled c -> keptIf(c, tests.stream().anyMatch(TestKind::isContinuity));
            case Criterion.Consistent c ->
                keptIf(c, tests.containsAll(c.relation().needs()));
            case Criterion.FaultReported c -> keptIf(c, faults);
            case Criterion.NothingInvented c -> keptIf(c, faults);
            case Criterion.Observed c ->
                c.steps().isEmpty() && having(steps, WATCHED).equals(having(done, WATCHED))
                        ? keptIf(c, !having(steps, WATCHED).isEmpty())
                        : ofSteps(c.steps(), having(steps, WATCHED), at -> new Criterion.Observed(c.common(), at));
            case Criterion.Answered c ->
                c.steps().isEmpty() && having(steps, ASKED).equals(having(done, ASKED))
                        ? keptIf(c, !having(steps, ASKED).isEmpty())
                        : ofSteps(c.steps(), having(steps, ASKED), at -> new Criterion.Answered(c.common(), at));
            case Criterion.Closed c ->
                c.steps().isEmpty() && having(steps, WATCHED).equals(having(done, WATCHED))
                        ? keptIf(c, !having(steps, WATCHED).isEmpty())
                        : ofSteps(c.steps(), having(steps, WATCHED), at -> new Criterion.Closed(c.common(), at));
            case Criterion.OrderKept c ->
                keptIf(c, order.stream().anyMatch(r -> c.severities().contains(r.severity())));
            case Criterion.Safe c -> Optional.of(c);
        };
    }

    private static Optional<Criterion> keptIf(Criterion criterion, boolean kept) {
        return kept ? Optional.of(criterion) : Optional.empty();
    }

    private static Optional<Criterion> ofTests(
            Criterion.OfTests criterion, Set<TestKind> tests, Function<Set<TestKind>, Criterion> with) {
        Set<TestKind> left = criterion.tests().stream().filter(tests::contains).collect(Collectors.toSet());
        return left.isEmpty() ? Optional.empty() : Optional.of(with.apply(left));
    }

    private static List<String> having(List<Step> steps, Predicate<Step> what) {
        return steps.stream().filter(what).map(Step::id).toList();
    }

    /** @param named ids it names; none for every step */
    private static Optional<Criterion> ofSteps(
            List<String> named, List<String> there, Function<List<String>, Criterion> with) {
        List<String> left = there.stream()
                .filter(id -> named.isEmpty() || named.contains(id))
                .toList();
        return left.isEmpty() ? Optional.empty() : Optional.of(with.apply(left));
    }
}
