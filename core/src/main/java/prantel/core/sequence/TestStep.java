package prantel.core.sequence;

import org.jspecify.annotations.Nullable;

/** The tests of the sequence that ask for readings, in the order they are done. */
public enum TestStep {
    SAFE_ISOLATION("Safe isolation", false),
    EARTHING("Earthing conductor", false),
    BONDING("Bonding", false),
    R1_R2("R1+R2, method 1", false),
    R2("R2, method 2", false),
    RING("Ring", false),
    INSULATION("Insulation", false),
    INSULATION_BOARD("Insulation, board", false),
    POLARITY("Polarity, dead", false),
    LIVE_POLARITY("Supply polarity", true),
    ZE("Ze, Zdb", true),
    IPF("PSCC, PEFC, Ipf", true),
    ZS("Zs", true),
    RCD("RCD", true),
    SEQUENCE("Phase sequence", true),
    FUNCTIONAL("Functional", true);

    private final String label;
    private final boolean live;

    TestStep(String label, boolean live) {
        this.label = label;
        this.live = live;
    }

    public String label() {
        return label;
    }

    /** Whether the supply is on for it. Safe isolation proves dead, and counts as dead. */
    public boolean isLive() {
        return live;
    }

    /**
     * The other way to prove the same thing: a candidate takes one of the two. Null where there is none; a ring is always
     * tested as a ring (BS 7671 643.2.1, from memory).
     */
    public @Nullable TestStep alternative() {
        return switch (this) {
            case R1_R2 -> R2;
            case R2 -> R1_R2;
            default -> null;
        };
    }
}
