package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Each shipped scheme watched from the first step to pens down on a tablet, by touch: dead, asked for, live, dead again,
 * handed in. With nothing wrong a step takes no more than one tap.
 */
class SchemesByTouchIT extends BrowserTest {
    private static final int WIDTH = 820;
    private static final int HEIGHT = 1180;
    private static final int MOST_STEPS = 40;

    @BeforeAll
    void addBays() {
        Page technician = Rooms.with(browsers.signIn("Jory Penn", 1280, 800));
        technician.evaluate("""
                async () => {
                  const { rigs } = await call('GET', '/api/workshop');
                  const rig = (name) => rigs.find((r) => r.label === name).id;
                  for (const [number, name] of [[11, 'Toll Cottage'], [12, 'Creamery'], [13, 'Toll Cottage'],
                      [14, 'Toll Cottage'], [15, 'Toll Cottage'], [16, 'Toll Cottage'], [17, 'Toll Cottage'], [18, 'Bunkhouse']])
                    await call('POST', '/api/workshop/bays', { number, rig: rig(name) });
                }""");
        technician.context().close();
    }

    @ParameterizedTest
    @CsvSource({
        "initial-single-phase, 11, petra, Petra Lindholm",
        "initial-three-phase, 12, owen, Owen Tasker",
        "initial-earlier-practice, 13, mirela, Mirela Stow",
        "condition-check, 14, bas, Bas Hollis",
        "dead-verification-as-nzs, 15, lena, Lena Brook",
        "ring-drill, 16, asta, Asta Quill",
        "workshop, 17, tomas, Tomas Reed",
        "full-sequence, 18, piet, Piet Larkin"
    })
    @SuppressWarnings("unchecked")
    void aStepTakesNoMoreThanATap(String scheme, int bay, String candidateId, String name) {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", WIDTH, HEIGHT));
        String id = (String) assessor.evaluate(
                "([bay, who, scheme]) => atWork(bay, who, scheme)", List.of("bay-" + bay, candidateId, scheme));
        Map<String, String> readings = (Map<String, String>) assessor.evaluate("id => readings(id)", id);
        Map<String, List<String>> tests =
                (Map<String, List<String>>) assessor.evaluate("scheme => testsOf(scheme)", scheme);
        Page candidate = Rooms.with(browsers.signIn(name, WIDTH, HEIGHT));
        Rooms.open(candidate, "/my/sheets/" + id);
        Stages.tapAll(candidate, "Before you start");
        Rooms.open(assessor, "/assessments/" + id + "/watch");

        Set<String> steps = new HashSet<>();
        List<String> dead = new ArrayList<>();
        int taps = 0;
        for (int i = 0; i < MOST_STEPS; i++) {
            Map<String, Object> next = (Map<String, Object>) assessor.evaluate("""
                    async id => (await call('GET', `/api/assessments/${id}/watch`)).steps.find(s => s.next) ?? null""", id);
            if (next == null) {
                break;
            }
            String step = (String) next.get("id");
            assertThat(steps.add(step))
                    .as("%s: %s is next a second time", scheme, step)
                    .isTrue();
            boolean live = (Boolean) next.get("live");
            if (live && dead.isEmpty()) {
                dead.addAll(steps);
                goLive(assessor, candidate);
            } else if (!live && !dead.isEmpty() && isLive(assessor)) {
                makeDead(assessor);
            }
            candidate.evaluate(
                    "([id, tests, readings]) => writeAll(id, tests, readings)", List.of(id, tests.get(step), readings));
            int toSee = ((List<?>) next.get("observations")).size();
            if (toSee > 0) {
                // the heading: the bay, the step, what is written so far. What is shown stays; what is next is offered,
                // one press away
                String title = (String) next.get("title");
                Locator shown = assessor.getByRole(AriaRole.HEADING)
                        .filter(new Locator.FilterOptions()
                                .setHasText(Pattern.compile(
                                        "^\\d+\\s*" + title.replaceAll("[^\\p{L}\\p{N} ,]", "\\\\$0") + "(\\s|$)")))
                        .first();
                Locator offered = button(assessor, "Next: " + title);
                assertThat(shown.or(offered).first()).isVisible();
                if (!shown.isVisible()) {
                    offered.tap();
                }
                assertThat(shown).isVisible();
                assessor.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions()
                                        .setName(Pattern.compile(toSee > 1 ? "^● All \\d+ right$" : "^Done right")))
                        .first()
                        .tap();
                taps++;
            }
            assertThat(assessor.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Saved")))
                    .isVisible();
        }
        if (isLive(assessor)) {
            makeDead(assessor);
        }
        assertThat(taps).as("%s: taps over %d steps", scheme, steps.size()).isLessThanOrEqualTo(steps.size());
        assertThat(steps)
                .hasSizeGreaterThanOrEqualTo(
                        (int) tests.values().stream().filter(t -> !t.isEmpty()).count() - 2);
        handIn(candidate);
        assertThat(assessor.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Mark")))
                        .first())
                .isVisible();
        assertThat((Boolean) assessor.evaluate(
                        "async id => (await call('GET', `/api/assessments/${id}/watch`)).broken.length === 0", id))
                .as("%s: no order broken", scheme)
                .isTrue();
        assessor.context().close();
        candidate.context().close();
    }

    private static boolean isLive(Page assessor) {
        return assessor.getByText(Pattern.compile("^Live since")).isVisible();
    }

    private static void goLive(Page assessor, Page candidate) {
        button(candidate, "Ask to go live…").tap();
        Stages.tapAll(candidate, "Before it goes live");
        button(assessor, "Look, then decide").tap();
        Stages.tapAll(assessor, "Before it goes live");
        Stages.tapAll(assessor, "Seen by the assessor");
        Locator why = assessor.getByLabel(Pattern.compile("Why live now"));
        Locator go = button(assessor, "Go live, with permission");
        assertThat(go).isVisible();
        if (why.isVisible()) {
            why.fill("supervised, as agreed");
        }
        go.tap();
        assertThat(assessor.getByText(Pattern.compile("^Live since"))).isVisible();
    }

    private static void makeDead(Page assessor) {
        for (Locator tick : assessor.getByRole(AriaRole.CHECKBOX).all()) {
            tick.tap();
        }
        button(assessor, "It is dead").tap();
        assertThat(button(assessor, "Go live…")).isVisible();
    }

    private static void handIn(Page candidate) {
        button(candidate, "Hand in").tap();
        candidate
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in"))
                .tap();
        assertThat(candidate.getByText("It can be read, not changed.")).isVisible();
    }
}
