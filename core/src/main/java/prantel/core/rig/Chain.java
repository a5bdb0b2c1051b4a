package prantel.core.rig;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.quantity.Check;

/** Points one after the other, with spurs and branches: what radials and rings have in common. */
final class Chain {
    private Chain() {}

    /** Counts, ids, order and the points that spurs name. */
    static void check(List<Point> points) {
        Check.that(
                !points.isEmpty() && points.size() <= Circuit.MOST_POINTS,
                "bad-count",
                "points",
                points.size() + " points",
                "give 1 to " + Circuit.MOST_POINTS + " points");
        Check.distinct(points, p -> p.id().value(), "points");
        Map<PointId, Point> before = new HashMap<>();
        double chainMetres = 0;
        for (int i = 0; i < points.size(); i++) {
            Point point = points.get(i);
            String where = "points/" + i;
            double from = chainMetres;
            if (point.after().isPresent()) {
                Point parent = before.get(point.after().get());
                Check.that(
                        parent != null,
                        "unknown-point",
                        where + "/after",
                        Check.quoted(point.after().get().value()),
                        "name a point that stands earlier in the list");
                from = java.util.Objects.requireNonNull(parent).atMetres();
            } else {
                chainMetres = point.atMetres();
            }
            Check.that(
                    point.atMetres() > from,
                    "points-out-of-order",
                    where + "/atMetres",
                    Check.plain(point.atMetres()) + " m after " + Check.plain(from) + " m",
                    "give each point a greater cable distance from the board than the one its cable comes from");
            before.put(point.id(), point);
        }
    }

    /** The point that a point's cable comes from; empty for the board. */
    static Optional<Point> parent(List<Point> points, int index) {
        Point point = points.get(index);
        if (point.after().isPresent()) {
            return points.stream()
                    .filter(p -> p.id().equals(point.after().get()))
                    .findFirst();
        }
        for (int i = index - 1; i >= 0; i--) {
            if (points.get(i).after().isEmpty()) {
                return Optional.of(points.get(i));
            }
        }
        return Optional.empty();
    }

    /** Length of the run that ends at the point with this index, m. */
    static double runMetres(List<Point> points, int index) {
        return points.get(index).atMetres()
                - parent(points, index).map(Point::atMetres).orElse(0.0);
    }

    static boolean isLastOfChain(List<Point> points, PointId id) {
        Point last = points.getFirst();
        for (Point point : points) {
            if (point.after().isEmpty()) {
                last = point;
            }
        }
        return last.id().equals(id);
    }

    static boolean isSpur(List<Point> points, PointId id) {
        return points.stream().anyMatch(p -> p.id().equals(id) && p.after().isPresent());
    }
}
