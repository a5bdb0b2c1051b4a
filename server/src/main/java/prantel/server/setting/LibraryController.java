package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.formats.FaultSetFile;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.setting.LibraryMapper.LibraryRow;
import prantel.server.workshop.Workshop;

/** The library of fault sets: kept, taken, compared, with where each was used. */
@RestController
@RequestMapping("/api")
class LibraryController {
    private final FaultSetLibrary library;
    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final Workshop workshop;

    LibraryController(
            FaultSetLibrary library, Assessments assessments, Keys keys, Accounts accounts, Workshop workshop) {
        this.library = library;
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
        this.workshop = workshop;
    }

    /** @param used how often, and by whom last */
    record LibrarySet(
            @JsonUnwrapped SetName of,
            @JsonUnwrapped SetSaved saved,
            @JsonUnwrapped SetContent content,
            List<String> used) {}

    /**
     * Which set, of which rig.
     *
     * @param ref id and version of the newest one
     */
    record SetName(String ref, String name, String rig, int version, int versions) {}

    /** By whom, when. */
    record SetSaved(OffsetDateTime savedAt, String savedBy) {}

    /**
     * What is in it.
     *
     * @param fits whether it fits the rig of the assessment asked about
     */
    record SetContent(boolean fits, List<String> faults, List<FaultInput> inputs) {}

    record ToKeep(String name, List<FaultInput> faults) {}

    record KeptSet(String ref) {}

    /**
     * Two sets side by side.
     *
     * @param onlyFirst faults that only the first has
     */
    record Comparison(
            List<String> onlyFirst, List<String> onlySecond, List<String> both, List<ComparedReading> readings) {}

    /** @param same whether one reading could not tell the two sets apart */
    record ComparedReading(String test, String what, String healthy, String first, String second, boolean same) {}

    @GetMapping("/assessments/{id}/library")
    List<LibrarySet> forRig(@PathVariable String id) {
        Rig rig = keys.rig(assessments.get(id));
        return library.latest().stream()
                .filter(r -> r.rigId().equals(rig.id()))
                .map(r -> line(r, rig))
                .toList();
    }

    private LibrarySet line(LibraryRow row, Rig rig) {
        Optional<FaultSet> set = read(row, rig);
        String prefix = row.setId() + "@";
        List<String> used = assessments.usesOf(row.setId()).stream()
                .map(u -> u.candidate() + ", bay " + workshop.bay(u.bayId()).number() + ", "
                        + u.preparedAt().toLocalDate())
                .toList();
        return new LibrarySet(
                new SetName(
                        prefix + row.version(),
                        row.name(),
                        row.rigId(),
                        row.version(),
                        library.versions(row.setId()).size()),
                new SetSaved(row.savedAt(), accounts.get(row.savedBy()).name()),
                new SetContent(
                        set.isPresent(),
                        set.map(s -> s.faults().stream()
                                        .map(f -> f.title() + ", " + f.where(rig))
                                        .toList())
                                .orElse(List.of()),
                        set.map(s -> s.faults().stream().map(FaultInput::of).toList())
                                .orElse(List.of())),
                used);
    }

    private static Optional<FaultSet> read(LibraryRow row, Rig rig) {
        try {
            return Optional.of(FaultSetFile.read(row.json().getBytes(StandardCharsets.UTF_8), rig));
        } catch (ProblemsException e) {
            // made for an earlier version of the rig
            return Optional.empty();
        }
    }

    @PostMapping("/assessments/{id}/library")
    KeptSet keep(@PathVariable String id, @RequestBody ToKeep wanted, Principal who) {
        Rig rig = keys.rig(assessments.get(id));
        return new KeptSet(library.save(wanted.name(), FaultInput.toSet(wanted.faults(), rig), rig, who.getName()));
    }

    /** The assessment's set beside one of the library. */
    @GetMapping("/assessments/{id}/compare")
    Comparison compare(@PathVariable String id, @RequestParam String with) {
        Assessment assessment = assessments.get(id);
        Key first = keys.key(assessment);
        Rig rig = first.rig();
        FaultSet other = FaultSetFile.read(library.row(with).json().getBytes(StandardCharsets.UTF_8), rig);
        Key second = first.with(other);
        List<ComparedReading> readings = new ArrayList<>();
        for (Expectation a : first.expectations()) {
            Expectation b = second.expectation(a.slot().id());
            boolean moved = a.change().timesTolerance() > 0 || b.change().timesTolerance() > 0;
            if (moved) {
                readings.add(new ComparedReading(
                        a.slot().step().label(),
                        a.slot().title(rig),
                        a.healthy().shown(),
                        a.withFaults().shown(),
                        b.withFaults().shown(),
                        a.window().overlaps(b.window())));
            }
        }
        return new Comparison(
                only(first.faults(), other, rig),
                only(other, first.faults(), rig),
                first.faults().faults().stream()
                        .filter(f -> other.faults().contains(f))
                        .map(f -> f.title() + ", " + f.where(rig))
                        .toList(),
                readings);
    }

    private static List<String> only(FaultSet one, FaultSet other, Rig rig) {
        return one.faults().stream()
                .filter(f -> !other.faults().contains(f))
                .map(f -> f.title() + ", " + f.where(rig))
                .toList();
    }
}
