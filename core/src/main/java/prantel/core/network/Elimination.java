package prantel.core.network;

/**
 * What happened when one node of a network was eliminated by star–mesh. Immutable, so that an edited network shares those
 * of all nodes that the edit does not concern.
 *
 * @param higher of the meeting, at hand for those who walk up
 * @param branches conductance of each branch of the meeting, S
 * @param row conductance to each higher node, S
 * @param sum of the row, S
 * @param passedOn conductance it left between each two of the higher nodes, lower triangle by rows (i, j < i), S
 */
record Elimination(Meeting meeting, int[] higher, double[] branches, double[] row, double sum, double[] passedOn) {}
