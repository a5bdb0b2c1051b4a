package prantel.core.expectation;

import prantel.core.instrument.Saying;

/** What is truly there between the probes, before an instrument shows it. */
public sealed interface Found {

    /** In the base unit of the function's dimension; +∞ for open or no trip. */
    record Number(double base) implements Found {}

    record Words(Saying saying) implements Found {}

    /** The test ended because a device tripped, or could not begin. @param why for people */
    record Stopped(String why) implements Found {}
}
