package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

/**
 * A time in which a candidate's clock stands still and the sheet is closed.
 *
 * @param what happened, in the assessor's words
 * @param spared what costs the candidate nothing for it
 * @param began the event that began it
 * @param ended how it ended; empty while it lasts
 */
public record Pause(Why why, String what, Spared spared, Assessment.First began, Optional<Ended> ended) {
    /** @param seq number of the event that ended it @param outcome what followed, in the assessor's words, or empty */
    public record Ended(OffsetDateTime at, int seq, String outcome) {}

    /** What it is for. The names are kept in records. */
    public enum Why {
        RIG_FAULT("Rig fault"),
        INSTRUMENT_FAULT("Instrument fault"),
        INTERRUPTION("Interruption"),
        SAFETY("Stopped for safety");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Boxes that cost nothing unless they were written again afterwards. @param circuits their ids @param steps ids of steps of the scheme */
    public record Spared(List<String> circuits, List<String> steps) {
        public static final Spared NOTHING = new Spared(List.of(), List.of());

        public Spared {
            circuits = List.copyOf(circuits);
            steps = List.copyOf(steps);
        }
    }

    public String by() {
        return began.by();
    }

    public OffsetDateTime from() {
        return began.at();
    }

    /** When it was over; empty while it lasts. */
    public Optional<OffsetDateTime> to() {
        return ended.map(Ended::at);
    }

    /** What followed; empty while it lasts or where nothing was said. */
    public String outcome() {
        return ended.map(Ended::outcome).orElse("");
    }

    public boolean isOver() {
        return ended.isPresent();
    }

    Pause until(OffsetDateTime end, int seq, String followed) {
        return new Pause(why, what, spared, began, Optional.of(new Ended(end, seq, followed)));
    }
}
