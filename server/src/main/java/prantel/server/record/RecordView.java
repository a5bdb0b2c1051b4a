package prantel.server.record;

import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Course;

/**
 * All that is kept of an assessment, to read.
 *
 * @param facts who, where, with what, by which versions
 * @param stations the procedure line
 * @param chain the last link of its hash chain: what an export is held against
 */
public record RecordView(
        String id,
        String candidate,
        List<RecordFact> facts,
        RecordOutcome outcome,
        List<StationLine> stations,
        List<DeedLine> deeds,
        List<KeptReading> readings,
        List<MarkedLine> marks,
        List<Signature> signatures,
        String chain) {

    public record RecordFact(String label, String value) {}

    /** @param words empty until it is decided */
    public record RecordOutcome(
            String words, String proposed, double points, double outOf, List<String> reasons, String otherwise) {}

    /** @param at the first deed of it on record; null for none */
    public record StationLine(
            String id,
            String title,
            boolean live,
            Course.State state,
            @Nullable OffsetDateTime at,
            String by) {}

    public record DeedLine(OffsetDateTime at, String by, String words) {}

    /** @param before what stood there until it was changed, oldest first */
    public record KeptReading(
            String slot,
            String quantity,
            String where,
            String written,
            String judged,
            List<String> before,
            OffsetDateTime at,
            String by) {}

    /**
     * @param first given by the assessor; empty where nobody decided it
     * @param second given by somebody who marked it alone; empty for none
     * @param counts what counts in the end
     */
    public record MarkedLine(
            String id,
            String group,
            String title,
            double weight,
            String proposed,
            String first,
            String second,
            String counts,
            double points,
            String reason,
            String evidence) {}

    public record Signature(String what, String by, OffsetDateTime at) {}
}
