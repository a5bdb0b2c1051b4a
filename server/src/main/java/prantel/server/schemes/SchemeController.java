package prantel.server.schemes;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.Scheme;
import prantel.core.survey.SchemeSurvey;
import prantel.formats.SchemeDifference;
import prantel.formats.SchemeFile;
import prantel.server.assessment.Assessments;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** The schemes of the workshop. */
@RestController
@RequestMapping("/api/schemes")
class SchemeController {
    private final Schemes schemes;
    private final Workshop workshop;
    private final Assessments assessments;

    SchemeController(Schemes schemes, Workshop workshop, Assessments assessments) {
        this.schemes = schemes;
        this.workshop = workshop;
        this.assessments = assessments;
    }

    /** @param uses assessments that were marked by any version of it */
    record SchemeLine(String id, int version, String name, String purpose, int steps, int criteria, int uses) {}

    record FileText(String text) {}

    /** @param problems what is wrong with the file, each with its place; empty where it is sound */
    record Checked(List<SchemeProblem> problems, SchemeView view) {}

    record SchemeProblem(String where, String given, String mend) {}

    record SavedScheme(String id, int version) {}

    @GetMapping
    List<SchemeLine> list() {
        Map<String, Integer> uses = assessments.usesOfSchemes();
        return schemes.all().stream()
                .map(s -> new SchemeLine(
                        s.id(),
                        s.version(),
                        s.name(),
                        s.about().purpose(),
                        s.steps().size(),
                        s.criteria().size(),
                        uses.getOrDefault(s.id(), 0)))
                .toList();
    }

    @GetMapping("/{id}/{version}")
    SchemeView read(@PathVariable String id, @PathVariable int version) {
        Scheme scheme = schemes.scheme(new DocumentRef(id, version));
        return SchemeView.of(
                scheme,
                schemes.versions(id),
                workshop.bays().stream()
                        .map(b -> new SchemeView.Fit(
                                b.number(),
                                workshop.rigOf(b).name(),
                                SchemeSurvey.of(scheme, workshop.rigOf(b)).stream()
                                        .map(Problem::mend)
                                        .distinct()
                                        .toList()))
                        .toList());
    }

    /** The file, as it was written. */
    @GetMapping(path = "/{id}/{version}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(@PathVariable String id, @PathVariable int version) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + id + "-" + version + ".scheme.json\"")
                .body(bytes(id, version));
    }

    @GetMapping("/{id}/{version}/text")
    FileText text(@PathVariable String id, @PathVariable int version) {
        return new FileText(new String(bytes(id, version), StandardCharsets.UTF_8));
    }

    private byte[] bytes(String id, int version) {
        byte[] file = schemes.file(new DocumentRef(id, version));
        if (file == null) {
            throw Refusal.notFound("scheme");
        }
        return file;
    }

    @GetMapping("/{id}/difference")
    List<SchemeDifference.Change> difference(@PathVariable String id, @RequestParam int from, @RequestParam int to) {
        return SchemeDifference.between(bytes(id, from), bytes(id, to));
    }

    /** Looks at a file without keeping it: what an editor asks while somebody types. */
    @PostMapping("/check")
    Checked check(@RequestBody FileText file) {
        try {
            Scheme scheme = SchemeFile.read(file.text().getBytes(StandardCharsets.UTF_8));
            return new Checked(List.of(), SchemeView.of(scheme, List.of(), List.of()));
        } catch (ProblemsException e) {
            return new Checked(
                    e.problems().stream()
                            .map(p -> new SchemeProblem(p.where(), p.given(), p.mend()))
                            .toList(),
                    SchemeView.NOTHING);
        }
    }

    @PutMapping
    SavedScheme save(@RequestBody FileText file, Principal who) {
        return saved(file.text().getBytes(StandardCharsets.UTF_8), who);
    }

    @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SavedScheme importFile(@RequestParam("file") MultipartFile file, Principal who) throws IOException {
        return saved(file.getBytes(), who);
    }

    private SavedScheme saved(byte[] file, Principal who) {
        DocumentRef ref = schemes.save(file, who.getName());
        return new SavedScheme(ref.id(), ref.version());
    }
}
