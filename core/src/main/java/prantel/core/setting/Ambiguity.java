package prantel.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Another fault that would give the same readings, within tolerance, as one of the set.
 *
 * @param fault of the set
 * @param reads the other one that reads the same
 * @param accepted whether marking takes that answer as right without being told
 */
public record Ambiguity(Fault fault, Fault reads, boolean accepted) {

    /** @param key with the faults set; @param singles of the same rig, tester and scheme */
    public static List<Ambiguity> of(Key key, Exploration singles) {
        List<Ambiguity> found = new ArrayList<>();
        for (Fault fault : key.faults().faults()) {
            if (singles.isOnlySeen(fault)) {
                continue;
            }
            Effect mine = singles.of(fault);
            for (Effect other : singles.effects()) {
                Fault candidate = sized(other.fault(), fault);
                if (candidate.isSameBut(fault)
                        || singles.isOnlySeen(candidate)
                        || key.faults().faults().stream().anyMatch(candidate::isSameBut)) {
                    continue;
                }
                if (readsAlike(fault, mine, candidate, other, key, singles)) {
                    found.add(new Ambiguity(fault, candidate, isAccepted(fault, candidate, key)));
                }
            }
        }
        return found;
    }

    /** The other fault as large as this one, where sizes can be compared. */
    private static Fault sized(Fault other, Fault like) {
        boolean comparable = other.kind().magnitude().isPresent()
                && like.kind().magnitude().isPresent()
                && other.kind().magnitude().get().unit()
                        == like.kind().magnitude().get().unit();
        if (!comparable) {
            return other;
        }
        var range = other.kind().magnitude().get();
        double size = range.unit().fromBase(like.size());
        return size >= range.low() && size <= range.high() ? other.withSize(like.size()) : other;
    }

    private static boolean readsAlike(
            Fault fault, Effect mine, Fault candidate, Effect other, Key key, Exploration singles) {
        // a cheap look first: boxes one of them moves plainly must be moved by the other as well
        if (!movesTheSame(mine, other)) {
            return false;
        }
        Effect theirs = candidate.equals(other.fault()) ? other : Exploration.effect(candidate, singles.healthy());
        if (!alike(mine, theirs, singles)) {
            return false;
        }
        if (key.faults().faults().size() == 1) {
            return true;
        }
        if (key.faults().faults().stream().anyMatch(candidate::isSameBut)) {
            return false;
        }
        Key swapped = key.with(key.faults().without(fault).with(candidate));
        return key.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured)
                .noneMatch(e ->
                        Hypothesis.tellsApart(e, swapped.expectation(e.slot().id())));
    }

    private static boolean movesTheSame(Effect a, Effect b) {
        return a.findable().stream()
                        .allMatch(e -> b.changed().containsKey(e.slot().id()))
                && b.findable().stream()
                        .allMatch(e -> a.changed().containsKey(e.slot().id()));
    }

    /** Whether no box tells two single faults apart. */
    static boolean alike(Effect a, Effect b, Exploration singles) {
        Set<String> ids = new TreeSet<>();
        a.changed().keySet().forEach(id -> ids.add(id.value()));
        b.changed().keySet().forEach(id -> ids.add(id.value()));
        return ids.stream().map(SlotId::new).noneMatch(id -> {
            Expectation healthy = singles.healthy().expectation(id);
            return healthy.slot() instanceof Slot.Measured
                    && Hypothesis.tellsApart(
                            a.changed().getOrDefault(id, healthy), b.changed().getOrDefault(id, healthy));
        });
    }

    private static boolean isAccepted(Fault fault, Fault other, Key key) {
        boolean nature = fault.kind() == other.kind()
                || fault.kind().equivalentKinds(key.rig()).contains(other.kind().id());
        return nature
                && fault.kind().acceptedPlaces(fault, key.rig()).contains(other.place())
                && fault.conductors().equals(other.conductors());
    }

    /** A set that reads the same. */
    public FaultSet insteadIn(FaultSet set) {
        return set.without(fault).with(reads);
    }
}
