package prantel.core.rig;

import prantel.core.quantity.Check;

/** Names a main bond within its rig. */
public record BondId(String value) {
    public BondId {
        Check.id(value, "id");
    }

    @Override
    public String toString() {
        return value;
    }
}
