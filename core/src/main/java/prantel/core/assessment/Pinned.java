package prantel.core.assessment;

import java.time.OffsetDateTime;

/** What is fixed when an assessment is prepared: who, where, and every version that a mark depends on. */
public record Pinned(
        String assessmentId,
        String bayId,
        String candidateId,
        String assessorId,
        Versions versions,
        OffsetDateTime preparedAt) {
    /** @param engine version of the rules of core */
    public record Versions(Document rig, Document tester, Document scheme, int engine) {}

    /** One version of a file that was kept. */
    public record Document(String id, int version) {}
}
