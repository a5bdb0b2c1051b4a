package prantel.core.network;

/**
 * What a branch is besides its resistance when alternating current flows: a reactance and an electromotive force in
 * series with it. The force drives from the branch's FROM end to its TO end.
 *
 * @param reactanceOhms X, Ω, 0 or above
 * @param volts r.m.s., V; 0 for none
 * @param degrees phase angle
 */
public record Source(BranchId branch, double reactanceOhms, double volts, double degrees) {
    public static Source passive(BranchId branch, double reactanceOhms) {
        return new Source(branch, reactanceOhms, 0, 0);
    }

    Complex force() {
        return Complex.polar(volts, Math.toRadians(degrees));
    }
}
