package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** Faults from the proposal to the healthy rig, on the Bunkhouse with its fault box, in the real browser. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FaultsIT extends BrowserTest {
    private Page page;

    @BeforeAll
    void signIn() {
        page = browsers.signIn("Ines Marrow", 1280, 800);
    }

    private Locator button(String name) {
        return button(page, name);
    }

    private void tab(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    /** Picks a station in the drawing, a kind, and puts it in the set. */
    private void put(String station, String kind) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(station).setExact(true))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + kind)))
                .click();
        button("Put it in the set").click();
        page.waitForCondition(() -> page.getByText("being tried").count() == 0);
    }

    @Test
    @Order(1)
    void setIsProposedWithReasonsTakenAndTakenBack() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^5 Bunkhouse")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("Mirela Stow")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("T1, Hollin")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("Workshop scheme")))
                .click();
        Stages.onToSet(page);
        button("Propose").click();
        assertThat(page.getByText(Pattern.compile("Mean difficulty .* asked for 2.5")))
                .isVisible();
        button("Take this set").click();
        assertThat(page.getByText("3 faults", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page.getByText("Every fault is findable; none hides or fakes another."))
                .isVisible();
        Axe.check(page, "Set with a proposal");
        page.keyboard().press("u");
        assertThat(page.getByText("no fault chosen")).isVisible();
    }

    /** The first look at a rig tries every fault of the catalogue on it. */
    @Test
    @Order(2)
    void faultThatHidesAnotherIsSaidToDoSo() {
        put("socket 2, 12 m", "CPC open after the point");
        put("socket 3, 18 m", "High-resistance joint");
        assertThat(page.getByText(Pattern.compile("hides .*nobody can find both")))
                .isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Take out High-resistance joint")))
                .click();
        put("alarm, stairs, 13 m", "Line and neutral reversed");
        assertThat(page.getByText("Every fault is findable; none hides or fakes another."))
                .isVisible();
        assertThat(page.getByText("protection defeated:").first()).isVisible();
    }

    @Test
    @Order(3)
    void cardIsReadyToPrintAndNotForCandidates() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Set card"))
                .click();
        assertThat(page.getByText("Lock off first")).isVisible();
        assertThat(page.getByText("Relay 2 · socket 2, Kitchen sockets")).isVisible();
        assertThat(page.getByText("Exchange the brown and the blue")).isVisible();
        Axe.check(page, "Set card");
        String card = page.url();
        Page candidate = browsers.signIn("Mirela Stow", 800, 1280);
        candidate.navigate(card);
        assertThat(candidate.getByText("My sheets").first()).isVisible();
        assertThat(candidate.getByText("Relay 2")).hasCount(0);
        candidate.context().close();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Back to Set"))
                .click();
    }

    @Test
    @Order(4)
    void boxAndHandSetTheFaultsAndAWrongRelayIsNoticed() {
        tab("Set and prove");
        assertThat(button("Arm the box")).isDisabled();
        button("It is locked off and proved dead").click();
        weld(2, false);
        button("Arm the box").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Relay 2 of the fault box should be in and is out");
        Axe.check(page, "Set and prove, wrong relay");
        weld(2, null);
        button("Arm the box").click();
        assertThat(page.getByText("in, read back")).isVisible();
        Proving.tick(page, 0);
        Proving.measureAll(page);
        assertThat(page.getByText("Exactly these faults are set.")).isVisible();
        button("Open the candidate’s sheet").click();
        assertThat(button("Go live…")).isVisible();
    }

    /** Something only the simulated box can do: a contact stops following its coil. */
    private void weld(int relay, Boolean closed) {
        page.evaluate(
                """
                async ({ relay, closed }) => {
                  const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]);
                  const answer = await fetch("/api/simulated-boxes/bay-5/weld", {
                    method: "POST",
                    headers: { "content-type": "application/json", "X-XSRF-TOKEN": token },
                    body: JSON.stringify({ relay, closed }),
                  });
                  if (!answer.ok) throw new Error(String(answer.status));
                }""",
                closed == null
                        ? java.util.Collections.singletonMap("relay", relay)
                        : Map.of("relay", relay, "closed", closed));
    }

    @Test
    @Order(5)
    void goingLiveIsRefusedUntilDeadOnlyFaultsAreOutAndProvedOut() {
        button("Go live…").click();
        assertThat(button("Go live, with permission")).isDisabled();
        page.getByLabel(Pattern.compile("Empty boxes of the dead tests")).fill("only the loop is assessed today");
        button("Go live, with permission").click();
        assertThat(alert("It did not go live")).isVisible();
        button("Show the faults").click();
        assertThat(alert("is dead only: take it out first")).containsText("has no earth");
        Axe.check(page, "Go live, refused");
        button("Release its relay").click();
        button("It is out").click();
        assertThat(page.getByText("Put back")).hasCount(2);
        Proving.measureAll(page);
        assertThat(button("Go live, with permission")).isDisabled();
        Stages.give(page);
        button("Go live, with permission").click();
        assertThat(page.getByText(Pattern.compile("^Live since"))).isVisible();
        page.reload();
        Page candidate = browsers.signIn("Mirela Stow", 800, 1280);
        candidate
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Bay 5")))
                .tap();
        Stages.confirm(candidate);
        handIn(candidate);
        assertThat(candidate.getByRole(AriaRole.ALERT)).containsText("The rig is live");
        assertThat(button("It is dead")).isDisabled();
        Axe.check(page, "Live");
        page.getByLabel(Pattern.compile("locked off")).check();
        page.getByLabel(Pattern.compile("proved dead")).check();
        button("It is dead").click();
        assertThat(button("Go live…")).isVisible();
    }

    private Locator alert(String words) {
        return page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText(words));
    }

    private static void handIn(Page candidate) {
        candidate
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Hand in").setExact(true))
                .tap();
        candidate
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in"))
                .tap();
    }

    @Test
    @Order(6)
    void rigIsClearedAndProvedHealthy() {
        Page candidate = browsers.signIn("Mirela Stow", 800, 1280);
        candidate
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Bay 5")))
                .tap();
        handIn(candidate);
        assertThat(candidate.getByText("It can be read, not changed.")).isVisible();
        candidate.context().close();
        page.reload();
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"))
                .getByText("Clear")
                .click();
        Proving.measureAll(page);
        assertThat(page.getByText("The rig is healthy.")).isVisible();
        button("The bay is free").click();
        assertThat(page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^5 Bunkhouse.*Ready for the next candidate"))))
                .isVisible();
    }

    @Test
    @Order(7)
    void everyFaultOfARigIsExploredAndPairsShowProgressAndStop() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Rigs$")))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Bunkhouse")))
                .click();
        button("Explore all single faults").click();
        assertThat(page.getByText(Pattern.compile("findable")).first()).isVisible();
        Axe.check(page, "Faults on a rig");
        button("Explore pairs in the background").click();
        assertThat(page.getByText(Pattern.compile("% of the pairs"))).isVisible();
        button("Stop").click();
        assertThat(page.getByText(Pattern.compile("Stopped after \\d+ pairs"))).isVisible();
    }
}
