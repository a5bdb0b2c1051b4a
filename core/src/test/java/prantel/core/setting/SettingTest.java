package prantel.core.setting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.fault.SafetyClass;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Conductor;
import prantel.core.setting.SetReview.Conflict;

class SettingTest {
    private static Key healthy;
    private static Key full;
    private static Exploration singles;

    @BeforeAll
    static void explore() {
        healthy = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.workshop());
        full = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        singles = Exploration.of(healthy);
    }

    private static SetReview review(Fault... faults) {
        return SetReview.of(healthy.with(FaultSet.of(faults)), singles, full);
    }

    @Test
    void explorationHoldsEveryFaultOnceAndAgreesWithAKeyMadeAfresh() {
        assertThat(singles.effects()).hasSameSizeAs(FaultCatalogue.everyFault(healthy.rig()));
        for (Effect effect : singles.effects().subList(0, 40)) {
            Key fresh = Key.of(healthy.rig(), FaultSet.of(effect.fault()), Testers.usual(), Schemes.workshop());
            effect.changed()
                    .forEach((id, e) ->
                            assertThat(fresh.expectation(id).withFaults()).isEqualTo(e.withFaults()));
        }
    }

    @Test
    void jointBeyondAnOpenCpcIsHiddenByIt() {
        SetReview review = review(Faults.cpcOpenAfter(2), Faults.joint(4, Conductor.CPC, 0.6));
        assertThat(review.isFair()).isFalse();
        assertThat(review.conflicts()).anySatisfy(c -> {
            assertThat(c.kind()).isEqualTo(Conflict.Kind.HIDES);
            assertThat(c.first()).isEqualTo(Faults.joint(4, Conductor.CPC, 0.6));
            assertThat(c.second()).isEqualTo(Faults.cpcOpenAfter(2));
        });
    }

    @Test
    void faultsApartFromEachOtherAreFair() {
        SetReview review = review(Faults.joint(2, Conductor.CPC, 0.8), Faults.clampOnPaint(Rigs.GAS));
        assertThat(review.isFair()).isTrue();
        assertThat(review.conflicts()).isEmpty();
    }

    /** R1+R2 shows it, R2 does not, and the candidate takes one of the two. */
    @Test
    void whatOnlyOneOfTwoMethodsShowsIsNotFindable() {
        Fault joint = Faults.joint(2, Conductor.LINE, 0.8);
        assertThat(review(joint).isFair()).isFalse();
        assertThat(singles.of(joint).visibility()).isNotEqualTo(Visibility.FINDABLE);
        assertThat(SetReview.of(full.with(FaultSet.of(joint)), Exploration.of(full), full)
                        .faults()
                        .getFirst()
                        .visibility())
                .as("a scheme that asks for Zs shows it whatever method is taken")
                .isEqualTo(Visibility.FINDABLE);
    }

    /** What is dead only is never read live: a live reading that would show it helps nobody. */
    @Test
    void whatIsDeadOnlyIsFoundByDeadReadings() {
        Exploration explored = Exploration.of(full);
        explored.effects().stream()
                .filter(e -> e.fault().safety() == prantel.core.fault.SafetyClass.DEAD_ONLY)
                .filter(e -> e.visibility() == Visibility.FINDABLE
                        && !e.fault().kind().isSeen())
                .forEach(e -> assertThat(e.first().orElseThrow().slot().step().isLive())
                        .as(e.fault().title())
                        .isFalse());
    }

    /** Nothing is read live while a fault is in that may not be: what only a live reading tells is read before, without it. */
    @Test
    void liveProofsComeFirstAndWithoutWhatIsDeadOnly() {
        Fault slow = FaultCatalogue.kind("loose-at-breaker")
                .usual(new Place.AtCircuit(Rigs.SOCKETS), List.of(), Optional.empty(), Rigs.fiveSockets());
        Fault open = Faults.cpcOpenAfter(2);
        assertThat(open.safety()).isEqualTo(prantel.core.fault.SafetyClass.DEAD_ONLY);
        CheckPlan plan = CheckPlan.of(full.with(FaultSet.of(slow, open)), Exploration.of(full));
        List<Boolean> live = plan.readings().stream().map(CheckPlan::isLive).toList();
        assertThat(live).contains(true).contains(false);
        assertThat(live.indexOf(false)).as("live ones first").isGreaterThan(live.lastIndexOf(true));
        var alone = full.with(FaultSet.of(slow));
        plan.readings().stream()
                .filter(CheckPlan::isLive)
                .forEach(e -> assertThat(e.window())
                        .isEqualTo(alone.expectation(e.slot().id()).window()));
        CheckPlan deadOnly = CheckPlan.of(full.with(FaultSet.of(open)), Exploration.of(full));
        assertThat(deadOnly.readings()).noneMatch(CheckPlan::isLive);
    }

    private static final Fault SLOW_CURVE = FaultCatalogue.kind("wrong-curve")
            .usual(new Place.AtCircuit(Rigs.SOCKETS), List.of(), Optional.empty(), Rigs.fiveSockets());

    /** Printed on the device: no reading hides it, and none is needed. Common practice, no source. */
    @Test
    void whatIsReadOnADeviceIsHiddenByNoReading() {
        SetReview fair = review(SLOW_CURVE, Faults.cpcOpenAfter(2));
        assertThat(fair.conflicts()).isEmpty();
        assertThat(fair.isFair()).isTrue();
        Key key = full.with(FaultSet.of(SLOW_CURVE, Faults.reversed(4)));
        assertThat(SetReview.of(key, Exploration.of(full), full).conflicts())
                .as("with Zs in the sequence")
                .isEmpty();
    }

    @Test
    void nothingReadsTheSameAsWhatOnlyTheEyeFinds() {
        assertThat(singles.isOnlySeen(SLOW_CURVE)).isTrue();
        assertThat(Ambiguity.of(healthy.with(FaultSet.of(SLOW_CURVE)), singles)).isEmpty();
        assertThat(Ambiguity.of(healthy.with(FaultSet.of(Faults.reversed(4))), singles))
                .noneMatch(a -> singles.isOnlySeen(a.reads()));
        assertThat(singles.effects())
                .as("what is seen and read as well may be taken for another")
                .anyMatch(e -> e.fault().kind().isSeen() && !singles.isOnlySeen(e.fault()));
    }

    /** It is proved by looking; readings prove the rest of the set, and nothing stays "not told". */
    @Test
    void whatOnlyTheEyeFindsIsProvedByLooking() {
        CheckPlan plan = CheckPlan.of(healthy.with(FaultSet.of(SLOW_CURVE, Faults.reversed(4))), singles);
        assertThat(plan.looks()).containsExactly(SLOW_CURVE);
        assertThat(plan.readings()).isNotEmpty();
        assertThat(plan.notTold()).noneMatch(FaultSet.of(Faults.reversed(4))::equals);
        assertThat(CheckPlan.ofClearing(healthy, List.of(SLOW_CURVE), singles).looks())
                .containsExactly(SLOW_CURVE);
    }

    // 0.02 Ω in a circuit of 0.7 Ω: the handbook's example of an unfair joint. Common practice, no source.
    @Test
    void jointWithinToleranceIsNotFindable() {
        SetReview review = review(Faults.joint(4, Conductor.CPC, 0.05));
        assertThat(review.isFair()).isFalse();
        assertThat(review.faults().getFirst().visibility()).isNotEqualTo(Visibility.FINDABLE);
    }

    @Test
    void faultOfALiveTestIsSaidToNeedTheFullSequence() {
        Fault loose = FaultCatalogue.kind("loose-at-breaker")
                .usual(new Place.AtCircuit(Rigs.SOCKETS), List.of(), Optional.empty(), Rigs.fiveSockets());
        SetReview review = review(loose);
        assertThat(review.faults()
                        .getFirst()
                        .needsFullSequence()
                        .orElseThrow()
                        .slot()
                        .id()
                        .value())
                .startsWith("sockets/zs/");
    }

    @Test
    void leakReadsTheSameAtEveryPointAndThatIsAccepted() {
        Fault leak = Faults.lowInsulation(2, Conductor.LINE, Conductor.CPC, 0.5);
        List<Ambiguity> alike = Ambiguity.of(healthy.with(FaultSet.of(leak)), singles);
        assertThat(alike)
                .filteredOn(a -> a.reads().kind() == leak.kind())
                .hasSize(4)
                .allMatch(Ambiguity::accepted);
    }

    @Test
    void everyAmbiguousAnswerReallyReadsTheSame() {
        int found = 0;
        for (Fault fault : List.of(
                Faults.joint(3, Conductor.CPC, 0.6),
                Faults.cpcOpenAfter(2),
                Faults.reversed(4),
                Faults.lowInsulation(2, Conductor.LINE, Conductor.CPC, 0.5))) {
            for (Ambiguity a : Ambiguity.of(healthy.with(FaultSet.of(fault)), singles)) {
                found++;
                Key one = Key.of(healthy.rig(), FaultSet.of(fault), Testers.usual(), Schemes.workshop());
                Key other = Key.of(healthy.rig(), FaultSet.of(a.reads()), Testers.usual(), Schemes.workshop());
                assertThat(singles.measured())
                        .noneMatch(s -> Hypothesis.tellsApart(one.expectation(s.id()), other.expectation(s.id())));
            }
        }
        assertThat(found).as("there is something to hold").isGreaterThan(2);
    }

    @Test
    void checkReadingsTellTheSetFromEverythingElse() {
        FaultSet set = FaultSet.of(
                Faults.joint(5, Conductor.CPC, 0.8),
                Faults.clampOnPaint(Rigs.WATER),
                Faults.lowInsulation(1, Conductor.LINE, Conductor.NEUTRAL, 1));
        Key key = healthy.with(set);
        CheckPlan plan = CheckPlan.of(key, singles);
        assertThat(plan.readings()).isNotEmpty();
        assertThat(plan.notTold()).isEmpty();
        assertThat(plan.fewest()).isTrue();
        assertThat(canBeToldWith(plan.readings().size() - 1, key, CheckPlan.others(key, singles)))
                .as("one reading fewer, every choice tried")
                .isFalse();
        for (Hypothesis other : CheckPlan.others(key, singles)) {
            assertThat(plan.readings())
                    .as("%s", other.faults())
                    .anyMatch(e -> Hypothesis.tellsApart(
                            e, other.reads().apply(e.slot().id())));
        }
    }

    /** Tries every choice of so many readings. */
    private static boolean canBeToldWith(int count, Key key, List<Hypothesis> others) {
        return canBeToldWith(count, 0, key.expectations(), others);
    }

    private static boolean canBeToldWith(int count, int from, List<Expectation> all, List<Hypothesis> left) {
        if (left.isEmpty()) {
            return true;
        }
        if (count == 0) {
            return false;
        }
        for (int i = from; i < all.size(); i++) {
            Expectation e = all.get(i);
            List<Hypothesis> still = left.stream()
                    .filter(o ->
                            !Hypothesis.tellsApart(e, o.reads().apply(e.slot().id())))
                    .toList();
            if (still.size() < left.size() && canBeToldWith(count - 1, i + 1, all, still)) {
                return true;
            }
        }
        return false;
    }

    @Test
    void planForManyFaultsIsBoundedAndSaysThatItMayNotBeTheFewest() {
        List<Fault> many = new java.util.ArrayList<>();
        for (int socket = 1; socket <= 4; socket++) {
            many.add(Faults.joint(socket, Conductor.CPC, 0.5 + 0.2 * socket));
            many.add(Faults.lowInsulation(socket, Conductor.LINE, Conductor.CPC, 0.1 * socket));
        }
        Key key = Key.of(Rigs.fiveSockets(), new FaultSet(many), Testers.usual(), Schemes.workshop());
        CheckPlan plan = CheckPlan.of(key, singles, f -> true);
        assertThat(plan.readings()).isNotEmpty();
        assertThat(plan.fewest())
                .as("eight faults have 256 parts: not all are looked at")
                .isFalse();
        Key two =
                Key.of(Rigs.fiveSockets(), FaultSet.of(many.get(0), many.get(3)), Testers.usual(), Schemes.workshop());
        assertThat(CheckPlan.of(two, singles, f -> true).fewest()).isTrue();
    }

    @Test
    void handSetFaultIsToldFromTheSameOneAtAnotherSocket() {
        Key key = healthy.with(FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8)));
        CheckPlan byRelay = CheckPlan.of(key, singles);
        CheckPlan byHand = CheckPlan.of(key, singles, f -> true);
        assertThat(byHand.readings().size())
                .isGreaterThanOrEqualTo(byRelay.readings().size());
        Key atFive = healthy.with(FaultSet.of(Faults.joint(5, Conductor.CPC, 0.8)));
        assertThat(byHand.readings())
                .anyMatch(e ->
                        Hypothesis.tellsApart(e, atFive.expectation(e.slot().id())));
    }

    @Test
    void clearingIsProvedAgainstEveryFaultStillIn() {
        List<Fault> out = List.of(Faults.cpcOpenAfter(3), Faults.clampOnPaint(Rigs.GAS));
        CheckPlan plan = CheckPlan.ofClearing(healthy, out, singles);
        for (Fault still : out) {
            Key left = healthy.with(FaultSet.of(still));
            assertThat(plan.readings())
                    .anyMatch(e ->
                            Hypothesis.tellsApart(e, left.expectation(e.slot().id())));
        }
        assertThat(plan.readings()).allMatch(e -> e.withFaults().equals(e.healthy()));
    }

    @ParameterizedTest
    @CsvSource({"3.0, 0, 0, 3.0", "2.0, 0, 30, 4.5", "4.0, 40, 0, 1.5"})
    void resultsMoveADifficultyTowardsWhatCandidatesShowed(double estimate, int found, int missed, double near) {
        assertThat(Difficulty.corrected(estimate, found, missed))
                .isCloseTo(near, org.assertj.core.api.Assertions.within(0.6));
    }

    @Test
    void difficultyStaysInItsScaleAndGrowsAsTheChangeShrinks() {
        int boxes = healthy.expectations().size();
        assertThat(singles.effects())
                .allSatisfy(e -> assertThat(Difficulty.of(e, boxes)).isBetween(1.0, 5.0));
        Effect plain = Exploration.effect(Faults.joint(3, Conductor.CPC, 5), healthy);
        Effect faint = Exploration.effect(Faults.joint(3, Conductor.CPC, 0.25), healthy);
        assertThat(Difficulty.of(faint, boxes)).isGreaterThan(Difficulty.of(plain, boxes));
    }

    private static Proposer.Request request(long seed, double target, Proposer.Stage stage) {
        return new Proposer.Request(
                stage, 2, target, Set.of(), Set.of(), f -> f.safety() != SafetyClass.EMULATED, seed);
    }

    @Test
    void proposalIsFairKeepsToTheRequestAndIsTheSameForTheSameSeed() {
        Proposer proposer = new Proposer(singles, full);
        for (long seed = 1; seed <= 4; seed++) {
            Proposer.Proposal proposal =
                    proposer.propose(request(seed, 2, Proposer.Stage.DEAD)).orElseThrow();
            assertThat(proposal.faults().faults()).hasSize(2);
            assertThat(SetReview.of(healthy.with(proposal.faults()), singles, full)
                            .isFair())
                    .isTrue();
            assertThat(proposer.propose(request(seed, 2, Proposer.Stage.DEAD))).contains(proposal);
            assertThat(proposal.reasons()).hasSizeGreaterThanOrEqualTo(4);
        }
    }

    @Test
    void proposalForTheLiveStageHasNothingThatIsDeadOnly() {
        Proposer.Proposal proposal = new Proposer(singles, full)
                .propose(request(3, 2.5, Proposer.Stage.LIVE))
                .orElseThrow();
        assertThat(proposal.faults().faults()).noneMatch(f -> f.safety() == SafetyClass.DEAD_ONLY);
        assertThat(prantel.core.safety.SafetyCheck.of(healthy.rig(), proposal.faults())
                        .mayGoLive())
                .isTrue();
    }

    @Test
    void kindsSeenBeforeAreNotProposedAgain() {
        Proposer proposer = new Proposer(singles, full);
        Proposer.Proposal first =
                proposer.propose(request(9, 2, Proposer.Stage.DEAD)).orElseThrow();
        Set<prantel.core.fault.FaultKind> seen =
                Set.copyOf(first.faults().faults().stream().map(Fault::kind).toList());
        Proposer.Proposal second = proposer.propose(new Proposer.Request(
                        Proposer.Stage.DEAD, 2, 2, seen, Set.of(), f -> f.safety() != SafetyClass.EMULATED, 9))
                .orElseThrow();
        assertThat(second.faults().faults()).noneMatch(f -> seen.contains(f.kind()));
    }

    @Test
    void pairsAreExploredWithProgressAndCanBeStopped() {
        double[] last = {-1};
        PairExploration.Result all = PairExploration.of(
                singles,
                singles.effects().stream()
                        .filter(e -> e.fault().kind().id().matches("cpc-open-after|high-resistance-joint"))
                        .toList(),
                share -> {
                    assertThat(share).isBetween(last[0], 1.0);
                    last[0] = share;
                },
                () -> false);
        assertThat(last[0]).isEqualTo(1);
        assertThat(all.stopped()).isFalse();
        assertThat(all.masked())
                .anyMatch(m -> m.by().equals(Faults.cpcOpenAfter(2))
                        && m.hidden().equals(Faults.joint(4, Conductor.CPC, 0.6)));
        int[] asked = {0};
        PairExploration.Result stopped = PairExploration.of(singles, singles.effects(), s -> {}, () -> ++asked[0] > 10);
        assertThat(stopped.stopped()).isTrue();
        assertThat(stopped.pairs()).isEqualTo(10);
    }
}
