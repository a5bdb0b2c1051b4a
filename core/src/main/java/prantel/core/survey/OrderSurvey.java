package prantel.core.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import prantel.core.quantity.Problem;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;

/**
 * What a scheme's order lets happen that a workshop hardly means. Refuses nothing. What must come before what: common practice,
 * no source.
 */
public final class OrderSurvey {
    private OrderSurvey() {}

    /** @return each with its place in the scheme's file; empty where nothing wants a look */
    public static List<Problem> of(Scheme scheme) {
        List<Problem> found = new ArrayList<>();
        for (int i = 0; i < scheme.order().size(); i++) {
            OrderRule rule = scheme.order().get(i);
            if (!tellsItsTime(scheme, rule.first()) && !tellsItsTime(scheme, rule.then())) {
                found.add(new Problem(
                        "rule-never-fires",
                        "order/" + i,
                        "\"" + rule.first() + "\" before \"" + rule.then() + "\"",
                        "neither step has a box, so nothing tells for certain when it was done: it is asked about and never"
                                + " held against anybody"));
            }
        }
        isolation(scheme, found);
        if (scheme.practice().continuity().maxima() == Practice.Maxima.AS_NZS) {
            for (TestKind test : List.of(TestKind.RING, TestKind.RING_EVENNESS)) {
                stepOf(scheme, test)
                        .forEach(
                                s -> found.add(
                                        new Problem(
                                                "not-of-this-school",
                                                "steps/" + s + "/tests",
                                                '"' + test.fileName() + '"',
                                                "the limits are those of AS/NZS 3000, and that school has no ring final circuits: leave it out")));
            }
        }
        return List.copyOf(found);
    }

    /** A step with boxes is written when it is done. */
    private static boolean tellsItsTime(Scheme scheme, String step) {
        return scheme.step(step).filter(s -> !s.tests().isEmpty()).isPresent();
    }

    private static List<Integer> stepOf(Scheme scheme, TestKind test) {
        List<Integer> at = new ArrayList<>();
        for (int s = 0; s < scheme.steps().size(); s++) {
            if (scheme.steps().get(s).tests().contains(test)) {
                at.add(s);
            }
        }
        return at;
    }

    private static void isolation(Scheme scheme, List<Problem> found) {
        boolean anyDead = false;
        Set<String> after = scheme.safelyAfter(TestKind.SAFE_ISOLATION);
        for (int s = 0; s < scheme.steps().size(); s++) {
            Step step = scheme.steps().get(s);
            boolean reads = !step.isLive() && step.tests().stream().anyMatch(OrderSurvey::isRead);
            anyDead |= reads;
            if (reads && !after.contains(step.id())) {
                found.add(
                        new Problem(
                                "reading-before-isolation",
                                "steps/" + s,
                                '"' + step.title() + '"',
                                scheme.asks(TestKind.SAFE_ISOLATION)
                                        ? "a reading of it before safe isolation breaks no rule: give a rule of severity safety"
                                        : "no step isolates the rig and proves it dead: a drill of one test begins with that too"));
            }
        }
        boolean proves = scheme.asks(TestKind.SAFE_ISOLATION) || scheme.asks(TestKind.LIVE_POLARITY);
        if (!anyDead && !proves && scheme.tests().stream().anyMatch(TestKind::isLive)) {
            found.add(new Problem(
                    "supply-not-proved",
                    "steps",
                    "live tests only",
                    "nothing proves the rig dead or its supply right before the first live test: add \""
                            + TestKind.SAFE_ISOLATION.fileName() + "\" or \"" + TestKind.LIVE_POLARITY.fileName()
                            + "\""));
        }
    }

    private static boolean isRead(TestKind test) {
        return !test.isLive()
                && !test.isOfAnyStage()
                && test != TestKind.SAFE_ISOLATION
                && test != TestKind.INDICATOR
                && test != TestKind.INSPECTION;
    }
}
