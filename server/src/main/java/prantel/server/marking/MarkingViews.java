package prantel.server.marking;

import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.marking.MarkedSheet;
import prantel.formats.MarkExport;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;

/** What Mark shows to one person: to whoever marks alone nothing of what others gave. */
@Component
class MarkingViews {
    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final BayFellows fellows;

    MarkingViews(Assessments assessments, Keys keys, Accounts accounts, BayFellows fellows) {
        this.fellows = fellows;
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
    }

    MarkingView of(Assessment assessment, String viewer) {
        MarkedSheet today = keys.marked(assessment);
        Given given = Given.of(assessment, viewer);
        OpinionsView opinions = given.blind()
                ? OpinionsView.blind(assessment.opinions(), viewer)
                : OpinionsView.of(
                        assessment,
                        today,
                        accounts::nameOf,
                        accounts.who(Role::mayAssess).stream()
                                .map(a -> new OpinionsView.OtherAssessor(a.accountId(), a.name()))
                                .toList());
        return MarkingView.of(
                assessment,
                today,
                keys.reports(assessment),
                assessments
                        .resultOf(assessment)
                        .map(kept -> new MarkingView.Kept(MarkExport.marks(kept), Frozen.difference(kept, today))),
                given,
                opinions,
                fellows.alike(assessment),
                keys.bandReasons(today.key()));
    }
}
