package prantel.core.inference;

import java.util.Optional;
import prantel.core.fault.Fault;

/**
 * What a cause that lies with the rig says of its faults.
 *
 * @param missing a fault of the set that is then not where it was set
 * @param there a fault that is then on the rig and is not of the set
 */
public record Blame(Optional<Fault> missing, Optional<Fault> there) {
    public static final Blame NONE = new Blame(Optional.empty(), Optional.empty());

    static Blame missing(Fault fault) {
        return new Blame(Optional.of(fault), Optional.empty());
    }

    static Blame there(Fault fault) {
        return new Blame(Optional.empty(), Optional.of(fault));
    }

    static Blame instead(Fault missing, Fault there) {
        return new Blame(Optional.of(missing), Optional.of(there));
    }
}
