package prantel.core.scheme;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.quantity.Check;

/**
 * Something an assessor sees.
 *
 * @param seen when it is done right
 * @param slips ready reasons when it is not
 * @param undone of those slips, what they say was not done
 */
public record Observation(
        String id, String seen, Severity severity, double weight, List<String> slips, Map<String, Undone> undone) {
    public Observation {
        slips = List.copyOf(slips);
        undone = Map.copyOf(undone);
        Map<String, Undone> said = undone;
        List<String> given = slips;
        Check.all(
                () -> Check.id(id, "id"),
                () -> Check.name(seen, "seen"),
                () -> Check.between(weight, 0, 100, "weight", "points"),
                () -> Check.that(given.size() <= 12, "too-many", "slips", given.size() + " slips", "give at most 12"),
                () -> given.forEach(s -> Check.name(s, "slips")),
                () -> said.keySet()
                        .forEach(s -> Check.that(
                                given.contains(s), "unknown-slip", "undone", s, "give one of the slips: " + given)));
    }

    public Observation(String id, String seen, Severity severity, double weight, List<String> slips) {
        this(id, seen, severity, weight, slips, Map.of());
    }

    /** What a slip says was not done. */
    public Optional<Undone> undone(String slip) {
        return Optional.ofNullable(undone.get(slip));
    }
}
