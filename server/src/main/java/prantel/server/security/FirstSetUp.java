package prantel.server.security;

import java.security.SecureRandom;
import java.util.EnumSet;
import java.util.HexFormat;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import prantel.core.quantity.Problem;
import prantel.server.PrantelSettings;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.web.Refusal;

/** The first start on an empty data folder prints a code; whoever has it makes the administrator. It works once. */
@Component
class FirstSetUp {
    private final Accounts accounts;
    private final PrantelSettings settings;
    private final String code;

    FirstSetUp(Accounts accounts, PrantelSettings settings) {
        this.accounts = accounts;
        this.settings = settings;
        byte[] bytes = new byte[6];
        new SecureRandom().nextBytes(bytes);
        code = HexFormat.of().formatHex(bytes);
    }

    boolean isNeeded() {
        return !settings.demo() && accounts.all().isEmpty();
    }

    @EventListener(ApplicationReadyEvent.class)
    void announce() {
        if (isNeeded()) {
            System.out.println("First start: nobody can sign in yet. Open the page and use this set-up code: " + code);
        }
    }

    synchronized void perform(String given, String id, String name, String password) {
        if (!isNeeded()) {
            throw new Refusal(
                    HttpStatus.CONFLICT,
                    new Problem("set-up-done", "code", "", "this workshop is already set up; sign in"));
        }
        if (!java.security.MessageDigest.isEqual(
                given.strip().getBytes(java.nio.charset.StandardCharsets.UTF_8),
                code.getBytes(java.nio.charset.StandardCharsets.UTF_8))) {
            throw new Refusal(
                    HttpStatus.FORBIDDEN,
                    new Problem("wrong-code", "code", "", "give the code that the server printed when it started"));
        }
        // one person at first: does everything, and gives roles to others
        accounts.add(id, name, EnumSet.of(Role.ADMINISTRATOR, Role.LEAD, Role.ASSESSOR, Role.TECHNICIAN), password);
    }
}
