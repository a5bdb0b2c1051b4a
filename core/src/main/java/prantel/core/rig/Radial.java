package prantel.core.rig;

import java.util.List;
import prantel.core.limits.Breaker;
import prantel.core.quantity.Check;

/**
 * A circuit that runs from the board past its points and ends at the last.
 *
 * <pre>
 *   board ──run 1── point 1 ──run 2── point 2 ── … ── last point
 * </pre>
 */
public record Radial(CircuitId id, String label, int way, Breaker breaker, Cable cable, List<Point> points)
        implements Circuit {
    private static final int MOST_POINTS = 200;

    public Radial {
        Check.name(label, "label");
        Check.between(way, 1, 60, "way", "(number of the way)");
        points = List.copyOf(points);
        Check.that(
                !points.isEmpty() && points.size() <= MOST_POINTS,
                "bad-count",
                "points",
                points.size() + " points",
                "give 1 to " + MOST_POINTS + " points");
        Check.distinct(points, p -> p.id().value(), "points");
        for (int i = 1; i < points.size(); i++) {
            Check.that(
                    points.get(i).atMetres() > points.get(i - 1).atMetres(),
                    "points-out-of-order",
                    "points/" + i + "/atMetres",
                    Check.plain(points.get(i).atMetres()) + " m after "
                            + Check.plain(points.get(i - 1).atMetres()) + " m",
                    "give the points in order of their distance from the board, no two at the same distance");
        }
    }

    /** Length of the run that ends at the point with this index, m. */
    public double runMetres(int index) {
        return points.get(index).atMetres()
                - (index == 0 ? 0 : points.get(index - 1).atMetres());
    }
}
