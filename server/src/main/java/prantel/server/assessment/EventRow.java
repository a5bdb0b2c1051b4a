package prantel.server.assessment;

import java.time.OffsetDateTime;

record EventRow(
        String assessmentId,
        int seq,
        String eventId,
        String kind,
        String subject,
        String payload,
        OffsetDateTime happenedAt,
        String accountId,
        String chain) {}
