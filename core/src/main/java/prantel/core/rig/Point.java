package prantel.core.rig;

import java.util.Optional;
import prantel.core.quantity.Check;

/**
 * A point of a circuit where a candidate measures.
 *
 * @param atMetres cable distance from the board, m, above 0
 * @param after the point its cable comes from, for a spur or branch; empty: the one before it in the list
 * @param load what is normally connected there; out for every test that does not ask for it
 * @param metal whether it has exposed metalwork with an earth terminal of its own
 */
public record Point(
        PointId id,
        String label,
        PointKind kind,
        double atMetres,
        Optional<PointId> after,
        Optional<Load> load,
        boolean metal) {
    public Point {
        Check.all(() -> Check.name(label, "label"), () -> Check.between(atMetres, 0.1, 2000, "atMetres", "m"));
    }

    public Point(PointId id, String label, PointKind kind, double atMetres) {
        this(id, label, kind, atMetres, Optional.empty(), Optional.empty(), false);
    }
}
