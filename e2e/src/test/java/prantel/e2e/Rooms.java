package prantel.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Objects;

/** What the screens would send, to come quickly to where a test begins: the helpers of room.js in a page. */
final class Rooms {
    private Rooms() {}

    static Page with(Page page) {
        try (InputStream script = Rooms.class.getResourceAsStream("/room.js")) {
            page.evaluate(new String(Objects.requireNonNull(script).readAllBytes(), StandardCharsets.UTF_8));
            return page;
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** Goes to a path of the application, with the helpers. */
    static Page open(Page page, String path) {
        page.navigate(page.url().replaceAll("(https?://[^/]+).*", "$1") + path);
        return with(page);
    }
}
