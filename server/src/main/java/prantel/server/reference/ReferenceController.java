package prantel.server.reference;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Stage;
import prantel.core.reference.Calculator;
import prantel.core.reference.Calculators;
import prantel.core.reference.Glossary;
import prantel.core.reference.Input;
import prantel.core.scheme.Practice;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.web.Refusal;

/** Lists the calculators and works them out; explains words. */
@RestController
@RequestMapping("/api/reference")
class ReferenceController {

    record CalculatorView(String id, String title, List<Input> inputs) {}

    /** @param values by input id, as written; what is left out takes its usual value */
    record Given(Map<String, @Nullable String> values) {}

    private final Assessments assessments;
    private final Keys keys;

    ReferenceController(Assessments assessments, Keys keys) {
        this.assessments = assessments;
        this.keys = keys;
    }

    /** Whoever works on a sheet whose scheme gives no help looks nothing up meanwhile. */
    private void mustNotBeAtWorkWithoutIt(Principal who) {
        boolean without = assessments.ofCandidate(who.getName()).stream()
                .filter(a -> a.stage() == Stage.WATCH)
                .anyMatch(a -> keys.scheme(a).practice().recording().help() != Practice.Help.FULL);
        if (without) {
            throw Refusal.conflict(
                    "without-reference",
                    "your sheet is worked without the reference: it opens again when the sheet is handed in");
        }
    }

    @GetMapping
    List<CalculatorView> calculators(Principal who) {
        mustNotBeAtWorkWithoutIt(who);
        return Calculators.all().stream()
                .map(c -> new CalculatorView(c.id(), c.title(), c.inputs()))
                .toList();
    }

    @GetMapping("/glossary")
    List<Glossary.Term> glossary(Principal who) {
        mustNotBeAtWorkWithoutIt(who);
        return Glossary.terms();
    }

    @PostMapping("/{id}")
    Worked workOut(@PathVariable String id, @RequestBody Given given, Principal who) {
        mustNotBeAtWorkWithoutIt(who);
        return Worked.of(Calculators.get(id).answer(given.values()));
    }

    record Worked(List<Result> results, List<String> working, String source) {
        static Worked of(Calculator.Answer answer) {
            return new Worked(
                    answer.lines().stream()
                            .map(l -> new Result(l.label(), l.value()))
                            .toList(),
                    answer.working(),
                    answer.source());
        }
    }

    record Result(String label, String value) {}
}
