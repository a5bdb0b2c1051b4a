package prantel.core.scheme;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.quantity.Check;

/**
 * What a scheme is.
 *
 * @param title what it is called
 * @param follows the codes and practices it follows, each with how sure that is
 * @param decided where practitioners disagree: what was decided and why
 * @param times how long it may take
 * @param vocabulary this school's own words: for a test by its name in the file, for any other word by the word
 */
public record About(
        Title title, List<String> follows, List<Decided> decided, Times times, Map<String, String> vocabulary) {
    public About {
        follows = List.copyOf(follows);
        decided = List.copyOf(decided);
        vocabulary = Collections.unmodifiableMap(new LinkedHashMap<>(vocabulary));
    }

    /** @param version counted up by whoever changes it @param purpose in a sentence or two */
    public record Title(String id, int version, String name, String purpose) {
        public Title {
            Check.all(
                    () -> Check.id(id, "id"),
                    () -> Check.between(version, 1, 1_000_000, "version", "(a whole number)"),
                    () -> Check.name(name, "name"),
                    () -> Check.text(purpose, 600, "purpose"));
        }
    }

    public String id() {
        return title.id();
    }

    public int version() {
        return title.version();
    }

    public String name() {
        return title.name();
    }

    public String purpose() {
        return title.purpose();
    }

    /** A point where schools differ. */
    public record Decided(String question, String choice, String why) {
        public Decided {
            Check.all(
                    () -> Check.text(question, 300, "question"),
                    () -> Check.text(choice, 300, "choice"),
                    () -> Check.text(why, 600, "why"));
        }
    }

    /** Minutes; 0 for no limit. */
    public record Times(int dead, int live, int all) {
        public Times {
            Check.all(
                    () -> Check.between(dead, 0, 1440, "dead", "minutes"),
                    () -> Check.between(live, 0, 1440, "live", "minutes"),
                    () -> Check.between(all, 0, 1440, "all", "minutes"),
                    () -> Check.that(
                            all == 0 || dead + live <= all,
                            "times-do-not-add-up",
                            "all",
                            all + " minutes",
                            "give at least what its stages take together, " + (dead + live)
                                    + " minutes, or 0 for no limit"));
        }
    }
}
