package prantel.server.assessment;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Conduct;

/**
 * Where an assessment stands, for finding it without its events.
 *
 * @param held what nobody else may have meanwhile
 * @param fromLibrary the library's set it was made from; null for none
 */
record StandingRow(
        String assessmentId,
        int seq,
        Held held,
        boolean cleared,
        End end,
        @Nullable String fromLibrary) {
    /** @param bayId the bay it has; null once the rig is cleared @param liveWith the assessor while its rig is live */
    record Held(@Nullable String bayId, @Nullable String liveWith) {}

    /** @param verdict a {@link prantel.core.marking.Outcome.Verdict}'s name, or {@link #BROKEN_OFF}; null while it is not marked */
    record End(
            boolean marked,
            @Nullable String verdict,
            boolean overridden,
            @Nullable OffsetDateTime decidedAt) {}

    /** Stands where the verdict does for one that ended without one. */
    static final String BROKEN_OFF = "BROKEN_OFF";

    static StandingRow of(Assessment assessment) {
        Assessment.OutcomeGiven outcome = assessment.outcome();
        Conduct.BrokenOff broken = assessment.conduct().brokenOff();
        return new StandingRow(
                assessment.id(),
                assessment.seq(),
                new Held(
                        assessment.occupiesBay() ? assessment.fixed().bayId() : null,
                        assessment.energisedAt() == null
                                ? null
                                : assessment.conduct().assessor()),
                !assessment.occupiesBay(),
                new End(
                        outcome != null || broken != null,
                        broken != null
                                ? BROKEN_OFF
                                : outcome == null ? null : outcome.given().name(),
                        outcome != null && outcome.given() != outcome.proposed(),
                        broken != null ? broken.at() : outcome == null ? null : outcome.at()),
                assessment.fromLibrary());
    }

    /** The same that holds less. */
    StandingRow holding(@Nullable String bayId, @Nullable String liveWith) {
        return new StandingRow(assessmentId, seq, new Held(bayId, liveWith), cleared, end, fromLibrary);
    }
}
