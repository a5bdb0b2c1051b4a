package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.network.Effort;
import prantel.core.rig.Rig;

/**
 * What keys cost, counted: eliminations, walks and whole networks walked down, of a full key, of a fresh key with a fault and
 * of the same fault on a known rig. A change that costs more than the slack fails here and says where; one that costs less
 * writes the file anew with {@code -Dprantel.effort.update=true}, so that it stays so.
 */
class EffortTest {
    private static final Path FILE = Path.of("src/test/resources/effort.txt");
    private static final double SLACK = 0.05;

    @Test
    void keysCostWhatTheyCost() throws Exception {
        List<String> lines = new ArrayList<>();
        for (String id : List.of("toll-cottage", "creamery", "signal-cabin")) {
            Rig rig = DemoRigsTest.rig(id);
            Key known = key(rig, FaultSet.NONE);
            FaultSet fault = FaultSet.of(aFault(known));
            lines.add(line(id, "full key", () -> key(rig, FaultSet.NONE)));
            lines.add(line(id, "fresh key with a fault", () -> key(rig, fault)));
            lines.add(line(id, "one fault on a known rig", () -> known.with(fault)));
        }
        if (Boolean.getBoolean("prantel.effort.update")) {
            Files.writeString(FILE, String.join("\n", lines) + "\n");
        }
        List<String> kept = Files.readAllLines(FILE);
        assertThat(lines).hasSameSizeAs(kept);
        for (int i = 0; i < lines.size(); i++) {
            within(kept.get(i), lines.get(i));
        }
    }

    private static Key key(Rig rig, FaultSet faults) {
        return Key.of(rig, faults, Testers.usual(), ShippedSchemes.everyTest());
    }

    /** A poor joint in the middle of the rig: seen by many readings. */
    private static Fault aFault(Key key) {
        List<Fault> joints = key.everyFault().stream()
                .filter(f -> f.kind().id().equals("high-resistance-joint"))
                .toList();
        List<Fault> from = joints.isEmpty() ? key.everyFault() : joints;
        return from.get(from.size() / 2);
    }

    private static String line(String rig, String what, Runnable does) {
        Effort effort = Effort.of(does);
        return rig + ", " + what + ": " + effort.factors() + " factors, " + effort.eliminations() + " eliminations, "
                + effort.walks() + " walks, " + effort.potentials() + " potentials";
    }

    /** Number by number, and the words between them the same. */
    private static void within(String kept, String now) {
        String[] were = kept.split(" ");
        String[] are = now.split(" ");
        assertThat(are).as(now).hasSameSizeAs(were);
        for (int i = 0; i < were.length; i++) {
            if (were[i].matches("\\d+")) {
                double was = Double.parseDouble(were[i]);
                assertThat(Double.parseDouble(are[i]))
                        .as("%s; kept: %s", now, kept)
                        .isBetween(was * (1 - SLACK) - 1, was * (1 + SLACK) + 1);
            } else {
                assertThat(are[i]).isEqualTo(were[i]);
            }
        }
    }
}
