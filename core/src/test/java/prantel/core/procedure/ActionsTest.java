package prantel.core.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.procedure.RigState.Fact;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** Set-ups as deeds. What comes before what at a rig: common practice, no source; proving dead: HSE GS38, from memory. */
class ActionsTest {
    private static Set<SetUp> setUps(Rig rig) {
        Set<SetUp> all = new HashSet<>();
        for (Slot slot : SlotPlan.of(rig, Schemes.fullSequence())) {
            if (slot instanceof Slot.Measured m) {
                all.add(m.setUp());
            }
        }
        return all;
    }

    /** On rigs of every shape: no set-up asks for a deed before what it needs. */
    @Test
    void noSetUpAsksForADeedTooEarly() {
        SplittableRandom random = new SplittableRandom(5);
        int looked = 0;
        for (int n = 0; n < 30; n++) {
            for (SetUp setUp : setUps(RandomRigs.rig(random))) {
                assertThat(RigState.tooEarly(setUp.actions()))
                        .as(setUp.steps().toString())
                        .isEmpty();
                assertThat(setUp.steps()).isNotEmpty().noneMatch(String::isBlank);
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(300);
    }

    /** Whoever leaves out a deed that a later one needs is told at that one. */
    @Test
    void aForgottenDeedIsToldAtTheOneThatNeedsIt() {
        SplittableRandom random = new SplittableRandom(6);
        int told = 0;
        for (SetUp setUp : setUps(RandomRigs.rig(random))) {
            for (Action forgotten : setUp.actions()) {
                List<Action> rest = new ArrayList<>(setUp.actions());
                rest.remove(forgotten);
                boolean needed = setUp.actions().stream()
                        .skip(setUp.actions().indexOf(forgotten) + 1L)
                        .anyMatch(a -> a.needs().stream().anyMatch(forgotten.makes()::contains)
                                && rest.stream().noneMatch(r -> r.makes().containsAll(forgotten.makes())));
                assertThat(!RigState.tooEarly(rest).isEmpty())
                        .as(forgotten.words())
                        .isEqualTo(needed);
                told += needed ? 1 : 0;
            }
        }
        assertThat(told).isGreaterThan(20);
    }

    @Test
    void nothingIsTakenOutOrLinkedBeforeItIsProvedDead() {
        SplittableRandom random = new SplittableRandom(7);
        for (SetUp setUp : setUps(RandomRigs.rig(random))) {
            List<Action> unproved =
                    setUp.without(Action.ProveDead.class::isInstance).actions();
            List<Action> early = RigState.tooEarly(unproved);
            boolean touches = unproved.stream()
                    .anyMatch(a -> a instanceof Action.Link
                            || a instanceof Action.Cross
                            || a instanceof Action.TakeOut t && t.part() != Action.Part.EARTHING_CONDUCTOR);
            boolean wasProved = setUp.actions().stream().anyMatch(Action.ProveDead.class::isInstance);
            if (touches && wasProved) {
                assertThat(early).as(setUp.steps().toString()).isNotEmpty();
            }
        }
    }

    @Test
    void whatIsTrueFollowsFromWhatWasDone() {
        Action off = new Action.MainSwitchOff("Main switch off", List.of());
        Action proved = new Action.ProveDead("proved dead");
        Action bond = new Action.TakeOut("bond off", Action.Part.BOND, List.of());
        RigState dead = RigState.of(List.of(off, new Action.LockOff(), proved, bond));
        assertThat(dead.is(Fact.BOND_OFF)).isTrue();
        assertThat(dead.missingFor(new Action.Energise("on"))).containsExactly(Fact.REINSTATED);
        RigState live = dead.after(new Action.Reinstate("back")).after(new Action.Energise("on"));
        assertThat(live.is(Fact.ENERGISED)).isTrue();
        assertThat(live.is(Fact.BOND_OFF)).isFalse();
        assertThat(live.is(Fact.PROVED_DEAD)).as("it is live again").isFalse();
        assertThat(live.missingFor(bond)).contains(Fact.PROVED_DEAD);
    }

    /** A link left in after reinstating is not reinstated: the rig may not go live. */
    @Test
    void whoLinksAgainMustReinstateAgain() {
        RigState state = RigState.of(List.of(new Action.Reinstate("back"), new Action.Link("link", List.of())));
        assertThat(state.missingFor(new Action.Energise("on"))).containsExactly(Fact.REINSTATED);
    }

    @Test
    void sentencesAreJoinedAsTheyAreTold() {
        SetUp setUp = new SetUp(List.of(
                new Action.MainSwitchOff("Main switch off", List.of()),
                new Action.LockOff(),
                new Action.ProveDead("proved dead in all 3 tests"),
                new Action.NullLeads("Leads nulled")));
        assertThat(setUp.steps())
                .containsExactly("Main switch off, locked, proved dead in all 3 tests", "Leads nulled");
        assertThat(setUp.effort()).isEqualTo(5);
    }
}
