package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.Place;
import prantel.core.procedure.Isolation;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.setting.CheckPlan;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.picture.Windows;
import prantel.server.workshop.Workshop;

/** The page a setter takes to the rig. Assessors only; answers are never stored by a browser. */
@RestController
@RequestMapping("/api/assessments/{id}/card")
class CardController {
    private static List<String> lockOff(Rig rig) {
        return List.of(
                "Ask, switch off loads, devices and the main switch of this bay.",
                "Lock the main switch, hang the tag, keep the key on you.",
                "Prove the indicator, test dead: all " + Isolation.pairs(rig).size() + " tests, " + Isolation.words(rig)
                        + "; prove the indicator again.");
    }

    private static final List<String> AFTERWARDS = List.of(
            "Links and test leads out, covers on, nothing to be seen from outside.",
            "The rig stays locked off until the candidate isolates it.");

    private final Assessments assessments;
    private final Keys keys;
    private final Plans plans;
    private final Workshop workshop;
    private final Accounts accounts;

    CardController(Assessments assessments, Keys keys, Plans plans, Workshop workshop, Accounts accounts) {
        this.assessments = assessments;
        this.keys = keys;
        this.plans = plans;
        this.workshop = workshop;
        this.accounts = accounts;
    }

    record CardView(@JsonUnwrapped CardOf of, @JsonUnwrapped CardWork work) {}

    /** Whose card. */
    record CardOf(int bay, String rig, int rigVersion, String assessor, String tester) {}

    /** What is done, in order. */
    record CardWork(
            List<String> lockOff,
            List<CardStep> byHand,
            List<CardStep> byBox,
            List<CardCheck> checks,
            List<String> looks,
            List<String> afterwards) {}

    record CardStep(int number, String where, String instruction, String safety, int relay) {}

    /** @param window what it must show with the faults set @param healthy what it shows on the healthy rig */
    record CardCheck(String what, String how, String window, String healthy) {}

    @GetMapping
    CardView card(@PathVariable String id) {
        Assessment assessment = assessments.get(id);
        Key key = keys.key(assessment);
        Rig rig = key.rig();
        FaultBox box = FaultBox.of(rig);
        List<CardStep> byHand = new ArrayList<>();
        List<CardStep> byBox = new ArrayList<>();
        for (Place place : roundTheRig(key)) {
            for (Fault fault : key.faults().faults()) {
                if (fault.place().equals(place)) {
                    int relay = box.relayFor(fault).orElse(0);
                    List<CardStep> steps = relay > 0 ? byBox : byHand;
                    steps.add(new CardStep(
                            steps.size() + 1,
                            fault.where(rig),
                            box.canSet(fault)
                                    ? fault.instruction(rig)
                                    : "Not to be wired by hand: take it out of the set.",
                            fault.safety().words(),
                            relay));
                }
            }
        }
        CheckPlan plan = plans.proving(key);
        return new CardView(
                new CardOf(
                        workshop.bay(assessment.fixed().bayId()).number(),
                        rig.name(),
                        assessment.fixed().versions().rig().version(),
                        accounts.get(assessment.conduct().assessor()).name(),
                        key.tester().label()),
                new CardWork(
                        lockOff(rig),
                        byHand,
                        byBox,
                        plan.readings().stream().map(e -> check(e, rig)).toList(),
                        plan.looks().stream()
                                .map(f -> f.title() + ", " + f.where(rig))
                                .toList(),
                        AFTERWARDS));
    }

    /** The setter walks once: origin and bonds, then circuit after circuit from the board outwards. */
    private static List<Place> roundTheRig(Key key) {
        List<Place> places = new ArrayList<>(prantel.core.fault.FaultCatalogue.places(key.rig()));
        places.sort(java.util.Comparator.comparingInt(p -> p.ofCircuit().isPresent() ? 1 : 0));
        return places;
    }

    private static CardCheck check(Expectation e, Rig rig) {
        return new CardCheck(
                e.slot().title(rig),
                e.slot() instanceof Slot.Measured m ? m.function().label() : "",
                Windows.of(e),
                e.healthy().shown());
    }
}
