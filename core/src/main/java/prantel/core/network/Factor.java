package prantel.core.network;

import java.util.Arrays;

/**
 * Every node of a network eliminated once by star–mesh, with what each elimination passed on to the nodes above it.
 *
 * <p>A reading or an edit concerns a few nodes. Only they and their ancestors in the elimination tree have to be treated
 * again; all other nodes' effect on them is kept here as {@link #passedOn}. Nothing is ever subtracted, so re-doing a
 * path gives the same digits as starting afresh with the path's nodes last.
 */
final class Factor {
    final EliminationTree tree;
    /** For each node: branches whose other end is eliminated later, as indices into the network's arrays. */
    final int[][] branchesBelow;
    /** For each node: conductances passed on between its higher neighbours, lower triangle by rows (i, j < i), S. */
    private final double[][] passedOn;
    /** For each node: conductance to each of its higher neighbours when it is eliminated, S. */
    private final double[][] rows;

    private final int[] from;
    private final int[] to;
    private final double[] siemens;

    /**
     * @param tree of the closed branches
     * @param siemens conductance of each branch, S, 0 for an open one; read during construction and by later paths
     */
    Factor(EliminationTree tree, int[] from, int[] to, double[] siemens) {
        this.tree = tree;
        this.from = from;
        this.to = to;
        this.siemens = siemens;
        int nodes = tree.position.length;
        branchesBelow = assignBranches(nodes);
        passedOn = new double[nodes][];
        rows = new double[nodes][];
        eliminate(tree.order, nodes);
    }

    /**
     * The factor after some branches changed: only the nodes concerned and their ancestors are eliminated again.
     *
     * @param from and to, siemens: of all branches as they are now, those added behind the known ones
     * @param changed indices of the branches that are not as they were, added ones too
     * @param touched every node such a branch had or has an end at; repeats allowed
     */
    Factor with(int[] from, int[] to, double[] siemens, int[] changed, int[] touched) {
        return new Factor(this, from, to, siemens, changed, touched);
    }

    private Factor(Factor old, int[] from, int[] to, double[] siemens, int[] changed, int[] touched) {
        this.from = from;
        this.to = to;
        this.siemens = siemens;
        int nodes = old.tree.position.length;
        int[] concerned = old.tree.withAncestors(touched);
        branchesBelow = old.branchesBelow.clone();
        passedOn = old.passedOn.clone();
        rows = old.rows.clone();
        boolean[] isChanged = new boolean[from.length];
        for (int branch : changed) {
            isChanged[branch] = true;
        }
        int[] at = new int[nodes];
        int[][] lists = new int[concerned.length][];
        int[] count = new int[concerned.length];
        for (int i = 0; i < concerned.length; i++) {
            at[concerned[i]] = i;
            int[] was = old.branchesBelow[concerned[i]];
            lists[i] = new int[was.length];
            for (int branch : was) {
                if (!isChanged[branch]) {
                    lists[i][count[i]++] = branch;
                }
            }
        }
        for (int branch : changed) {
            int lower = old.tree.position[from[branch]] < old.tree.position[to[branch]] ? from[branch] : to[branch];
            int i = at[lower];
            if (count[i] == lists[i].length) {
                lists[i] = Arrays.copyOf(lists[i], count[i] + 2);
            }
            lists[i][count[i]++] = branch;
        }
        int[][] below = new int[concerned.length][];
        for (int i = 0; i < concerned.length; i++) {
            int node = concerned[i];
            branchesBelow[node] = Arrays.copyOf(lists[i], count[i]);
            below[i] = closedEnds(node);
        }
        tree = old.tree.with(concerned, below);
        eliminate(concerned, nodes);
    }

    private int[] closedEnds(int node) {
        int[] ends = new int[branchesBelow[node].length];
        int n = 0;
        for (int branch : branchesBelow[node]) {
            if (siemens[branch] > 0) {
                ends[n++] = from[branch] == node ? to[branch] : from[branch];
            }
        }
        return Arrays.copyOf(ends, n);
    }

    private int[][] assignBranches(int nodes) {
        int[] count = new int[nodes];
        int[] lower = new int[from.length];
        for (int b = 0; b < from.length; b++) {
            lower[b] = tree.position[from[b]] < tree.position[to[b]] ? from[b] : to[b];
            count[lower[b]]++;
        }
        int[][] lists = new int[nodes][];
        for (int n = 0; n < nodes; n++) {
            lists[n] = new int[count[n]];
        }
        for (int b = from.length - 1; b >= 0; b--) {
            lists[lower[b]][--count[lower[b]]] = b;
        }
        return lists;
    }

    private void eliminate(int[] inOrder, int nodes) {
        int[] slot = new int[nodes];
        for (int node : inOrder) {
            int[] above = tree.higher[node];
            for (int i = 0; i < above.length; i++) {
                slot[above[i]] = i;
            }
            double[] row = new double[above.length];
            double[] mesh = new double[above.length * (above.length - 1) / 2];
            for (int b : branchesBelow[node]) {
                if (siemens[b] > 0) {
                    row[slot[from[b] == node ? to[b] : from[b]]] += siemens[b];
                }
            }
            for (int child : tree.children[node]) {
                addPassedOn(child, node, slot, row, mesh);
            }
            starToMesh(row, mesh);
            passedOn[node] = mesh;
            rows[node] = row;
        }
    }

    private void addPassedOn(int child, int node, int[] slot, double[] row, double[] mesh) {
        int[] ends = tree.higher[child];
        double[] passed = passedOn[child];
        for (int i = 1, at = 0; i < ends.length; i++) {
            for (int j = 0; j < i; j++, at++) {
                // ends are in order of elimination, so only the first of them can be the node itself
                if (ends[j] == node) {
                    row[slot[ends[i]]] += passed[at];
                } else {
                    mesh[triangle(slot[ends[i]], slot[ends[j]])] += passed[at];
                }
            }
        }
    }

    private static void starToMesh(double[] row, double[] mesh) {
        double sum = 0;
        for (double g : row) {
            sum += g;
        }
        for (int i = 1, at = 0; i < row.length; i++) {
            for (int j = 0; j < i; j++, at++) {
                mesh[at] += row[i] * row[j] / sum;
            }
        }
    }

    private static int triangle(int i, int j) {
        return i > j ? i * (i - 1) / 2 + j : j * (j - 1) / 2 + i;
    }

    /** How a node's potential comes from its higher neighbours, as weights with the sum 1; empty for a root. */
    double[] share(int node) {
        double[] share = rows[node].clone();
        double sum = 0;
        for (double g : share) {
            sum += g;
        }
        for (int i = 0; i < share.length; i++) {
            share[i] /= sum;
        }
        return share;
    }

    /** Adds to {@code sink} what the eliminated subtree under {@code child} puts between its higher neighbours. */
    void passOn(int child, ConductanceSink sink) {
        int[] ends = tree.higher[child];
        double[] passed = passedOn[child];
        for (int i = 1, at = 0; i < ends.length; i++) {
            for (int j = 0; j < i; j++, at++) {
                sink.add(ends[i], ends[j], passed[at]);
            }
        }
    }

    /** Receives a conductance between two nodes, S. */
    interface ConductanceSink {
        void add(int a, int b, double siemens);
    }
}
