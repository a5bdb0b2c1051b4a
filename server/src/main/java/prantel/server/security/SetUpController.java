package prantel.server.security;

import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Makes the first administrator. */
@RestController
@RequestMapping("/api/set-up")
class SetUpController {
    private final FirstSetUp setUp;

    SetUpController(FirstSetUp setUp) {
        this.setUp = setUp;
    }

    record FirstPerson(String code, String signInName, String name, String password) {}

    @PostMapping
    void setUp(@RequestBody FirstPerson first) {
        setUp.perform(first.code(), first.signInName(), first.name(), first.password());
    }
}
