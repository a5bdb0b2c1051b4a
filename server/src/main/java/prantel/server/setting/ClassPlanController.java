package prantel.server.setting;

import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.quantity.Check;
import prantel.core.setting.ClassPlan;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Proposer;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.setting.ClassPlanView.PlannedPerson;
import prantel.server.setting.ClassPlanView.PlannedSession;
import prantel.server.setting.ClassPlanView.PlannedSitting;
import prantel.server.workshop.Workshop;

/** Sets for a whole class: proposed, and kept in the library. */
@RestController
@RequestMapping("/api/class-plans")
class ClassPlanController {
    private static final int MOST_PEOPLE = 24;

    private final ClassPlans plans;
    private final FaultSetLibrary library;
    private final Accounts accounts;
    private final Workshop workshop;

    ClassPlanController(ClassPlans plans, FaultSetLibrary library, Accounts accounts, Workshop workshop) {
        this.plans = plans;
        this.library = library;
        this.accounts = accounts;
        this.workshop = workshop;
    }

    record ClassChoices(List<ClassPerson> candidates, int bays) {}

    record ClassPerson(String id, String name) {}

    /** @param each sittings a person @param count faults a set @param target difficulty, 1 to 5 */
    record WantedPlan(List<String> people, int each, Proposer.Stage stage, int count, double target, long seed) {}

    record PlanToKeep(String name, WantedPlan plan) {}

    record KeptPlan(List<String> names) {}

    @GetMapping
    ClassChoices choices() {
        return new ClassChoices(
                accounts.all().stream()
                        .filter(a -> a.has(Role.CANDIDATE) && a.isActive())
                        .map(a -> new ClassPerson(a.accountId(), a.name()))
                        .toList(),
                workshop.bays().size());
    }

    @PostMapping("/propose")
    ClassPlanView propose(@RequestBody WantedPlan wanted) {
        List<Account> people = people(wanted);
        ClassPlans.Made made = plan(wanted, people);
        TreeMap<Integer, List<PlannedSitting>> sessions = new TreeMap<>();
        for (ClassPlan.Sitting sitting : made.plan().sittings()) {
            sessions.computeIfAbsent(sitting.session(), s -> new ArrayList<>()).add(line(sitting, made, people));
        }
        List<PlannedPerson> spread = new ArrayList<>();
        for (int i = 0; i < people.size(); i++) {
            spread.add(new PlannedPerson(people.get(i).name(), made.plan().difficultyOf(i)));
        }
        return new ClassPlanView(
                sessions.entrySet().stream()
                        .map(e -> new PlannedSession(e.getKey() + 1, e.getValue()))
                        .toList(),
                spread);
    }

    private static PlannedSitting line(ClassPlan.Sitting sitting, ClassPlans.Made made, List<Account> people) {
        ClassPlans.BayOfClass bay = made.bays().get(sitting.bay());
        return new PlannedSitting(
                bay.number(),
                bay.rig().name(),
                people.get(sitting.person()).name(),
                setName(sitting, people),
                sitting.proposal().faults().faults().stream()
                        .map(f -> f.title() + ", " + f.where(bay.rig()))
                        .toList(),
                sitting.proposal().difficulty());
    }

    private static String setName(ClassPlan.Sitting sitting, List<Account> people) {
        return "session " + (sitting.session() + 1) + ", "
                + people.get(sitting.person()).name();
    }

    /** Every set of the plan in the library, each under the name of the class, its session and its candidate. */
    @PostMapping("/keep")
    @Transactional
    KeptPlan keep(@RequestBody PlanToKeep wanted, Principal who) {
        Check.name(wanted.name(), "name");
        List<Account> people = people(wanted.plan());
        ClassPlans.Made made = plan(wanted.plan(), people);
        List<String> names = new ArrayList<>();
        for (ClassPlan.Sitting sitting : made.plan().sittings()) {
            String name = wanted.name().strip() + ", " + setName(sitting, people);
            library.save(
                    name,
                    sitting.proposal().faults(),
                    made.bays().get(sitting.bay()).rig(),
                    who.getName());
            names.add(name);
        }
        return new KeptPlan(names);
    }

    private List<Account> people(WantedPlan wanted) {
        Check.between(wanted.people().size(), 1, MOST_PEOPLE, "people", "candidates");
        List<Account> people =
                wanted.people().stream().distinct().map(accounts::get).toList();
        for (Account person : people) {
            Check.that(person.has(Role.CANDIDATE), "no-candidate", "people", person.name(), "choose candidates only");
        }
        return people;
    }

    private ClassPlans.Made plan(WantedPlan wanted, List<Account> people) {
        int bays = workshop.bays().size();
        Check.that(bays > 0, "no-bays", "bays", "none", "an administrator adds bays on the Workshop page");
        Check.between(wanted.each(), 1, bays, "each", "sittings");
        Check.between(wanted.count(), 1, 6, "count", "faults");
        Check.between(wanted.target(), Difficulty.EASIEST, Difficulty.HARDEST, "target", "(difficulty)");
        return plans.plan(people, wanted.each(), wanted.stage(), wanted.count(), wanted.target(), wanted.seed());
    }
}
