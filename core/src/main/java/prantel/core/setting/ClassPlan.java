package prantel.core.setting;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;

/**
 * Sets for a whole class: people take the bays in turn, nobody meets a kind twice, bays beside each other differ, and
 * so does a bay from one session to the next: those who come out talk.
 *
 * @param sittings in order of time and bay
 */
public record ClassPlan(List<Sitting> sittings) {
    public ClassPlan {
        sittings = List.copyOf(sittings);
    }

    /**
     * @param session from 0: sittings of a session run at the same time
     * @param bay from 0, in the order they stand in the room
     * @param person from 0
     */
    public record Sitting(int session, int bay, int person, Proposer.Proposal proposal) {}

    /** A bay of the room. @param canSet whether a fault can be set there: by hand, or by a relay for an emulated one */
    public record Bay(Proposer proposer, Predicate<Fault> canSet) {}

    /**
     * @param bays in the order they stand
     * @param seenBefore for each person the kinds met earlier
     * @param each how many sittings each person has, no more than there are bays
     * @param base stage, count and target; the rest is filled in, the seed varied
     * @return empty if some sitting finds no fair set
     */
    public static Optional<ClassPlan> of(
            List<Bay> bays, List<Set<FaultKind>> seenBefore, int each, Proposer.Request base) {
        int people = seenBefore.size();
        List<Sitting> sittings = new ArrayList<>();
        List<Set<FaultKind>> seen = new ArrayList<>();
        seenBefore.forEach(kinds -> seen.add(new HashSet<>(kinds)));
        Map<Integer, Set<Integer>> visited = new HashMap<>();
        int[] had = new int[people];
        Map<Integer, Set<FaultKind>> before = Map.of();
        for (int session = 0; sittings.size() < people * each; session++) {
            Map<Integer, Set<FaultKind>> here = new HashMap<>();
            Set<Integer> busy = new HashSet<>();
            for (int bay = 0; bay < bays.size(); bay++) {
                int person = next(had, each, busy, visited, bay);
                if (person < 0) {
                    continue;
                }
                Proposer.Request request = new Proposer.Request(
                        base.stage(),
                        base.count(),
                        base.target(),
                        seen.get(person),
                        unlike(here.getOrDefault(bay - 1, Set.of()), before.getOrDefault(bay, Set.of())),
                        bays.get(bay).canSet(),
                        base.seed() * 1_000_003 + session * 101L + bay);
                Optional<Proposer.Proposal> proposal = bays.get(bay).proposer().propose(request);
                if (proposal.isEmpty()) {
                    return Optional.empty();
                }
                Set<FaultKind> kinds = new HashSet<>();
                proposal.get().faults().faults().stream().map(Fault::kind).forEach(kinds::add);
                here.put(bay, kinds);
                seen.get(person).addAll(kinds);
                visited.computeIfAbsent(person, p -> new HashSet<>()).add(bay);
                busy.add(person);
                had[person]++;
                sittings.add(new Sitting(session, bay, person, proposal.get()));
            }
            if (busy.isEmpty()) {
                return Optional.empty();
            }
            before = here;
        }
        return Optional.of(new ClassPlan(sittings));
    }

    private static Set<FaultKind> unlike(Set<FaultKind> beside, Set<FaultKind> before) {
        Set<FaultKind> all = new HashSet<>(beside);
        all.addAll(before);
        return all;
    }

    /** Who has had fewest sittings, is free and has not been in this bay; −1 for nobody. */
    private static int next(int[] had, int each, Set<Integer> busy, Map<Integer, Set<Integer>> visited, int bay) {
        int best = -1;
        for (int person = 0; person < had.length; person++) {
            boolean free = had[person] < each
                    && !busy.contains(person)
                    && !visited.getOrDefault(person, Set.of()).contains(bay);
            if (free && (best < 0 || had[person] < had[best])) {
                best = person;
            }
        }
        return best;
    }

    /** Mean difficulty of a person's sittings. */
    public double difficultyOf(int person) {
        return sittings.stream()
                .filter(s -> s.person() == person)
                .mapToDouble(s -> s.proposal().difficulty())
                .average()
                .orElse(0);
    }
}
