package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A technician's way through the rigs: look, measure, describe, change, save. */
class RigsIT extends BrowserTest {

    private Page rigs(int width, int height) {
        Page page = browsers.signIn("Ines Marrow", width, height);
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Rigs").setExact(true))
                .click();
        return page;
    }

    private static void open(Page page, String rig) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^" + rig)))
                .click();
    }

    private static Locator buttonLike(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator link(Page page, String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void sheetIsFilteredAndAHealthyReadingBeyondToleranceReachesTheFloor() {
        Page page = rigs(1280, 800);
        assertThat(page.getByText("Bunkhouse")).isVisible();
        Axe.check(page, "Rigs");
        open(page, "Ferry Kiosk");
        buttonLike(page, "Counter sockets, way 1").click();
        assertThat(page.getByText("Counter sockets · R1+R2 along the circuit")).isVisible();
        Axe.check(page, "A rig");
        page.getByLabel("Test", new Page.GetByLabelOptions().setExact(true)).selectOption("R1+R2, method 1");
        buttonLike(page, "Measure healthy").click();
        Axe.check(page, "Measure healthy");
        Locator box = page.getByLabel("R1+R2, socket 3, measured healthy");
        box.fill("0.24");
        page.keyboard().press("Enter");
        assertThat(page.getByText("of the tolerance used")).isVisible();
        box.fill("quite good");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("give a number");
        box.fill("1.9");
        page.keyboard().press("Enter");
        assertThat(page.getByText("beyond tolerance. Is something")).isVisible();
        link(page, "Floor").click();
        assertThat(page.getByText("1 healthy reading is beyond tolerance: look at the rig"))
                .isVisible();
        page.context().close();
    }

    @Test
    void stationIsDraggedTypedUndoneAndSavedAsANewVersion() {
        Page page = rigs(1280, 800);
        open(page, "Signal Cabin");
        link(page, "Change").click();
        buttonLike(page, "1 Cabin ring").click();
        Locator station = page.locator("main")
                .getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Cabin ring, drawn to cable length"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^socket 5, ")));
        BoundingBox at = station.boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse().move(at.x + at.width / 2 + 40, at.y + at.height / 2);
        page.mouse().up();
        assertThat(station).not().hasAccessibleName("socket 5, 33 m");
        Axe.check(page, "Rig workshop");
        page.keyboard().press("u");
        assertThat(station).hasAccessibleName("socket 5, 33 m");
        // by keyboard: the station keeps the focus
        station.focus();
        page.keyboard().press("ArrowRight");
        assertThat(station).hasAccessibleName("socket 5, 33.5 m");

        page.getByLabel("Distance of socket 1, m").fill("five");
        assertThat(page.getByText("Cabin ring, socket 1, at metres", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(buttonLike(page, "Save as version 2")).isDisabled();
        page.getByLabel("Distance of socket 1, m").fill("5,5");
        assertThat(page.getByText("Worked out.")).isVisible();
        page.reload();
        buttonLike(page, "Go on with it").click();
        buttonLike(page, "1 Cabin ring").click();
        assertThat(page.getByLabel("Distance of socket 1, m")).hasValue("5.5");
        buttonLike(page, "Save as version 2").click();
        assertThat(page.getByText(Pattern.compile("bay 3 · version 2"))).isVisible();
        buttonLike(page, "compare").click();
        assertThat(page.getByText("Cabin ring, socket 1")).isVisible();
        page.context().close();
    }

    @Test
    void newRigGrowsFromTemplatesWithItsWarnings() {
        Page page = rigs(1280, 800);
        link(page, "New rig").click();
        page.getByLabel("Add a circuit").selectOption("Socket ring");
        buttonLike(page, "Add it").click();
        assertThat(page.getByText("Socket ring · R1+R2 along the circuit")).isVisible();
        page.getByLabel("Line and neutral").selectOption("1.5 mm²");
        assertThat(page.getByText("a ring wants at least 2.5")).isVisible();
        page.getByLabel("Add a circuit").selectOption("Lighting, two-way");
        buttonLike(page, "Add it").click();
        buttonLike(page, "Add a switch").click();
        assertThat(page.getByText("two-way with 1 intermediate")).isVisible();
        buttonLike(page, "Supply, earthing, boards").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Boat House");
        page.getByLabel("Id, for files").fill("boat-house");
        page.getByLabel("Building").selectOption("TT");
        buttonLike(page, "Add a supplementary bond").click();
        buttonLike(page, "Add a sub-board").click();
        buttonLike(page, "Wire a relay").click();
        page.getByLabel("Where, relay 1")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("supply"));
        assertThat(page.getByLabel("Fault, relay 1")).not().hasValue("");
        Axe.check(page, "Supply, earthing, boards");
        assertThat(page.getByText("Worked out.")).isVisible();
        buttonLike(page, "Save the rig").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Boat House")))
                .isVisible();
        page.context().close();
    }

    @Test
    void brokenFileIsRefusedInWordsAndASoundOneOpensOnATablet() throws IOException {
        Page page = rigs(800, 1280);
        Path broken = Files.writeString(data.resolve("broken.json"), "{\"format\": \"prantel-rig-1\", \"id\": 3}");
        page.getByLabel("Import a file").setInputFiles(broken);
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is missing");
        link(page, "Rigs").tap();
        Path sound = Files.copy(Path.of("..", "demo", "creamery.rig.json"), data.resolve("sound.json"));
        page.getByLabel("Import a file").setInputFiles(sound);
        buttonLike(page, "1 Separator motor").tap();
        assertThat(page.getByText("Separator motor · R1+R2 along the circuit")).isVisible();
        Axe.check(page, "Rig workshop on a tablet");
        buttonLike(page, "Save the rig").tap();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("there is a rig with that id");
        page.context().close();
    }

    @Test
    void twoPeopleChangingOneRigAreTold() {
        Page first = rigs(1280, 800);
        Page second = rigs(1280, 800);
        for (Page page : new Page[] {first, second}) {
            open(page, "Bunkhouse");
            link(page, "Change").click();
            page.getByRole(
                            AriaRole.TEXTBOX,
                            new Page.GetByRoleOptions().setName("Name").setExact(true))
                    .fill("Bunk room ring, changed");
        }
        button(first, "Save as version 2").click();
        assertThat(first.getByText(Pattern.compile("bay 5 · version 2"))).isVisible();
        button(second, "Save as version 2").click();
        assertThat(second.getByRole(AriaRole.ALERT)).containsText("ersion 2 was saved meanwhile by Ines Marrow");
        first.context().close();
        second.context().close();
    }
}
