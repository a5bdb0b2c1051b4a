package prantel.core.expectation;

import java.util.Set;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;

/** What is truly there between the probes, before an instrument shows it. */
public sealed interface Found {

    /** In the base unit of the function's dimension; +∞ for open or no trip. */
    record Number(double base) implements Found {}

    /** @param saying what is usually said @param also what may be said as well */
    record Words(Saying saying, Set<Saying> also) implements Found {
        public Words {
            also = Set.copyOf(also);
        }

        Words(Saying saying) {
            this(saying, Set.of());
        }
    }

    /** The test ended because a device tripped, or could not begin. @param where what tripped, for people; empty for nothing */
    record Stopped(Stop stop, String where) implements Found {}
}
