package prantel.server.security;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;

/**
 * The only administrator forgot the password: whoever may start the server on its machine makes a code, and nobody else. It is
 * kept among that person's sign-ins, and the server ends.
 */
@Component
@ConditionalOnProperty("prantel.reset-administrator")
class ResetAdministrator {
    private final Accounts accounts;
    private final String wanted;

    /** @param wanted a sign-in name; "only" for the only administrator there is */
    ResetAdministrator(Accounts accounts, @Value("${prantel.reset-administrator}") String wanted) {
        this.accounts = accounts;
        this.wanted = wanted;
    }

    @EventListener
    void reset(ApplicationReadyEvent event) {
        ConfigurableApplicationContext context = event.getApplicationContext();
        int result = reset() ? 0 : 1;
        System.exit(SpringApplication.exit(context, () -> result));
    }

    private boolean reset() {
        List<Account> administrators = accounts.all().stream()
                .filter(a -> a.has(Role.ADMINISTRATOR) && a.leftAt() == null)
                .filter(a -> wanted.equals("only") || a.accountId().equals(wanted))
                .toList();
        if (administrators.size() != 1) {
            System.err.println(
                    administrators.isEmpty()
                            ? "prantel: there is no administrator of that name in this folder"
                            : "prantel: there are several administrators: give one of "
                                    + String.join(
                                            ", ",
                                            administrators.stream()
                                                    .map(Account::accountId)
                                                    .toList()));
            return false;
        }
        Account account = administrators.getFirst();
        String code = accounts.reset(account.accountId(), account.accountId());
        accounts.setStanding(account.accountId(), false, false);
        accounts.keepSignIn(account.accountId(), "on the server itself", "./prantel reset-administrator made a code");
        System.out.println("A code for " + account.name() + " (" + account.accountId() + "): " + code);
        System.out.println(
                "Start the server, press “I have a code” on the sign-in page and choose a password. It works once,"
                        + " for a week. The old password opens nothing any more.");
        return true;
    }
}
