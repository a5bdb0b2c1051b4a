package prantel.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;

/**
 * A record as it is filed: circuits down, tests across. What stands on a schedule: BS 7671 Appendix 6, from memory; its layout is
 * our own.
 */
class ScheduleTest {
    private static final Scheme SCHEME = Schemes.fullSequence();

    private static Schedule of(Rig rig, Map<String, String> written) {
        return Schedule.of(rig, SCHEME, slot -> Optional.ofNullable(written.get(slot.value())));
    }

    private static String at(Schedule schedule, String column) {
        return schedule.results().getFirst().readings().get(schedule.columns().indexOf(column));
    }

    /** Five sockets on a B20 of 2.5/1.5: 0.95 · 230 V ÷ 100 A = 2.18 Ω, 80 % of it 1.74 Ω (BS 7671 table 41.3, from memory). */
    @Test
    void aCircuitStandsOnItWithWhatItIsAndItsGreatestZs() {
        assertThat(of(Rigs.fiveSockets(), Map.of()).circuits()).singleElement().satisfies(c -> {
            assertThat(c.device()).isEqualTo("B20");
            assertThat(c.conductors()).isEqualTo("2.5/1.5");
            assertThat(c.breaking()).isEqualTo("6\u2009kA");
            assertThat(c.residual()).isEmpty();
            assertThat(c.zsLimit()).startsWith("≤ 1.7");
            assertThat(c.source()).contains("80 %");
        });
    }

    @Test
    void theWorstOfSeveralReadingsStandsOnItUnlessOneWasChosen() {
        Map<String, String> written = new HashMap<>(Map.of(
                "sockets/zs/socket-1", "0.52",
                "sockets/zs/socket-4", "0.91",
                "sockets/zs/socket-2", "0.61",
                "sockets/ir500/l-e", "180",
                "sockets/ir500/n-e", ">999 MΩ",
                "sockets/ir250/l-e", "2.1"));
        Schedule schedule = of(Rigs.fiveSockets(), written);
        assertThat(at(schedule, "Zs")).isEqualTo("0.91");
        // what was read at 250 V is not what the circuit is judged by
        assertThat(at(schedule, "Insulation, to earth")).isEqualTo("180");
        assertThat(at(schedule, "Insulation, live")).isEmpty();
        written.put("sockets/zs", "0.90");
        assertThat(at(of(Rigs.fiveSockets(), written), "Zs")).isEqualTo("0.90");
        written.put("sockets/zs", "tripped");
        assertThat(at(of(Rigs.fiveSockets(), written), "Zs")).isEqualTo("tripped");
    }

    @Test
    void nothingStandsOnItThatWasNotWritten() {
        Schedule schedule = of(Rigs.fiveSockets(), Map.of());
        assertThat(schedule.results().getFirst().readings())
                .hasSameSizeAs(schedule.columns())
                .containsOnly("");
        assertThat(schedule.origin()).isEmpty();
        assertThat(schedule.devices()).isEmpty();
    }

    /** Each text of a full record is on it or among the readings: none is changed, and every circuit has one line of each. */
    @Test
    void everyCircuitHasALineAndEveryTextOnItIsOneThatWasWritten() {
        for (long seed = 0; seed < 12; seed++) {
            Rig rig = RandomRigs.rig(new SplittableRandom(seed));
            Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), SCHEME);
            Map<String, String> written = new HashMap<>();
            for (Expectation e : key.expectations()) {
                written.put(e.slot().id().value(), e.withFaults().shown());
            }
            Schedule schedule = of(rig, written);
            assertThat(schedule.circuits()).hasSameSizeAs(rig.circuits());
            assertThat(schedule.results()).hasSameSizeAs(rig.circuits());
            List<String> texts = schedule.results().stream()
                    .flatMap(r -> r.readings().stream())
                    .filter(t -> !t.isEmpty() && !t.endsWith(" written") && !t.contains("; "))
                    .toList();
            assertThat(texts).isNotEmpty().allMatch(written::containsValue);
            assertThat(schedule.origin()).isNotEmpty();
            assertThat(schedule.devices())
                    .allSatisfy(d ->
                            assertThat(d.readings()).noneMatch(r -> r.what().contains(d.label())));
        }
    }
}
