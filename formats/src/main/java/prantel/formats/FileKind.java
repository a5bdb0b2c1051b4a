package prantel.formats;

import java.util.Arrays;
import java.util.Optional;
import prantel.core.quantity.ProblemsException;
import tools.jackson.core.JacksonException;

/** What a JSON file of Prantel's says that it is, in its field {@code format}. */
public enum FileKind {
    RIG("prantel-rig-"),
    SCHEME("prantel-scheme-"),
    TESTER("prantel-tester-"),
    FAULTS("prantel-faults-"),
    RECORD("prantel-record-"),
    DRILL("prantel-drill-");

    private final String format;

    FileKind(String format) {
        this.format = format;
    }

    /** @return empty for a file that is none of these, or cannot be read at all: its reader says why */
    public static Optional<FileKind> of(byte[] bytes) {
        try {
            String given =
                    JsonFile.MAPPER.readTree(Utf8.text(bytes)).path("format").asString("");
            return Arrays.stream(values())
                    .filter(k -> given.startsWith(k.format))
                    .findFirst();
        } catch (JacksonException | ProblemsException e) {
            return Optional.empty();
        }
    }
}
