package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** Taking check readings with the simulated tester, as an assessor would one after the other. */
final class Proving {
    private Proving() {}

    private static Locator buttons(Page page) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure ")));
    }

    /** Measures one and waits until the server has answered. */
    static void measure(Page page, int index) {
        page.waitForResponse(
                r -> r.url().matches(".*/(proof/readings|clear/checks|live/readings)$"),
                () -> buttons(page).nth(index).click());
    }

    static void measureAll(Page page) {
        assertThat(buttons(page).first()).isVisible();
        int count = buttons(page).count();
        for (int i = 0; i < count; i++) {
            measure(page, i);
        }
        assertThat(page.getByText("does not fit")).hasCount(0);
    }

    /** Ticks a box and waits until it is kept. */
    static void tick(Page page, int index) {
        page.waitForResponse(
                r -> r.url().matches(".*/(proof/handled|clear/out)$"),
                () -> page.getByRole(AriaRole.CHECKBOX).nth(index).click());
    }
}
