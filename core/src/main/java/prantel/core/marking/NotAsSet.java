package prantel.core.marking;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.inference.Explanation;
import prantel.core.sequence.SlotId;

/** What the readings say of the faults themselves: a fault of the set that is not where it was set, one that is there and is not of the set. */
final class NotAsSet {
    /** Share from which a fault is nobody's to find until the rig was looked at. */
    private static final double TOLD = 0.9;

    private final Map<Fault, Told> missing = new HashMap<>();
    private final List<Fault> there = new ArrayList<>();

    /** @param cause as it is called @param slots the readings that say so */
    record Told(String cause, List<SlotId> slots) {
        Told {
            slots = List.copyOf(slots);
        }
    }

    NotAsSet(FaultSet set, List<Finding> findings) {
        for (Fault fault : set.faults()) {
            List<Finding> telling = findings.stream()
                    .filter(f -> share(
                                    f,
                                    e -> e.blame()
                                            .missing()
                                            .filter(fault::equals)
                                            .isPresent())
                            >= TOLD)
                    .toList();
            if (!telling.isEmpty()) {
                missing.put(
                        fault,
                        new Told(
                                telling.getFirst()
                                        .explanations()
                                        .getFirst()
                                        .cause()
                                        .label(),
                                telling.stream()
                                        .map(f -> f.expectation().slot().id())
                                        .toList()));
            }
        }
        for (Finding finding : findings) {
            finding.explanations().stream()
                    .filter(e -> e.likelihood() >= TOLD)
                    .flatMap(e -> e.blame().there().stream())
                    .filter(f -> !there.contains(f))
                    .forEach(there::add);
        }
    }

    private static double share(Finding finding, java.util.function.Predicate<Explanation> which) {
        return finding.explanations().stream()
                .filter(which)
                .mapToDouble(Explanation::likelihood)
                .sum();
    }

    Optional<Told> missing(Fault fault) {
        return Optional.ofNullable(missing.get(fault));
    }

    /** On the rig by the readings, though nobody set it. */
    List<Fault> there() {
        return there;
    }
}
