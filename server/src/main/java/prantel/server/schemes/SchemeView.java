package prantel.server.schemes;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import prantel.core.quantity.Check;
import prantel.core.scheme.About;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;
import prantel.core.survey.OrderSurvey;

/** A scheme as a person reads it. */
record SchemeView(
        @JsonUnwrapped SchemeAbout about,
        @JsonUnwrapped SchemeUse use,
        @JsonUnwrapped SchemeWork work,
        @JsonUnwrapped SchemeMarks marks) {

    /** Which scheme, and what for. */
    record SchemeAbout(
            String id, int version, String name, String purpose, List<String> follows, List<About.Decided> decided) {}

    /** Its versions, and which rigs it fits. */
    record SchemeUse(List<Integer> versions, List<Fit> fits) {}

    /** What is done, in which order. */
    /** @param look what its order lets happen that is hardly meant */
    record SchemeWork(List<Fact> practice, List<StepView> steps, List<RuleView> order, List<LookView> look) {}

    record LookView(String where, String given, String says) {}

    /** What counts. */
    record SchemeMarks(List<CriterionView> criteria, String passRule) {}

    static final SchemeView NOTHING = new SchemeView(
            new SchemeAbout("", 0, "", "", List.of(), List.of()),
            new SchemeUse(List.of(), List.of()),
            new SchemeWork(List.of(), List.of(), List.of(), List.of()),
            new SchemeMarks(List.of(), ""));

    /** @param lacking what it asks for and the rig of this bay cannot give */
    record Fit(int bay, String rig, List<String> lacking) {}

    record Fact(String label, String value) {}

    record StepView(
            String id,
            String title,
            boolean live,
            List<String> tests,
            List<ObservationView> observations,
            List<QuestionView> questions) {}

    record ObservationView(String seen, String severity, List<String> slips) {}

    record QuestionView(String ask, List<String> points, int needed, boolean everybody) {}

    record RuleView(String first, String then, String severity, String why) {}

    record CriterionView(String title, String kind, String of, double weight, String severity) {}

    static SchemeView of(Scheme scheme, List<Integer> versions, List<Fit> fits) {
        return new SchemeView(
                new SchemeAbout(
                        scheme.id(),
                        scheme.version(),
                        scheme.name(),
                        scheme.about().purpose(),
                        scheme.about().follows(),
                        scheme.about().decided()),
                new SchemeUse(versions, fits),
                new SchemeWork(
                        practice(scheme),
                        scheme.steps().stream().map(s -> step(s, scheme)).toList(),
                        scheme.order().stream()
                                .map(r -> new RuleView(
                                        title(scheme, r.first()), title(scheme, r.then()), word(r.severity()), r.why()))
                                .toList(),
                        OrderSurvey.of(scheme).stream()
                                .map(p -> new LookView(p.where(), p.given(), p.mend()))
                                .toList()),
                new SchemeMarks(
                        scheme.criteria().stream()
                                .map(c -> criterion(c, scheme))
                                .toList(),
                        Check.plain(100 * scheme.pass().share()) + "\u2009% of the points"
                                + (scheme.pass().keyMissed() == 0
                                        ? ", no key mark missed"
                                        : ", at most " + scheme.pass().keyMissed() + " key marks missed")
                                + ", nothing unsafe"));
    }

    private static String title(Scheme scheme, String step) {
        return scheme.step(step).map(Step::title).orElse(step);
    }

    private static StepView step(Step step, Scheme scheme) {
        return new StepView(
                step.id(),
                step.title(),
                step.isLive(),
                step.tests().stream().map(scheme::labelOf).toList(),
                step.observations().stream()
                        .map(o -> new ObservationView(o.seen(), word(o.severity()), o.slips()))
                        .toList(),
                step.questions().stream()
                        .map(q -> new QuestionView(
                                q.ask(),
                                q.points(),
                                q.needed(),
                                q.asked() == prantel.core.scheme.Question.Asked.OF_EVERYBODY))
                        .toList());
    }

    private static List<Fact> practice(Scheme scheme) {
        Practice p = scheme.practice();
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact(
                "Continuity of CPCs",
                word(p.continuity().methods()) + ", maxima "
                        + word(p.continuity().maxima())));
        facts.add(new Fact(
                "Bonding",
                "one end " + word(p.bonding().oneEnd()) + ", held against "
                        + word(p.bonding().yardstick())));
        facts.add(new Fact(
                "Insulation",
                String.join(
                                ", then ",
                                p.insulation().volts().stream()
                                        .map(v -> v + "\u2009V")
                                        .toList()) + "; pairs "
                        + word(p.insulation().pairs()) + "; switches "
                        + word(p.insulation().rounds())));
        facts.add(new Fact(
                "Loop",
                word(p.loop().leads()) + " leads; Zs at " + word(p.loop().points()) + " point; limit "
                        + word(p.loop().zsLimit()) + "; three-phase current "
                        + word(p.loop().threePhase())));
        facts.add(new Fact(
                "RCD",
                String.join(", ", p.rcd().tests().stream().map(SchemeView::word).toList())));
        facts.add(new Fact(
                "Record",
                "not tested: " + word(p.recording().notTested()) + "; over-range "
                        + word(p.recording().overRange()) + "; codes "
                        + word(p.recording().codes())));
        if (!p.recording().oneFigure().isEmpty()) {
            facts.add(new Fact(
                    "One figure a circuit",
                    String.join(
                            ", ",
                            scheme.tests().stream()
                                    .filter(scheme::isOneFigure)
                                    .map(scheme::labelOf)
                                    .toList())));
        }
        About.Times times = scheme.about().times();
        if (times.all() > 0) {
            facts.add(
                    new Fact("Time", times.all() + " minutes (dead " + times.dead() + ", live " + times.live() + ")"));
        }
        return facts;
    }

    private static CriterionView criterion(Criterion c, Scheme scheme) {
        String of = c instanceof Criterion.OfTests t
                ? String.join(
                        ", ",
                        scheme.tests().stream()
                                .filter(t.tests()::contains)
                                .map(scheme::labelOf)
                                .toList())
                : "";
        return new CriterionView(
                c.common().title(),
                kind(c),
                of,
                c.common().weight(),
                word(c.common().severity()));
    }

    private static String kind(Criterion c) {
        return switch (c) {
            case Criterion.MeasuredRightly m -> "each test";
            case Criterion.JudgedRightly j -> "each test";
            case Criterion.RightOneOfSeveral r -> "each test";
            case Criterion.Notation n -> "each test";
            case Criterion.Complete x -> "each test";
            case Criterion.ExpectedFirst e -> "each test";
            case Criterion.OneMethod o -> "each circuit";
            case Criterion.LeadsNulled l -> "once";
            case Criterion.Consistent k -> "each circuit";
            case Criterion.FaultReported f -> "each fault set";
            case Criterion.NothingInvented n -> "once";
            case Criterion.Observed o -> "each observation";
            case Criterion.Answered a -> "each question asked";
            case Criterion.OrderKept o -> "once";
            case Criterion.Safe s -> "once";
            case Criterion.Closed x -> "once";
        };
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
