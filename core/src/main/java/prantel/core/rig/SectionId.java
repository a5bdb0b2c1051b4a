package prantel.core.rig;

import prantel.core.quantity.Check;

/** Names a section within its board. */
public record SectionId(String value) {
    public SectionId {
        Check.id(value, "id");
    }

    @Override
    public String toString() {
        return value;
    }
}
