package prantel.core.rig;

import prantel.core.quantity.Check;

/** A source impedance. @param ohms R, Ω, above 0 @param reactanceOhms X at mains frequency, Ω, 0 or above */
public record Impedance(double ohms, double reactanceOhms) {
    public Impedance {
        Check.all(
                () -> Check.between(ohms, 1e-4, 10_000, "ohms", "Ω"),
                () -> Check.between(reactanceOhms, 0, 10_000, "reactanceOhms", "Ω"));
    }

    public static Impedance of(double ohms) {
        return new Impedance(ohms, 0);
    }
}
