package prantel.core.sequence;

/** Names one box of the sheet within a rig: "sockets/r1r2/socket-3", "sockets/r1r2", "bond/water/part". */
public record SlotId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
