package prantel.server.demo;

import java.util.List;
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
            new SignIn("ines", "Ines Marrow", Role.ASSESSOR, "toll-gate-7"),
            new SignIn("varga", "Tamsin Varga", Role.ADMINISTRATOR, "ferry-bell-2"),
            new SignIn("petra", "Petra Lindholm", Role.CANDIDATE, "mudflat-11"),
            new SignIn("owen", "Owen Tasker", Role.CANDIDATE, "heron-pole-4"),
            new SignIn("mirela", "Mirela Stow", Role.CANDIDATE, "salt-pan-9"),
            new SignIn("bas", "Bas Hollis", Role.CANDIDATE, "tide-table-3"));

    record SignIn(String id, String name, Role role, String password) {}

    @GetMapping
    List<SignIn> signIns() {
        return ALL;
    }
}
