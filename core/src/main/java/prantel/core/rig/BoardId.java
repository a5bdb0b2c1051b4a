package prantel.core.rig;

import prantel.core.quantity.Check;

/** Names a board within its rig. */
public record BoardId(String value) {
    public BoardId {
        Check.id(value, "id");
    }

    @Override
    public String toString() {
        return value;
    }
}
