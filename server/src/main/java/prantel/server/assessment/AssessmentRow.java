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
    static AssessmentRow of(Pinned fixed) {
        Pinned.Versions versions = fixed.versions();
        return new AssessmentRow(
                fixed.assessmentId(),
                fixed.bayId(),
                fixed.candidateId(),
                fixed.assessorId(),
                versions.rig().id(),
                versions.rig().version(),
                versions.tester().id(),
                versions.tester().version(),
                versions.scheme().id(),
                versions.scheme().version(),
                versions.engine(),
                fixed.preparedAt());
    }

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
