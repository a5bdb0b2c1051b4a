package prantel.core.rig;

import prantel.core.quantity.Check;

/** Names a circuit within its rig. */
public record CircuitId(String value) {
    public CircuitId {
        Check.id(value, "id");
    }

    @Override
    public String toString() {
        return value;
    }
}
