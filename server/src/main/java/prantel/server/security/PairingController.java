package prantel.server.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.quantity.Problem;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.PairingCodes;
import prantel.server.web.Refusal;

/** A tablet is let in to one candidate's one sheet, by the code that the assessor's screen shows. */
@RestController
@RequestMapping("/api/pairing")
class PairingController {
    private final PairingCodes codes;
    private final Accounts accounts;
    private final SignedIn signedIn;

    PairingController(PairingCodes codes, Accounts accounts, SignedIn signedIn) {
        this.codes = codes;
        this.accounts = accounts;
        this.signedIn = signedIn;
    }

    record PairingCode(String code) {}

    record Paired(String sheet) {}

    @PostMapping
    Paired pair(@RequestBody PairingCode given, HttpServletRequest request, HttpServletResponse response) {
        PairingCodes.LetIn letIn = codes.redeem(given.code(), request.getRemoteAddr())
                .orElseThrow(() -> new Refusal(
                        HttpStatus.FORBIDDEN,
                        new Problem(
                                "bad-code",
                                "code",
                                "",
                                "that code opens nothing: it works once, for ten minutes; ask for a new one")));
        PairingCodes.Sheet sheet = letIn.sheet();
        Account account = accounts.get(sheet.candidateId());
        if (!account.isActive()) {
            throw Refusal.notFound("sheet");
        }
        signedIn.begin(account, new SignedIn.Tablet(sheet.assessmentId(), letIn.tablet()), request, response);
        return new Paired(sheet.assessmentId());
    }
}
