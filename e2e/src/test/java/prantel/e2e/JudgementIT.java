package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/**
 * A person judges a person: a clear pass, a safety stop, a record that looks worked out, a mark that two assessors settle, what
 * the candidate reads of it, and the parts that are done again.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class JudgementIT extends BrowserTest {
    private static String petra;

    @BeforeAll
    void addBays() {
        Page technician = Rooms.with(browsers.signIn("Jory Penn", 1280, 800));
        technician.evaluate("""
                async () => {
                  const { rigs } = await call('GET', '/api/workshop');
                  const rig = rigs.find((r) => r.label === 'Toll Cottage').id;
                  for (const number of [11, 12, 13]) await call('POST', '/api/workshop/bays', { number, rig });
                }""");
        technician.context().close();
    }

    private static Locator text(Page page, String words) {
        return page.getByText(words, new Page.GetByTextOptions().setExact(false))
                .first();
    }

    /** A candidate's whole sheet of the workshop scheme on a sound rig, handed in. @return the assessment */
    private String handedIn(Page assessor, int bay, String id, String name, Map<String, String> instead) {
        String assessment =
                (String) assessor.evaluate("([bay, who]) => atWork(bay, who, 'workshop')", List.of("bay-" + bay, id));
        Object readings = assessor.evaluate("id => readings(id)", assessment);
        Page candidate = Rooms.with(browsers.signIn(name, 1280, 800));
        candidate.evaluate(
                "([id, readings, instead]) => fillWorkshop(id, readings, instead)",
                List.of(assessment, readings, instead));
        candidate.context().close();
        return assessment;
    }

    @Test
    @Order(1)
    void aClearPassIsAcceptedAndSignedInAFewPresses() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        String id = handedIn(assessor, 11, "owen", "Owen Tasker", Map.of());
        Rooms.open(assessor, "/assessments/" + id + "/mark");
        assertThat(text(assessor, "Nothing: every reading is what this rig gives"))
                .isVisible();
        assertThat(assessor.getByText("Proposed: Competent")).isVisible();
        Stages.acceptAll(assessor);
        button(assessor, "Decide: competent").click();
        assertThat(assessor.getByText(Pattern.compile("^signed .* points"))).isVisible();
        assertThat(assessor.getByText("Doing it again")).hasCount(0);
        assessor.context().close();
    }

    /** Values that agree to the digit with length times table are asked about; nobody is told to be at fault. */
    @Test
    @Order(2)
    @SuppressWarnings("unchecked")
    void aRecordThatLooksWorkedOutIsAskedAboutAndNotAccused() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        // length times table, as the rig's own page works it out for every box
        Map<String, String> worked = (Map<String, String>) assessor.evaluate("""
                async () => {
                  const out = {};
                  const walk = (o) => {
                    if (o === null || typeof o !== 'object') return;
                    if (/\\/(r1r2|ring)\\//.test(o.slot ?? '') && /= [0-9.]+/.test(o.byHand ?? ''))
                      out[o.slot] = /.*= ([0-9.]+)/.exec(o.byHand)[1];
                    Object.values(o).forEach(walk);
                  };
                  walk(await call('GET', '/api/rigs/toll-cottage'));
                  return out;
                }""");
        assertThat(worked.keySet()).anyMatch(s -> s.contains("/ring/"));
        String id = handedIn(assessor, 12, "mirela", "Mirela Stow", worked);
        Rooms.open(assessor, "/assessments/" + id + "/mark");
        Stages.opened(assessor, text(assessor, "How did you arrive at these values?"));
        assertThat(assessor.getByText("no mark lost").first()).isVisible();
        assertThat(assessor.getByText(Pattern.compile("copied|cheat|made up", Pattern.CASE_INSENSITIVE)))
                .hasCount(0);
        // being asked about costs nothing by itself
        assertThat(assessor.getByText("Proposed: Competent")).isVisible();
        assessor.context().close();
    }

    @Test
    @Order(3)
    void aSafetyStopIsNeverAMatterOfPoints() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        String id = (String) assessor.evaluate("() => atWork('bay-13', 'lena', 'initial-single-phase')");
        assessor.evaluate("""
                async (id) => {
                  const at = `/api/assessments/${id}`;
                  await call('POST', `${at}/watch/stop`, { eventId: event_(), what: 'worked on a part not proved dead' });
                  const { lists } = await call('GET', `${at}/conduct`);
                  for (const item of lists.find((l) => l.list === 'MAKE_SAFE').items)
                    await call('PUT', `${at}/conduct/ticks`, { eventId: event_(), list: 'MAKE_SAFE', item: item.id, on: true });
                  await call('POST', `${at}/watch/end`, { eventId: event_() });
                }""", id);
        Rooms.open(assessor, "/assessments/" + id + "/mark");
        assertThat(assessor.getByText("Proposed: Stopped for safety")).isVisible();
        Stages.acceptAll(assessor);
        button(assessor, "Decide: stopped for safety").click();
        assertThat(assessor.getByText(Pattern.compile("^signed"))).isVisible();
        assertThat(assessor.getByText("Doing it again")).isVisible();
        assertThat(assessor.getByLabel("The whole")).isChecked();
        assessor.context().close();
    }

    /** The demo's record: a mark given otherwise, marked again blind by somebody else, settled; then the outcome. */
    @Test
    @Order(4)
    void anOverrideIsSettledByASecondMarkerWhoSawNothingOfIt() {
        Page first = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        petra = (String) first.evaluate(
                "async () => (await call('GET', '/api/floor')).bays.find((b) => b.number === 1).assessmentId");
        Rooms.open(first, "/assessments/" + petra + "/mark");
        Stages.opened(
                        first,
                        first.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions().setName("Change Measured rightly, Bonding")))
                .click();
        first.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Full"))
                .click();
        first.getByLabel("Reason, kept with both values").fill("showed me the part afterwards");
        button(first, "Change it").click();
        assertThat(text(first, "changed from half to full")).isVisible();
        List<?> proposed = (List<?>) first.evaluate(
                "async id => (await call('GET', `/api/assessments/${id}/marking`)).marks"
                        + ".filter((m) => m.wants !== 'NOTHING').map((m) => ({ mark: m.id, given: m.proposed }))",
                petra);
        Stages.acceptAll(first);
        first.getByLabel("Ask for a second mark").selectOption("Corin Vale");
        button(first, "Ask").click();
        assertThat(text(first, "was asked; not signed yet")).isVisible();
        assertThat(first.getByText(Pattern.compile("a second mark was asked for")))
                .isVisible();

        Page second = Rooms.with(browsers.signIn("Corin Vale", 1280, 800));
        second.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Mark Petra Lindholm by yourself")))
                .first()
                .click();
        assertThat(text(second, "nothing of what the program makes of it")).isVisible();
        assertThat(second.getByText("showed me the part afterwards")).hasCount(0);
        Axe.check(second, "Mark, by oneself");
        assertThat(button(second, "Accept")).hasCount(0);
        assertThat(text(second, "Not all marked yet")).isVisible();
        second.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Full for the .* not marked here")))
                .click();
        // the rest as it was proposed to the first: the same marks, given one by one
        second.evaluate(
                "async ([id, marks]) => { for (const m of marks) await call('PUT',"
                        + " `/api/assessments/${id}/marking/marks`, { eventId: crypto.randomUUID(), reason: '', basedOn: 0, ...m }) }",
                List.of(petra, proposed));
        second.reload();
        button(second, "Sign my marks").click();
        assertThat(second.getByText("1 to settle")).isVisible();
        second.context().close();

        first.reload();
        assertThat(first.getByText("1 to settle")).isVisible();
        Axe.check(first, "Mark, two opinions");
        first.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("What counts for Measured rightly"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("Half"))
                .click();
        first.getByLabel("What settled it").fill("shown after the sheet was in: does not count");
        button(first, "Settle").click();
        assertThat(text(first, "Settled by Ines Marrow: half")).isVisible();
        button(first, "Decide: refer these parts").click();
        assertThat(first.getByText(Pattern.compile("^signed .* points"))).isVisible();
        first.context().close();
    }

    @Test
    @Order(5)
    void theCandidateReadsFeedbackAndNothingOfTheKey() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        Rooms.open(assessor, "/assessments/" + petra + "/feedback");
        assertThat(text(assessor, "What to do otherwise")).isVisible();
        Axe.check(assessor, "Feedback, a draft");
        assessor.getByLabel("Another sentence: what to practise").fill("Come on Thursday evening.");
        assessor.keyboard().press("Enter");
        button(assessor, "Give it to the candidate").click();
        assertThat(assessor.getByText(Pattern.compile("^Given "))).isVisible();
        List<?> set = (List<?>)
                assessor.evaluate("async id => (await call('GET', `/api/assessments/${id}/marking`)).faultsSet", petra);
        Rooms.open(assessor, "/assessments/" + petra + "/record");
        assertThat(text(assessor, "Outcome signed")).isVisible();
        Axe.check(assessor, "Record");
        assessor.context().close();

        Page candidate = browsers.signIn("Petra Lindholm", 820, 1180);
        candidate
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Read your feedback"))
                .click();
        assertThat(candidate.getByText("Refer these parts")).isVisible();
        assertThat(candidate.getByText("Come on Thursday evening.")).isVisible();
        Axe.check(candidate, "Feedback, the candidate's");
        String read = candidate.content();
        assertThat(set).isNotEmpty();
        set.forEach(fault -> assertThat(read).doesNotContain(String.valueOf(fault)));
        candidate.context().close();
    }

    @Test
    @Order(6)
    void whatWasReferredIsDoneAgainInAnotherBayAndNothingElse() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        Rooms.open(assessor, "/assessments/" + petra + "/mark");
        assertThat(assessor.getByText("Doing it again")).isVisible();
        assertThat(assessor.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Bonding")))
                .isChecked();
        assessor.getByLabel("Finding faults").uncheck();
        assessor.getByLabel("In which bay")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1));
        button(assessor, "Prepare it").click();
        assertThat(text(assessor, "Parts of an earlier assessment are done again here"))
                .isVisible();
        String id = assessor.url().replaceAll(".*/assessments/([^/]+)/.*", "$1");
        Object steps = assessor.evaluate(
                "async id => (await call('GET', `/api/assessments/${id}/watch`)).steps.map((s) => s.id).join()", id);
        assertThat(steps).isEqualTo("bonding");
        assessor.context().close();
    }
}
