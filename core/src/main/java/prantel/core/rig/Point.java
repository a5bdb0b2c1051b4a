package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * A point of a circuit where a candidate measures.
 *
 * @param atMetres cable distance from the board, m, above 0
 */
public record Point(PointId id, String label, PointKind kind, double atMetres) {
    public Point {
        Check.name(label, "label");
        Check.between(atMetres, 0.1, 2000, "atMetres", "m");
    }
}
