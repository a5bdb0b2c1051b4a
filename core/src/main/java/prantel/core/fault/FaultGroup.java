package prantel.core.fault;

/** Groups of the catalogue, in its order. */
public enum FaultGroup {
    PROTECTIVE_CONDUCTOR("Protective conductor"),
    RING("Ring"),
    POLARITY("Polarity, connection"),
    INSULATION("Insulation"),
    LOOP("Loop, fault current"),
    RESIDUAL("RCD"),
    SUPPLY("Supply"),
    FUNCTIONAL("Functional, labelling"),
    INSPECTION("Inspection");

    private final String label;

    FaultGroup(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
