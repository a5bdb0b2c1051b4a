package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import prantel.server.account.Accounts;

/** One's own account: password and sign-ins; choosing a password with a code. */
@RestController
class AccountController {
    private final Accounts accounts;
    private final SignedIn signedIn;

    AccountController(Accounts accounts, SignedIn signedIn) {
        this.accounts = accounts;
        this.signedIn = signedIn;
    }

    record NewPassword(String present, String password) {}

    record Accepting(String signInName, String code, String password) {}

    @GetMapping("/api/me/sign-ins")
    List<Accounts.SignedIn> signIns(Principal who) {
        return accounts.signIns(who.getName());
    }

    /** Other devices are signed out by it; this one stays. */
    @PostMapping("/api/me/password")
    void changePassword(
            @RequestBody NewPassword next, Principal who, HttpServletRequest request, HttpServletResponse response) {
        accounts.changePassword(who.getName(), next.present(), next.password(), request.getRemoteAddr());
        signedIn.begin(accounts.get(who.getName()), null, request, response);
    }

    /** Signs every other device out; this one stays. */
    @DeleteMapping("/api/me/sign-ins")
    List<Accounts.SignedIn> endOthers(Principal who, HttpServletRequest request, HttpServletResponse response) {
        accounts.endSessions(who.getName());
        signedIn.begin(accounts.get(who.getName()), null, request, response);
        return signIns(who);
    }

    /** Chooses a password with the code of an invitation; signing in comes after. */
    @PostMapping("/api/invitations")
    void accept(@RequestBody Accepting accepting, HttpServletRequest request) {
        accounts.accept(
                accepting.signInName().strip(), accepting.code(), accepting.password(), request.getRemoteAddr());
    }
}
