package prantel.core.network;

/**
 * What happened when one node of a network was eliminated by star–mesh. Immutable, so that an edited network shares those
 * of all nodes that the edit does not concern.
 *
 * @param higher of the meeting, at hand for those who walk up
 * @param branches conductance of each branch of the meeting, S
 * @param siemens conductance to each higher node, and then what it left between each two of them, lower triangle by rows
 *     (i, j < i), S; in one array, because there are thousands of these
 * @param sum of the conductances to the higher nodes, S
 */
record Elimination(Meeting meeting, int[] higher, double[] branches, double[] siemens, double sum) {

    /** Where in {@link #siemens} what it left between its higher nodes begins. */
    int passedOn() {
        return higher.length;
    }
}
