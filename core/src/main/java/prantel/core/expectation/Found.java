package prantel.core.expectation;

import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;

/** What is truly there between the probes, before an instrument shows it. */
public sealed interface Found {

    /** In the base unit of the function's dimension; +∞ for open or no trip. */
    record Number(double base) implements Found {}

    record Words(Saying saying) implements Found {}

    /** The test ended because a device tripped, or could not begin. @param where what tripped, for people; empty for nothing */
    record Stopped(Stop stop, String where) implements Found {}
}
