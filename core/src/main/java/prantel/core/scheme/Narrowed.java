package prantel.core.scheme;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.scheme.Scheme.OrderRule;

/** What remains of a criterion where only some steps are done. */
final class Narrowed {
    private Narrowed() {}

    /** @return empty where nothing is left for it to look at */
    static Optional<Criterion> of(
            Criterion criterion, List<Step> steps, Set<TestKind> tests, List<OrderRule> order, boolean faults) {
        return Optional.ofNullable(
                switch (criterion) {
                    case Criterion.MeasuredRightly c ->
                        asked(c, tests).isEmpty()
                                ? null
                                : new Criterion.MeasuredRightly(c.common(), asked(c, tests), c.few());
                    case Criterion.JudgedRightly c ->
                        asked(c, tests).isEmpty()
                                ? null
                                : new Criterion.JudgedRightly(c.common(), asked(c, tests), c.few());
                    case Criterion.RightOneOfSeveral c ->
                        asked(c, tests).isEmpty() ? null : new Criterion.RightOneOfSeveral(c.common(), asked(c, tests));
                    case Criterion.Notation c ->
                        asked(c, tests).isEmpty() ? null : new Criterion.Notation(c.common(), asked(c, tests));
                    case Criterion.Complete c ->
                        asked(c, tests).isEmpty() ? null : new Criterion.Complete(c.common(), asked(c, tests), c.few());
                    case Criterion.ExpectedFirst c ->
                        asked(c, tests).isEmpty() ? null : new Criterion.ExpectedFirst(c.common(), asked(c, tests));
                    case Criterion.OneMethod c ->
                        Criterion.OneMethod.TESTS.stream().anyMatch(tests::contains) ? c : null;
                    case Criterion.LeadsNulled c -> tests.stream().anyMatch(TestKind::isContinuity) ? c : null;
                    case Criterion.Consistent c ->
                        tests.containsAll(c.relation().needs()) ? c : null;
                    case Criterion.FaultReported c -> faults ? c : null;
                    case Criterion.NothingInvented c -> faults ? c : null;
                    case Criterion.Observed c -> observed(c, steps);
                    case Criterion.Answered c -> answered(c, steps);
                    case Criterion.Closed c -> closed(c, steps);
                    case Criterion.OrderKept c ->
                        order.stream().anyMatch(r -> c.severities().contains(r.severity())) ? c : null;
                    case Criterion.Safe c -> c;
                });
    }

    private static Set<TestKind> asked(Criterion.OfTests criterion, Set<TestKind> tests) {
        return criterion.tests().stream().filter(tests::contains).collect(Collectors.toSet());
    }

    private static @org.jspecify.annotations.Nullable Criterion observed(Criterion.Observed c, List<Step> steps) {
        List<String> left = left(c.steps(), steps);
        boolean any = steps.stream().anyMatch(s -> !s.observations().isEmpty());
        return c.steps().isEmpty()
                ? (any ? c : null)
                : left.isEmpty() ? null : new Criterion.Observed(c.common(), left);
    }

    private static @org.jspecify.annotations.Nullable Criterion answered(Criterion.Answered c, List<Step> steps) {
        List<String> left = left(c.steps(), steps);
        boolean any = steps.stream().anyMatch(s -> !s.questions().isEmpty());
        return c.steps().isEmpty()
                ? (any ? c : null)
                : left.isEmpty() ? null : new Criterion.Answered(c.common(), left);
    }

    private static @org.jspecify.annotations.Nullable Criterion closed(Criterion.Closed c, List<Step> steps) {
        List<String> left = left(c.steps(), steps);
        boolean any = steps.stream().anyMatch(s -> !s.observations().isEmpty());
        return c.steps().isEmpty() ? (any ? c : null) : left.isEmpty() ? null : new Criterion.Closed(c.common(), left);
    }

    private static List<String> left(List<String> ids, List<Step> steps) {
        return ids.stream()
                .filter(id -> steps.stream().anyMatch(s -> s.id().equals(id)))
                .toList();
    }
}
