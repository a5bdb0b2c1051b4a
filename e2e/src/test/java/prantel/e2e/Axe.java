package prantel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;

/** Accessibility by axe-core: nothing serious or critical may be found. */
final class Axe {
    private Axe() {}

    static void check(Page page, String what) {
        List<String> found = new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(v -> List.of("serious", "critical").contains(v.getImpact()))
                        .map(v -> v.getId() + ": " + v.getHelp() + " "
                                + v.getNodes().stream()
                                        .limit(3)
                                        .map(n -> n.getHtml())
                                        .toList())
                        .toList();
        assertThat(found).as("accessibility of " + what).isEmpty();
    }
}
