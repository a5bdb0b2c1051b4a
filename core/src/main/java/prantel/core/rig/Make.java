package prantel.core.rig;

/**
 * What a branch's resistance is made of, Ω: each part moves with its own factor of a {@link Variation}.
 */
record Make(double fixed, double cable, double joints, double insulation, double supply) {
    static Make fixed(double ohms) {
        return new Make(ohms, 0, 0, 0, 0);
    }

    static Make cable(double ohms) {
        return new Make(0, ohms, 0, 0, 0);
    }

    static Make joint(double ohms) {
        return new Make(0, 0, ohms, 0, 0);
    }

    static Make insulation(double ohms) {
        return new Make(0, 0, 0, ohms, 0);
    }

    static Make supply(double ohms) {
        return new Make(0, 0, 0, 0, ohms);
    }

    /** Both in series. */
    Make and(Make other) {
        return new Make(
                fixed + other.fixed,
                cable + other.cable,
                joints + other.joints,
                insulation + other.insulation,
                supply + other.supply);
    }

    double ohms(Variation variation) {
        return fixed
                + cable * variation.cable()
                + joints * variation.joints()
                + insulation * variation.insulation()
                + supply * variation.supply();
    }
}
