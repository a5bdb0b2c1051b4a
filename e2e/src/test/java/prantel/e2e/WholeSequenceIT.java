package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/**
 * A whole scheme in the browser, dead and live, from Prepare to Outcome, on a rig with a fault: the candidate writes what the
 * simulated tester shows, and has full marks for measuring.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WholeSequenceIT extends BrowserTest {
    private static final Pattern NUMBER = Pattern.compile("^>?\\s*([0-9.]+)\\s*(kΩ|MΩ|kA|mA)?.*");

    @Test
    @Order(1)
    void schemeOneOnTollCottage() {
        Page administrator = browsers.signIn("Tamsin Varga", 1280, 800);
        administrator
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        administrator.getByLabel("Number").fill("6");
        administrator
                .getByLabel("Rig", new Page.GetByLabelOptions().setExact(true))
                .selectOption("Toll Cottage");
        administrator
                .locator("form")
                .filter(new Locator.FilterOptions().setHasText("Number"))
                .getByText("Add")
                .click();
        assertThat(administrator.getByText("Bay 6")).isVisible();
        administrator.context().close();
        wholeOf("^6 Toll Cottage", "^Initial verification, single-phase", "socket 3, 19 m", "Mirela Stow", 1);
    }

    @Test
    @Order(2)
    void schemeTwoOnTheCreamery() {
        wholeOf("^4 Creamery", "^Initial verification, three-phase", "socket 3, 24 m", "Bas Hollis", 2);
    }

    /** @param doubling what the fault current for the record is of the highest */
    private void wholeOf(String bay, String scheme, String station, String candidate, int doubling) {
        Page assessor = browsers.signIn("Ines Marrow", 1280, 800);
        prepare(assessor, bay, scheme, candidate);
        setFault(assessor, station);
        Page sheet = browsers.signIn(candidate, 1280, 800);
        sheet.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Bay")))
                .first()
                .click();
        Stages.confirm(sheet);
        assertThat(button(sheet, "Hand in")).isVisible();
        Map<String, String> readings = new HashMap<>();
        List<Locator> tabs = Stages.tests(sheet).all();
        List<Locator> live = new ArrayList<>();
        for (Locator tab : tabs) {
            String name = tab.innerText();
            if (name.contains("closed")) {
                live.add(tab);
            } else if (!name.contains("method 2") && !name.contains("Faults")) {
                fill(sheet, assessor, tab, readings, doubling);
            }
        }
        live.getFirst().click();
        assertThat(sheet.getByText("its boxes open when your assessor has made the rig live"))
                .isVisible();
        Axe.check(sheet, "a sheet, dead part filled");

        Stages.askToGoLive(sheet);
        goLive(assessor);
        assertThat(sheet.getByText("LIVE", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        live.forEach(tab -> fill(sheet, assessor, tab, readings, doubling));
        makeDead(assessor);

        report(sheet);
        handIn(sheet);
        mark(assessor);
        assessor.context().close();
        sheet.context().close();
    }

    private void prepare(Page page, String bay, String scheme, String candidate) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(bay)))
                .click();
        for (String choice : List.of(candidate, "T1, Hollin", scheme)) {
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(choice)))
                    .click();
        }
        Stages.onToSet(page);
    }

    private void setFault(Page page, String station) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(station))
                .first()
                .click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^High-resistance joint")))
                .click();
        button(page, "Put it in the set").click();
        assertThat(page.getByText("1 fault", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        button(page, "It is locked off and proved dead").click();
        assertThat(page.getByText("dead, locked off")).isVisible();
        button(page, "Set and prove these faults").click();
        Proving.tick(page, 0);
        Proving.measureAll(page);
        button(page, "Open the candidate’s sheet").click();
        assertThat(page.getByText("Stop: safety")).isVisible();
        button(page, "● All 3 right").click();
        button(page, "Next: Safe isolation").click();
        assertThat(page.getByText("Permission asked")).isVisible();
        Axe.check(page, "Watch with its procedure line");
    }

    /** Every box of one test: words by their key, numbers typed, the record by what the trade says. */
    private void fill(Page sheet, Page assessor, Locator tab, Map<String, String> readings, int doubling) {
        tab.click();
        for (Locator expected :
                sheet.getByLabel(Pattern.compile("expected, Ω$")).all()) {
            expected.fill("0.30");
        }
        Locator boxes = sheet.locator("input[id^='box-']:not(:disabled)");
        assertThat(boxes.or(sheet.getByRole(AriaRole.GROUP)).first()).isVisible();
        for (Locator box : boxes.all()) {
            String slot = box.getAttribute("id").substring("box-".length());
            String reading = simulated(assessor, slot);
            String text = reading == null ? composed(slot, readings, doubling) : reading;
            readings.put(slot, text);
            box.fill(text.replace('\u2009', ' '));
            box.press("Enter");
        }
        words(sheet, "✓ works");
        words(sheet, "✓ all right");
        words(sheet, "done");
        words(sheet, "satisfactory");
        words(sheet, "L1-L2-L3");
        // a press on each at once: a mouse would take longer than the test may
        sheet.locator("[role=group][aria-label*='is it satisfactory']")
                .evaluateAll("groups => groups.forEach(g => g.querySelector('button').click())");
        assertThat(sheet.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    private static void words(Page sheet, String words) {
        Locator open = sheet.locator("[role=group]:not([aria-label*='is it satisfactory'])")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions()
                                .setName(words)
                                .setExact(true)
                                .setPressed(false));
        while (open.count() > 0) {
            open.first().click();
        }
    }

    /** What the tester shows in a box; null for one that is chosen or worked out. */
    private static String simulated(Page assessor, String slot) {
        Object text = assessor.evaluate("""
                async (slot) => {
                  const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                  const id = location.pathname.split('/')[2];
                  const answer = await fetch(`/api/assessments/${id}/proof/simulated`, {
                    method: 'POST',
                    headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                    body: JSON.stringify({slot}),
                  });
                  return answer.ok ? (await answer.json()).text : null;
                }""", slot);
        return (String) text;
    }

    /** Highest of the circuit; sums; the fault current by the school. */
    private static String composed(String slot, Map<String, String> readings, int doubling) {
        if (slot.endsWith("/zs-calculated")) {
            String circuit = slot.replace("/zs-calculated", "");
            String origin = readings.get("origin/ze");
            String board = readings.entrySet().stream()
                    .filter(e -> e.getKey().endsWith("/zdb"))
                    .map(Map.Entry::getValue)
                    .findFirst()
                    .orElse(origin);
            // a circuit of the sub-board reads from there: whichever gives what its own Zs comes near to
            double parts = base(readings.get(circuit + "/r1r2"));
            double measured = base(readings.get(circuit + "/zs"));
            double fromOrigin = base(origin) + parts;
            double fromBoard = base(board) + parts;
            return String.format(
                    Locale.ROOT,
                    "%.2f",
                    Math.abs(fromBoard - measured) < Math.abs(fromOrigin - measured) ? fromBoard : fromOrigin);
        }
        if (slot.contains("/ring-even/")) {
            String of = slot.endsWith("/ends") ? "/ring/r" : "/ring/step-2/";
            String circuit = slot.substring(0, slot.indexOf("/ring-even/"));
            List<Double> read = readings.entrySet().stream()
                    .filter(e ->
                            e.getKey().startsWith(circuit + of) && !e.getKey().endsWith("/r2"))
                    // the spur of the Kitchen ring
                    .filter(e -> !e.getKey().endsWith("/socket-8"))
                    .map(e -> base(e.getValue()))
                    .toList();
            return String.format(
                    Locale.ROOT, "%.2f", java.util.Collections.max(read) - java.util.Collections.min(read));
        }
        String prefix = slot.equals("origin/ipf") ? "origin/ipf/" : prefix(slot);
        String highest = readings.entrySet().stream()
                .filter(e -> e.getKey().startsWith(prefix))
                .map(Map.Entry::getValue)
                .filter(t -> NUMBER.matcher(t).matches())
                .max((a, b) -> Double.compare(base(a), base(b)))
                .orElse("0");
        return slot.equals("origin/ipf") && doubling > 1
                ? String.format(Locale.ROOT, "%.2f kA", doubling * base(highest) / 1000)
                : highest;
    }

    private static String prefix(String slot) {
        return slot.endsWith("/r1r2") && isRing(slot) ? slot.replace("/r1r2", "/ring/step-3/") : slot + "/";
    }

    private static boolean isRing(String slot) {
        return slot.contains("ring");
    }

    private static double base(String text) {
        Matcher number = NUMBER.matcher(text);
        if (!number.matches()) {
            return 0;
        }
        double factor = switch (number.group(2) == null ? "" : number.group(2)) {
            case "kΩ", "kA" -> 1e3;
            case "MΩ" -> 1e6;
            case "mA" -> 1e-3;
            default -> 1;
        };
        return Double.parseDouble(number.group(1)) * factor * (text.startsWith(">") ? 10 : 1);
    }

    private void goLive(Page page) {
        // nobody reloads: the server tells that the candidate asks
        button(page, "Look, then decide").click();
        Stages.give(page);
        Axe.check(page, "Go live, asked and given");
        Locator why = page.getByLabel(Pattern.compile("Why live now"));
        Locator go = button(page, "Go live, with permission");
        assertThat(go).isVisible();
        if (why.isVisible()) {
            why.fill("supervised, as agreed");
        }
        go.click();
        assertThat(page.getByText(Pattern.compile("^Live since"))).isVisible();
    }

    private void makeDead(Page page) {
        for (Locator tick : page.getByRole(AriaRole.CHECKBOX).all()) {
            tick.check();
        }
        button(page, "It is dead").click();
        assertThat(button(page, "Go live…")).isVisible();
    }

    private void report(Page sheet) {
        Stages.test(sheet, "Faults I found").click();
        sheet.getByLabel("Where").selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(2));
        sheet.getByLabel("What", new Page.GetByLabelOptions().setExact(true)).selectOption("High-resistance joint");
        sheet.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("CPC"))
                .click();
        sheet.getByLabel("Remedy").fill("Remake the joint");
        button(sheet, "Name it").click();
        assertThat(sheet.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    private void handIn(Page sheet) {
        button(sheet, "Hand in").click();
        sheet.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in"))
                .click();
        assertThat(sheet.getByText("It can be read, not changed.")).isVisible();
    }

    private void mark(Page page) {
        page.navigate(page.url().replace("/watch", "/mark"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Outcome")))
                .isVisible();
        List<String> lost = marksLost(page, "Measured rightly");
        org.assertj.core.api.Assertions.assertThat(lost)
                .as("honest readings of a faulted rig")
                .isEmpty();
        Stages.acceptAll(page);
        assertThat(page.getByText("all decided")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Decide")))
                .click();
        // only a few of the safety points were tapped: the assessor gives their own word, or what is proposed is
        // decided
        Locator word = page.getByLabel(Pattern.compile("How you know that it was safe"));
        Locator signed = page.getByText(Pattern.compile("signed .* points"));
        assertThat(word.or(signed).first()).isVisible();
        if (word.isVisible()) {
            page.getByRole(
                            AriaRole.RADIO,
                            new Page.GetByRoleOptions().setName("Competent").setExact(true))
                    .click();
            word.fill("I stood beside it throughout");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sign competent")))
                    .click();
        }
        assertThat(page.getByText(Pattern.compile("signed .* points"))).isVisible();
        Axe.check(page, "Mark, a whole sequence");
    }

    /** Tests whose mark of that title is not full, with why. */
    @SuppressWarnings("unchecked")
    private static List<String> marksLost(Page page, String title) {
        return (List<String>) page.evaluate("""
                async (title) => {
                  const id = location.pathname.split('/')[2];
                  const view = await (await fetch(`/api/assessments/${id}/marking`)).json();
                  return view.marks.filter(m => m.title === title && m.proposed !== 'FULL')
                    .map(m => m.id + ': ' + m.evidence);
                }""", title);
    }
}
