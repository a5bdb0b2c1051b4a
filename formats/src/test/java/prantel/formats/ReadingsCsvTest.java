package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord;
import prantel.core.sequence.SlotId;

class ReadingsCsvTest {
    private static final Key KEY = Key.of(
            Rigs.fiveSockets(),
            FaultSet.NONE,
            Testers.usual(),
            ShippedSchemes.all().get("workshop").scheme());

    private static CandidateRecord read(String text) {
        return ReadingsCsv.read(text.getBytes(StandardCharsets.UTF_8), KEY, List.of());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "slot,reading,judged\nsockets/r1r2/socket-1,0.13,\nsockets/ir500/l-e,>999,satisfactory\n",
                "\ufeffslot;reading;judged\r\nsockets/r1r2/socket-1;0.13;\r\nsockets/ir500/l-e;>999;yes\r\n",
                "Slot\tReading\tJudged\nsockets/r1r2/socket-1\t0.13\nsockets/ir500/l-e\t>999\tpass\n",
                "who,slot,note,reading,judged\nme,sockets/r1r2/socket-1,x,0.13,\nme,sockets/ir500/l-e,\"a, b\",>999,✓\n"
            })
    void everyCommonShapeOfTheFileReadsTheSame(String text) {
        CandidateRecord record = read(text);
        assertThat(record.readings())
                .isEqualTo(
                        Map.of(new SlotId("sockets/r1r2/socket-1"), "0.13", new SlotId("sockets/ir500/l-e"), ">999"));
        assertThat(record.judgements()).isEqualTo(Map.of(new SlotId("sockets/ir500/l-e"), true));
    }

    @Test
    void decimalCommaStandsInQuotesOrBetweenSemicolons() {
        assertThat(read("slot,reading\nsockets/r2,\"0,45\"").readings()).containsValue("0,45");
        assertThat(read("slot;reading\nsockets/r2;0,45").readings()).containsValue("0,45");
        assertThatThrownBy(() -> read("slot,reading\nsockets/r2,0,45"))
                .hasMessageContaining("row 2")
                .hasMessageContaining("quotes");
    }

    @Test
    void everyBadRowIsNamedAtOnce() {
        assertThatThrownBy(() ->
                        read("slot,reading,judged\nring/r1,1,\nsockets/r2,1,maybe\nsockets/r1r2,1,\nsockets/r1r2,2,"))
                .hasMessageContaining("row 2, column slot")
                .hasMessageContaining("ring/r1")
                .hasMessageContaining("row 3, column judged")
                .hasMessageContaining("maybe")
                .hasMessageContaining("row 5, column slot")
                .hasMessageContaining("row 4");
    }

    @Test
    void whatIsNoReadingsFileSaysWhatIsMissing() {
        assertThatThrownBy(() -> read("a,b\n1,2")).hasMessageContaining("slot").hasMessageContaining("reading");
        assertThatThrownBy(() -> read("")).hasMessageContaining("slot");
        assertThatThrownBy(() -> read("slot,reading\n\"sockets/r2,1")).hasMessageContaining("CSV");
        byte[] latin = "slot,reading\nsockets/r2,1 \u00b5".getBytes(Charset.forName("ISO-8859-1"));
        assertThatThrownBy(() -> ReadingsCsv.read(latin, KEY, List.of())).hasMessageContaining("UTF-8");
        assertThatThrownBy(() -> ReadingsCsv.read(new byte[10 << 20], KEY, List.of()))
                .hasMessageContaining("KiB");
    }

    @Test
    void exportedSheetIsAValidReadingsFileOnceReadingsAreAdded() {
        String[] lines = KeyExport.csv(KEY).split("\r\n");
        StringBuilder filled = new StringBuilder(lines[0] + ",reading\n");
        for (int i = 1; i < lines.length; i++) {
            filled.append(lines[i]).append(",1\n");
        }
        assertThat(read(filled.toString()).readings())
                .hasSize(KEY.expectations().size());
    }
}
