package prantel.core.network;

/**
 * What one node of a network meets when it is eliminated. Immutable.
 *
 * @param branches indices of the closed branches whose other end is eliminated later, ascending
 * @param ends the other end of each of them
 * @param children nodes whose first higher neighbour this is, in order of elimination
 * @param higher nodes it is connected to at its elimination, earliest first; empty for a root
 */
record Meeting(int[] branches, int[] ends, int[] children, int[] higher) {

    int parent() {
        return higher.length == 0 ? Order.NONE : higher[0];
    }
}
