package prantel.server.sheet;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Feedback;

/**
 * What a candidate reads after an assessment. It is made from what the assessor wrote and from what the candidate wrote:
 * neither the fault set nor a key is read for it, so neither can leak.
 */
public record FeedbackSheet(
        @JsonUnwrapped FeedbackOf of,
        @JsonUnwrapped FeedbackTold told,
        @JsonUnwrapped FeedbackGivenBy given) {

    /** Whose sheet, of what. */
    public record FeedbackOf(String candidate, String rig, int bay, String scheme, OffsetDateTime handedInAt) {}

    /**
     * What is told.
     *
     * @param faults what was set, as the assessor let it be told; null where it stays untold
     * @param pictures own readings along the circuits that taught something, as SVG
     */
    public record FeedbackTold(
            String outcome,
            List<FeedbackSection> sections,
            @Nullable List<String> faults,
            List<Drawn> pictures) {}

    /** By whom, when. */
    public record FeedbackGivenBy(String by, OffsetDateTime at) {}

    /** What is of one kind, in the order it is read. */
    public record FeedbackSection(Feedback.Kind kind, String title, List<FeedbackLine> lines) {}

    /** @param boxes the readings that taught it */
    public record FeedbackLine(String text, List<OwnBox> boxes) {}

    public record OwnBox(String quantity, String where, String written) {}

    /** @param words the same for whoever does not see it */
    public record Drawn(String words, String svg) {}

    static String title(Feedback.Kind kind) {
        return switch (kind) {
            case RIGHT -> "What was right";
            case CHANGE -> "What to do otherwise";
            case PRACTISE -> "What to practise";
        };
    }
}
