package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Mark.Worth;
import prantel.core.marking.Watched.Sight;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;

/** Marks for what was seen, asked and in which order. What nobody saw counts neither way. */
final class WatchMarks {
    private final Scheme scheme;
    private final Watched watched;
    private final Set<TestKind> present;

    /** @param present tests that this rig has boxes for */
    WatchMarks(Scheme scheme, Watched watched, Set<TestKind> present) {
        this.scheme = scheme;
        this.watched = watched;
        this.present = present;
    }

    List<Mark> observed(Criterion.Observed criterion) {
        List<Mark> marks = new ArrayList<>();
        for (Step step : at(criterion.steps())) {
            for (Observation observation : step.observations()) {
                Sight sight = watched.observations().get(observation.id());
                Criterion.Common common = criterion.common();
                marks.add(new Mark(
                        new Mark.Item(
                                common.id() + "/" + observation.id(),
                                Mark.Of.of(common, Part.of(step)),
                                common.group().isEmpty() ? step.title() : common.group(),
                                observation.seen()),
                        new Worth(common.weight() * observation.weight(), severity(observation)),
                        sight == null ? Award.NOT_SEEN : sight.right() ? Award.FULL : Award.NONE,
                        evidence(sight),
                        List.of()));
            }
        }
        return marks;
    }

    /** Where a criterion of its own tells what is unsafe, that one stops; here it only counts. */
    private Severity severity(Observation observation) {
        boolean told = scheme.criteria().stream().anyMatch(Criterion.Safe.class::isInstance);
        return told && observation.severity() == Severity.SAFETY ? Severity.COUNTS : observation.severity();
    }

    private static Evidence evidence(@org.jspecify.annotations.Nullable Sight sight) {
        if (sight == null) {
            return new Evidence.NotSeen();
        }
        return sight.right() ? new Evidence.SeenRight() : new Evidence.SeenSlip(sight.slip());
    }

    private List<Step> at(List<String> ids) {
        return scheme.steps().stream()
                .filter(s -> ids.isEmpty() || ids.contains(s.id()))
                .toList();
    }

    /** A question that was not asked gives no mark. */
    List<Mark> answered(Criterion.Answered criterion) {
        List<Mark> marks = new ArrayList<>();
        for (Step step : at(criterion.steps())) {
            for (Question question : step.questions()) {
                Set<Integer> said = watched.answers().get(question.id());
                if (said != null) {
                    marks.add(answer(criterion, step, question, said));
                }
            }
        }
        return marks;
    }

    private static Mark answer(Criterion.Answered criterion, Step step, Question question, Set<Integer> said) {
        List<String> points = said.stream()
                .filter(i -> i >= 0 && i < question.points().size())
                .sorted()
                .map(question.points()::get)
                .toList();
        Criterion.Common common = criterion.common();
        Award award = points.size() >= question.needed() ? Award.FULL : points.isEmpty() ? Award.NONE : Award.HALF;
        return new Mark(
                new Mark.Item(
                        common.id() + "/" + question.id(),
                        Mark.Of.of(common, Part.of(step)),
                        common.group().isEmpty() ? step.title() : common.group(),
                        question.ask()),
                new Worth(common.weight() * question.weight(), common.severity()),
                award,
                new Evidence.Answer(points, question.needed(), question.points().size()),
                List.of());
    }

    Mark order(Criterion.OrderKept criterion) {
        boolean nothing = !watched.order().known();
        List<Evidence.Broken> broken = broken(criterion.severities())
                .map(b -> new Evidence.Broken(
                        title(b.rule().then()),
                        title(b.rule().first()),
                        b.rule().why(),
                        b.open()))
                .toList();
        return mark(
                criterion.common(),
                nothing ? Award.NOT_SEEN : broken.isEmpty() ? Award.FULL : Award.NONE,
                nothing ? new Evidence.NotSeen() : new Evidence.Order(broken));
    }

    /** What is known for certain: a step that left no trace of its time breaks none. */
    private Stream<Watched.Breach> broken(Set<Severity> severities) {
        return watched.order().broken().stream()
                .filter(b -> severities.contains(b.rule().severity()))
                .filter(b -> scheme.order().contains(b.rule()));
    }

    private String title(String step) {
        return scheme.step(step).map(Step::title).orElse(step);
    }

    /**
     * Nothing unsafe was seen, and what is safety was seen. What nobody saw is not taken as done: the mark stays open, and with it
     * the outcome, until an assessor gives their word for it.
     *
     * @param closing what the record itself says was not done when the rig was left
     */
    Mark safe(Criterion.Safe criterion, List<String> closing) {
        List<String> unsafe = new ArrayList<>();
        List<String> unseen = new ArrayList<>();
        watched.stop().ifPresent(unsafe::add);
        for (Observation observation : safety()) {
            Sight sight = watched.observations().get(observation.id());
            if (sight == null) {
                unseen.add(observation.seen());
            } else if (!sight.right()) {
                unsafe.add(sight.slip().isBlank() ? "not: " + observation.seen() : sight.slip());
            }
        }
        unsafe.addAll(closing);
        broken(Set.of(Severity.SAFETY))
                .filter(b -> !b.permitted())
                .map(this::words)
                .forEach(unsafe::add);
        List<String> permitted = broken(Set.of(Severity.SAFETY))
                .filter(Watched.Breach::permitted)
                .map(this::words)
                .toList();
        return mark(
                criterion.common(),
                !unsafe.isEmpty() ? Award.NONE : unseen.isEmpty() ? Award.FULL : Award.NOT_SEEN,
                new Evidence.Unsafe(unsafe, unseen, permitted));
    }

    /** What is safety, at steps that this rig has. */
    private List<Observation> safety() {
        return scheme.steps().stream()
                .filter(s -> s.tests().isEmpty() || s.tests().stream().anyMatch(present::contains))
                .flatMap(s -> s.observations().stream())
                .filter(o -> o.severity() == Severity.SAFETY)
                .toList();
    }

    private String words(Watched.Breach breach) {
        return Sentences.broken(new Evidence.Broken(
                title(breach.rule().then()), title(breach.rule().first()), "", breach.open()));
    }

    Mark closed(Criterion.Closed criterion) {
        List<Observation> all = at(criterion.steps()).stream()
                .flatMap(s -> s.observations().stream())
                .toList();
        List<String> slips = new ArrayList<>();
        boolean any = false;
        for (Observation observation : all) {
            Sight sight = watched.observations().get(observation.id());
            any |= sight != null;
            if (sight != null && !sight.right()) {
                slips.add(sight.slip().isBlank() ? "not: " + observation.seen() : sight.slip());
            }
        }
        return mark(
                criterion.common(),
                !any ? Award.NOT_SEEN : slips.isEmpty() ? Award.FULL : Award.NONE,
                !any
                        ? new Evidence.NotSeen()
                        : slips.isEmpty() ? new Evidence.SeenRight() : new Evidence.SeenSlip(String.join("; ", slips)));
    }

    private static Mark mark(Criterion.Common common, Award award, Evidence evidence) {
        return new Mark(
                new Mark.Item(common.id(), Mark.Of.of(common, Part.WHOLE), common.group(), common.title()),
                new Worth(common.weight(), common.severity()),
                award,
                evidence,
                List.of());
    }
}
