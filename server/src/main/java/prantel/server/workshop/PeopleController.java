package prantel.server.workshop;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;

/** People: who they are, what they may do, how they come in. */
@RestController
@RequestMapping("/api/workshop/people")
class PeopleController {
    private final Accounts accounts;

    PeopleController(Accounts accounts) {
        this.accounts = accounts;
    }

    /** @param invited whether a code is out that was not used @param locked after wrong passwords */
    record PersonLine(
            String id,
            String name,
            List<Role> roles,
            boolean invited,
            boolean locked,
            boolean blocked,
            @Nullable OffsetDateTime leftAt) {}

    /** @param password empty to invite: the person chooses one with a code */
    record NewPerson(String signInName, String name, List<Role> roles, String password) {}

    record NewRoles(List<Role> roles) {}

    record NewName(String name) {}

    record Standing(boolean blocked, boolean left) {}

    /** @param code shown once; null where none was made @param advice what an administrator should see to; empty for nothing */
    record PeopleView(List<PersonLine> people, @Nullable PersonCode code, String advice) {}

    /** @param of who may use it */
    record PersonCode(String code, String of) {}

    @GetMapping
    PeopleView people() {
        return view(null);
    }

    private PeopleView view(@Nullable PersonCode code) {
        Set<String> invited = accounts.invited();
        List<Account> all = accounts.all();
        long administrators = all.stream()
                .filter(a -> a.isActive() && a.has(Role.ADMINISTRATOR))
                .count();
        return new PeopleView(
                all.stream().map(a -> line(a, invited)).toList(),
                code,
                administrators == 1
                        ? "You are the only administrator. Name a second one: if you forget your password, only somebody at the"
                                + " server itself can let you in again (./prantel reset-administrator)."
                        : "");
    }

    private PersonLine line(Account a, Set<String> invited) {
        return new PersonLine(
                a.accountId(),
                a.name(),
                List.copyOf(a.roles()),
                invited.contains(a.accountId()),
                accounts.isLocked(a.accountId()),
                a.blocked(),
                a.leftAt());
    }

    private static Set<Role> set(List<Role> roles) {
        Set<Role> set = EnumSet.noneOf(Role.class);
        set.addAll(roles);
        return set;
    }

    @PostMapping
    PeopleView add(@RequestBody NewPerson person, Principal who) {
        if (person.password().isEmpty()) {
            String code = accounts.invite(person.signInName(), person.name(), set(person.roles()), who.getName());
            return view(new PersonCode(code, person.signInName()));
        }
        accounts.add(person.signInName(), person.name(), set(person.roles()), person.password());
        return view(null);
    }

    @PutMapping("/{id}/roles")
    PeopleView roles(@PathVariable String id, @RequestBody NewRoles roles) {
        accounts.setRoles(id, set(roles.roles()));
        return view(null);
    }

    @PutMapping("/{id}/name")
    PeopleView name(@PathVariable String id, @RequestBody NewName name) {
        accounts.rename(id, name.name().strip());
        return view(null);
    }

    @PutMapping("/{id}/standing")
    PeopleView standing(@PathVariable String id, @RequestBody Standing standing) {
        accounts.setStanding(id, standing.blocked(), standing.left());
        return view(null);
    }

    @PostMapping("/{id}/reset")
    PeopleView reset(@PathVariable String id, Principal who) {
        return view(new PersonCode(accounts.reset(id, who.getName()), id));
    }

    @PostMapping("/{id}/unlock")
    PeopleView unlock(@PathVariable String id) {
        accounts.unlock(id);
        return view(null);
    }
}
