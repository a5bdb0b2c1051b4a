package prantel.server.practice;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/** A practice as its table has it. */
record PracticeRow(
        String practiceId,
        String accountId,
        String rigId,
        int rigVersion,
        String testerId,
        int testerVersion,
        String schemeId,
        int schemeVersion,
        String way,
        String drill,
        String drillFile,
        String purpose,
        String beside,
        long seed,
        String faults,
        OffsetDateTime startedAt,
        @Nullable OffsetDateTime endedAt,
        int deedCount,
        String readings,
        String named,
        String box,
        int slips,
        int dangers,
        int wrong,
        String kinds) {}
