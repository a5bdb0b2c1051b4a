package prantel.server.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.setting.Exploration;
import prantel.formats.RigFile;
import prantel.formats.ShippedSchemes;
import prantel.formats.TesterFile;

/** What values really take of the heap, beside what {@link Weights} says: on every demo rig, since users' rigs are like these. */
class WeightsTest {
    private static final Path DEMO = Path.of("../demo");
    private static final int SETS = 12;

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void saysAtLeastWhatItTakes(String name) throws Exception {
        Rig rig = RigFile.read(Files.readAllBytes(DEMO.resolve(name + ".rig.json")));
        Tester tester = TesterFile.read(Files.readAllBytes(DEMO.resolve("t1.tester.json")));
        List<Object> held = new ArrayList<>();

        long before = used();
        Key healthy = Key.of(rig, FaultSet.NONE, tester, ShippedSchemes.everyTest());
        held.add(healthy);
        long one = used();
        assertFits(healthy, one - before);

        List<Fault> faults = healthy.everyFault();
        long said = 0;
        for (int i = 0; i < SETS; i++) {
            Key key = healthy.with(new FaultSet(
                    List.of(faults.get(i * faults.size() / SETS), faults.get((i * 31 + 17) % faults.size()))));
            held.add(key);
            said += Weights.units(key);
            // asking why bands are so wide leaves nothing behind in the key: 11.7 MB of a Creamery's once did
            assertThat(key.reasons(key.measured())).isNotEmpty();
        }
        long two = used();
        assertThat(two - one).as("bytes of %d keys with faults", SETS).isLessThan(said * Weights.UNIT_BYTES);

        Exploration exploration = Exploration.of(healthy);
        held.add(exploration);
        assertFits(exploration, used() - two);
        assertThat(held).hasSize(SETS + 2);
    }

    private static void assertFits(Object value, long bytes) {
        assertThat(bytes)
                .as("bytes of " + value.getClass().getSimpleName())
                .isLessThan((long) Weights.units(value) * Weights.UNIT_BYTES);
    }

    private static long used() throws InterruptedException {
        for (int i = 0; i < 3; i++) {
            System.gc();
            Thread.sleep(40);
        }
        Runtime runtime = Runtime.getRuntime();
        return runtime.totalMemory() - runtime.freeMemory();
    }
}
