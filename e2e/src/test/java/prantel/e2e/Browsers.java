package prantel.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's Chromium, with a fresh profile for each person. */
final class Browsers implements AutoCloseable {
    private static final List<String> QUIET = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private final Playwright playwright;
    private final Browser browser;
    private final String url;

    /** How long to wait for what must appear: a first opening on two busy cores takes its time, and no test is about that. */
    private static final double PATIENCE_MILLIS = 30_000;

    Browsers(String url) {
        this.url = url;
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MILLIS);
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(chromium())
                        .setArgs(QUIET));
    }

    private static Path chromium() {
        for (String folder : System.getenv("PATH").split(":")) {
            Path path = Path.of(folder, "chromium");
            if (Files.isExecutable(path)) {
                return path;
            }
        }
        throw new IllegalStateException("Chromium is needed for these tests: apt-get install chromium");
    }

    /** Signs a demo person in, on a screen of this size. */
    Page signIn(String person, int width, int height) {
        return signIn(person, width, height, ColorScheme.LIGHT);
    }

    Page signIn(String person, int width, int height, ColorScheme scheme) {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setHasTouch(width < 1000)
                .setColorScheme(scheme));
        Page page = context.newPage();
        page.setDefaultTimeout(2 * PATIENCE_MILLIS);
        page.navigate(url);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(person))
                .click();
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places"))
                .waitFor();
        return page;
    }

    /** A page of the application before anybody signed in. */
    Page open(String path, int width, int height) {
        Page page = browser.newContext(new Browser.NewContextOptions()
                        .setViewportSize(width, height)
                        .setHasTouch(width < 1000))
                .newPage();
        page.setDefaultTimeout(2 * PATIENCE_MILLIS);
        page.navigate(url.replaceAll("/$", "") + path);
        return page;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
