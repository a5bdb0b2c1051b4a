package prantel.core.rig;

/** What is fitted at a point. */
public enum PointKind {
    SINGLE_SOCKET("single-socket", Probing.FRONT),
    TWIN_SOCKET("twin-socket", Probing.FRONT),
    THREE_PHASE_SOCKET("three-phase-socket", Probing.FRONT),
    FUSED_CONNECTION("fused-connection", Probing.TERMINALS),
    /** A switch in line and neutral (in all lines, three-phase); what comes after it is behind it. */
    ISOLATOR("isolator", Probing.TERMINALS),
    /** Fixed: cooker, shower, immersion heater, heater, alarm. */
    APPLIANCE("appliance", Probing.TERMINALS),
    MOTOR("motor", Probing.TERMINALS),
    LAMP("lamp", Probing.TERMINALS),
    SWITCH("switch", Probing.TERMINALS);

    private final String id;
    private final Probing probing;

    PointKind(String id, Probing probing) {
        this.id = id;
        this.probing = probing;
    }

    public String id() {
        return id;
    }

    /** Whether probes go into worn contacts at the front, or onto terminals. */
    Probing probing() {
        return probing;
    }

    public boolean isSocket() {
        return this == SINGLE_SOCKET || this == TWIN_SOCKET || this == THREE_PHASE_SOCKET;
    }

    enum Probing {
        FRONT,
        TERMINALS
    }
}
