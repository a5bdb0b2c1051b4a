package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.function.Consumer;

/** What each assessment passes through: the checks before it, the candidate's confirmation, asking for and giving the supply. */
final class Stages {
    private Stages() {}

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** Ticks every item of a list, and waits until each is kept. */
    static void tickAll(Page page, String list) {
        each(page, list, Locator::click);
    }

    /** The same by touch. */
    static void tapAll(Page page, String list) {
        each(page, list, Locator::tap);
    }

    private static void each(Page page, String list, Consumer<Locator> press) {
        Locator items = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName(list))
                .getByRole(AriaRole.CHECKBOX);
        assertThat(items.first()).isVisible();
        int count = items.count();
        for (int i = 0; i < count; i++) {
            Locator item = items.nth(i);
            if (!item.isChecked()) {
                page.waitForResponse(r -> r.url().endsWith("/ticks"), () -> press.accept(item));
            }
            if (i < count - 1) {
                assertThat(items.nth(i)).isChecked();
            }
        }
    }

    /** From who comes, over what is looked at before, to setting faults. */
    static void onToSet(Page page) {
        button(page, "On to the checks").click();
        tickAll(page, "Before the day");
        assertThat(page.getByText("all of it")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to Set"))
                .click();
    }

    /** The candidate confirms on their own device; then the list is gone. */
    static void confirm(Page sheet) {
        tickAll(sheet, "Before you start");
        assertThat(sheet.getByText("Before you start")).not().isVisible();
    }

    /** A test in the map of the sheet. */
    static Locator test(Page sheet, String name) {
        return tests(sheet).filter(new Locator.FilterOptions().setHasText(name));
    }

    /** Every test of the map, and what was found. */
    static Locator tests(Page sheet) {
        return sheet.locator("nav[aria-label='Tests and circuits'] button[data-step]");
    }

    /** Opens what needs a decision, one after the other, until something of it is there. */
    static Locator opened(Page page, Locator wanted) {
        Locator cards = page.locator("button[data-decision]");
        assertThat(cards.first()).isVisible();
        for (int i = 0; i < cards.count() && wanted.count() == 0; i++) {
            if (cards.nth(i).getAttribute("aria-expanded").equals("false")) {
                cards.nth(i).click();
            }
        }
        assertThat(wanted.first()).isVisible();
        return wanted.first();
    }

    /** Everything as it is proposed, each cause read before. */
    static void acceptAll(Page page) {
        Locator all = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Accept all")));
        assertThat(all).isVisible();
        for (Locator card : page.locator("button[data-decision]").all()) {
            if (card.getAttribute("aria-expanded").equals("false")) {
                card.click();
            }
        }
        all.click();
    }

    static void askToGoLive(Page sheet) {
        button(sheet, "Ask to go live…").click();
        tickAll(sheet, "Before it goes live");
        assertThat(sheet.getByText("Asked: your assessor looks, then decides")).isVisible();
    }

    /** The assessor's side: what the candidate says aloud is ticked here too, where it is not on the sheet. */
    static void give(Page page) {
        tickAll(page, "Before it goes live");
        tickAll(page, "Seen by the assessor");
    }
}
