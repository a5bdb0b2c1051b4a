package prantel.server.rigs;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.Drift;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotPlan;
import prantel.formats.RigDifference;
import prantel.formats.RigFile;
import prantel.formats.ShippedSchemes;
import prantel.server.assessment.Assessments;
import prantel.server.keys.Explorations;
import prantel.server.picture.RigDrawing;
import prantel.server.web.Refusal;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** The list of rigs, a rig's page, its versions, and drafts in the workshop. */
@RestController
@RequestMapping("/api/rigs")
class RigController {
    private final Workshop workshop;
    private final AsBuiltReadings asBuilt;
    private final Assessments assessments;
    private final Explorations explorations;
    private final Map<DocumentRef, Integer> warningCounts = new ConcurrentHashMap<>();

    RigController(Workshop workshop, AsBuiltReadings asBuilt, Assessments assessments, Explorations explorations) {
        this.explorations = explorations;
        this.workshop = workshop;
        this.asBuilt = asBuilt;
        this.assessments = assessments;
    }

    /** @param file the rig file as text */
    record Draft(String file) {}

    /** @param basedOn the version that was changed; 0 for a new rig */
    record NewVersion(String file, int basedOn) {}

    record Saved(String id, int version) {}

    @GetMapping
    List<RigView.RigLine> list() {
        List<RigView.RigLine> lines = new ArrayList<>();
        for (DocumentRef ref : workshop.rigs()) {
            Rig rig = workshop.rig(ref);
            Workshop.Kept kept = workshop.rigVersions(ref.id()).getLast();
            lines.add(new RigView.RigLine(
                    new RigView.RigListed(ref.id(), rig.name(), ref.version(), kept.savedAt(), kept.savedBy()),
                    bays(ref.id()),
                    RigDrawing.of(rig),
                    new RigView.RigListedState(
                            SlotPlan.of(rig, ShippedSchemes.everyTest()).size(), warnings(ref, rig), (int)
                                    asBuilt.drifts(ref, workshop.firstTester()).stream()
                                            .filter(Drift::isBeyond)
                                            .count())));
        }
        lines.sort(Comparator.comparing(
                l -> l.bays().stream().min(Integer::compare).orElse(Integer.MAX_VALUE)));
        return lines;
    }

    @GetMapping("/{id}")
    RigView.RigPage page(@PathVariable String id, @RequestParam(defaultValue = "0") int version) {
        List<Workshop.Kept> versions = workshop.rigVersions(id);
        if (versions.isEmpty()) {
            throw Refusal.notFound("rig");
        }
        int latest = versions.getLast().version();
        DocumentRef ref = new DocumentRef(id, version == 0 ? latest : version);
        Rig rig = workshop.rig(ref);
        Map<String, Integer> uses = assessments.usesOfRig(id);
        return new RigView.RigPage(
                new RigView.RigShown(id, rig.name(), ref.version(), ref.version() == latest, rig.comments()),
                new RigView.RigUse(
                        bays(id),
                        versions.stream()
                                .map(v -> new RigView.VersionLine(
                                        v.version(),
                                        v.savedAt(),
                                        v.savedBy(),
                                        uses.getOrDefault(String.valueOf(v.version()), 0)))
                                .toList()),
                new String(RigFile.write(rig), StandardCharsets.UTF_8),
                workshop.firstTester().label(),
                RigView.of(explorations.healthy(rig, workshop.firstTester(), ShippedSchemes.everyTest())));
    }

    @GetMapping("/{id}/difference")
    List<RigDifference.RigChange> difference(@PathVariable String id, @RequestParam int from, @RequestParam int to) {
        return RigDifference.between(workshop.rig(new DocumentRef(id, from)), workshop.rig(new DocumentRef(id, to)));
    }

    @GetMapping(path = "/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(@PathVariable String id, @RequestParam int version) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(id + "-v" + version + ".rig.json")
                                .build()
                                .toString())
                .body(RigFile.write(workshop.rig(new DocumentRef(id, version))));
    }

    /** What the fault box of a draft could set, whatever stands in it now. */
    @PostMapping("/relay-choices")
    RelayChoices relayChoices(@RequestBody Draft draft) {
        return RelayChoices.of(RigFile.readWithoutFaultBox(draft.file().getBytes(StandardCharsets.UTF_8)));
    }

    /** A draft is looked at; nothing is kept. */
    @PostMapping("/preview")
    RigView.DraftView preview(@RequestBody Draft draft) {
        RigFile.Draft read = RigFile.draft(draft.file().getBytes(StandardCharsets.UTF_8));
        return new RigView.DraftView(
                read.problems(),
                read.rig()
                        .map(rig -> RigView.of(
                                Key.of(rig, FaultSet.NONE, workshop.firstTester(), ShippedSchemes.everyTest())))
                        .orElse(null),
                read.file());
    }

    @PostMapping
    Saved save(@RequestBody NewVersion draft, Principal who) {
        DocumentRef ref =
                workshop.saveRig(draft.file().getBytes(StandardCharsets.UTF_8), draft.basedOn(), who.getName());
        return new Saved(ref.id(), ref.version());
    }

    /** A version never changes, and so neither does what the survey says of it. */
    private int warnings(DocumentRef ref, Rig rig) {
        return warningCounts.computeIfAbsent(
                ref,
                r -> RigView.warnings(explorations.healthy(rig, Tester.usual(), ShippedSchemes.everyTest()))
                        .size());
    }

    private List<Integer> bays(String rig) {
        return workshop.bays().stream()
                .filter(b -> b.rigId().equals(rig))
                .map(Bay::number)
                .toList();
    }
}
