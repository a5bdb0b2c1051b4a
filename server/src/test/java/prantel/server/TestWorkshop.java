package prantel.server;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.SmartLifecycle;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.workshop.Workshop;

/**
 * The workshop that tests of the server begin with: people, three testers, five rigs in five bays, of its own and not
 * the demo's, so that the demo may change. The rig of the first bay has an earlier version; no bay is taken.
 */
@TestConfiguration
class TestWorkshop implements SmartLifecycle {
    static final String ASSESSOR = "ada";
    static final String SECOND = "ben";
    static final String TECHNICIAN = "tim";
    /** Administrator, lead and technician in one. */
    static final String LEAD = "lea";

    private static final Map<String, String> NAMES = Map.ofEntries(
            Map.entry(ASSESSOR, "Ada North"),
            Map.entry(SECOND, "Ben South"),
            Map.entry(TECHNICIAN, "Tim East"),
            Map.entry(LEAD, "Lea West"),
            Map.entry("paul", "Paul One"),
            Map.entry("olga", "Olga Two"),
            Map.entry("mona", "Mona Three"),
            Map.entry("bela", "Bela Four"),
            Map.entry("lutz", "Lutz Five"),
            Map.entry("axel", "Axel Six"),
            Map.entry("theo", "Theo Seven"),
            Map.entry("pia", "Pia Eight"));
    private static final Map<String, Set<Role>> STAFF = Map.of(
            ASSESSOR, Set.of(Role.ASSESSOR),
            SECOND, Set.of(Role.ASSESSOR),
            TECHNICIAN, Set.of(Role.TECHNICIAN),
            LEAD, Set.of(Role.ADMINISTRATOR, Role.LEAD, Role.TECHNICIAN));
    private static final List<String> RIGS = List.of("cottage-before", "kiosk", "cabin", "dairy", "hostel");

    private final Accounts accounts;
    private final Workshop workshop;
    private boolean running;

    TestWorkshop(Accounts accounts, Workshop workshop) {
        this.accounts = accounts;
        this.workshop = workshop;
    }

    /** What a person signs in with. */
    static String password(String id) {
        return id + " signs in";
    }

    /** Before the simulated devices look which bays there are. */
    @Override
    public int getPhase() {
        return -1;
    }

    @Override
    public void start() {
        if (accounts.all().isEmpty()) {
            fill();
        }
        running = true;
    }

    private void fill() {
        NAMES.forEach(
                (id, name) -> accounts.add(id, name, STAFF.getOrDefault(id, Set.of(Role.CANDIDATE)), password(id)));
        for (String tester : List.of("t1", "t2", "t3")) {
            workshop.saveTester(file(tester + ".tester.json"), ASSESSOR);
        }
        for (int i = 0; i < RIGS.size(); i++) {
            workshop.addBay(
                    i + 1,
                    workshop.saveRig(file(RIGS.get(i) + ".rig.json"), ASSESSOR).id());
        }
        workshop.saveRig(file("cottage.rig.json"), ASSESSOR);
    }

    private static byte[] file(String name) {
        try (InputStream stream =
                Objects.requireNonNull(TestWorkshop.class.getResourceAsStream("/workshop/" + name), name)) {
            return stream.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
