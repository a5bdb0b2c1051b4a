package prantel.server.practice;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Pinned;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.practice.Drill;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Proposer;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.keys.Explorations;
import prantel.server.marking.Given;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Drills;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** What practices begin with: one's own choice, a set that an assessor tries, or a record that is gone through again. */
@Component
class Origins {
    private static final int MOST_FAULTS = 4;

    private final Workshop workshop;
    private final Schemes schemes;
    private final Drills drills;
    private final Explorations explorations;
    private final Assessments assessments;
    private final Keys keys;

    Origins(
            Workshop workshop,
            Schemes schemes,
            Drills drills,
            Explorations explorations,
            Assessments assessments,
            Keys keys) {
        this.workshop = workshop;
        this.schemes = schemes;
        this.drills = drills;
        this.explorations = explorations;
        this.assessments = assessments;
        this.keys = keys;
    }

    /**
     * @param drill empty for the whole sequence
     * @param beside what stands in the record that is gone through again, by box
     * @param box where it begins; empty for the first
     */
    record Begun(
            DocumentRef rig,
            DocumentRef tester,
            Scheme scheme,
            Practices.Way way,
            Optional<Drill> drill,
            Practices.Purpose purpose,
            FaultSet faults,
            long seed,
            Map<String, String> beside,
            Optional<String> box) {}

    /** @param drillId empty for the whole sequence @param schemeId empty for the usual one @param count how many faults then @param difficulty of them, 1 to 5 */
    Begun own(String rigId, Practices.Way way, String drillId, String schemeId, int count, double difficulty) {
        DocumentRef rigRef = workshop.rigs().stream()
                .filter(r -> r.id().equals(rigId))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("rig"));
        Rig rig = workshop.rig(rigRef);
        DocumentRef tester = workshop.testers().stream()
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("no-tester", "Add a tester to the workshop first."));
        Optional<Drill> drill = drillId.isEmpty()
                ? Optional.empty()
                : Optional.of(drills.find(drillId).orElseThrow(() -> Refusal.notFound("drill")));
        Scheme scheme = drill.isPresent()
                ? schemes.everyTest()
                : schemeId.isEmpty() ? schemes.usualFor(rig) : schemes.newest(schemeId);
        long seed = ThreadLocalRandom.current().nextLong();
        FaultSet faults = drill.map(d -> d.draw(rig, d.boxes(rig, scheme), seed))
                .orElseGet(() -> proposed(rig, workshop.tester(tester), scheme, count, difficulty, seed));
        return new Begun(
                rigRef, tester, scheme, way, drill, Practices.Purpose.OWN, faults, seed, Map.of(), Optional.empty());
    }

    /** As an assessor's set is proposed: fair, findable, and such as may stay in while the rig is live. */
    private FaultSet proposed(Rig rig, Tester tester, Scheme scheme, int count, double difficulty, long seed) {
        Check.between(count, 0, MOST_FAULTS, "faults", "faults");
        Check.between(difficulty, Difficulty.EASIEST, Difficulty.HARDEST, "difficulty", "(difficulty)");
        if (count == 0) {
            return FaultSet.NONE;
        }
        var healthy = explorations.healthy(rig, tester, scheme);
        return new Proposer(explorations.of(healthy), explorations.full(healthy))
                .propose(new Proposer.Request(
                        Proposer.Stage.LIVE,
                        count,
                        difficulty,
                        Set.of(),
                        Set.of(),
                        // what only the eye finds is asked for where there is an inspection, and nowhere else
                        f -> !f.kind().isOnlySeen() || scheme.tests().contains(TestKind.INSPECTION),
                        seed))
                .map(Proposer.Proposal::faults)
                .orElseThrow(() -> Refusal.conflict(
                        "no-proposal", "This rig has no such faults. Choose fewer, or another difficulty."));
    }

    /** What is chosen for an assessment, on its rig. */
    Begun tried(String assessmentId, Practices.Way way) {
        Assessment assessment = assessments.get(assessmentId);
        return of(assessment, way, Practices.Purpose.TRIED, keys.faults(assessment), Map.of(), Optional.empty());
    }

    /** What a candidate wrote, and the rig as it was when this box was written. @throws Refusal for whoever marks it alone */
    Begun replay(String assessmentId, String box, String viewer) {
        Assessment assessment = Given.mustNotBeBlind(assessments.get(assessmentId), viewer);
        if (assessment.handedInAt() == null) {
            throw Refusal.conflict("not-handed-in", "The sheet is not handed in yet.");
        }
        Map<String, String> beside = new LinkedHashMap<>();
        assessment.readings().forEach((id, entry) -> beside.put(id, entry.value()));
        Set<Integer> out = assessment.outWhenWritten(box);
        List<Fault> all = keys.faults(assessment).faults();
        FaultSet then = new FaultSet(java.util.stream.IntStream.range(0, all.size())
                .filter(i -> !out.contains(i))
                .mapToObj(all::get)
                .toList());
        return of(assessment, Practices.Way.SHOWN, Practices.Purpose.REPLAY, then, beside, Optional.of(box));
    }

    private Begun of(
            Assessment assessment,
            Practices.Way way,
            Practices.Purpose purpose,
            FaultSet faults,
            Map<String, String> beside,
            Optional<String> box) {
        Pinned.Versions versions = assessment.fixed().versions();
        return new Begun(
                ref(versions.rig()),
                ref(versions.tester()),
                schemes.scheme(ref(versions.scheme())),
                way,
                Optional.empty(),
                purpose,
                faults,
                ThreadLocalRandom.current().nextLong(),
                beside,
                box);
    }

    private static DocumentRef ref(Pinned.Document document) {
        return new DocumentRef(document.id(), document.version());
    }
}
