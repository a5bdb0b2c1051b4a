package prantel.server.conduct;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Conduct;
import prantel.core.scheme.About;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.workshop.Workshop;

/** What a candidate reads before starting. Made without the faults and without a key: it may lie about. */
@RestController
@RequestMapping("/api/assessments/{id}/brief")
class BriefController {
    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final Workshop workshop;

    BriefController(Assessments assessments, Keys keys, Accounts accounts, Workshop workshop) {
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
        this.workshop = workshop;
    }

    /** Minutes of a stage, extra time in it; 0 for no limit. */
    record BriefTimes(long dead, long live, long all) {}

    record BriefStep(String title, boolean live, int boxes) {}

    record BriefView(
            @JsonUnwrapped BriefPeople people,
            @JsonUnwrapped BriefRig rig,
            @JsonUnwrapped BriefScheme scheme,
            @JsonUnwrapped BriefTerms terms) {}

    /** Who. */
    record BriefPeople(String candidate, String assessor) {}

    /** Where, on what. */
    record BriefRig(int bay, String rig, String earthing, List<String> circuits, String tester) {}

    /** By which scheme. */
    record BriefScheme(String scheme, String purpose, List<BriefStep> steps) {}

    /** On which terms. */
    record BriefTerms(BriefTimes times, List<String> given, List<String> confirms) {}

    @GetMapping
    BriefView brief(@PathVariable String id) {
        Assessment assessment = assessments.get(id);
        Scheme scheme = keys.scheme(assessment);
        Conduct conduct = assessment.conduct();
        List<Slot> slots = keys.sheet(assessment);
        About.Times times = scheme.about().times();
        double factor = conduct.adjustment().timeFactor();
        return new BriefView(
                new BriefPeople(accounts.nameOf(assessment.fixed().candidateId()), accounts.nameOf(conduct.assessor())),
                new BriefRig(
                        workshop.bay(assessment.fixed().bayId()).number(),
                        keys.rig(assessment).name(),
                        keys.rig(assessment).supply().declared().earthing().label(),
                        keys.rig(assessment).circuits().stream()
                                .filter(c -> keys.circuits(assessment).isEmpty()
                                        || keys.circuits(assessment).contains(c.id()))
                                .map(c -> c.label())
                                .toList(),
                        keys.tester(assessment).label()),
                new BriefScheme(
                        scheme.name(),
                        scheme.about().purpose(),
                        scheme.steps().stream()
                                .map(s -> new BriefStep(s.title(), s.isLive(), (int) slots.stream()
                                        .filter(b -> s.tests().contains(b.step()))
                                        .count()))
                                .toList()),
                new BriefTerms(
                        new BriefTimes(
                                Math.round(times.dead() * factor),
                                Math.round(times.live() * factor),
                                Math.round(times.all() * factor)),
                        conduct.adjustment().given(),
                        Checklist.READY.items().stream()
                                .map(Checklist.Item::words)
                                .toList()));
    }
}
