package prantel.server.practice;

import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.practice.Drill;
import prantel.core.practice.Drills;
import prantel.core.rig.Rig;
import prantel.server.assessment.Assessments;
import prantel.server.keys.PureValues;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Practice, for whoever is signed in, and nobody else's. */
@RestController
@RequestMapping("/api/practice")
class PracticeController {
    private final Practices practices;
    private final Assessments assessments;
    private final Workshop workshop;
    private final Schemes schemes;
    private final PureValues values;

    PracticeController(
            Practices practices, Assessments assessments, Workshop workshop, Schemes schemes, PureValues values) {
        this.practices = practices;
        this.assessments = assessments;
        this.workshop = workshop;
        this.schemes = schemes;
        this.values = values;
    }

    /** @param faults how many are drawn, where it is no drill */
    record PracticeBegin(String id, String rig, Practices.Way way, String drill, int faults) {}

    /** @param after how many deeds the screen knows of */
    record PracticeNext(int after, DeedInput deed) {}

    record PracticeAfter(int after) {}

    record PracticeWrite(String box, String text) {}

    record PracticeAt(String box) {}

    record PracticeNewNamed(List<PracticeView.PracticeNamed> faults) {}

    private record FittingOf(DocumentRef rig) {}

    private record Fitting(List<String> drills) {}

    @GetMapping
    PracticeView.PracticeOffer offer(Principal who) {
        List<Practices.PracticePast> past = practices.past(who.getName());
        Map<String, LocalDate> due = practices.due(past);
        return new PracticeView.PracticeOffer(
                assessments.isBeingAssessed(who.getName()),
                workshop.rigs().stream().map(this::rig).toList(),
                Drills.all().stream()
                        .map(d -> new PracticeView.DrillOffer(d.id(), d.title(), d.idea(), due.get(d.id())))
                        .toList(),
                past);
    }

    private PracticeView.RigOffer rig(DocumentRef ref) {
        Rig rig = workshop.rig(ref);
        Fitting fitting = values.of(
                new FittingOf(ref),
                () -> new Fitting(Drills.fitting(rig, schemes.everyTest()).stream()
                        .map(Drill::id)
                        .toList()));
        return new PracticeView.RigOffer(rig.id(), rig.name(), fitting.drills());
    }

    @PostMapping
    PracticeView.PracticeOpened begin(@RequestBody PracticeBegin begin, Principal who) {
        return PracticeView.opened(
                practices,
                practices.begin(begin.id(), who.getName(), begin.rig(), begin.way(), begin.drill(), begin.faults()));
    }

    @GetMapping("/{id}")
    PracticeView.PracticeOpened open(@PathVariable String id, Principal who) {
        return PracticeView.opened(practices, practices.look(id, who.getName()));
    }

    @PostMapping("/{id}/deeds")
    PracticeView.PracticeState deed(@PathVariable String id, @RequestBody PracticeNext next, Principal who) {
        return PracticeView.state(practices, practices.deed(id, who.getName(), next.after(), next.deed()));
    }

    @PostMapping("/{id}/undo")
    PracticeView.PracticeState undo(@PathVariable String id, @RequestBody PracticeAfter after, Principal who) {
        return PracticeView.state(practices, practices.undo(id, who.getName(), after.after()));
    }

    @PutMapping("/{id}/readings")
    PracticeView.PracticeState write(@PathVariable String id, @RequestBody PracticeWrite write, Principal who) {
        return PracticeView.state(practices, practices.write(id, who.getName(), write.box(), write.text()));
    }

    @PutMapping("/{id}/box")
    PracticeView.PracticeState at(@PathVariable String id, @RequestBody PracticeAt at, Principal who) {
        return PracticeView.state(practices, practices.at(id, who.getName(), at.box()));
    }

    @PutMapping("/{id}/named")
    PracticeView.PracticeState name(@PathVariable String id, @RequestBody PracticeNewNamed named, Principal who) {
        return PracticeView.state(practices, practices.name(id, who.getName(), named.faults()));
    }

    /** Where the current of the reading on the display goes; null where none flows. */
    @GetMapping("/{id}/path")
    CurrentPathAnswer path(@PathVariable String id, Principal who) {
        Practices.Open open = practices.look(id, who.getName());
        boolean told = open.way() != Practices.Way.ALONE || open.row().endedAt() != null;
        return new CurrentPathAnswer(
                !told
                        ? null
                        : open.going()
                                .practice()
                                .path(open.going().now())
                                .map(p -> PracticeView.path(
                                        p, open.going().practice().rig()))
                                .orElse(null));
    }

    record CurrentPathAnswer(PracticeView.@Nullable CurrentPathShown path) {}

    @PostMapping("/{id}/finish")
    PracticeView.PracticeState finish(@PathVariable String id, Principal who) {
        return PracticeView.state(practices, practices.finish(id, who.getName()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void erase(@PathVariable String id, Principal who) {
        practices.erase(id, who.getName());
    }

    /** Everything that was ever practised by whoever asks. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void eraseAll(Principal who) {
        practices.eraseAll(who.getName());
    }
}
