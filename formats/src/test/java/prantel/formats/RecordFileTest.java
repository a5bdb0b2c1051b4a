package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.assessment.Chain;
import prantel.core.assessment.Pinned;

/** An exported record and what was done to it. Hashes: FIPS 180-4; the seal's value by Python's hashlib over the same bytes. */
class RecordFileTest {
    private static final OffsetDateTime AT = OffsetDateTime.parse("2026-11-26T10:42:00Z");
    private static final Pinned PINNED = new Pinned(
            "a1",
            "bay-1",
            "owen",
            "ines",
            new Pinned.Versions(
                    new Pinned.Document("toll-cottage", 2),
                    new Pinned.Document("t1", 1),
                    new Pinned.Document("workshop", 1),
                    6),
            AT);

    private static RecordFile.Content content() {
        List<RecordFile.Event> events = new ArrayList<>();
        String before = Chain.START;
        for (int i = 1; i <= 4; i++) {
            String payload = "{\"event\":\"reading-written\",\"text\":\"0.4" + i + " \u03a9\"}";
            Chain.Link link = new Chain.Link("a1", i, "event-000" + i, payload, AT.plusMinutes(i), "owen");
            before = Chain.next(before, link);
            events.add(new RecordFile.Event(i, link.eventId(), payload, link.at(), "owen", before));
        }
        return new RecordFile.Content(PINNED, events, Optional.of("{\"verdict\":\"PASS\"}"));
    }

    private static String file() {
        return new String(RecordFile.write(content()), StandardCharsets.UTF_8);
    }

    private static RecordFile.Content verify(String file) {
        return RecordFile.verify(file.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsWrittenIsWhole() {
        assertThat(verify(file())).isEqualTo(content());
        assertThat(new RecordFile.Content(PINNED, List.of(), Optional.empty()).seal())
                .isEqualTo("bf225621a4a6602d2d233fe0b413939b200788d000e1822dd4682bea38adbb6b");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.42|0.52|/events/1",
                "\"by\" : \"owen\"|\"by\" : \"lena\"|/events/0",
                "2026-11-26T10:44Z|2026-11-26T10:45Z|/events/1",
                "\"version\" : 2|\"version\" : 1|/seal",
                "\"candidate\" : \"owen\"|\"candidate\" : \"bas\"|/seal",
                "PASS|FAIL|/seal",
                "\"seq\" : 3|\"seq\" : 4|/events/2"
            })
    void oneChangeIsToldAtItsPlace(String was, String is, String where) {
        String altered = file().replaceFirst(java.util.regex.Pattern.quote(was), is);
        assertThat(altered).isNotEqualTo(file());
        assertThatThrownBy(() -> verify(altered)).hasMessageContaining(where);
    }

    @Test
    void aMissingEndIsTold() {
        RecordFile.Content all = content();
        RecordFile.Content cut = new RecordFile.Content(PINNED, all.events().subList(0, 3), all.result());
        String file = new String(RecordFile.write(cut), StandardCharsets.UTF_8).replace(cut.seal(), all.seal());
        assertThatThrownBy(() -> verify(file)).hasMessageContaining("the end is missing");
    }
}
