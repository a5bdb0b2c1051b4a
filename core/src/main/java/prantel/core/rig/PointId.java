package prantel.core.rig;

import prantel.core.quantity.Check;

/** Names a point within its circuit. */
public record PointId(String value) {
    public PointId {
        Check.id(value, "id");
    }

    @Override
    public String toString() {
        return value;
    }
}
