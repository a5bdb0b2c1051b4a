package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.quantity.Check;

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

    @Test
    void everySizeIsDocumentedAsItIsChecked() throws Exception {
        String page = Files.readString(Path.of("../docs/formats/faults.md"));
        for (FaultKind kind : FaultCatalogue.kinds()) {
            kind.magnitude().ifPresent(m -> {
                String row = page.lines()
                        .filter(l -> l.startsWith("| `" + kind.id() + "` |"))
                        .findFirst()
                        .orElseThrow();
                assertThat(row)
                        .as(kind.id())
                        .contains("`" + m.fieldName() + "` " + Check.plain(m.low()) + " to " + Check.plain(m.high()));
            });
        }
    }
}
