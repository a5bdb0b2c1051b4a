package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * A relay of the rig's fault box and the fault that is wired to it. The fault is named as in a fault set; what the names
 * mean is known to {@code prantel.core.fault.FaultBox}.
 *
 * @param number of the relay on the box, from 1
 * @param kind of the fault
 * @param at place of the fault, as {@code prantel.core.fault.Place#id}
 * @param conductors empty where the kind leaves nothing to choose
 * @param size in the unit of the kind; 0 for none
 * @param to the other place, for kinds that have one; empty for none
 */
public record Relay(int number, String kind, String at, List<Conductor> conductors, double size, String to) {
    public static final int MOST = 64;

    public Relay {
        Check.between(number, 1, MOST, "relay", "(number of the relay)");
        Check.name(kind, "kind");
        Check.name(at, "at");
        Check.between(size, 0, 1e6, "size", "(in the unit of the kind)");
        conductors = List.copyOf(conductors);
    }
}
