package prantel.core.rig;

/** What is fitted at a point. */
public enum PointKind {
    SINGLE_SOCKET("single-socket", Probing.FRONT),
    TWIN_SOCKET("twin-socket", Probing.FRONT),
    THREE_PHASE_SOCKET("three-phase-socket", Probing.FRONT),
    FUSED_CONNECTION("fused-connection", Probing.TERMINALS),
    /** A switch in line and neutral (in all lines, three-phase); what comes after it is behind it. */
    ISOLATOR("isolator", Probing.TERMINALS),
    /** A time switch in the line only; what comes after it is behind it. */
    TIMER("timer", Probing.TERMINALS),
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
    public Probing probing() {
        return probing;
    }

    /** Whether it switches what comes after it. */
    public boolean isSwitching() {
        return this == ISOLATOR || this == TIMER;
    }

    /** Whether it has a pole in a conductor: a timer in the lines, an isolator in the neutral as well. */
    public boolean hasPoleFor(Conductor conductor) {
        return switch (this) {
            case ISOLATOR -> conductor != Conductor.CPC;
            case TIMER -> conductor != Conductor.CPC && conductor != Conductor.NEUTRAL;
            default -> false;
        };
    }

    public boolean isSocket() {
        return this == SINGLE_SOCKET || this == TWIN_SOCKET || this == THREE_PHASE_SOCKET;
    }

    /** Where probes go. */
    public enum Probing {
        FRONT,
        TERMINALS
    }
}
