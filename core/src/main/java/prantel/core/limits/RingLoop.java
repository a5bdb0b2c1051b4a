package prantel.core.limits;

import prantel.core.quantity.Check;

/**
 * A ring final circuit by its open loops: what the cross-connected ring reads. Derived from physics: each leg is a
 * resistance, the two ways round are in parallel.
 *
 * @param lineOhms r1, end to end, Ω
 * @param neutralOhms rn, end to end, Ω
 * @param cpcOhms r2, end to end, Ω
 */
public record RingLoop(double lineOhms, double neutralOhms, double cpcOhms) {
    public RingLoop {
        Check.positive(lineOhms, "r1", "Ω");
        Check.positive(neutralOhms, "rn", "Ω");
        Check.positive(cpcOhms, "r2", "Ω");
    }

    /** Step 2, line crossed with neutral: (r1 + rn) / 4, Ω. */
    public double stepTwoOhms() {
        return (lineOhms + neutralOhms) / 4;
    }

    /** Step 3, line crossed with CPC: (r1 + r2) / 4, Ω; recorded as R1+R2 of the circuit. */
    public double stepThreeOhms() {
        return stepThreeOhms(lineOhms, cpcOhms);
    }

    /** The same from what somebody wrote as r1 and r2, which need not be a ring's: nothing nulled away leaves 0. */
    public static double stepThreeOhms(double lineOhms, double cpcOhms) {
        return (lineOhms + cpcOhms) / 4;
    }

    /**
     * Crossed ring at a socket: P·Q / (a + b) with P = x·a + (1−x)·b and Q = (1−x)·a + x·b, Ω. Constant only where both
     * loops are equal, else greatest in the middle.
     *
     * @param share how far round the ring the socket is, 0 to 1
     */
    public static double crossedOhms(double a, double b, double share) {
        double p = share * a + (1 - share) * b;
        double q = (1 - share) * a + share * b;
        return p * q / (a + b);
    }

    /** Each leg joined to itself instead: x(1−x)(a + b), Ω: near nothing at the first socket, the classic mistake. */
    public static double wrongEndsOhms(double a, double b, double share) {
        return share * (1 - share) * (a + b);
    }
}
