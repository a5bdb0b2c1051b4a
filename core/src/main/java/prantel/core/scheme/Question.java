package prantel.core.scheme;

import java.util.List;
import java.util.Set;
import prantel.core.quantity.Check;

/**
 * Something an assessor asks.
 *
 * @param needed how many of them make a full answer
 * @param asked whether everybody is asked it, or it is drawn
 * @param tells causes of wrong readings that its answer confirms or rules out, by their names in a file: "leads-not-nulled"
 */
public record Question(String id, Wording wording, int needed, double weight, Asked asked, Set<String> tells) {
    public Question {
        tells = Set.copyOf(tells);
        List<String> given = wording.points();
        Check.all(
                () -> Check.id(id, "id"),
                () -> Check.text(wording.ask(), 300, "ask"),
                () -> Check.text(wording.prompt(), 300, "prompt"),
                () -> Check.between(weight, 0, 100, "weight", "points"),
                () -> Check.that(
                        !given.isEmpty() && given.size() <= 12,
                        "bad-points",
                        "points",
                        given.size() + " points",
                        "give 1 to 12"),
                () -> Check.that(
                        needed >= 1 && needed <= Math.max(1, given.size()),
                        "needs-more-than-there-is",
                        "needed",
                        needed + " of " + given.size(),
                        "give at least 1 and at most the number of points"));
    }

    /**
     * @param points what an answer may name; each is tapped when it is said
     * @param prompt a hint for the assessor, or empty
     */
    public record Wording(String ask, List<String> points, String prompt) {
        public Wording {
            points = List.copyOf(points);
        }
    }

    public String ask() {
        return wording.ask();
    }

    public List<String> points() {
        return wording.points();
    }

    public String prompt() {
        return wording.prompt();
    }

    public enum Asked {
        OF_EVERYBODY,
        DRAWN
    }
}
