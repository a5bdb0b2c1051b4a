package prantel.server.workshop;

import java.io.IOException;
import java.security.Principal;
import java.util.List;
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

/** Bays, rigs and testers. */
@RestController
@RequestMapping("/api/workshop")
class WorkshopController {
    private final Workshop workshop;

    WorkshopController(Workshop workshop) {
        this.workshop = workshop;
    }

    record WorkshopView(List<BayLine> bays, List<FileLine> rigs, List<FileLine> testers) {}

    record BayLine(String id, int number, String rig, String faultBox, String benchTester) {}

    record FileLine(String id, String label, int version) {}

    record NewBay(int number, String rig) {}

    /** @param address host:port; empty for no box */
    record BoxAddress(String address) {}

    @GetMapping
    WorkshopView workshop() {
        return new WorkshopView(
                workshop.bays().stream()
                        .map(b -> new BayLine(
                                b.bayId(),
                                b.number(),
                                workshop.rigOf(b).name(),
                                b.faultBox() == null ? "" : b.faultBox(),
                                b.benchTester() == null ? "" : b.benchTester()))
                        .toList(),
                workshop.rigs().stream()
                        .map(r -> new FileLine(r.id(), workshop.rig(r).name(), r.version()))
                        .toList(),
                workshop.testers().stream()
                        .map(t -> new FileLine(t.id(), workshop.tester(t).label(), t.version()))
                        .toList());
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
