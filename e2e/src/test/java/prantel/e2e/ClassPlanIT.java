package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A class is planned, its sets are kept, and one of them is found again on the day. */
class ClassPlanIT extends BrowserTest {
    private static void radio(Page page, String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(name)))
                .click();
    }

    @Test
    void setOfThePlanIsInTheLibraryWhenItsCandidateComes() {
        Page page = browsers.signIn("Ines Marrow", 1280, 800);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Plan a class"))
                .click();
        page.getByLabel("Petra Lindholm").uncheck();
        button(page, "Propose a plan").click();
        // every single fault of every bay is tried first: on a busy machine that takes its time
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Session 2")))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(180_000));
        assertThat(page.getByText(Pattern.compile("Mean difficulty of a candidate")))
                .isVisible();
        Axe.check(page, "Plan a class");
        page.getByLabel("Name of the class").fill("Monday group");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Keep the \\d+ sets")))
                .click();
        assertThat(page.getByText(Pattern.compile("\\d+ sets are in the library")))
                .isVisible();

        // in the plan the second candidate begins in the second bay
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Floor"))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^2 Ferry Kiosk")))
                .click();
        radio(page, "Bas Hollis");
        radio(page, "T1, Hollin");
        radio(page, "Workshop scheme");
        Stages.onToSet(page);
        assertThat(page.getByText("Monday group, session 1, Bas Hollis")).isVisible();
        page.context().close();
    }
}
