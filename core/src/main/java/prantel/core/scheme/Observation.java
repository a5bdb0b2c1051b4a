package prantel.core.scheme;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * Something an assessor sees.
 *
 * @param seen when it is done right
 * @param slips ready reasons when it is not
 */
public record Observation(String id, String seen, Severity severity, double weight, List<String> slips) {
    public Observation {
        slips = List.copyOf(slips);
        List<String> given = slips;
        Check.all(
                () -> Check.id(id, "id"),
                () -> Check.name(seen, "seen"),
                () -> Check.between(weight, 0, 100, "weight", "points"),
                () -> Check.that(given.size() <= 12, "too-many", "slips", given.size() + " slips", "give at most 12"),
                () -> given.forEach(s -> Check.name(s, "slips")));
    }
}
