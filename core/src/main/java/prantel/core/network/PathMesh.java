package prantel.core.network;

import java.util.Arrays;

/**
 * The few nodes that matter to one reading, with the conductances between them: nodes touched by an edit or a probe and
 * all their ancestors. Eliminates all but the two probed ones.
 */
final class PathMesh {
    private final int[] nodes;
    private final int[] local;
    private final int[][] other;
    private final double[][] siemens;
    private final int[] size;

    /**
     * @param factor of the network without edits
     * @param touched nodes to be kept apart; repeats allowed
     * @param local scratch of the network's size, filled with {@link EliminationTree#NONE}; restored by {@link #release}
     */
    PathMesh(Factor factor, int[] touched, int[] local) {
        this.local = local;
        this.nodes = closedUpwards(factor.tree, touched, local);
        other = new int[nodes.length][6];
        siemens = new double[nodes.length][6];
        size = new int[nodes.length];
        for (int node : nodes) {
            for (int child : factor.tree.children[node]) {
                if (local[child] == EliminationTree.NONE) {
                    factor.passOn(child, this::add);
                }
            }
        }
    }

    private static int[] closedUpwards(EliminationTree tree, int[] touched, int[] local) {
        int[] found = new int[touched.length * 8];
        int count = 0;
        for (int start : touched) {
            for (int node = start;
                    node != EliminationTree.NONE && local[node] == EliminationTree.NONE;
                    node = tree.parent[node]) {
                if (count == found.length) {
                    found = Arrays.copyOf(found, 2 * count);
                }
                local[node] = 0;
                found[count++] = node;
            }
        }
        long[] keyed = new long[count];
        for (int i = 0; i < count; i++) {
            keyed[i] = ((long) tree.position[found[i]] << 32) | found[i];
        }
        Arrays.sort(keyed);
        int[] sorted = new int[count];
        for (int i = 0; i < count; i++) {
            sorted[i] = (int) keyed[i];
            local[sorted[i]] = i;
        }
        return sorted;
    }

    int[] nodes() {
        return nodes;
    }

    /** Adds a conductance between two nodes of the mesh, given by their numbers in the network, S, 0 or above. */
    void add(int a, int b, double g) {
        if (a != b && g > 0) {
            join(local[a], local[b], g);
        }
    }

    /** Conductances left between the kept nodes when all others are eliminated, S; lower triangle by rows. */
    double[] reduceTo(int[] kept) {
        boolean[] keeps = new boolean[nodes.length];
        int[] index = new int[nodes.length];
        for (int i = 0; i < kept.length; i++) {
            keeps[local[kept[i]]] = true;
            index[local[kept[i]]] = i;
        }
        for (int k = 0; k < nodes.length; k++) {
            if (!keeps[k]) {
                eliminate(k);
            }
        }
        double[] between = new double[kept.length * (kept.length - 1) / 2];
        for (int i = 1; i < kept.length; i++) {
            int row = local[kept[i]];
            for (int n = 0; n < size[row]; n++) {
                int j = index[other[row][n]];
                if (j < i) {
                    between[i * (i - 1) / 2 + j] = siemens[row][n];
                }
            }
        }
        return between;
    }

    /** Gives the scratch array back as it was. */
    void release() {
        for (int node : nodes) {
            local[node] = EliminationTree.NONE;
        }
    }

    private void join(int a, int b, double g) {
        put(a, b, g);
        put(b, a, g);
    }

    private void put(int row, int column, double g) {
        int[] columns = other[row];
        for (int i = 0; i < size[row]; i++) {
            if (columns[i] == column) {
                siemens[row][i] += g;
                return;
            }
        }
        if (size[row] == columns.length) {
            other[row] = Arrays.copyOf(columns, 2 * size[row]);
            siemens[row] = Arrays.copyOf(siemens[row], 2 * size[row]);
        }
        other[row][size[row]] = column;
        siemens[row][size[row]++] = g;
    }

    private void eliminate(int k) {
        double sum = 0;
        for (int i = 0; i < size[k]; i++) {
            sum += siemens[k][i];
            forget(other[k][i], k);
        }
        for (int i = 1; i < size[k]; i++) {
            for (int j = 0; j < i; j++) {
                join(other[k][i], other[k][j], siemens[k][i] * siemens[k][j] / sum);
            }
        }
        size[k] = 0;
    }

    private void forget(int row, int column) {
        for (int i = 0; i < size[row]; i++) {
            if (other[row][i] == column) {
                int last = --size[row];
                other[row][i] = other[row][last];
                siemens[row][i] = siemens[row][last];
                return;
            }
        }
    }
}
