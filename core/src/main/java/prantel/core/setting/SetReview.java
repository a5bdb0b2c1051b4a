package prantel.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.FaultEffect;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;

/**
 * Whether a set of faults is fair: each found by the sequence the candidate will do, none hiding or faking another.
 *
 * @param faults each with what it adds to the others
 * @param conflicts in words, with the faults concerned
 * @param ambiguities other faults that would read the same
 */
public record SetReview(List<Reviewed> faults, List<Conflict> conflicts, List<Ambiguity> ambiguities) {

    /**
     * @param effect in the set, by the scheme the candidate follows
     * @param alone how visible it is by itself
     * @param difficulty 1 to 5, alone
     * @param needsFullSequence the first box of the full sequence that would show it, when the candidate's scheme has none
     */
    public record Reviewed(
            FaultEffect effect, Visibility alone, double difficulty, Optional<Expectation> needsFullSequence) {

        public Visibility visibility() {
            return effect.fault().kind().isSeen() ? Visibility.FINDABLE : effect.visibility();
        }
    }

    /** @param kind of trouble @param first the fault it is about @param second the one that causes it */
    public record Conflict(Kind kind, Fault first, Fault second) {
        public enum Kind {
            /** The second hides the first. */
            HIDES,
            /** Either could be taken for the other. */
            MIMICS,
            /** The first shows only because the second is set too. */
            DEPENDS
        }
    }

    /** Whether every fault is findable and nothing stands against the set. */
    public boolean isFair() {
        return conflicts.stream().noneMatch(c -> c.kind() != Conflict.Kind.DEPENDS)
                && faults.stream().allMatch(f -> f.visibility() == Visibility.FINDABLE);
    }

    /**
     * @param key with the faults set, by the scheme the candidate follows
     * @param singles of the same rig, tester and scheme
     * @param full the healthy key of the full sequence
     */
    public static SetReview of(Key key, Exploration singles, Key full) {
        List<Reviewed> reviewed = new ArrayList<>();
        List<Conflict> conflicts = new ArrayList<>();
        List<FaultEffect> effects = FaultEffect.of(key);
        for (FaultEffect effect : effects) {
            Effect alone = singles.of(effect.fault());
            Optional<Expectation> later = effect.visibility() == Visibility.HIDDEN
                            && !effect.fault().kind().isSeen()
                    ? Exploration.effect(effect.fault(), full).first()
                    : Optional.empty();
            reviewed.add(new Reviewed(
                    effect,
                    alone.visibility(),
                    Difficulty.of(alone, key.expectations().size()),
                    later));
            conflicts.addAll(conflicts(effect, alone, key, singles));
        }
        return new SetReview(reviewed, conflicts, Ambiguity.of(key, singles));
    }

    private static List<Conflict> conflicts(FaultEffect effect, Effect alone, Key key, Exploration singles) {
        List<Conflict> conflicts = new ArrayList<>();
        Fault fault = effect.fault();
        if (singles.isOnlySeen(fault)) {
            return conflicts;
        }
        for (Fault other : key.faults().faults()) {
            if (other.equals(fault) || singles.isOnlySeen(other)) {
                continue;
            }
            Visibility beside = visibility(fault, other, key);
            // no reading has to show what the eye finds
            boolean hidden = beside != Visibility.FINDABLE && !fault.kind().isSeen();
            if (alone.visibility() == Visibility.FINDABLE && hidden) {
                conflicts.add(new Conflict(Conflict.Kind.HIDES, fault, other));
            } else if (alone.visibility() != Visibility.FINDABLE
                    && beside == Visibility.FINDABLE
                    && effect.visibility() == Visibility.FINDABLE) {
                conflicts.add(new Conflict(Conflict.Kind.DEPENDS, fault, other));
            } else if (before(fault, other, key) && Ambiguity.alike(alone, singles.of(other), singles)) {
                conflicts.add(new Conflict(Conflict.Kind.MIMICS, fault, other));
            }
        }
        return conflicts;
    }

    private static boolean before(Fault a, Fault b, Key key) {
        return key.faults().faults().indexOf(a) < key.faults().faults().indexOf(b);
    }

    /** How visible a fault is when just one other is set as well. */
    static Visibility visibility(Fault fault, Fault other, Key key) {
        return FaultEffect.of(key.with(FaultSet.of(fault, other))).getFirst().visibility();
    }
}
