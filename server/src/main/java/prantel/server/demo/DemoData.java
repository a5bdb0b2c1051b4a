package prantel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import prantel.formats.RecordFile;
import prantel.server.account.Accounts;
import prantel.server.workshop.Workshop;

/**
 * Fills an empty data folder with the invented workshop: five bays with their rigs, three testers, the fortnight before
 * today, and Petra Lindholm's sheet handed in and waiting to be marked.
 */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoData implements SmartLifecycle {
    static final String ASSESSOR = "ines";
    private static final List<String> OTHER_RIGS = List.of("ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");

    private final Accounts accounts;
    private final Workshop workshop;
    private final DemoPast past;
    private final DemoToday today;
    private final DemoClock clock;
    private final Filled filled;
    private boolean running;

    DemoData(
            Accounts accounts,
            Workshop workshop,
            DemoPast past,
            DemoToday today,
            DemoClock clock,
            @Value("${prantel.demo.filled:all}") Filled filled) {
        this.accounts = accounts;
        this.workshop = workshop;
        this.past = past;
        this.today = today;
        this.clock = clock;
        this.filled = filled;
    }

    /** Before the web server listens: nobody meets a workshop that is half there. */
    @Override
    public int getPhase() {
        return 0;
    }

    @Override
    public void start() {
        if (filled != Filled.DEVICES && accounts.all().isEmpty()) {
            try {
                fill();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        running = true;
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** How much there is in it: tests begin with less. */
    enum Filled {
        /** Only its simulated devices: people and rigs are somebody else's. */
        DEVICES,
        /** People, instruments, rigs in their bays. */
        WORKSHOP,
        /** And what stands in it today. */
        TODAY,
        /** And the fortnight before. */
        ALL
    }

    private void fill() throws IOException {
        List<RecordFile.Content> records = filled == Filled.ALL ? DemoPast.records() : List.of();
        Duration shift = DemoPast.shift(records, OffsetDateTime.now(clock));
        if (!records.isEmpty()) {
            clock.standAt(records.getFirst()
                    .pinned()
                    .preparedAt()
                    .plus(shift)
                    .minusDays(1)
                    .toInstant());
        }
        workshop();
        past.play(records, shift);
        if (filled != Filled.WORKSHOP) {
            today.fill();
        }
    }

    private void workshop() throws IOException {
        DemoSignIns.ALL.forEach(s -> accounts.add(s.id(), s.name(), s.roles(), s.password()));
        workshop.saveTester(file("t1.tester.json"), ASSESSOR);
        workshop.saveTester(file("t2.tester.json"), ASSESSOR);
        workshop.saveTester(file("t3.tester.json"), ASSESSOR);
        String rig =
                workshop.saveRig(file("toll-cottage-v1.rig.json"), ASSESSOR).id();
        workshop.addBay(1, rig);
        for (int i = 0; i < OTHER_RIGS.size(); i++) {
            workshop.addBay(
                    i + 2,
                    workshop.saveRig(file(OTHER_RIGS.get(i) + ".rig.json"), ASSESSOR)
                            .id());
        }
    }

    static byte[] file(String name) throws IOException {
        try (InputStream stream =
                Objects.requireNonNull(DemoData.class.getResourceAsStream("/prantel/demo/" + name), name)) {
            return stream.readAllBytes();
        }
    }
}
