package prantel.server.assessment;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Conduct;

/**
 * Where an assessment stands, for finding it without its events.
 *
 * @param bayId the bay it has; null once the rig is cleared
 * @param liveWith the assessor while its rig is live
 * @param fromLibrary the library's set it was made from; null for none
 */
record StandingRow(
        String assessmentId,
        int seq,
        @Nullable String bayId,
        @Nullable String liveWith,
        boolean marked,
        boolean cleared,
        @Nullable String verdict,
        boolean overridden,
        @Nullable OffsetDateTime decidedAt,
        @Nullable String fromLibrary) {
    /** Stands where the verdict does for one that ended without one. */
    static final String BROKEN_OFF = "BROKEN_OFF";

    static StandingRow of(Assessment assessment) {
        Assessment.OutcomeGiven outcome = assessment.outcome();
        Conduct.BrokenOff broken = assessment.conduct().brokenOff();
        return new StandingRow(
                assessment.id(),
                assessment.seq(),
                assessment.occupiesBay() ? assessment.fixed().bayId() : null,
                assessment.energisedAt() == null ? null : assessment.conduct().assessor(),
                outcome != null || broken != null,
                !assessment.occupiesBay(),
                broken != null
                        ? BROKEN_OFF
                        : outcome == null ? null : outcome.given().name(),
                outcome != null && outcome.given() != outcome.proposed(),
                broken != null ? broken.at() : outcome == null ? null : outcome.at(),
                assessment.fromLibrary());
    }
}
