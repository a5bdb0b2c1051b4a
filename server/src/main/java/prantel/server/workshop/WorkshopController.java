package prantel.server.workshop;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import prantel.core.instrument.Tester;

/** Bays, rigs and testers. */
@RestController
@RequestMapping("/api/workshop")
class WorkshopController {
    private final Workshop workshop;

    WorkshopController(Workshop workshop) {
        this.workshop = workshop;
    }

    record WorkshopView(List<BayLine> bays, List<FileLine> rigs, List<TesterLine> testers) {}

    record BayLine(
            String id,
            int number,
            @JsonUnwrapped BayRig rig,
            @JsonUnwrapped BayDevices devices,
            @JsonUnwrapped BayUse use) {}

    record BayRig(String rigId, String rig) {}

    /** Addresses, host:port; empty for none. */
    record BayDevices(String faultBox, String benchTester) {}

    /** @param retired not in use any more @param inUse whether somebody is in it at this moment */
    record BayUse(boolean retired, boolean inUse) {}

    record FileLine(String id, String label, int version, boolean retired) {}

    /** @param calibrationDue the last day it may be used; null where its file says nothing */
    record TesterLine(
            String id, String label, int version, @Nullable LocalDate calibrationDue, boolean retired) {}

    record NewBay(int number, String rig) {}

    record ChangedBay(int number, String rig, boolean retired) {}

    record ChangedTester(String label, @Nullable LocalDate calibrationDue) {}

    record Retiring(boolean retired) {}

    /** @param address host:port; empty for no box */
    record BoxAddress(String address) {}

    @GetMapping
    WorkshopView workshop() {
        return new WorkshopView(
                workshop.allBays().stream()
                        .map(b -> new BayLine(
                                b.bayId(),
                                b.number(),
                                new BayRig(b.rigId(), workshop.rigOf(b).name()),
                                new BayDevices(
                                        b.faultBox() == null ? "" : b.faultBox(),
                                        b.benchTester() == null ? "" : b.benchTester()),
                                new BayUse(b.retired(), workshop.isInUse(b.bayId()))))
                        .toList(),
                Stream.concat(
                                workshop.rigs().stream().map(r -> rig(r, false)),
                                workshop.retiredRigs().stream().map(r -> rig(r, true)))
                        .toList(),
                Stream.concat(
                                workshop.testers().stream().map(t -> tester(t, false)),
                                workshop.retiredTesters().stream().map(t -> tester(t, true)))
                        .toList());
    }

    private FileLine rig(DocumentRef ref, boolean retired) {
        return new FileLine(ref.id(), workshop.rig(ref).name(), ref.version(), retired);
    }

    private TesterLine tester(DocumentRef ref, boolean retired) {
        Tester tester = workshop.tester(ref);
        return new TesterLine(
                ref.id(), tester.label(), ref.version(), tester.calibrationDue().orElse(null), retired);
    }

    @PutMapping("/bays/{id}")
    WorkshopView changeBay(@PathVariable String id, @RequestBody ChangedBay bay) {
        workshop.changeBay(id, bay.number(), bay.rig(), bay.retired());
        return workshop();
    }

    @PutMapping("/rigs/{id}/retired")
    WorkshopView retireRig(@PathVariable String id, @RequestBody Retiring retiring) {
        workshop.retireRig(id, retiring.retired());
        return workshop();
    }

    @PutMapping("/testers/{id}")
    WorkshopView changeTester(@PathVariable String id, @RequestBody ChangedTester changed, Principal who) {
        workshop.changeTester(
                id, changed.label().strip(), Optional.ofNullable(changed.calibrationDue()), who.getName());
        return workshop();
    }

    @PutMapping("/testers/{id}/retired")
    WorkshopView retireTester(@PathVariable String id, @RequestBody Retiring retiring) {
        workshop.retireTester(id, retiring.retired());
        return workshop();
    }

    @PostMapping("/bays")
    WorkshopView addBay(@RequestBody NewBay bay) {
        workshop.addBay(bay.number(), bay.rig());
        return workshop();
    }

    @PutMapping("/bays/{id}/fault-box")
    WorkshopView setFaultBox(@PathVariable String id, @RequestBody BoxAddress box) {
        workshop.setFaultBox(id, box.address().strip());
        return workshop();
    }

    @PutMapping("/bays/{id}/bench-tester")
    WorkshopView setBenchTester(@PathVariable String id, @RequestBody BoxAddress tester) {
        workshop.setBenchTester(id, tester.address().strip());
        return workshop();
    }

    @PostMapping(path = "/rigs", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    WorkshopView saveRig(@RequestParam("file") MultipartFile file, Principal who) throws IOException {
        workshop.saveRig(file.getBytes(), who.getName());
        return workshop();
    }

    @PostMapping(path = "/testers", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    WorkshopView saveTester(@RequestParam("file") MultipartFile file, Principal who) throws IOException {
        workshop.saveTester(file.getBytes(), who.getName());
        return workshop();
    }
}
