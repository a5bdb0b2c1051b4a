package prantel.server.practice;

import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import prantel.core.fault.FaultCatalogue;
import prantel.core.practice.Drill;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.TestKind;
import prantel.formats.DrillFile;
import prantel.server.web.Refusal;
import prantel.server.workshop.Drills;

/** Drills that assessors write. */
@RestController
@RequestMapping("/api/drills")
class DrillController {
    private final Drills drills;

    DrillController(Drills drills) {
        this.drills = drills;
    }

    /** @param tests and faults: ids */
    record DrillWritten(String id, String title, String idea, List<String> tests, int most, List<String> faults) {}

    record DrillChoice(String id, String label) {}

    /** What a drill can be made of. @param own those that somebody of this workshop wrote */
    record DrillChoices(List<DrillWritten> own, List<DrillChoice> tests, List<DrillChoice> faults) {}

    @GetMapping
    DrillChoices choices() {
        return new DrillChoices(
                drills.all().stream()
                        .filter(d -> drills.isOwn(d.id()))
                        .map(DrillController::written)
                        .toList(),
                Stream.of(TestKind.values())
                        .map(t -> new DrillChoice(t.fileName(), t.label()))
                        .toList(),
                FaultCatalogue.kinds().stream()
                        .map(k -> new DrillChoice(k.id(), k.title()))
                        .toList());
    }

    private static DrillWritten written(Drill drill) {
        return new DrillWritten(
                drill.id(),
                drill.title(),
                drill.idea(),
                drill.asks().tests().stream().sorted().map(TestKind::fileName).toList(),
                drill.asks().most(),
                drill.faults());
    }

    @PutMapping
    DrillWritten save(@RequestBody DrillWritten written, Principal who) {
        List<TestKind> tests = written.tests().stream()
                .map(name -> Stream.of(TestKind.values())
                        .filter(t -> t.fileName().equals(name))
                        .findFirst()
                        .orElseThrow(() -> new ProblemsException(
                                new Problem("unknown-test", "tests", name, "give kinds of test of the full sequence"))))
                .toList();
        Drill drill = new Drill(
                written.id(),
                written.title(),
                written.idea(),
                new Drill.Asks(java.util.Set.copyOf(tests), java.util.Set.of(), written.most()),
                written.faults());
        // by way of the file: what a file may not say, nobody may
        return written(drills.save(DrillFile.write(drill), who.getName()));
    }

    @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    DrillWritten importFile(@RequestParam("file") MultipartFile file, Principal who) throws IOException {
        return written(drills.save(file.getBytes(), who.getName()));
    }

    @GetMapping(path = "/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(@PathVariable String id) {
        Drill drill = drills.find(id).orElseThrow(() -> Refusal.notFound("drill"));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + drill.id() + ".drill.json\"")
                .body(DrillFile.write(drill));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retire(@PathVariable String id) {
        drills.retire(id);
    }
}
