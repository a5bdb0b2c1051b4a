package prantel.server.assessment;

import java.time.OffsetDateTime;
import prantel.server.workshop.DocumentRef;

/** A decided record as the database finds it. */
record FoundRow(
        String assessmentId,
        String candidate,
        String assessor,
        String rigId,
        int rigVersion,
        String schemeId,
        int schemeVersion,
        String verdict,
        boolean overridden,
        OffsetDateTime at) {
    Assessments.FoundRecord found() {
        return new Assessments.FoundRecord(
                assessmentId,
                candidate,
                assessor,
                new DocumentRef(rigId, rigVersion),
                new DocumentRef(schemeId, schemeVersion),
                new Assessments.Decided(verdict, verdict.equals(StandingRow.BROKEN_OFF), overridden, at));
    }
}
