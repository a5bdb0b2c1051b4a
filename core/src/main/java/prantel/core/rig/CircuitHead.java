package prantel.core.rig;

import prantel.core.quantity.Check;

/** What every circuit has: its name, its place in a board, its protection and its cable. */
public record CircuitHead(CircuitId id, String label, Way way, Device device, Cable cable, Nature nature) {
    /** A circuit at the board's own voltage. */
    public CircuitHead(CircuitId id, String label, Way way, Device device, Cable cable) {
        this(id, label, way, device, cable, Nature.LOW);
    }

    public CircuitHead {
        Check.name(label, "label");
    }

    CircuitHead with(Device other) {
        return new CircuitHead(id, label, way, other, cable, nature);
    }
}
