package prantel.server.record;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Course;
import prantel.core.sequence.Schedule;

/**
 * All that is kept of an assessment, to read.
 * @param chain the last link of its hash chain: what an export is held against
 */
public record RecordView(
        @JsonUnwrapped RecordHead head,
        @JsonUnwrapped RecordCourse course,
        @JsonUnwrapped RecordContent content,
        List<Signature> signatures,
        String chain) {

    /**
     * Whose record, and what it came to.
     *
     * @param facts who, where, with what, by which versions
     */
    public record RecordHead(String id, String candidate, List<RecordFact> facts, RecordOutcome outcome) {}

    /**
     * What happened, in order.
     *
     * @param stations the procedure line
     */
    public record RecordCourse(List<StationLine> stations, List<DeedLine> deeds) {}

    /** What was written and marked. @param schedule the readings as they are filed, a line a circuit */
    public record RecordContent(
            Schedule schedule, List<KeptReading> readings, RecordFaults faults, List<MarkedLine> marks) {}

    /** What was set on the rig, and what the candidate named. */
    public record RecordFaults(List<String> set, List<String> named) {}

    public record RecordFact(String label, String value) {}

    /** @param stopped whether it was stopped for safety @param words empty until it is decided */
    public record RecordOutcome(
            boolean stopped,
            String words,
            String proposed,
            double points,
            double outOf,
            List<String> reasons,
            String otherwise) {}

    /** @param at the first deed of it on record; null for none */
    public record StationLine(
            String id,
            String title,
            boolean live,
            Course.State state,
            @Nullable OffsetDateTime at,
            String by) {}

    public record DeedLine(OffsetDateTime at, String by, String words) {}

    public record KeptReading(
            String slot,
            String quantity,
            String where,
            @JsonUnwrapped KeptText text,
            String judged) {}

    /** @param before what stood there until it was changed, oldest first */
    public record KeptText(String written, List<String> before, OffsetDateTime at, String by) {}

    public record MarkedLine(
            @JsonUnwrapped MarkedWhat of,
            @JsonUnwrapped MarkedOpinions opinions,
            @JsonUnwrapped MarkedEnd end,
            String evidence) {}

    /** Which mark. */
    public record MarkedWhat(String id, String group, String title, double weight) {}

    /**
     * What was proposed, and what each gave.
     *
     * @param first given by the assessor; empty where nobody decided it
     * @param second given by somebody who marked it alone; empty for none
     */
    public record MarkedOpinions(String proposed, String first, String second) {}

    /**
     * What came of it.
     *
     * @param counts what counts in the end
     */
    public record MarkedEnd(String counts, double points, String reason) {}

    public record Signature(String what, String by, OffsetDateTime at) {}
}
