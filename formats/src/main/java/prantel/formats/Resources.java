package prantel.formats;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;

/** Files that ship inside. */
final class Resources {
    private Resources() {}

    /** @param path from the root, such as "/prantel/drills/index.json" */
    static byte[] bytes(String path) {
        try (InputStream stream = Objects.requireNonNull(Resources.class.getResourceAsStream(path), path)) {
            return stream.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
