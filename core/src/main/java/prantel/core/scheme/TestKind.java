package prantel.core.scheme;

import java.util.Locale;

/** The kinds of test that give readings. In what order they are done, and which, is the scheme's. */
public enum TestKind {
    SAFE_ISOLATION("Safe isolation", "safe-isolation", false, Belongs.TO_THE_RIG),
    EARTHING("Earthing conductor", "earthing", false, Belongs.TO_THE_RIG),
    BONDING("Bonding", "bonding", false, Belongs.TO_THE_RIG),
    R1_R2("R1+R2, method 1", "r1r2", false, Belongs.TO_EACH_CIRCUIT),
    R2("R2, method 2", "r2", false, Belongs.TO_EACH_CIRCUIT),
    RING("Ring", "ring", false, Belongs.TO_EACH_CIRCUIT),
    INSULATION("Insulation", "insulation", false, Belongs.TO_EACH_CIRCUIT),
    INSULATION_BOARD("Insulation, board", "insulation-board", false, Belongs.TO_THE_RIG),
    POLARITY("Polarity, dead", "polarity", false, Belongs.TO_EACH_CIRCUIT),
    LIVE_POLARITY("Supply polarity", "live-polarity", true, Belongs.TO_THE_RIG),
    ZE("Ze, Zdb", "ze", true, Belongs.TO_THE_RIG),
    IPF("PSCC, PEFC, Ipf", "ipf", true, Belongs.TO_THE_RIG),
    ZS("Zs", "zs", true, Belongs.TO_EACH_CIRCUIT),
    RCD("RCD", "rcd", true, Belongs.TO_THE_RIG),
    SEQUENCE("Phase sequence", "sequence", true, Belongs.TO_THE_RIG),
    FUNCTIONAL("Functional", "functional", true, Belongs.TO_THE_RIG);

    private final String label;
    private final String markPrefix;
    private final boolean live;
    private final Belongs belongs;

    TestKind(String label, String markPrefix, boolean live, Belongs belongs) {
        this.label = label;
        this.markPrefix = markPrefix;
        this.live = live;
        this.belongs = belongs;
    }

    private enum Belongs {
        TO_THE_RIG,
        TO_EACH_CIRCUIT
    }

    /** Its name where a scheme has none of its own for it. */
    public String label() {
        return label;
    }

    /** As a scheme file names it: "r1-r2", "insulation-board". */
    public String fileName() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Its part in the ids of marks; kept in records, never changed. */
    public String markPrefix() {
        return markPrefix;
    }

    /** Whether the supply is on for it. Safe isolation proves dead, and counts as dead. */
    public boolean isLive() {
        return live;
    }

    /** Whether it is done, and marked, on each circuit by itself; otherwise once for the rig. */
    public boolean isOfEachCircuit() {
        return belongs == Belongs.TO_EACH_CIRCUIT;
    }
}
