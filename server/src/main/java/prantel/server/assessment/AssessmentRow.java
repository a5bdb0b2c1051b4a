package prantel.server.assessment;

import java.time.OffsetDateTime;
import prantel.core.assessment.Pinned;

/** What is fixed when an assessment is prepared: who, where, and every version that a mark depends on. */
public record AssessmentRow(
        String assessmentId,
        String bayId,
        String candidateId,
        String assessorId,
        String rigId,
        int rigVersion,
        String testerId,
        int testerVersion,
        String schemeId,
        int schemeVersion,
        int engineVersion,
        OffsetDateTime preparedAt) {
    Pinned pinned() {
        return new Pinned(
                assessmentId,
                bayId,
                candidateId,
                assessorId,
                new Pinned.Versions(
                        new Pinned.Document(rigId, rigVersion),
                        new Pinned.Document(testerId, testerVersion),
                        new Pinned.Document(schemeId, schemeVersion),
                        engineVersion),
                preparedAt);
    }
}
