package prantel.server.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.marking.CandidateRecord;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.formats.FaultSetFile;
import prantel.formats.ReadingsCsv;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.keys.Explorations;
import prantel.server.setting.FaultSetLibrary;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** What stands in the workshop today: Petra Lindholm's sheet, handed in and waiting to be marked, and a newer rig for her bay. */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoToday {
    private static final String ASSESSOR = DemoData.ASSESSOR;

    private final Workshop workshop;
    private final Assessments assessments;
    private final Keys keys;
    private final Explorations explorations;
    private final FaultSetLibrary library;
    private final Schemes schemes;

    DemoToday(
            Workshop workshop,
            Assessments assessments,
            Keys keys,
            Explorations explorations,
            FaultSetLibrary library,
            Schemes schemes) {
        this.workshop = workshop;
        this.assessments = assessments;
        this.keys = keys;
        this.explorations = explorations;
        this.library = library;
        this.schemes = schemes;
    }

    void fill() throws IOException {
        handedInSheet();
        newRigOfTheFirstBay();
    }

    private void newRigOfTheFirstBay() throws IOException {
        String rig = workshop.saveRig(DemoData.file("toll-cottage.rig.json"), ASSESSOR)
                .id();
        library.save(
                "First rig, five points",
                FaultSetFile.read(DemoData.file("toll-cottage.faults.json"), workshop.rig(new DocumentRef(rig, 1))),
                workshop.rig(new DocumentRef(rig, 2)),
                ASSESSOR);
    }

    private void handedInSheet() throws IOException {
        Assessment prepared = assessments.prepare("bay-1", "petra", "t1", schemes.newest("workshop"), ASSESSOR);
        String id = prepared.id();
        Rig rig = keys.rig(prepared);
        String faults = new String(
                FaultSetFile.write(FaultSetFile.read(DemoData.file("toll-cottage.faults.json"), rig), rig),
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
        Checklist.READY
                .items()
                .forEach(i -> write(id, new AssessmentEvent.Ticked(Checklist.READY, i.id(), true), "petra"));
        fillSheet(id, rig);
        write(id, new AssessmentEvent.HandedIn(), "petra");
    }

    private void fillSheet(String id, Rig rig) throws IOException {
        Key key = keys.keyWith(assessments.get(id), FaultSet.NONE);
        CandidateRecord record = ReadingsCsv.read(DemoData.file("petra-lindholm.readings.csv"), key, List.of());
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
        var reports = FaultSetFile.readReports(DemoData.file("petra-lindholm.found.json"), rig);
        String found = new String(FaultSetFile.writeReports(reports, rig), StandardCharsets.UTF_8);
        write(id, new AssessmentEvent.FaultsReported(found), "petra");
    }

    private void write(String id, AssessmentEvent event, String by) {
        assessments.append(id, UUID.randomUUID().toString(), event, by, state -> {});
    }
}
