package prantel.server.setting;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.expectation.Change;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.quantity.Check;
import prantel.core.rig.Conductor;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Effect;
import prantel.core.setting.Exploration;
import prantel.core.setting.Proposer;
import prantel.formats.FaultSetFile;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.keys.Explorations;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** Choosing faults where they sit, seeing what they do, proposals, locking off. */
@RestController
@RequestMapping("/api/assessments/{id}")
class SettingController {
    private final Assessments assessments;
    private final Keys keys;
    private final Explorations explorations;
    private final Workshop workshop;

    SettingController(Assessments assessments, Keys keys, Explorations explorations, Workshop workshop) {
        this.assessments = assessments;
        this.keys = keys;
        this.explorations = explorations;
        this.workshop = workshop;
    }

    /** @param from id of the set in the library; null for one made here */
    record ChosenFaults(
            String eventId,
            int basedOn,
            List<FaultInput> faults,
            @Nullable String from) {}

    record FaultsToTry(List<FaultInput> faults) {}

    record JustThis(String eventId) {}

    /** What every kind that fits a place would do there, by this assessment's scheme. */
    record KindHere(
            String kind,
            List<String> conductors,
            @Nullable String to,
            String toLabel,
            String visibility,
            String firstSeen,
            double difficulty) {}

    /**
     * @param stage "DEAD" or "LIVE"
     * @param target 1 to 5
     */
    record Wanted(Proposer.Stage stage, int count, double target, long seed) {}

    record Proposed(List<FaultInput> faults, double difficulty, List<String> reasons) {}

    record AcceptedAnswer(int fault, FaultInput reads) {}

    record Agreed(String eventId, List<AcceptedAnswer> answers) {}

    @GetMapping("/set")
    SetView set(@PathVariable String id) {
        return view(assessments.get(id));
    }

    /** What a set would do, without keeping it. */
    @PostMapping("/faults/preview")
    SetView.Preview preview(@PathVariable String id, @RequestBody FaultsToTry tried) {
        Assessment assessment = assessments.get(id);
        return SetView.preview(keys.keyWith(assessment, FaultInput.toSet(tried.faults(), keys.rig(assessment))));
    }

    /** Whether a set is fair, without keeping it. */
    @PostMapping("/faults/review")
    ReviewView review(@PathVariable String id, @RequestBody FaultsToTry tried) {
        Assessment assessment = assessments.get(id);
        Key key = keys.keyWith(assessment, FaultInput.toSet(tried.faults(), keys.rig(assessment)));
        return ReviewView.of(key, explorations.of(key), explorations.full(key), keys.agreedAnswers(assessment));
    }

    @GetMapping("/faults/here")
    List<KindHere> here(@PathVariable String id, @RequestParam String at) {
        Key key = keys.keyWith(assessments.get(id), FaultSet.NONE);
        Place place = Place.parse(at, key.rig());
        return explorations.of(key).effects().stream()
                .filter(e -> e.fault().place().equals(place))
                .map(e -> kindHere(e, key))
                .toList();
    }

    private static KindHere kindHere(Effect effect, Key key) {
        Fault fault = effect.fault();
        return new KindHere(
                fault.kind().id(),
                fault.conductors().stream().map(Conductor::id).toList(),
                fault.other().map(Place::id).orElse(null),
                fault.other().map(o -> o.label(key.rig())).orElse(""),
                SetView.word(effect.visibility()),
                effect.visibility() == Change.Visibility.HIDDEN ? "" : effect.firstTest(),
                Difficulty.of(effect, key.expectations().size()));
    }

    @PostMapping("/faults/propose")
    Proposed propose(@PathVariable String id, @RequestBody Wanted wanted) {
        Check.between(wanted.count(), 1, 6, "count", "faults");
        Check.between(wanted.target(), Difficulty.EASIEST, Difficulty.HARDEST, "target", "(difficulty)");
        Assessment assessment = assessments.get(id);
        Key key = keys.keyWith(assessment, FaultSet.NONE);
        Exploration singles = explorations.of(key);
        FaultBox box = FaultBox.of(key.rig());
        var request = new Proposer.Request(
                wanted.stage(),
                wanted.count(),
                wanted.target(),
                seenBy(assessment),
                setBeside(assessment),
                box::canSet,
                wanted.seed());
        int boxes = key.expectations().size();
        FaultResults results = new FaultResults(assessments.faultResults());
        return new Proposer(singles, explorations.full(key), e -> results.corrected(e, boxes))
                .propose(request)
                .map(p -> new Proposed(
                        p.faults().faults().stream().map(FaultInput::of).toList(), p.difficulty(), p.reasons()))
                .orElseThrow(() -> Refusal.conflict(
                        "no-proposal",
                        "no fair set answers that; ask for fewer faults, another difficulty or another seed"));
    }

    /** Kinds this candidate met in earlier assessments. */
    private Set<FaultKind> seenBy(Assessment assessment) {
        return keys.kindsIn(assessments.ofCandidate(assessment.fixed().candidateId()).stream()
                .filter(a -> !a.id().equals(assessment.id()) && a.openedAt() != null)
                .toList());
    }

    /** Kinds set at this moment in the bays whose numbers are next to this one's. */
    private Set<FaultKind> setBeside(Assessment assessment) {
        int mine = workshop.bay(assessment.fixed().bayId()).number();
        return keys.kindsIn(assessments.open().stream()
                .filter(Assessment::occupiesBay)
                .filter(a -> Math.abs(workshop.bay(a.fixed().bayId()).number() - mine) == 1)
                .toList());
    }

    @PutMapping("/faults")
    SetView chooseFaults(@PathVariable String id, @RequestBody ChosenFaults chosen, Principal who) {
        Assessment assessment = assessments.get(id);
        FaultSet set = FaultInput.toSet(chosen.faults(), keys.rig(assessment));
        set.mustLieIn(keys.circuits(assessment));
        String file = new String(FaultSetFile.write(set, keys.rig(assessment)), StandardCharsets.UTF_8);
        return view(assessments.append(
                id,
                chosen.eventId(),
                new AssessmentEvent.FaultsChosen(file, chosen.from()),
                chosen.basedOn(),
                who.getName(),
                state -> {}));
    }

    /** Answers that read the same as a fault of the set and shall count as right. */
    @PutMapping("/answers")
    SetView agree(@PathVariable String id, @RequestBody Agreed agreed, Principal who) {
        Assessment assessment = assessments.get(id);
        int faults = keys.faults(assessment).faults().size();
        List<AcceptedAnswer> answers = new ArrayList<>(agreed.answers());
        answers.sort(Comparator.comparingInt(AcceptedAnswer::fault));
        answers.forEach(a -> Check.between(a.fault(), 0, faults - 1.0, "fault", "(position in the set)"));
        FaultSet set =
                FaultInput.toSet(answers.stream().map(AcceptedAnswer::reads).toList(), keys.rig(assessment));
        String file = new String(FaultSetFile.write(set, keys.rig(assessment)), StandardCharsets.UTF_8);
        return view(assessments.append(
                id,
                agreed.eventId(),
                new AssessmentEvent.AnswersAccepted(
                        file, answers.stream().map(AcceptedAnswer::fault).toList()),
                who.getName()));
    }

    @PostMapping("/lock-off")
    @ResponseStatus(HttpStatus.OK)
    SetView lockOff(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        return view(assessments.append(id, just.eventId(), new AssessmentEvent.LockedOff(), who.getName()));
    }

    private SetView view(Assessment assessment) {
        return SetView.of(assessment, keys.key(assessment));
    }
}
