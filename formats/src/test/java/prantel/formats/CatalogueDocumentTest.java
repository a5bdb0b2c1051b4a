package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;

/** The published list of kinds is the catalogue. */
class CatalogueDocumentTest {
    @Test
    void everyKindIsDocumentedWithItsClassAndNoOther() throws Exception {
        String page = Files.readString(Path.of("../docs/formats/faults.md"));
        for (FaultKind kind : FaultCatalogue.kinds()) {
            assertThat(page.lines()
                            .filter(l -> l.startsWith("| `" + kind.id() + "` | " + kind.title() + " |")
                                    && l.contains("| " + kind.safety().words() + " | " + kind.severity() + " |")))
                    .as(kind.id())
                    .hasSize(1);
        }
        assertThat(page.lines().filter(l -> l.startsWith("| `") && !l.startsWith("| `kind`")))
                .hasSize(FaultCatalogue.kinds().size());
    }
}
