package prantel.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** A fresh server with demo data and a browser, for all tests of a class. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class BrowserTest {
    @TempDir
    static Path data;

    Application application;
    Browsers browsers;

    @BeforeAll
    void start() throws IOException, InterruptedException {
        application = Application.start(data, filled());
        browsers = new Browsers(application.url());
    }

    /** How much the demo begins with. */
    String filled() {
        return "today";
    }

    @AfterAll
    void stop() throws InterruptedException {
        browsers.close();
        application.close();
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
