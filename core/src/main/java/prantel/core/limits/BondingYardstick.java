package prantel.core.limits;

/** The usual yardstick for a main bonding conductor. Source: IET Guidance Note 3, from memory. */
public final class BondingYardstick {
    public static final double OHMS = 0.05;
    public static final String SOURCE = "IET Guidance Note 3, “of the order of 0.05 Ω” (from memory)";

    private BondingYardstick() {}
}
