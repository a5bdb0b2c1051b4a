package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import tools.jackson.databind.JsonNode;

/** The sheet that goes out: every box once, its band in the unit it says. */
class KeyExportTest {
    private static final Key KEY =
            Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());

    private static Map<String, JsonNode> slots() {
        Map<String, JsonNode> slots = new HashMap<>();
        JsonFile.MAPPER
                .readTree(KeyExport.json(KEY))
                .get("slots")
                .forEach(s -> slots.put(s.get("slot").asString(), s));
        return slots;
    }

    @Test
    void everyBoxIsThereOnce() {
        assertThat(slots()).hasSize(KEY.expectations().size());
        assertThat(KeyExport.csv(KEY).lines()).hasSize(KEY.expectations().size() + 1);
    }

    @Test
    void bandsAndLimitsStandInTheUnitThatIsNamed() {
        JsonNode ze = slots().get("origin/ze");
        assertThat(ze.get("unit").asString()).isEqualTo("Ω");
        assertThat(ze.get("bandLow").asDouble()).isBetween(0.05, 0.2);
        JsonNode volts = slots().get("origin/volts/l-n");
        assertThat(volts.get("unit").asString()).isEqualTo("V");
        assertThat(volts.get("bandHigh").asDouble()).isBetween(250.0, 270.0);
        JsonNode current = slots().get("origin/ipf");
        assertThat(current.get("unit").asString()).isEqualTo("A");
        assertThat(current.get("limit").get("value").asDouble()).isEqualTo(6000);
    }

    @Test
    void openReadingHasNoUpperEnd() {
        JsonNode open = slots().get("sockets/polarity/socket-1");
        assertThat(open.has("bandHigh")).isFalse();
        assertThat(open.get("healthy").asString()).startsWith(">");
    }

    @Test
    void reasonsOfABandAddUpToNoLessThanTheBand() {
        JsonNode reading = slots().get("sockets/r1r2/socket-5");
        double up = 0;
        for (JsonNode reason : reading.get("bandReasons")) {
            up += reason.get("up").asDouble();
        }
        double healthy = KEY.expectation(new prantel.core.sequence.SlotId("sockets/r1r2/socket-5"))
                .healthy()
                .base();
        assertThat(healthy + up)
                .isCloseTo(reading.get("bandHigh").asDouble(), org.assertj.core.data.Offset.offset(0.02));
    }

    @Test
    void csvHasTheColumnsThatMakeAReadingsFileOfIt() {
        assertThat(KeyExport.csv(KEY).lines().findFirst().orElseThrow())
                .contains("slot")
                .contains("unit")
                .contains("band_low");
    }
}
