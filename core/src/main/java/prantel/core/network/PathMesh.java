package prantel.core.network;

import java.util.Arrays;
import java.util.Map;

/**
 * The few nodes that matter to one reading, with the conductances between them: nodes touched by an edit or a probe and
 * all their ancestors. Eliminates all but the kept ones.
 *
 * <p>Nodes are numbered in order of elimination, the kept ones last, and the conductances stand in a full upper triangle:
 * there are so few nodes that walking a row beats any list.
 */
final class PathMesh {
    private final Factor factor;
    private final int[] nodes;
    private final int[] local;
    private final int kept;
    /** Conductance between i and j, i below j, at i · size + j, S. */
    private final double[] siemens;

    /**
     * @param factor of the network without edits
     * @param kept nodes to be left over, all different
     * @param touched other nodes to be treated again; repeats allowed
     * @param local scratch of the network's size, filled with {@link EliminationTree#NONE}; restored by {@link #release}
     */
    PathMesh(Factor factor, int[] kept, int[] touched, int[] local) {
        this.factor = factor;
        this.local = local;
        this.kept = kept.length;
        this.nodes = numbered(factor.tree, kept, touched, local);
        siemens = new double[nodes.length * nodes.length];
        for (int node : nodes) {
            for (int child : factor.tree.children[node]) {
                if (local[child] == EliminationTree.NONE) {
                    factor.passOn(child, this::add);
                }
            }
        }
    }

    /** Everything on the way up from the nodes given, in order of elimination; the kept ones last, as they are given. */
    private static int[] numbered(EliminationTree tree, int[] kept, int[] touched, int[] local) {
        int[] found = new int[(kept.length + touched.length) * 8];
        int count = 0;
        for (int which = 0; which < kept.length + touched.length; which++) {
            int start = which < kept.length ? kept[which] : touched[which - kept.length];
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
        for (int node : kept) {
            local[node] = 1;
        }
        long[] keyed = new long[count - kept.length];
        int at = 0;
        for (int i = 0; i < count; i++) {
            if (local[found[i]] == 0) {
                keyed[at++] = ((long) tree.position[found[i]] << 32) | found[i];
            }
        }
        Arrays.sort(keyed);
        int[] sorted = new int[count];
        for (int i = 0; i < count; i++) {
            sorted[i] = i < keyed.length ? (int) keyed[i] : kept[i - keyed.length];
            local[sorted[i]] = i;
        }
        return sorted;
    }

    /** Adds the branches of the network without edits that belong to its nodes, but for those an edit changed. */
    void addBranches(int[] from, int[] to, double[] branchSiemens, boolean[] isChanged) {
        for (int node : nodes) {
            for (int branch : factor.branchesBelow[node]) {
                // an open branch may lead out of the mesh
                if (branchSiemens[branch] > 0 && !isChanged[branch]) {
                    add(from[branch], to[branch], branchSiemens[branch]);
                }
            }
        }
    }

    /** Adds a conductance between two nodes of the mesh, given by their numbers in the network, S, 0 or above. */
    void add(int a, int b, double g) {
        int i = local[a];
        int j = local[b];
        if (i < j) {
            siemens[i * nodes.length + j] += g;
        } else if (j < i) {
            siemens[j * nodes.length + i] += g;
        }
    }

    /** Conductances left between the kept nodes when all others are eliminated, S; lower triangle by rows. */
    double[] reduced() {
        int size = nodes.length;
        int[] others = new int[size];
        double[] values = new double[size];
        for (int k = 0; k < size - kept; k++) {
            int count = 0;
            double sum = 0;
            for (int j = k + 1; j < size; j++) {
                double g = siemens[k * size + j];
                if (g > 0) {
                    others[count] = j;
                    values[count++] = g;
                    sum += g;
                }
            }
            for (int a = 0; a < count; a++) {
                double share = values[a] / sum;
                int row = others[a] * size;
                for (int b = a + 1; b < count; b++) {
                    siemens[row + others[b]] += share * values[b];
                }
            }
        }
        double[] between = new double[kept * (kept - 1) / 2];
        for (int i = 1, at = 0; i < kept; i++) {
            for (int j = 0; j < i; j++, at++) {
                between[at] = siemens[(size - kept + j) * size + size - kept + i];
            }
        }
        return between;
    }

    /**
     * After {@link #reduced}: how each node's potential comes from the kept ones, as weights. Row k of the conductances is
     * as it stood when node k was eliminated.
     */
    void sharesInto(Map<Integer, double[]> shares) {
        int size = nodes.length;
        double[][] rows = new double[size][];
        for (int k = size - 1; k >= 0; k--) {
            double[] mean = new double[kept];
            if (k >= size - kept) {
                mean[k - size + kept] = 1;
            } else {
                double sum = 0;
                for (int j = k + 1; j < size; j++) {
                    sum += siemens[k * size + j];
                }
                for (int j = k + 1; j < size; j++) {
                    double share = siemens[k * size + j] / sum;
                    if (share > 0) {
                        for (int c = 0; c < kept; c++) {
                            mean[c] += share * rows[j][c];
                        }
                    }
                }
            }
            rows[k] = mean;
            shares.put(nodes[k], mean);
        }
    }

    /** Gives the scratch array back as it was. */
    void release() {
        for (int node : nodes) {
            local[node] = EliminationTree.NONE;
        }
    }
}
