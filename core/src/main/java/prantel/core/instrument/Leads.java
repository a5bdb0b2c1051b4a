package prantel.core.instrument;

import prantel.core.quantity.Check;

/**
 * Test leads of a tester.
 *
 * @param pairOhms both leads in series, Ω
 * @param wanderOhms a pair in which one lead is the long wander lead, Ω
 */
public record Leads(double pairOhms, double wanderOhms) {
    public Leads {
        Check.all(
                () -> Check.between(pairOhms, 0, 10, "pairOhms", "Ω"),
                () -> Check.between(wanderOhms, 0, 50, "wanderOhms", "Ω"));
    }
}
