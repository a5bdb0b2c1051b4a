package prantel.core.fault;

import java.util.Optional;
import prantel.core.scheme.TestKind;

/**
 * What a fault does to the readings of one test.
 *
 * @param step empty for what is seen at inspection, before any reading
 */
public record Symptom(Optional<TestKind> step, Shows shows) {
    static final Symptom SEEN = new Symptom(Optional.empty(), Shows.SEEN);

    static Symptom in(TestKind step, Shows shows) {
        return new Symptom(Optional.of(step), shows);
    }

    /** "R2, method 2: over-range". */
    public String words() {
        return step.map(TestKind::label).orElse("Inspection") + ": " + shows.words();
    }

    /** How a reading changes from healthy. */
    public enum Shows {
        RISES("higher"),
        FALLS("lower"),
        OPENS("over-range or no trip"),
        CONNECTS("a number where it must be open"),
        SAYS("does not work as it should"),
        STOPS("a device trips, or there is no supply"),
        /** The reading stays; what it is held against is another limit. */
        FAILS_LIMIT("does not meet the limit of what is fitted"),
        SEEN("seen");

        private final String words;

        Shows(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
