package prantel.server.setting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultKind;
import prantel.core.rig.Rig;
import prantel.core.setting.ClassPlan;
import prantel.core.setting.Proposer;
import prantel.server.account.Account;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.keys.Explorations;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Plans for a whole class on the bays of the workshop. The same request gives the same plan. */
@Service
class ClassPlans {
    private final Workshop workshop;
    private final Schemes schemes;
    private final Assessments assessments;
    private final Keys keys;
    private final Explorations explorations;

    ClassPlans(Workshop workshop, Schemes schemes, Assessments assessments, Keys keys, Explorations explorations) {
        this.workshop = workshop;
        this.schemes = schemes;
        this.assessments = assessments;
        this.keys = keys;
        this.explorations = explorations;
    }

    /** @param rig on its wall */
    record BayOfClass(int number, Rig rig) {}

    /** @param bays in the order of the plan's bays */
    record Made(List<BayOfClass> bays, ClassPlan plan) {}

    /** @throws Refusal if there is no fair plan */
    Made plan(List<Account> people, int each, Proposer.Stage stage, int count, double target, long seed) {
        List<BayOfClass> bays = workshop.bays().stream()
                .sorted(Comparator.comparingInt(Bay::number))
                .map(b -> new BayOfClass(b.number(), workshop.rigOf(b)))
                .toList();
        List<Set<FaultKind>> seen = people.stream().map(this::seenBy).toList();
        var request = new Proposer.Request(stage, count, target, Set.of(), Set.of(), f -> true, seed);
        return ClassPlan.of(proposers(bays), seen, each, request)
                .map(plan -> new Made(bays, plan))
                .orElseThrow(
                        () -> Refusal.conflict(
                                "no-plan",
                                "no fair plan answers that; ask for fewer faults or sittings, another difficulty or another seed"));
    }

    private List<ClassPlan.Bay> proposers(List<BayOfClass> bays) {
        FaultResults results = new FaultResults(assessments.faultResults());
        List<ClassPlan.Bay> proposers = new ArrayList<>();
        for (BayOfClass bay : bays) {
            Key key = explorations.healthy(bay.rig(), workshop.firstTester(), schemes.usualFor(bay.rig()));
            int boxes = key.expectations().size();
            proposers.add(new ClassPlan.Bay(
                    new Proposer(explorations.of(key), explorations.full(key), e -> results.corrected(e, boxes)),
                    FaultBox.of(bay.rig())::canSet));
        }
        return proposers;
    }

    private Set<FaultKind> seenBy(Account person) {
        return keys.kindsIn(assessments.ofCandidate(person.accountId()).stream()
                .filter(a -> a.openedAt() != null)
                .toList());
    }
}
