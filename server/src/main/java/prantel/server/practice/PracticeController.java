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
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.survey.SchemeSurvey;
import prantel.server.assessment.Assessments;
import prantel.server.keys.PureValues;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Drills;
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
    private final Drills drills;
    private final Origins origins;
    private final PracticeProgress progress;

    PracticeController(
            Practices practices,
            Assessments assessments,
            Workshop workshop,
            Schemes schemes,
            PureValues values,
            Drills drills,
            Origins origins,
            PracticeProgress progress) {
        this.drills = drills;
        this.origins = origins;
        this.progress = progress;
        this.practices = practices;
        this.assessments = assessments;
        this.workshop = workshop;
        this.schemes = schemes;
        this.values = values;
    }

    /** @param scheme empty for the usual one @param faults how many are drawn, where it is no drill @param difficulty of them, 1 to 5 */
    record PracticeBegin(
            String id, String rig, Practices.Way way, String drill, String scheme, int faults, double difficulty) {}

    /** @param assessor empty to show it to nobody */
    record PracticeShowing(String assessor) {}

    /** @param after how many deeds the screen knows of */
    record PracticeNext(int after, DeedInput deed) {}

    record PracticeAfter(int after) {}

    record PracticeWrite(String box, String text) {}

    record PracticeAt(String box) {}

    record PracticeNewNamed(List<PracticeView.PracticeNamed> faults) {}

    private record FittingOf(DocumentRef rig, List<Drill> drills, List<DocumentRef> schemes) {}

    private record Fitting(List<String> drills, List<String> schemes) {}

    @GetMapping
    PracticeView.PracticeOffer offer(Principal who) {
        List<Practices.PracticePast> past = practices.past(who.getName());
        Map<String, LocalDate> due = practices.due(past);
        List<Drill> all = drills.all();
        List<Scheme> allSchemes = schemes.all();
        return new PracticeView.PracticeOffer(
                assessments.isBeingAssessed(who.getName()),
                workshop.rigs().stream().map(r -> rig(r, all, allSchemes)).toList(),
                allSchemes.stream()
                        .map(s -> new PracticeView.SchemeOffer(s.id(), s.name()))
                        .toList(),
                all.stream()
                        .map(d -> new PracticeView.DrillOffer(
                                d.id(), d.title(), d.idea(), due.get(d.id()), drills.isOwn(d.id())))
                        .toList(),
                past);
    }

    private PracticeView.RigOffer rig(DocumentRef ref, List<Drill> all, List<Scheme> allSchemes) {
        Rig rig = workshop.rig(ref);
        Fitting fitting = values.of(
                new FittingOf(
                        ref,
                        all,
                        allSchemes.stream()
                                .map(s -> new DocumentRef(s.id(), s.version()))
                                .toList()),
                () -> new Fitting(
                        all.stream()
                                .filter(d -> d.fits(rig, schemes.everyTest()))
                                .map(Drill::id)
                                .toList(),
                        allSchemes.stream()
                                .filter(s -> SchemeSurvey.suits(s, rig))
                                .map(Scheme::id)
                                .toList()));
        return new PracticeView.RigOffer(rig.id(), rig.name(), fitting.drills(), fitting.schemes());
    }

    @PostMapping
    PracticeView.PracticeOpened begin(@RequestBody PracticeBegin begin, Principal who) {
        return PracticeView.opened(
                practices,
                practices.begin(
                        begin.id(),
                        who.getName(),
                        () -> origins.own(
                                begin.rig(),
                                begin.way(),
                                begin.drill(),
                                begin.scheme(),
                                begin.faults(),
                                begin.difficulty())));
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
        return new CurrentPathAnswer(
                !open.isTold()
                        ? null
                        : open.going()
                                .practice()
                                .path(open.going().now())
                                .map(p -> CurrentView.of(p, open.going()))
                                .orElse(null));
    }

    record CurrentPathAnswer(CurrentView.@Nullable CurrentPathShown path) {}

    /** What a sound rig reads along the circuit of the box at hand, and what the learner read; null where there is none. */
    @GetMapping("/{id}/profile")
    ProfileAnswer profile(@PathVariable String id, Principal who) {
        Practices.Open open = practices.look(id, who.getName());
        return new ProfileAnswer(
                open.isTold() ? PracticeProfile.of(practices, open).orElse(null) : null);
    }

    record ProfileAnswer(PracticeProfile.@Nullable ProfileOfBox profile) {}

    @PostMapping("/{id}/finish")
    PracticeView.PracticeState finish(@PathVariable String id, Principal who) {
        return PracticeView.state(practices, practices.finish(id, who.getName()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void erase(@PathVariable String id, Principal who) {
        practices.erase(id, who.getName());
    }

    /** How whoever asks gets on. */
    @GetMapping("/progress")
    PracticeProgress.Progress progress(Principal who) {
        return progress.of(who.getName());
    }

    @PutMapping("/progress/shown")
    PracticeProgress.Progress show(@RequestBody PracticeShowing showing, Principal who) {
        return progress.show(who.getName(), showing.assessor());
    }

    /** Who shows theirs to whoever asks. */
    @GetMapping("/progress/of")
    List<PracticeProgress.PersonChoice> shownToMe(Principal who) {
        return progress.shownTo(who.getName());
    }

    @GetMapping("/progress/of/{person}")
    PracticeProgress.Progress shownBy(@PathVariable String person, Principal who) {
        return progress.shownBy(person, who.getName());
    }

    /** Everything that was ever practised by whoever asks. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void eraseAll(Principal who) {
        practices.eraseAll(who.getName());
    }
}
