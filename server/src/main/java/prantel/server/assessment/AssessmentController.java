package prantel.server.assessment;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Conduct;
import prantel.core.assessment.Stage;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotPlan;
import prantel.core.survey.SchemeSurvey;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Preparing an assessment, its header, and following it while the candidate works. */
@RestController
@RequestMapping("/api")
class AssessmentController {
    private static final int LONGEST_REASON = 1000;

    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final Accounts accounts;
    private final Schemes schemes;
    private final Clock clock;

    AssessmentController(
            Assessments assessments, Keys keys, Workshop workshop, Accounts accounts, Schemes schemes, Clock clock) {
        this.clock = clock;
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
        this.accounts = accounts;
        this.schemes = schemes;
    }

    /** What a bay needs before an assessment starts in it. */
    record PrepareView(
            String bayId,
            int bay,
            String rig,
            @Nullable String occupiedBy,
            List<Choice> candidates,
            List<Choice> testers,
            List<SchemeChoice> schemes) {}

    record Choice(String id, String label, String note) {}

    /** @param lacking what it asks for and this rig cannot give */
    record SchemeChoice(
            String id, int version, String label, String note, int boxes, boolean suits, List<String> lacking) {}

    record NewAssessment(String bayId, String candidateId, String testerId, String schemeId) {}

    record Header(
            @JsonUnwrapped HeaderPlace where,
            @JsonUnwrapped HeaderStanding standing,
            @JsonUnwrapped HeaderCourse course) {}

    /** Which assessment, where. */
    record HeaderPlace(String id, int bay, String bayId, String rig, String scheme, String candidate) {}

    /** How far it is. */
    record HeaderStanding(Stage stage, boolean occupiesBay, int faultsSet, boolean live) {}

    /**
     * When it was worked on, and how it ended.
     *
     * @param brokenOff why it ended without a judgement; empty where it did not
     * @param decided whether its outcome is signed
     * @param resitOf the assessment of which parts are done again in it; null for a first sitting
     */
    record HeaderCourse(
            @Nullable OffsetDateTime openedAt,
            @Nullable OffsetDateTime handedInAt,
            String brokenOff,
            boolean decided,
            @Nullable String resitOf) {}

    record HandBack(String eventId, String reason) {}

    @GetMapping("/bays/{bayId}/prepare")
    PrepareView prepare(@PathVariable String bayId) {
        Bay bay = workshop.bay(bayId);
        Map<String, Integer> attempts = assessments.attempts();
        return new PrepareView(
                bayId,
                bay.number(),
                workshop.rigOf(bay).name(),
                assessments.inBay(bayId).map(Assessment::id).orElse(null),
                accounts.who(r -> r == Role.CANDIDATE).stream()
                        .map(a -> new Choice(a.accountId(), a.name(), words(attempts.getOrDefault(a.accountId(), 0))))
                        .toList(),
                workshop.testers().stream().map(this::tester).toList(),
                schemes(workshop.rigOf(bay)));
    }

    private static String words(int count) {
        return count == 0 ? "first attempt" : count == 1 ? "1 earlier" : count + " earlier";
    }

    private List<SchemeChoice> schemes(Rig rig) {
        return schemes.all().stream()
                .map(s -> new SchemeChoice(
                        s.id(),
                        s.version(),
                        s.name(),
                        s.about().purpose(),
                        SlotPlan.sheet(rig, s).size(),
                        SchemeSurvey.suits(s, rig),
                        SchemeSurvey.of(s, rig).stream()
                                .map(Problem::mend)
                                .distinct()
                                .toList()))
                .toList();
    }

    private Choice tester(DocumentRef ref) {
        var tester = workshop.tester(ref);
        return new Choice(
                ref.id(),
                tester.label(),
                tester.isInDate(LocalDate.now(clock))
                        ? "reads to "
                                + tester.insulationTester().overRange().shown().substring(1) + ", leads "
                                + Check.plain(tester.leads().pairOhms()) + "\u2009Ω"
                        : "out of date since "
                                + tester.calibrationDue().map(Object::toString).orElse(""));
    }

    @PostMapping("/assessments")
    Header start(@RequestBody NewAssessment wanted, Principal who) {
        return header(assessments.prepare(
                wanted.bayId(),
                wanted.candidateId(),
                wanted.testerId(),
                schemes.newest(wanted.schemeId()),
                who.getName()));
    }

    @GetMapping("/assessments/{id}")
    Header header(@PathVariable String id) {
        return header(assessments.get(id));
    }

    @PostMapping("/assessments/{id}/hand-back")
    Header handBack(@PathVariable String id, @RequestBody HandBack back, Principal who) {
        Check.that(!back.reason().isBlank(), "no-reason", "reason", "", "say why; the candidate reads it");
        Check.text(back.reason(), LONGEST_REASON, "reason");
        return header(assessments.append(
                id, back.eventId(), new AssessmentEvent.HandedBack(back.reason().strip()), who.getName()));
    }

    private Header header(Assessment assessment) {
        Conduct.BrokenOff broken = assessment.conduct().brokenOff();
        return new Header(
                new HeaderPlace(
                        assessment.id(),
                        workshop.bay(assessment.fixed().bayId()).number(),
                        assessment.fixed().bayId(),
                        keys.rig(assessment).name(),
                        keys.scheme(assessment).name(),
                        accounts.get(assessment.fixed().candidateId()).name()),
                new HeaderStanding(
                        assessment.stage(),
                        assessment.occupiesBay(),
                        assessment.occupiesBay()
                                ? keys.faultsIn(assessment).faults().size()
                                : 0,
                        assessment.energisedAt() != null),
                new HeaderCourse(
                        assessment.openedAt(),
                        assessment.handedInAt(),
                        broken == null ? "" : broken.reason(),
                        assessment.outcome() != null,
                        assessment.conduct().resit().map(Conduct.Resit::of).orElse(null)));
    }
}
