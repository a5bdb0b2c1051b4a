package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/**
 * Watching on a tablet, by touch: one tap a step, a slip in two, without a network for a part, two bays by one assessor, a
 * rig fault, a stop, a handover; and a sheet from paper by keyboard alone.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WatchIT extends BrowserTest {
    private static final List<String> DEAD =
            List.of("arrive", "isolate", "inspect", "tester", "bonding", "cpc", "ring");

    private static Page assessor;
    private static Page candidate;
    private static String first;
    private static String second;
    private int taps;

    private static Locator named(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private void tap(Locator what) {
        what.first().tap();
        taps++;
    }

    private static Locator saved(Page page) {
        return page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Saved"));
    }

    private void open(String id) {
        Rooms.open(assessor, "/assessments/" + id + "/watch");
        assertThat(named(assessor, "^Stop: safety$")).isVisible();
    }

    @Test
    @Order(1)
    @SuppressWarnings("unchecked")
    void aStepTakesOneTapAndASlipTwo() {
        assessor = Rooms.with(browsers.signIn("Ines Marrow", 820, 1180));
        first = (String) assessor.evaluate("() => atWork('bay-5', 'lena', 'initial-single-phase')");
        candidate = Rooms.with(browsers.signIn("Lena Brook", 820, 1180));
        Map<String, String> readings = (Map<String, String>) assessor.evaluate("id => readings(id)", first);
        open(first);
        Map<String, Object> scheme = (Map<String, Object>) assessor.evaluate(
                "async id => Object.fromEntries((await call('GET', `/api/assessments/${id}/watch`)).steps.map(s => [s.id, s.observations.length]))",
                first);
        Map<String, List<String>> tests = Map.of(
                "isolate", List.of("INDICATOR", "SAFE_ISOLATION"),
                "inspect", List.of("INSPECTION"),
                "bonding", List.of("EARTHING", "BONDING", "ELECTRODE"),
                "cpc", List.of("R1_R2"),
                "ring", List.of("RING", "RING_EVENNESS"));
        for (String step : DEAD) {
            candidate.evaluate(
                    "([id, tests, readings]) => writeAll(id, tests, readings)",
                    List.of(first, tests.getOrDefault(step, List.of()), readings));
            int observations = ((Number) scheme.get(step)).intValue();
            // what is shown stays under the thumb; what is next is offered, and nobody looks for it
            tap(observations > 1 ? named(assessor, "^● All \\d+ right$") : named(assessor, "^Done right"));
            assertThat(saved(assessor)).isVisible();
            tap(named(assessor, "^Next: "));
        }
        assertThat(taps).as("one a step, and one to go on").isEqualTo(2 * DEAD.size());
        assertThat(assessor.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions().setName(Pattern.compile("^Insulation resistance")))
                        .and(assessor.locator("[aria-current=step]")))
                .isVisible();
        taps = 0;
        tap(named(assessor, "^Slip: CPCs on the bar"));
        tap(named(assessor, "^CPC left off$"));
        assertThat(taps).isEqualTo(2);
        assertThat(assessor.getByText("▼ CPC left off")).isVisible();
        Axe.check(assessor, "Watch, a slip");
        assessor.getByText("Take back").tap();
        assertThat(assessor.getByText("▼ CPC left off")).not().isVisible();
    }

    @Test
    @Order(2)
    void nothingIsLostWithoutANetworkNorOverAReload() {
        assessor.context().setOffline(true);
        named(assessor, "^Done right: Loads, lamps").first().tap();
        named(assessor, "^Slip: Leads short").first().tap();
        named(assessor, "^never checked$").first().tap();
        assertThat(assessor.getByText(Pattern.compile("2 kept here"))).isVisible();
        assessor.context().setOffline(false);
        assessor.reload();
        assertThat(assessor.getByText("▼ never checked")).isVisible();
        assertThat(saved(assessor)).isVisible();
        Rooms.with(assessor);
        Object seen = assessor.evaluate("""
                async id => (await call('GET', `/api/assessments/${id}/watch`)).steps
                  .flatMap(s => s.observations).filter(o => o.slip === 'never checked').length""", first);
        assertThat(seen).as("sent once").isEqualTo(1);
    }

    @Test
    @Order(3)
    void twoBaysByOneAssessorOneTapApart() {
        second = (String) assessor.evaluate("() => atWork('bay-2', 'asta', 'initial-single-phase')");
        Locator bays = assessor.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Bays"));
        bays.getByText("Asta Quill").tap();
        assertThat(assessor.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^Bay 2"))))
                .isVisible();
        assertThat(named(assessor, "^● All 3 right$")).isVisible();
        tap(named(assessor, "^● All 3 right$"));
        bays.getByText("Lena Brook").tap();
        assertThat(assessor.getByText("▼ never checked")).isVisible();
    }

    @Test
    @Order(4)
    void aRigFaultStopsTheClockAndCostsNothing() {
        named(assessor, "^Stop the clock$").first().tap();
        assessor.getByLabel("What is the matter").fill("worn socket");
        assessor.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Stop the clock"))
                .tap();
        assertThat(assessor.getByText("stands still", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        Axe.check(assessor, "Watch, the clock stands still");
        candidate.navigate(candidate.url().replaceAll("(https?://[^/]+).*", "$1") + "/my/sheets/" + first);
        assertThat(candidate.getByText("your clock stands still", new Page.GetByTextOptions().setExact(false)))
                .isVisible();
        assertThat(candidate.getByText("worn socket")).hasCount(0);
        assessor.getByLabel("What was done about it").fill("changed");
        named(assessor, "^Go on here$").first().tap();
        assertThat(named(assessor, "^Stop the clock$")).isVisible();
        assertThat(candidate.getByText("your clock stands still", new Page.GetByTextOptions().setExact(false)))
                .not()
                .isVisible();
    }

    @Test
    @Order(5)
    void aStopIsMadeSafeThenDecidedAndABayIsHandedOver() {
        // the network is gone at this moment: the stop is kept, and says so in red until the server has it
        assessor.context().setOffline(true);
        named(assessor, "^Stop: safety$").first().tap();
        named(assessor, "^link left in$").first().tap();
        named(assessor, "^Stop the assessment$").first().tap();
        assertThat(assessor.getByText("Not yet confirmed by the server", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        Axe.check(assessor, "Watch, a stop that has not arrived");
        assessor.context().setOffline(false);
        assertThat(assessor.getByText("Stopped for safety", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        assertThat(named(assessor, "^It ends here")).isDisabled();
        Axe.check(assessor, "Watch, stopped");
        Stages.tickAll(assessor, "Make safe");
        assessor.getByLabel("Or it goes on, because").fill("taken out at once, talked over");
        named(assessor, "^Lift the stop").first().tap();
        assertThat(named(assessor, "^Stop: safety$")).isVisible();
        assessor.getByLabel("Hand over to").selectOption("Corin Vale");
        named(assessor, "^Hand over$").first().tap();
        assertThat(named(assessor, "^Take over$")).isVisible();
    }

    /** A tablet of the bay is let in to one sheet; signed out, it shows nothing of it, in no cache and not by going back. */
    @Test
    @Order(6)
    void aPairedTabletSeesOneSheetAndNothingAfterSignOut() {
        candidate.context().close();
        open(first);
        named(assessor, "^Let a tablet in$").first().tap();
        String code = assessor.getByText(Pattern.compile("^\\d{4} \\d{4}$")).innerText();
        Page tablet = browsers.open("/pair", 820, 1180);
        tablet.getByLabel("Eight figures").fill(code);
        named(tablet, "^Open my sheet$").first().tap();
        assertThat(tablet.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^Bay 5"))))
                .isVisible();
        String places = tablet.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places"))
                .innerText();
        assertThat(places).contains("My sheet").doesNotContain("Floor").doesNotContain("Rigs");
        named(tablet, "^Sign out$").first().tap();
        assertThat(tablet.getByLabel("Password")).isVisible();
        tablet.goBack();
        assertThat(tablet.getByText("Bunkhouse")).hasCount(0);
        Object kept = tablet.evaluate("""
                async () => {
                  const names = await caches.keys();
                  const bases = await indexedDB.databases();
                  const held = await new Promise((done) => {
                    const open = indexedDB.open('prantel');
                    open.onsuccess = () => {
                      const get = open.result.transaction('outbox').objectStore('outbox').getAllKeys();
                      get.onsuccess = () => done(get.result);
                    };
                    open.onerror = () => done(['?']);
                  });
                  return [names.length, held.length, Object.keys(sessionStorage).length, bases.length].join();
                }""");
        assertThat(kept)
                .as("no caches, nothing unsent, no session storage")
                .asString()
                .startsWith("0,0,0,");
        tablet.context().close();
    }

    /** A whole sheet by keyboard: at most 1.3 keys for each character that is written. */
    @Test
    @Order(7)
    @SuppressWarnings("unchecked")
    void aSheetFromPaperIsEnteredByKeyboardAlone() {
        Page desk = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        String id = (String) desk.evaluate("() => atWork('bay-3', 'tomas', 'workshop')");
        Map<String, String> readings = (Map<String, String>) desk.evaluate("id => readings(id)", id);
        List<Map<String, Object>> boxes = (List<Map<String, Object>>) desk.evaluate("""
                async id => (await call('GET', `/api/assessments/${id}/paper`)).steps
                  .flatMap(s => s.groups.flatMap(g => g.boxes))""", id);
        desk.navigate(desk.url().replaceAll("(https?://[^/]+).*", "$1") + "/assessments/" + id + "/paper");
        assertThat(desk.locator("input:focus")).isVisible();
        int keys = 0;
        int characters = 0;
        for (Map<String, Object> box : boxes) {
            String written = number(readings.get((String) box.get("slot")));
            String typed = written.startsWith("0.") ? written.substring(1) : written.startsWith(">") ? "*" : written;
            desk.keyboard().type(typed);
            desk.keyboard().press("Enter");
            keys += typed.length() + 1;
            characters += written.startsWith(">") ? ((String) box.get("overRange")).length() : written.length();
        }
        assertThat((double) keys / characters)
                .as("%d keys for %d characters in %d boxes", keys, characters, boxes.size())
                .isLessThanOrEqualTo(1.3);
        assertThat(desk.getByText(boxes.size() + " of " + boxes.size(), new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(saved(desk)).isVisible();
        Axe.check(desk, "A sheet from paper");
        desk.getByText("All entered: to Mark").click();
        assertThat(desk.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Outcome")))
                .isVisible();
        desk.context().close();
    }

    private static String number(String reading) {
        return reading.replaceAll("[\\u2009 ]*(MΩ|kΩ|Ω|V|kA|A|ms|mA)$", "").strip();
    }
}
