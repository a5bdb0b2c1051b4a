package prantel.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of docs/screenshots from the demo data: ./prantel shots. Not a test: its name keeps it out of the test run. */
class Screenshots {
    private static final Path FOLDER = Path.of("..", "docs", "screenshots");

    @TempDir
    Path data;

    @Test
    void takePictures() throws Exception {
        try (Application application = Application.start(data, "all");
                Browsers browsers = new Browsers(application.url())) {
            Page page = browsers.signIn("Ines Marrow", 1280, 800);
            page.getByText("What needs you").waitFor();
            take(page, "floor");
            classPlan(browsers.signIn("Ines Marrow", 1280, 800));
            link(page, "Mark Petra Lindholm");
            page.getByText("What needs a decision").waitFor();
            take(page, "mark");
            Page reference = browsers.signIn("Bas Hollis", 1280, 800);
            link(reference, "Reference");
            reference.getByText("Ring, steps 2 and 3").click();
            reference.getByText("Step 3 at socket 5").waitFor();
            take(reference, "reference");
            Page administrator = browsers.signIn("Tamsin Varga", 1280, 800);
            link(administrator, "Workshop");
            administrator.getByText("Add or change from a file").first().waitFor();
            take(administrator, "workshop");
            rigs(browsers.signIn("Ines Marrow", 1280, 800));
            judge(browsers.signIn("Ines Marrow", 1280, 800, ColorScheme.DARK));
            Page told = browsers.signIn("Petra Lindholm", 1280, 800);
            link(told, "Read your feedback");
            told.getByText("What was right").waitFor();
            take(told, "feedback");
            clearBay(page);
            setFault(page);
            Page sheet = browsers.signIn("Owen Tasker", 800, 1280);
            link(sheet, "Bay 1");
            Stages.confirm(sheet);
            untilContinuity(page, sheet);
            Stages.test(sheet, "R1+R2, method 1").click();
            String[] readings = {"0,13", "0.27", "1.00", "1.16"};
            for (int i = 0; i < readings.length; i++) {
                sheet.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Parlour sockets"))
                        .getByLabel("R1+R2, socket " + (i + 1) + ", Ω")
                        .fill(readings[i]);
                sheet.keyboard().press("Enter");
            }
            sheet.getByText("Saved", new Page.GetByTextOptions().setExact(true)).waitFor();
            take(sheet, "sheet-tablet");
            for (String step : List.of("Arrive and ask", "Safe isolation", "Inspection", "Set up the tester")) {
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + step)))
                        .click();
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^● All")))
                        .click();
                page.waitForTimeout(700);
            }
            link(page, "^Schemes$");
            link(page, "^Initial verification, single-phase");
            page.getByText("What counts").waitFor();
            take(page, "scheme");
            page.goBack();
            page.goBack();
            page.getByText(Pattern.compile("\\d+ of \\d+ boxes ·")).waitFor();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Continuity of CPCs")))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Slip: Loads out")))
                    .click();
            take(page, "watch");
            Stages.askToGoLive(sheet);
            page.getByText("Look, then decide").click();
            page.getByText("You see, and give").waitFor();
            take(page, "go-live");
            practice(browsers.signIn("Bas Hollis", 1280, 800));
        }
    }

    /** A ring crossed at the board, and where the current of a reading at a socket goes. */
    private static void practice(Page page) {
        link(page, "^Practice$");
        page.getByLabel("Rig", new Page.GetByLabelOptions().setExact(true)).selectOption("Bunkhouse");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin Ring: ends, then crossed"))
                .click();
        for (int box = 0; box < 4; box++) {
            page.getByText("A simulated rig.").waitFor();
            var next = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Do it for me"));
            for (int deed = 0; deed < 30 && next.count() > 0; deed++) {
                next.click();
                page.waitForTimeout(300);
            }
            if (box < 3) {
                page.keyboard().press("w");
                page.waitForTimeout(500);
            }
        }
        page.getByText("Show me the current").click();
        page.getByText("together").waitFor();
        page.evaluate("window.scrollTo(0, 330)");
        take(page, "practice");
        page.context().close();
    }

    /** Isolated, inspected, earth and bonds read: in the order that the scheme asks for. */
    private static void untilContinuity(Page assessor, Page sheet) {
        Stages.tests(sheet).first().waitFor();
        String id = sheet.url().replaceAll(".*/", "");
        Object readings = Rooms.with(assessor).evaluate("id => readings(id)", id);
        Rooms.with(sheet)
                .evaluate(
                        "([id, tests, readings]) => writeAll(id, tests, readings)",
                        List.of(
                                id,
                                List.of("INDICATOR", "SAFE_ISOLATION", "INSPECTION", "EARTHING", "BONDING"),
                                readings));
        sheet.reload();
    }

    private static void judge(Page page) {
        link(page, "Mark Petra Lindholm");
        Stages.acceptAll(page);
        page.getByText("Decide: refer these parts").click();
        page.getByText(Pattern.compile("^signed .* points")).waitFor();
        link(page, "^Feedback$");
        page.getByText("Give it to the candidate").click();
        page.getByText(Pattern.compile("^Given ")).waitFor();
        link(page, "^Record$");
        page.getByText("Outcome signed").first().waitFor();
        take(page, "record");
        page.context().close();
    }

    private static void rigs(Page page) {
        link(page, "^Rigs$");
        page.getByText("New rig").waitFor();
        take(page, "rigs");
        link(page, "^Creamery");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Hall lighting, way 5"))
                .click();
        page.getByText("Hall lighting · R1+R2").waitFor();
        take(page, "rig");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Expectation sheet"))
                .evaluate("e => e.scrollIntoView()");
        take(page, "rig-sheet");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Change").setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("4 Office ring"))
                .click();
        page.getByText("Office ring · R1+R2").waitFor();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("socket 3, 24 m"))
                .focus();
        page.keyboard().press("Shift+ArrowRight");
        page.waitForTimeout(1200);
        take(page, "rig-workshop");
        page.context().close();
    }

    private static void clearBay(Page page) {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"))
                .getByText("Clear")
                .click();
        for (int i = 0; i < 3; i++) {
            Proving.tick(page, i);
        }
        Proving.measure(page, 0);
        page.getByText("◆ fits").first().waitFor();
        page.waitForTimeout(500);
        take(page, "clear");
        Proving.measureAll(page);
        page.getByText("The bay is free").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^1 Toll Cottage.*Ready")))
                .waitFor();
    }

    private static void setFault(Page page) {
        link(page, "^1 Toll Cottage");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("Owen Tasker")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("T1, Hollin")))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("single-phase")))
                .click();
        page.getByText("On to the checks").click();
        Stages.tickAll(page, "Before the day");
        take(page, "prepare");
        link(page, "Go to Set");
        page.getByText("It is locked off and proved dead").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("socket 3, 19 m"))
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^High-resistance joint")))
                .click();
        page.getByText("being tried").waitFor();
        page.getByText(Pattern.compile("difficulty \\d")).first().waitFor();
        take(page, "set");
        page.getByText("Put it in the set").click();
        page.getByText("Every fault is findable").waitFor();
        page.getByText("Set and prove these faults").click();
        Proving.tick(page, 0);
        Proving.measureAll(page);
        page.getByText("Exactly these faults are set.").waitFor();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the candidate’s sheet"))
                .click();
        page.getByText("Stop: safety").waitFor();
    }

    private static void link(Page page, String name) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(name)))
                .first()
                .click();
    }

    private static void classPlan(Page page) {
        link(page, "Plan a class");
        page.getByText("Propose a plan").click();
        page.getByText("Session 2").waitFor();
        take(page, "class-plan");
    }

    private static void take(Page page, String name) {
        page.evaluate("() => document.fonts.ready");
        page.waitForTimeout(400);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
