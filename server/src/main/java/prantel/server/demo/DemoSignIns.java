package prantel.server.demo;

import java.util.List;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.server.account.Role;

/** The invented people of the demo, with their passwords: offered on the sign-in page, in the demo only. */
@RestController
@RequestMapping("/api/demo/sign-ins")
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoSignIns {
    static final List<SignIn> ALL = List.of(
            new SignIn("ines", "Ines Marrow", Set.of(Role.ASSESSOR), "toll-gate-7"),
            new SignIn("corin", "Corin Vale", Set.of(Role.ASSESSOR), "slipway-12"),
            new SignIn("jory", "Jory Penn", Set.of(Role.TECHNICIAN), "sluice-door-8"),
            new SignIn("varga", "Tamsin Varga", Set.of(Role.ADMINISTRATOR, Role.LEAD, Role.TECHNICIAN), "ferry-bell-2"),
            new SignIn("petra", "Petra Lindholm", Set.of(Role.CANDIDATE), "mudflat-11"),
            new SignIn("owen", "Owen Tasker", Set.of(Role.CANDIDATE), "heron-pole-4"),
            new SignIn("mirela", "Mirela Stow", Set.of(Role.CANDIDATE), "salt-pan-9"),
            new SignIn("bas", "Bas Hollis", Set.of(Role.CANDIDATE), "tide-table-3"),
            new SignIn("lena", "Lena Brook", Set.of(Role.CANDIDATE), "eel-trap-5"),
            new SignIn("asta", "Asta Quill", Set.of(Role.CANDIDATE), "spring-tide-6"),
            new SignIn("tomas", "Tomas Reed", Set.of(Role.CANDIDATE), "marsh-gate-1"),
            new SignIn("piet", "Piet Larkin", Set.of(Role.CANDIDATE), "lock-keeper-9"));

    record SignIn(String id, String name, Set<Role> roles, String password) {}

    @GetMapping
    List<SignIn> signIns() {
        return ALL;
    }
}
