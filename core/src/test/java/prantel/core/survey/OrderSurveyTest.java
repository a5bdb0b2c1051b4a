package prantel.core.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Schemes;
import prantel.core.quantity.Problem;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;

/** What a scheme's order is told about. What must come before what: common practice, no source. */
class OrderSurveyTest {
    private static Scheme scheme(List<Step> steps, OrderRule... rules) {
        Scheme all = Schemes.asking("s", EnumSet.of(TestKind.R1_R2, TestKind.INSULATION));
        return new Scheme(
                all.about(), all.practice(), steps, List.of(rules), List.of(INVENTED), new Scheme.PassRule(0, 0, 1));
    }

    private static final Criterion INVENTED = new Criterion.NothingInvented(
            new Criterion.Common("invented", "Faults", "No sound part called faulty", 1, Severity.COUNTS));

    private static Step step(String id, Step.Stage stage, TestKind... tests) {
        return new Step(id, id, stage, List.of(tests), List.of(), List.of());
    }

    private static OrderRule rule(String first, String then, Severity severity) {
        return new OrderRule(first, then, severity, "");
    }

    private static List<String> codes(Scheme scheme) {
        return OrderSurvey.of(scheme).stream().map(Problem::code).toList();
    }

    private static final Step ISOLATE = step("isolate", Step.Stage.DEAD, TestKind.SAFE_ISOLATION);
    private static final Step CPC = step("cpc", Step.Stage.DEAD, TestKind.R1_R2);
    private static final Step INSULATION = step("insulation", Step.Stage.DEAD, TestKind.INSULATION);
    private static final Step ZS = step("zs", Step.Stage.LIVE, TestKind.ZS);

    @Test
    void aReadingThatMayComeBeforeIsolationIsTold() {
        assertThat(codes(scheme(List.of(CPC)))).containsExactly("reading-before-isolation");
        assertThat(codes(scheme(List.of(ISOLATE, CPC)))).containsExactly("reading-before-isolation");
        assertThat(codes(scheme(List.of(ISOLATE, CPC), rule("isolate", "cpc", Severity.COUNTS))))
                .as("an order that only counts lets it happen")
                .containsExactly("reading-before-isolation");
        assertThat(codes(scheme(List.of(ISOLATE, CPC), rule("isolate", "cpc", Severity.SAFETY))))
                .isEmpty();
    }

    @Test
    void oneStepAfterTheOtherIsEnough() {
        assertThat(codes(scheme(
                        List.of(ISOLATE, CPC, INSULATION),
                        rule("cpc", "insulation", Severity.SAFETY),
                        rule("isolate", "cpc", Severity.SAFETY))))
                .isEmpty();
    }

    @Test
    void aRuleBetweenStepsWithoutBoxesIsNeverHeldAgainstAnybody() {
        Step look = step("look", Step.Stage.DEAD);
        Step talk = step("talk", Step.Stage.DEAD);
        Scheme scheme = scheme(List.of(look, talk), rule("look", "talk", Severity.KEY));
        assertThat(OrderSurvey.of(scheme)).singleElement().satisfies(p -> {
            assertThat(p.code()).isEqualTo("rule-never-fires");
            assertThat(p.where()).isEqualTo("order/0");
        });
    }

    @Test
    void aLiveDrillProvesItsSupply() {
        assertThat(codes(scheme(List.of(ZS)))).containsExactly("supply-not-proved");
        assertThat(codes(scheme(List.of(step("supply", Step.Stage.LIVE, TestKind.LIVE_POLARITY), ZS))))
                .isEmpty();
        assertThat(codes(scheme(List.of(ISOLATE, ZS)))).isEmpty();
    }
}
