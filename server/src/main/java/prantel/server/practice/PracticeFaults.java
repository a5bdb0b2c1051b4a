package prantel.server.practice;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;

/** Faults of a practice, drawn. */
final class PracticeFaults {
    private PracticeFaults() {}

    /** One a circuit, none that is only seen. @return as many as the rig has circuits for, at most */
    static FaultSet draw(Rig rig, int count, long seed) {
        List<Fault> all = new ArrayList<>(FaultCatalogue.everyFault(rig).stream()
                .filter(f -> !f.kind().isSeen() && f.place().ofCircuit().isPresent())
                .toList());
        SplittableRandom random = new SplittableRandom(seed);
        List<Fault> drawn = new ArrayList<>();
        Set<Optional<CircuitId>> circuits = new HashSet<>();
        while (drawn.size() < count && !all.isEmpty()) {
            Fault fault = all.remove(random.nextInt(all.size()));
            if (circuits.add(fault.place().ofCircuit())) {
                drawn.add(fault);
            }
        }
        return new FaultSet(drawn);
    }
}
