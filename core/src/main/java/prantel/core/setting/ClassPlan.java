package prantel.core.setting;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;

/**
 * Sets for a whole class: people take the bays in turn, nobody meets a kind twice, and bays beside each other differ.
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

    /**
     * @param bays a proposer for each bay, in the order they stand
     * @param people how many
     * @param each how many sittings each person has, no more than there are bays
     * @param base stage, count, target and what can be set; seen and neighbours are filled in, the seed varied
     * @return empty if some sitting finds no fair set
     */
    public static Optional<ClassPlan> of(List<Proposer> bays, int people, int each, Proposer.Request base) {
        List<Sitting> sittings = new ArrayList<>();
        Map<Integer, Set<FaultKind>> seen = new HashMap<>();
        Map<Integer, Set<Integer>> visited = new HashMap<>();
        int[] had = new int[people];
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
                        seen.getOrDefault(person, Set.of()),
                        here.getOrDefault(bay - 1, Set.of()),
                        base.canSet(),
                        base.seed() * 1_000_003 + session * 101L + bay);
                Optional<Proposer.Proposal> proposal = bays.get(bay).propose(request);
                if (proposal.isEmpty()) {
                    return Optional.empty();
                }
                Set<FaultKind> kinds = new HashSet<>();
                proposal.get().faults().faults().stream().map(Fault::kind).forEach(kinds::add);
                here.put(bay, kinds);
                seen.computeIfAbsent(person, p -> new HashSet<>()).addAll(kinds);
                visited.computeIfAbsent(person, p -> new HashSet<>()).add(bay);
                busy.add(person);
                had[person]++;
                sittings.add(new Sitting(session, bay, person, proposal.get()));
            }
            if (busy.isEmpty()) {
                return Optional.empty();
            }
        }
        return Optional.of(new ClassPlan(sittings));
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
