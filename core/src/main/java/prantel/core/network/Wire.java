package prantel.core.network;

/** A branch by numbers: its index and its ends. @param siemens conductance, S; 0 for an open one, which counts as absent */
record Wire(int index, int from, int to, double siemens) {
    boolean isOpen() {
        return siemens == 0;
    }

    boolean connectsAs(Wire other) {
        return index == other.index && from == other.from && to == other.to && isOpen() == other.isOpen();
    }
}
