package prantel.core.scheme;

import java.util.Locale;
import java.util.Optional;

/** The kinds of test that give readings. In what order they are done, and which, is the scheme's. */
public enum TestKind {
    INDICATOR("Indicator on the proving unit", "indicator", false, Belongs.TO_THE_RIG),
    SAFE_ISOLATION("Safe isolation", "safe-isolation", false, Belongs.TO_THE_RIG),
    INSPECTION("Inspection", "inspection", false, Belongs.TO_THE_RIG),
    EARTHING("Earthing conductor", "earthing", false, Belongs.TO_THE_RIG),
    BONDING("Bonding", "bonding", false, Belongs.TO_THE_RIG),
    R1_R2("R1+R2, method 1", "r1r2", false, Belongs.TO_EACH_CIRCUIT),
    R1_RN("R1+Rn of radials", "r1rn", false, Belongs.TO_EACH_CIRCUIT),
    R2("R2, method 2", "r2", false, Belongs.TO_EACH_CIRCUIT),
    RING("Ring", "ring", false, Belongs.TO_EACH_CIRCUIT),
    RING_EVENNESS("Ring, evenness", "ring-evenness", false, Belongs.TO_EACH_CIRCUIT),
    INSULATION("Insulation", "insulation", false, Belongs.TO_EACH_CIRCUIT),
    INSULATION_BOARD("Insulation, board", "insulation-board", false, Belongs.TO_THE_RIG),
    POLARITY("Polarity, dead", "polarity", false, Belongs.TO_EACH_CIRCUIT),
    ELECTRODE("Earth electrode, stakes", "electrode", false, Belongs.TO_THE_RIG),
    LIVE_POLARITY("Supply polarity", "live-polarity", true, Belongs.TO_THE_RIG),
    ELECTRODE_LOOP("Earth electrode, loop", "electrode-loop", true, Belongs.TO_THE_RIG),
    ZE("Ze, Zdb", "ze", true, Belongs.TO_THE_RIG),
    IPF("PSCC, PEFC, Ipf", "ipf", true, Belongs.TO_THE_RIG),
    POINT_POLARITY("Polarity at points, live", "point-polarity", true, Belongs.TO_EACH_CIRCUIT),
    ZS("Zs", "zs", true, Belongs.TO_EACH_CIRCUIT),
    RCD("RCD", "rcd", true, Belongs.TO_THE_RIG),
    SEQUENCE("Phase sequence", "sequence", true, Belongs.TO_THE_RIG),
    FUNCTIONAL("Functional", "functional", true, Belongs.TO_THE_RIG),
    SWITCHGEAR("Main switch, AFDD, SPD, timers", "switchgear", true, Belongs.TO_THE_RIG),
    CLOSING("Closed up", "closed-up", false, Belongs.TO_THE_RIG);

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

    /** Whether it may stand in a dead step as well as in a live one: how a rig is left. */
    public boolean isOfAnyStage() {
        return this == CLOSING;
    }

    /** The test whose readings it is worked out from; empty for one that is measured. */
    public Optional<TestKind> needs() {
        return this == RING_EVENNESS ? Optional.of(RING) : Optional.empty();
    }

    /** Whether it is done, and marked, on each circuit by itself; otherwise once for the rig. */
    public boolean isOfEachCircuit() {
        return belongs == Belongs.TO_EACH_CIRCUIT;
    }

    /** Whether it gives readings of low resistance, taken through leads that are nulled. */
    public boolean isContinuity() {
        return switch (this) {
            case EARTHING, BONDING, R1_R2, R1_RN, R2, RING -> true;
            default -> false;
        };
    }
}
