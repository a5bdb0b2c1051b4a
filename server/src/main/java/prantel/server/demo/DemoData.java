package prantel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.marking.CandidateRecord;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.formats.FaultSetFile;
import prantel.formats.ReadingsCsv;
import prantel.formats.RecordFile;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.keys.Explorations;
import prantel.server.setting.FaultSetLibrary;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fills an empty data folder with the invented workshop: five bays with their rigs, three testers, the fortnight before
 * today, and Petra Lindholm's sheet handed in and waiting to be marked.
 */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoData implements SmartLifecycle {
    private static final String ASSESSOR = "ines";
    private static final List<String> OTHER_RIGS = List.of("ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");

    private final Accounts accounts;
    private final Workshop workshop;
    private final Assessments assessments;
    private final Keys keys;
    private final Explorations explorations;
    private final FaultSetLibrary library;
    private final DemoFaultBoxes boxes;
    private final DemoBenchTesters testers;
    private final Schemes schemes;
    private final DemoPast past;
    private final DemoClock clock;
    private final Filled filled;
    private final JsonMapper json;
    private boolean running;

    DemoData(
            Accounts accounts,
            Workshop workshop,
            Assessments assessments,
            Keys keys,
            Explorations explorations,
            FaultSetLibrary library,
            DemoFaultBoxes boxes,
            DemoBenchTesters testers,
            Schemes schemes,
            DemoPast past,
            DemoClock clock,
            @Value("${prantel.demo.filled:all}") Filled filled,
            JsonMapper json) {
        this.past = past;
        this.clock = clock;
        this.filled = filled;
        this.schemes = schemes;
        this.explorations = explorations;
        this.library = library;
        this.boxes = boxes;
        this.testers = testers;
        this.json = json;
        this.accounts = accounts;
        this.workshop = workshop;
        this.assessments = assessments;
        this.keys = keys;
    }

    /** Before the web server listens: nobody meets a workshop that is half there. */
    @Override
    public int getPhase() {
        return 0;
    }

    @Override
    public void start() {
        if (accounts.all().isEmpty()) {
            try {
                fill();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        boxes.start();
        testers.start();
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
            handedInSheet();
            newRigOfTheFirstBay();
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

    private void newRigOfTheFirstBay() throws IOException {
        String rig = workshop.saveRig(file("toll-cottage.rig.json"), ASSESSOR).id();
        library.save(
                "First rig, five points",
                FaultSetFile.read(file("toll-cottage.faults.json"), workshop.rig(new DocumentRef(rig, 1))),
                workshop.rig(new DocumentRef(rig, 2)),
                ASSESSOR);
    }

    private void handedInSheet() throws IOException {
        JsonNode who = json.readTree(file("petra-lindholm.assessment.json"));
        Assessment prepared = assessments.prepare(
                who.get("bay").asString(),
                who.get("candidate").asString(),
                who.get("tester").asString(),
                schemes.newest(who.get("scheme").asString()),
                who.get("assessor").asString());
        String id = prepared.id();
        Rig rig = keys.rig(prepared);
        String faults = new String(
                FaultSetFile.write(FaultSetFile.read(file("toll-cottage.faults.json"), rig), rig),
                StandardCharsets.UTF_8);
        write(id, new AssessmentEvent.LockedOff(), ASSESSOR);
        write(id, new AssessmentEvent.FaultsChosen(faults, null), ASSESSOR);
        Key key = keys.key(assessments.get(id));
        for (int i = 0; i < key.faults().faults().size(); i++) {
            write(id, new AssessmentEvent.FaultHandled(i, AssessmentEvent.Handling.SET, true), ASSESSOR);
        }
        for (Expectation check :
                CheckPlan.of(key, explorations.of(key), f -> true).readings()) {
            write(
                    id,
                    new AssessmentEvent.CheckTaken(
                            check.slot().id().value(), check.withFaults().shown()),
                    ASSESSOR);
        }
        write(id, new AssessmentEvent.SheetOpened(), ASSESSOR);
        fillSheet(id, rig);
        write(id, new AssessmentEvent.HandedIn(), "petra");
    }

    private void fillSheet(String id, Rig rig) throws IOException {
        Key key = keys.keyWith(assessments.get(id), FaultSet.NONE);
        CandidateRecord record = ReadingsCsv.read(file("petra-lindholm.readings.csv"), key, List.of());
        for (var expectation : key.expectations()) {
            SlotId slot = expectation.slot().id();
            String text = record.readings().get(slot);
            if (text != null) {
                write(id, new AssessmentEvent.ReadingWritten(slot.value(), text, ""), "petra");
            }
            Boolean judged = record.judgements().get(slot);
            if (judged != null) {
                write(id, new AssessmentEvent.BoxJudged(slot.value(), judged, null), "petra");
            }
        }
        var reports = FaultSetFile.readReports(file("petra-lindholm.found.json"), rig);
        String found = new String(FaultSetFile.writeReports(reports, rig), StandardCharsets.UTF_8);
        write(id, new AssessmentEvent.FaultsReported(found), "petra");
    }

    private void write(String id, AssessmentEvent event, String by) {
        assessments.append(id, UUID.randomUUID().toString(), event, by, state -> {});
    }

    private static byte[] file(String name) throws IOException {
        try (InputStream stream =
                Objects.requireNonNull(DemoData.class.getResourceAsStream("/prantel/demo/" + name), name)) {
            return stream.readAllBytes();
        }
    }
}
