package prantel.server.assessment;

import java.time.OffsetDateTime;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Pinned;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.core.scheme.Scheme;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Looks whether an assessment can be prepared with what is asked for, and pins every version that a mark depends on. */
@Component
class Preparation {
    private final Workshop workshop;
    private final Accounts accounts;
    private final Schemes schemes;

    Preparation(Workshop workshop, Accounts accounts, Schemes schemes) {
        this.workshop = workshop;
        this.accounts = accounts;
        this.schemes = schemes;
    }

    /** Whether somebody leads the others: may take back what they asked for. */
    boolean isLead(String account) {
        return accounts.find(account).filter(a -> a.has(Role.LEAD)).isPresent();
    }

    /** @throws prantel.core.quantity.ProblemsException if the person is no candidate, or the tester out of date */
    Pinned pin(
            String id,
            String bayId,
            String candidateId,
            String testerId,
            Scheme scheme,
            String assessorId,
            OffsetDateTime at) {
        Bay bay = workshop.bay(bayId);
        Account candidate = accounts.get(candidateId);
        Check.that(
                candidate.has(Role.CANDIDATE) && candidate.isActive(),
                "not-a-candidate",
                "candidate",
                candidate.name(),
                "choose a candidate");
        DocumentRef tester = workshop.latestTester(testerId);
        workshop.mustBeInDate(tester);
        DocumentRef pinned = schemes.pin(scheme, assessorId);
        return new Pinned(
                id,
                bayId,
                candidateId,
                assessorId,
                new Pinned.Versions(
                        new Pinned.Document(bay.rigId(), bay.rigVersion()),
                        new Pinned.Document(tester.id(), tester.version()),
                        new Pinned.Document(pinned.id(), pinned.version()),
                        MarkedSheet.ENGINE_VERSION),
                at);
    }
}
