package prantel.server.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Marker;
import prantel.core.sequence.SlotId;

/** What is said of a reading outside its band that nothing explains. */
class SidesTest {
    private static final Key KEY = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static String unexplained(String slot, Map<String, String> otherwise) {
        Map<SlotId, String> readings = new HashMap<>();
        KEY.expectations()
                .forEach(e -> readings.put(e.slot().id(), e.withFaults().shown()));
        otherwise.forEach((id, text) -> readings.put(new SlotId(id), text));
        return Marker.mark(KEY, new CandidateRecord(readings, Map.of(), List.of())).findings().stream()
                .filter(f -> f.expectation().slot().id().value().equals(slot))
                .map(Sides::unexplained)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void ofAnOddOneItIsAskedHowItWasTaken() {
        assertThat(unexplained("sockets/r1r2/socket-2", Map.of("sockets/r1r2/socket-2", "4.83 Ω")))
                .contains("Ask how it was taken");
    }

    @Test
    void whatFollowsFromOthersIsSaidThere() {
        Map<String, String> high = Map.of("sockets/r1r2/socket-5", "7.91 Ω", "sockets/r1r2", "7.91 Ω");
        assertThat(unexplained("sockets/r1r2", high)).contains("follows from the readings");
    }

    @Test
    void nothingOfOneThatIsInside() {
        assertThat(unexplained("sockets/r1r2/socket-2", Map.of())).isEmpty();
    }
}
