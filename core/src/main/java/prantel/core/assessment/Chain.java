package prantel.core.assessment;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;

/**
 * Links each event to the one before it, so that a record that was changed afterwards is told: the hash of an event covers
 * the hash before it. SHA-256 (FIPS 180-4) over the fields, each on a line of its own with its length before it.
 */
public final class Chain {
    /** What stands before the first event. */
    public static final String START = "";

    private Chain() {}

    /**
     * One event as it is stored.
     *
     * @param payload the event as JSON, exactly as stored
     */
    public record Link(String assessmentId, int seq, String eventId, String payload, OffsetDateTime at, String by) {}

    /** @param before hash of the event before, {@link #START} for the first @return 64 hexadecimal digits */
    public static String next(String before, Link link) {
        return digest(List.of(
                before,
                link.assessmentId(),
                String.valueOf(link.seq()),
                link.eventId(),
                link.payload(),
                link.at().toInstant().truncatedTo(ChronoUnit.MICROS).toString(),
                link.by()));
    }

    /** One hash over a few parts: what an exported record is sealed with. @return 64 hexadecimal digits */
    public static String seal(List<String> parts) {
        return digest(parts);
    }

    private static String digest(List<String> parts) {
        StringBuilder text = new StringBuilder();
        parts.forEach(
                part -> text.append(part.length()).append(':').append(part).append('\n'));
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256")
                            .digest(text.toString().getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            // every Java has it
            throw new IllegalStateException(e);
        }
    }
}
