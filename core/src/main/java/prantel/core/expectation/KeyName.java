package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.SlotId;

/**
 * What a key is made from, and nothing that was worked out: two keys of one name hold the same. Small beside its key, so
 * what follows from a key is kept under this and does not keep the key alive.
 */
public final class KeyName {
    private final Base base;
    private final FaultSet faults;
    private final Set<CircuitId> circuits;
    private final Optional<Set<SlotId>> only;
    private final List<ReadWith> readWith;
    // a rig is large: worked out when a name is first looked up, not for each of the thousands of keys that are tried
    private int hash;

    /** The rig without faults as it is to be read. */
    private record Base(Rig rig, Scheme scheme, Tester tester, AsBuilt asBuilt) {}

    /** Boxes that were read with another instrument. */
    private record ReadWith(KeyName other, Set<SlotId> boxes) {}

    private KeyName(
            Base base, FaultSet faults, Set<CircuitId> circuits, Optional<Set<SlotId>> only, List<ReadWith> readWith) {
        this.base = base;
        this.faults = faults;
        this.circuits = Set.copyOf(circuits);
        this.only = only.map(Set::copyOf);
        this.readWith = List.copyOf(readWith);
    }

    static KeyName of(Rig rig, Scheme scheme, Tester tester, AsBuilt asBuilt, FaultSet faults) {
        return new KeyName(new Base(rig, scheme, tester, asBuilt), faults, Set.of(), Optional.empty(), List.of());
    }

    /** The whole key of the same rig with other faults: made from the healthy rig and not from this key. */
    KeyName with(FaultSet others) {
        return new KeyName(base, others, Set.of(), Optional.empty(), List.of());
    }

    KeyName only(Set<SlotId> boxes) {
        return new KeyName(base, faults, circuits, Optional.of(boxes), readWith);
    }

    KeyName of(Set<CircuitId> chosen) {
        return new KeyName(base, faults, chosen, only, readWith);
    }

    KeyName readWith(KeyName other, Set<SlotId> boxes) {
        List<ReadWith> more = new ArrayList<>(readWith);
        more.add(new ReadWith(other, Set.copyOf(boxes)));
        return new KeyName(base, faults, circuits, only, more);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return this == other
                || other instanceof KeyName name
                        && base.equals(name.base)
                        && faults.equals(name.faults)
                        && circuits.equals(name.circuits)
                        && only.equals(name.only)
                        && readWith.equals(name.readWith);
    }

    @Override
    public int hashCode() {
        int made = hash;
        if (made == 0) {
            made = Objects.hash(base, faults, circuits, only, readWith);
            hash = made;
        }
        return made;
    }
}
