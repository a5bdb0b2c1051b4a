package prantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.options.RequestOptions;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * What reaches a candidate's browser while faults are set: every page, bundle and answer is searched, and
 * after signing out what the browser itself holds.
 */
class LeakIT extends BrowserTest {
    /** Sizes that stand nowhere else. */
    private static final String SIZE = "0.7377";

    private static final String FAULTS = """
        [{kind: 'high-resistance-joint', at: 'kitchen/socket-3', conductors: ['cpc'], size: %s, to: null}]""".formatted(SIZE);

    /** With a past of one's own and of others there is more to leak. */
    @Override
    String filled() {
        return "all";
    }

    @Test
    @SuppressWarnings("unchecked")
    void nothingOfTheKeyReachesACandidate() {
        Page assessor = Rooms.with(browsers.signIn("Ines Marrow", 1280, 800));
        String id = (String) assessor.evaluate("() => atWork('bay-5', 'lena', 'initial-single-phase', " + FAULTS + ")");
        List<String> expected = (List<String>) assessor.evaluate(
                "async id => (await call('GET', `/api/assessments/${id}/proof`)).checks.map((c) => c.expected)", id);
        assertThat(expected).isNotEmpty();
        String set = (String)
                assessor.evaluate("async id => JSON.stringify(await call('GET', `/api/assessments/${id}/set`))", id);
        assertThat(set).as("it is on the assessor's side").contains("0.74");

        Set<String> asked = new LinkedHashSet<>();
        Page candidate = browsers.signIn("Lena Brook", 1280, 800);
        candidate.context().onResponse(r -> asked.add(r.url()));
        String base = candidate.url().replaceAll("(https?://[^/]+).*", "$1");
        candidate.navigate(base + "/my/sheets");
        Rooms.open(candidate, "/my/sheets/" + id);
        Stages.confirm(candidate);
        assertThat(button(candidate, "Hand in")).isVisible();
        Stages.tests(candidate).all().forEach(Locator::click);
        for (String path : List.of(
                "/account",
                "/reference",
                "/my/sheets/" + id + "/feedback",
                "/floor",
                "/assessments/" + id + "/set",
                "/assessments/" + id + "/watch",
                "/assessments/" + id + "/mark",
                "/assessments/" + id + "/card",
                "/rigs",
                "/rigs/bunkhouse",
                "/schemes")) {
            candidate.navigate(base + path);
            candidate.waitForLoadState();
        }
        Rooms.with(candidate);
        candidate.evaluate("""
                async (id) => {
                  const paths = ['set', 'proof', 'live', 'watch', 'marking', 'record', 'record/view', 'record/csv', 'record/pdf',
                    'feedback', 'resit', 'card', 'conduct', 'paper', 'clear', 'faults/here'].map((p) => `/api/assessments/${id}/${p}`);
                  for (const path of [...paths, '/api/floor', '/api/rigs/bunkhouse', '/api/rigs/bunkhouse/faults',
                      '/api/schemes', '/api/changes', '/api/my/sheets', `/api/my/sheets/${id}`, `/api/my/sheets/${id}/standing`,
                      `/api/my/sheets/${id}/feedback`])
                    await fetch(path).then((r) => r.text(), () => '');
                }""", id);
        Map<String, String> seen = bodies(candidate, asked);
        assertThat(seen.keySet()).anyMatch(u -> u.endsWith(".js")).anyMatch(u -> u.contains("/api/my/sheets/" + id));
        seen.forEach((url, body) -> {
            assertThat(body).as(url).doesNotContain(SIZE, "0.74\u2009Ω", "0.738");
            if (url.contains("/api/")) {
                expected.forEach(value -> assertThat(body).as(url).doesNotContain("\"" + value + "\""));
            }
        });

        button(candidate, "Sign out").click();
        assertThat(candidate.getByLabel("Password")).isVisible();
        String held = (String) candidate.evaluate("""
                async () => {
                  const parts = [JSON.stringify(localStorage), JSON.stringify(sessionStorage)];
                  for (const name of await caches.keys()) parts.push(name);
                  for (const { name } of await indexedDB.databases()) {
                    const db = await new Promise((done) => {
                      const open = indexedDB.open(name);
                      open.onsuccess = () => done(open.result);
                    });
                    for (const store of db.objectStoreNames)
                      parts.push(JSON.stringify(await new Promise((done) => {
                        const all = db.transaction(store).objectStore(store).getAll();
                        all.onsuccess = () => done(all.result);
                      })));
                  }
                  return parts.join('\\n');
                }""");
        assertThat(held).doesNotContain(id, "Bunkhouse", SIZE);
        candidate.context().close();
        assessor.context().close();
    }

    /**
     * What the server answers this person for each address that the browser asked for. Asked again rather than read as it
     * passes: the body of an answer whose page has gone never comes.
     */
    private static Map<String, String> bodies(Page page, Set<String> urls) {
        Map<String, String> bodies = new LinkedHashMap<>();
        for (String url : urls) {
            if (url.startsWith("http") && !url.endsWith(".woff2")) {
                try {
                    APIResponse answer = page.context()
                            .request()
                            .get(url, RequestOptions.create().setTimeout(10_000));
                    bodies.put(url, answer.text());
                    answer.dispose();
                } catch (PlaywrightException e) {
                    assertThat(url).as("only a stream may not end").endsWith("/api/changes");
                }
            }
        }
        return bodies;
    }
}
