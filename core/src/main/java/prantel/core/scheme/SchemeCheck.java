package prantel.core.scheme;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Scheme.PassRule;

/** Contradictions inside a scheme, each with its place in the file. */
final class SchemeCheck {
    private final List<Step> steps;
    private final List<OrderRule> order;
    private final List<Criterion> criteria;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<String, Integer> placeOf = new HashMap<>();

    private SchemeCheck(List<Step> steps, List<OrderRule> order, List<Criterion> criteria) {
        this.steps = steps;
        this.order = order;
        this.criteria = criteria;
    }

    static List<Problem> of(
            Practice practice, List<Step> steps, List<OrderRule> order, List<Criterion> criteria, PassRule pass) {
        SchemeCheck check = new SchemeCheck(steps, order, criteria);
        check.steps();
        check.inspection(practice.recording().inspection());
        check.order();
        check.criteria();
        check.pass(pass);
        return check.problems;
    }

    private void steps() {
        Map<TestKind, String> asked = new HashMap<>();
        Map<String, String> named = new HashMap<>();
        boolean live = false;
        for (int i = 0; i < steps.size(); i++) {
            Step step = steps.get(i);
            String at = "steps/" + i;
            if (placeOf.putIfAbsent(step.id(), i) != null) {
                add("duplicate-id", at + "/id", step.id(), "another step has this id; give it its own");
            }
            if (live && !step.isLive() && !step.tests().isEmpty()) {
                add(
                        "dead-after-live",
                        at + "/stage",
                        step.title(),
                        "dead tests come before the supply is on; move it up, or make it a live step");
            }
            live |= step.isLive();
            for (int t = 0; t < step.tests().size(); t++) {
                test(step, step.tests().get(t), at + "/tests/" + t, asked);
            }
            for (int o = 0; o < step.observations().size(); o++) {
                named(step.observations().get(o).id(), at + "/observations/" + o + "/id", named);
            }
            for (int q = 0; q < step.questions().size(); q++) {
                named(step.questions().get(q).id(), at + "/questions/" + q + "/id", named);
            }
        }
        needed(asked);
    }

    private void test(Step step, TestKind test, String at, Map<TestKind, String> asked) {
        String before = asked.putIfAbsent(test, step.title());
        if (before != null) {
            add("asked-twice", at, test.fileName(), "“" + before + "” asks for it already; leave one of the two out");
        }
        if (test.isLive() && !step.isLive()) {
            add("live-test-in-dead-step", at, test.fileName(), "this test needs the supply on: \"stage\": \"live\"");
        }
        if (!test.isLive() && step.isLive() && !test.isOfAnyStage()) {
            add("dead-test-in-live-step", at, test.fileName(), "this test is done dead: \"stage\": \"dead\"");
        }
    }

    private void inspection(List<Practice.Item> items) {
        if (asks(TestKind.INSPECTION) && items.isEmpty()) {
            add(
                    "nothing-to-inspect",
                    "practice/recording/inspection",
                    "no item",
                    "a step asks for the boxes of an inspection: list its items");
        }
    }

    private void needed(Map<TestKind, String> asked) {
        for (int i = 0; i < steps.size(); i++) {
            for (TestKind test : steps.get(i).tests()) {
                test.needs()
                        .filter(n -> !asked.containsKey(n))
                        .ifPresent(n -> add(
                                "needs-another-test",
                                "steps",
                                test.fileName(),
                                "it is worked out from “" + n.fileName()
                                        + "”, which no step asks for; ask for that too"));
            }
        }
    }

    private void named(String id, String at, Map<String, String> named) {
        String before = named.putIfAbsent(id, at);
        if (before != null) {
            add("duplicate-id", at, id, "another observation or question has this id; give it its own");
        }
    }

    private void order() {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < order.size(); i++) {
            OrderRule rule = order.get(i);
            String at = "order/" + i;
            boolean known = mustBeStep(rule.first(), at + "/first") & mustBeStep(rule.then(), at + "/then");
            if (rule.first().equals(rule.then())) {
                add("order-of-itself", at, rule.first(), "a step cannot come before itself; give two steps");
            } else if (!seen.add(rule.first() + " " + rule.then())) {
                add("rule-twice", at, rule.first() + " before " + rule.then(), "leave one of the two out");
            } else if (known && reaches(rule.then(), rule.first())) {
                add(
                        "order-goes-round",
                        at,
                        rule.first() + " before " + rule.then(),
                        "other rules want it the other way round; one of them has to go");
            } else if (known && place(rule.first()) > place(rule.then())) {
                add(
                        "order-against-steps",
                        at,
                        rule.first() + " before " + rule.then(),
                        "the steps stand the other way round; move one of them, or turn the rule round");
            }
        }
    }

    private int place(String id) {
        return placeOf.getOrDefault(id, -1);
    }

    private boolean mustBeStep(String id, String at) {
        if (!placeOf.containsKey(id)) {
            add("unknown-step", at, id, "there is no such step; give the id of one");
            return false;
        }
        return true;
    }

    /** Whether the rules say that one step must come before another, by way of others too. */
    private boolean reaches(String from, String to) {
        Deque<String> open = new ArrayDeque<>(List.of(from));
        Set<String> seen = new HashSet<>();
        while (!open.isEmpty()) {
            String at = open.pop();
            if (at.equals(to)) {
                return true;
            }
            if (seen.add(at)) {
                order.stream().filter(r -> r.first().equals(at)).forEach(r -> open.push(r.then()));
            }
        }
        return false;
    }

    private void criteria() {
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < criteria.size(); i++) {
            Criterion criterion = criteria.get(i);
            String at = "criteria/" + i;
            boolean twice = false;
            for (String mark : marksOf(criterion)) {
                twice |= !ids.add(mark);
            }
            if (twice) {
                add(
                        "duplicate-id",
                        at + "/id",
                        criterion.id(),
                        "another criterion gives marks of this name; give it its own");
            }
            criterion(criterion, at);
        }
    }

    /** Criteria for different tests may share an id: the test stands before it in each mark. */
    private static List<String> marksOf(Criterion criterion) {
        return criterion instanceof Criterion.OfTests of
                ? of.tests().stream()
                        .map(t -> t.markPrefix() + "/" + criterion.id())
                        .toList()
                : List.of(criterion.id());
    }

    private void criterion(Criterion criterion, String at) {
        switch (criterion) {
            case Criterion.OfTests of -> tests(of, at);
            case Criterion.OneMethod one -> {
                if (Criterion.OneMethod.TESTS.stream().noneMatch(this::asks)) {
                    add("nothing-to-look-at", at, criterion.id(), "no step asks for continuity of a CPC; take it out");
                }
            }
            case Criterion.LeadsNulled leads -> {
                if (steps.stream().flatMap(s -> s.tests().stream()).noneMatch(TestKind::isContinuity)) {
                    add("nothing-to-look-at", at, criterion.id(), "no step asks for a continuity reading; take it out");
                }
            }
            case Criterion.Consistent consistent -> relation(consistent, at);
            case Criterion.Observed observed ->
                watched(observed.steps(), at, s -> !s.observations().isEmpty(), "observations");
            case Criterion.Closed closed ->
                watched(closed.steps(), at, s -> !s.observations().isEmpty(), "observations");
            case Criterion.Answered answered ->
                watched(answered.steps(), at, s -> !s.questions().isEmpty(), "questions");
            case Criterion.OrderKept kept -> {
                if (order.stream().noneMatch(r -> kept.severities().contains(r.severity()))) {
                    add(
                            "nothing-to-look-at",
                            at,
                            criterion.id(),
                            "no order rule of this severity; give one, or take it out");
                }
            }
            case Criterion.FaultReported reported -> {}
            case Criterion.NothingInvented invented -> {}
            case Criterion.Safe safe -> {
                if (safe.common().severity() != Severity.SAFETY) {
                    add(
                            "safety-that-does-not-stop",
                            at + "/severity",
                            safe.common().severity().name().toLowerCase(java.util.Locale.ROOT),
                            "what is unsafe stops the assessment: \"severity\": \"safety\"");
                }
            }
        }
    }

    private void tests(Criterion.OfTests of, String at) {
        for (TestKind test : of.tests()) {
            if (!asks(test)) {
                add(
                        "test-not-asked",
                        at + "/tests",
                        test.fileName(),
                        "no step asks for this test; ask for it, or leave it out");
            }
        }
    }

    private void relation(Criterion.Consistent consistent, String at) {
        for (TestKind test : consistent.relation().needs()) {
            if (!asks(test)) {
                add(
                        "test-not-asked",
                        at + "/relation",
                        test.fileName(),
                        "this relation needs a box that no step asks for");
            }
        }
    }

    private void watched(List<String> ids, String at, java.util.function.Predicate<Step> has, String what) {
        for (int i = 0; i < ids.size(); i++) {
            String where = at + "/steps/" + i;
            if (mustBeStep(ids.get(i), where) && !has.test(steps.get(place(ids.get(i))))) {
                add("nothing-to-look-at", where, ids.get(i), "this step has no " + what);
            }
        }
        if (ids.isEmpty() && steps.stream().noneMatch(has)) {
            add("nothing-to-look-at", at, "", "no step has " + what + "; give some, or take this out");
        }
    }

    private boolean asks(TestKind test) {
        return steps.stream().anyMatch(s -> s.tests().contains(test));
    }

    private void pass(PassRule pass) {
        double weight = criteria.stream().mapToDouble(c -> c.common().weight()).sum();
        boolean anyKey = criteria.stream().anyMatch(c -> c.common().severity() != Severity.COUNTS);
        if (weight == 0 && pass.share() > 0) {
            add(
                    "weights-cannot-pass",
                    "pass/share",
                    Check.plain(pass.share()),
                    "no criterion has a weight, so no share of the points can be reached; give weights, or a share of 0");
        }
        if (weight == 0 && !anyKey) {
            add("nothing-counts", "criteria", criteria.size() + " criteria", "no criterion counts; give one a weight");
        }
    }

    private void add(String code, String where, String given, String mend) {
        problems.add(new Problem(code, where, given.isEmpty() ? "" : Check.quoted(given), mend));
    }
}
