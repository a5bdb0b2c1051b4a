package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** The whole journey on the real server, database and browser, from marking the demo's sheet to a marked one of our own. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class JourneyIT extends BrowserTest {

    private Page assessor() {
        return browsers.signIn("Ines Marrow", 1280, 800);
    }

    private static Locator stage(Page page, String name) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"))
                .getByText(name);
    }

    private static void kind(Page page, String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
    }

    @Test
    @Order(1)
    void demoSheetIsMarkedByKeyboardWithOneMarkChanged() {
        Page page = assessor();
        Axe.check(page, "Floor");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Mark Petra Lindholm")))
                .click();
        // the box for the record holds the highest of her own: it is not off by itself
        Stages.opened(page, page.getByText(Pattern.compile("with the leads in it would be")));
        button(page, "Show the 5 readings").click();
        assertThat(page.getByRole(
                                AriaRole.IMG,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile("Recorded 1.65, .* above the band")))
                        .first())
                .isVisible();
        Axe.check(page, "Mark");

        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change Leads nulled, Preparation"))
                .click();
        Axe.check(page, "Change a mark");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("None"))
                .click();
        assertThat(button(page, "Change it")).isDisabled();
        page.getByLabel("Reason, kept with both values").fill("Leads never touched: seen at the rig");
        button(page, "Change it").click();
        assertThat(page.getByText("changed from half to none: Leads never touched"))
                .isVisible();

        // pressing A agrees to what is open, then goes on to the next, and in the end takes what is right
        Locator allDecided = page.getByText("all decided");
        for (int i = 0; i < 40 && !allDecided.isVisible(); i++) {
            page.keyboard().press("a");
            page.waitForTimeout(150);
        }
        assertThat(allDecided).isVisible();
        assertThat(page.getByText(Pattern.compile("^Proposed: Refer these parts")))
                .isVisible();
        button(page, "Decide: refer these parts").click();
        assertThat(page.getByText(Pattern.compile("signed .* of 23 points"))).isVisible();
        page.context().close();
    }

    @Test
    @Order(2)
    void rigIsClearedAndProvedHealthyBeforeTheNextCandidate() {
        Page page = assessor();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("3 faults still set")))
                .click();
        Axe.check(page, "Clear");
        assertThat(button(page, "The bay is free")).isDisabled();
        Proving.measure(page, 0);
        assertThat(page.getByText("does not fit").first()).isVisible();
        assertThat(page.getByText(Pattern.compile("Also in, from before")).first())
                .isVisible();
        Locator faults = page.getByRole(AriaRole.CHECKBOX);
        for (int i = 0; i < faults.count(); i++) {
            Proving.tick(page, i);
        }
        Proving.measureAll(page);
        assertThat(page.getByText("The rig is healthy.")).isVisible();
        button(page, "The bay is free").click();
        assertThat(page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^1 Toll Cottage.*Ready for the next candidate"))))
                .isVisible();
        page.context().close();
    }

    @Test
    @Order(3)
    void faultIsChosenInTheDrawingTriedProvedAndTheSheetOpened() {
        Page page = assessor();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^1 Toll Cottage")))
                .click();
        Axe.check(page, "Prepare");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("Owen Tasker")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("T1, Hollin")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("Workshop scheme")))
                .click();
        Stages.onToSet(page);

        // by keyboard: a station is a button
        Locator station = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("socket 3, 19 m"));
        station.focus();
        page.keyboard().press("Enter");
        kind(page, "High-resistance joint");
        assertThat(page.getByText("being tried")).isVisible();
        page.getByLabel("Size, Ω").fill("0.05");
        assertThat(page.getByText("hidden", new Page.GetByTextOptions().setExact(true))
                        .last())
                .isVisible();
        page.getByLabel("Size, Ω").fill("0.62");
        assertThat(page.getByText("findable", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.getByLabel("Size, Ω").fill("900");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("900 Ω");
        page.getByLabel("Size, Ω").fill("0.62");
        button(page, "Put it in the set").click();
        assertThat(page.getByRole(
                        AriaRole.CELL, new Page.GetByRoleOptions().setName("R1+R2, socket 5, Parlour sockets")))
                .isVisible();

        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("bond to water pipe"))
                .click();
        kind(page, "Bonding clamp on paint");
        button(page, "Put it in the set").click();
        assertThat(page.getByText("Move the clamp of the water pipe")).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByText("Move the clamp of the water pipe")).not().isVisible();
        Axe.check(page, "Set");

        button(page, "It is locked off and proved dead").click();
        button(page, "Set and prove these faults").click();
        Locator open = button(page, "Open the candidate’s sheet");
        assertThat(open).isDisabled();
        assertThat(page.getByText("set it and tick it")).isVisible();
        Proving.tick(page, 0);
        page.locator("[data-check]").first().fill("0.24");
        page.keyboard().press("Enter");
        assertThat(page.getByText("does not fit").first()).isVisible();
        Proving.measureAll(page);
        assertThat(page.getByText("Exactly these faults are set.")).isVisible();
        Axe.check(page, "Set and prove");
        open.click();
        assertThat(page.getByText("Nothing is recorded here yet")).isVisible();
        Axe.check(page, "Watch");
        page.context().close();
    }

    @Test
    @Order(4)
    void candidateFillsTheSheetOnATabletThroughALostConnectionAReloadAndAPowerCut() throws Exception {
        Page page = browsers.signIn("Owen Tasker", 800, 1280);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Bay 1")))
                .tap();
        Stages.confirm(page);
        Stages.test(page, "R1+R2, method 1").tap();
        Axe.check(page, "the candidate's sheet");

        parlour(page).getByLabel("R1+R2, socket 1, Ω").fill("0,13");
        page.keyboard().press("Enter");
        page.keyboard().type("0.27");
        page.keyboard().press("Enter");
        assertThat(parlour(page).getByLabel("R1+R2, socket 2, Ω")).hasValue("0.27");
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();

        page.context().setOffline(true);
        page.keyboard().type("1.00");
        page.keyboard().press("Enter");
        assertThat(page.getByText(Pattern.compile("No connection: 1 kept here")))
                .isVisible();
        page.context().setOffline(false);
        // with the load of a test machine a retry may take a few turns
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();

        application.kill();
        parlour(page).getByLabel("R1+R2, socket 4, Ω").fill("1.16");
        page.keyboard().press("Enter");
        assertThat(page.getByText(Pattern.compile("No connection: 1 kept here")))
                .isVisible();
        application.run();
        page = afterSignInAgain(page);
        Stages.test(page, "R1+R2, method 1").tap();
        assertThat(parlour(page).getByLabel("R1+R2, socket 3, Ω")).hasValue("1.00");
        assertThat(parlour(page).getByLabel("R1+R2, socket 4, Ω")).hasValue("1.16");

        parlour(page).getByLabel("R1+R2, socket 5, Ω").fill("1.34");
        page.keyboard().press("Enter");
        parlour(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("R1+R2, socket 5: on record"))
                .tap();
        assertThat(parlour(page).getByLabel("R1+R2, Parlour sockets, for the record, Ω"))
                .hasValue("1.34");
        page.getByRole(
                        AriaRole.GROUP,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^R1\\+R2, Parlour sockets.*satisfactory")))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("✓ satisfactory"))
                .tap();

        Stages.test(page, "Insulation").tap();
        Locator live = page.getByLabel("Insulation L–N, Parlour sockets, 500 V, MΩ");
        live.tap();
        // one key writes it and goes on to the next box
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(">999"))
                .tap();
        assertThat(live).hasValue(Pattern.compile(">999.*"));
        assertThat(page.getByLabel("Insulation L–E, Parlour sockets, 500 V, MΩ"))
                .isFocused();

        Stages.test(page, "Faults I found").tap();
        page.getByLabel("Where").selectOption("socket 3, Parlour sockets");
        page.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).selectOption("High-resistance joint");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("CPC"))
                .tap();
        page.getByLabel("Remedy").fill("Remake the joint");
        button(page, "Name it").tap();
        assertThat(page.getByText("Remake the joint")).isVisible();
        Axe.check(page, "Faults I found");
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.reload();
        button(page, "Hand in").tap();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in"))
                .tap();
        assertThat(page.getByText("It can be read, not changed.")).isVisible();
        page.context().close();
    }

    /** The boxes of the parlour's radial: other circuits have a socket 1 too. */
    private static Locator parlour(Page page) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Parlour sockets"));
    }

    /** A session does not outlive the server; what was written does, in the browser. */
    private Page afterSignInAgain(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Owen Tasker"))
                .click();
        page.getByText("Saved", new Page.GetByTextOptions().setExact(true)).waitFor();
        return page;
    }

    @Test
    @Order(5)
    void ownSheetComesOutMarkedAndOneScreenFollowsTheOther() {
        Page page = assessor();
        Page other = assessor();
        for (Page each : new Page[] {page, other}) {
            each.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Mark Owen Tasker")))
                    .click();
            assertThat(each.locator("section")
                            .filter(new Locator.FilterOptions().setHasText("Named by the candidate"))
                            .last())
                    .containsText("High-resistance joint, CPC, socket 3");
        }
        Stages.acceptAll(page);
        assertThat(page.getByText("all decided")).isVisible();
        // nobody reloads: the server tells the other screen, and there is nothing left to accept
        assertThat(other.getByText("all decided")).isVisible();
        assertThat(other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Accept A"))))
                .hasCount(0);
        page.context().close();
        other.context().close();
    }

    @Test
    @Order(6)
    void dimThemeIsReadableToo() {
        Page page = browsers.signIn("Ines Marrow", 1280, 800, ColorScheme.DARK);
        Axe.check(page, "Floor, dim");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Mark Owen Tasker")))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Outcome")))
                .isVisible();
        Axe.check(page, "Mark, dim");
        stage(page, "Set").click();
        assertThat(page.getByText("Prove it is set")).isVisible();
        Axe.check(page, "Set and prove, dim");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Choose faults"))
                .click();
        assertThat(page.getByText("Faults in this set")).isVisible();
        Axe.check(page, "Set, dim");
        page.context().close();
    }

    @Test
    @Order(7)
    void administratorAddsABayAndIsToldWhatIsWrongWithAFile() throws IOException {
        Page page = browsers.signIn("Tamsin Varga", 1280, 800);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Rigs")))
                .isVisible();
        Axe.check(page, "Workshop");
        Path bad = java.nio.file.Files.writeString(data.resolve("bad.json"), "{\"format\":\"prantel-rig-1\"}");
        page.locator("input[type=file]").first().setInputFiles(bad);
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is missing");
        page.getByLabel("Number").fill("7");
        page.getByLabel("Rig", new Page.GetByLabelOptions().setExact(true)).selectOption("Toll Cottage");
        page.locator("form")
                .filter(new Locator.FilterOptions().setHasText("Number"))
                .getByText("Add")
                .click();
        assertThat(page.getByText("Bay 7")).isVisible();
        page.context().close();
    }

    @Test
    @Order(8)
    void candidateLooksUpALimitWithItsSource() {
        Page page = browsers.signIn("Bas Hollis", 800, 1280);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Reference"))
                .tap();
        button(page, "Zs and its limit").tap();
        page.getByLabel("Device").selectOption("B20");
        page.getByLabel("Ze, Ω").fill("0,35");
        // BS 7671 411.4.4: 0.95 · 230 V / 100 A = 2.19 Ω
        assertThat(page.getByText("2.19\u2009Ω", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page.getByText("Source: BS 7671 411.4.4")).isVisible();
        page.getByLabel("Ze, Ω").fill("a lot");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Ze");
        Axe.check(page, "Reference");
        page.context().close();
    }
}
