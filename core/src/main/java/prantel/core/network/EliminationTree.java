package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * In which order nodes are eliminated, and which nodes each of them then meets. Depends only on what is connected to
 * what, never on values.
 *
 * <p>Order: rounds of independent nodes of (nearly) least degree. Plain least degree peels a chain from its ends, which
 * makes the tree as deep as the chain is long; rounds keep it shallow, and the cost of an edit or a reading is the depth.
 */
final class EliminationTree {
    static final int NONE = -1;

    /** position[node] = when it is eliminated. */
    final int[] position;

    final int[] order;
    /** higher[node] = the nodes it is connected to at its elimination, earliest first; empty for a root. */
    final int[][] higher;

    final int[] parent;
    final int[][] children;

    EliminationTree(int nodes, int[] from, int[] to) {
        position = new int[nodes];
        order = new int[nodes];
        higher = new int[nodes][];
        parent = new int[nodes];
        NodeSet[] around = adjacency(nodes, from, to);
        eliminateInRounds(around);
        for (int node = 0; node < nodes; node++) {
            sortByPosition(higher[node]);
            parent[node] = higher[node].length == 0 ? NONE : higher[node][0];
        }
        children = childrenOf(parent);
    }

    private EliminationTree(EliminationTree other) {
        position = other.position;
        order = other.order;
        higher = other.higher.clone();
        parent = other.parent.clone();
        children = other.children.clone();
    }

    /**
     * The tree of a network in which some branches changed: same order, but the nodes concerned meet others.
     *
     * @param concerned every node of a changed branch and all ancestors, in order of elimination
     * @param below for each of them: other ends of its closed branches that are eliminated later
     */
    EliminationTree with(int[] concerned, int[][] below) {
        EliminationTree tree = new EliminationTree(this);
        boolean[] again = new boolean[position.length];
        for (int node : concerned) {
            again[node] = true;
        }
        NodeSet[] kept = new NodeSet[concerned.length];
        int[] at = new int[position.length];
        for (int i = 0; i < concerned.length; i++) {
            int node = concerned[i];
            at[node] = i;
            kept[i] = new NodeSet();
            for (int child : children[node]) {
                if (!again[child]) {
                    kept[i].add(child);
                }
            }
        }
        for (int i = 0; i < concerned.length; i++) {
            int node = concerned[i];
            NodeSet meets = new NodeSet();
            for (int other : below[i]) {
                meets.add(other);
            }
            tree.children[node] = kept[i].toArray();
            for (int child : tree.children[node]) {
                for (int end : tree.higher[child]) {
                    if (end != node) {
                        meets.add(end);
                    }
                }
            }
            int[] ends = meets.toArray();
            sortByPosition(ends);
            tree.higher[node] = ends;
            tree.parent[node] = ends.length == 0 ? NONE : ends[0];
            if (ends.length > 0) {
                kept[at[ends[0]]].add(node);
            }
        }
        return tree;
    }

    /** The nodes given and all above them, each once, in order of elimination. */
    int[] withAncestors(int[] nodes) {
        boolean[] taken = new boolean[position.length];
        int[] found = new int[Math.max(16, nodes.length * 4)];
        int count = 0;
        for (int start : nodes) {
            for (int node = start; node != NONE && !taken[node]; node = parent[node]) {
                if (count == found.length) {
                    found = Arrays.copyOf(found, 2 * count);
                }
                taken[node] = true;
                found[count++] = position[node];
            }
        }
        int[] sorted = Arrays.copyOf(found, count);
        Arrays.sort(sorted);
        for (int i = 0; i < count; i++) {
            sorted[i] = order[sorted[i]];
        }
        return sorted;
    }

    private static NodeSet[] adjacency(int nodes, int[] from, int[] to) {
        NodeSet[] around = new NodeSet[nodes];
        Arrays.setAll(around, n -> new NodeSet());
        for (int b = 0; b < from.length; b++) {
            if (from[b] != to[b]) {
                around[from[b]].add(to[b]);
                around[to[b]].add(from[b]);
            }
        }
        return around;
    }

    private void eliminateInRounds(NodeSet[] around) {
        int[] left = new int[around.length];
        Arrays.setAll(left, n -> n);
        int done = 0;
        int[] blockedInRound = new int[around.length];
        for (int round = 1; left.length > 0; round++) {
            int least = Integer.MAX_VALUE;
            for (int node : left) {
                least = Math.min(least, around[node].size);
            }
            int count = 0;
            for (int node : left) {
                boolean take = blockedInRound[node] != round && around[node].size <= least + 1;
                if (take) {
                    for (int i = 0; i < around[node].size; i++) {
                        blockedInRound[around[node].items[i]] = round;
                    }
                    higher[node] = around[node].toArray();
                    position[node] = done;
                    order[done++] = node;
                    joinNeighbours(around, node);
                } else {
                    left[count++] = node;
                }
            }
            left = Arrays.copyOf(left, count);
        }
    }

    private void joinNeighbours(NodeSet[] around, int node) {
        int[] neighbours = higher[node];
        for (int i : neighbours) {
            around[i].remove(node);
        }
        for (int i = 0; i < neighbours.length; i++) {
            for (int j = 0; j < i; j++) {
                around[neighbours[i]].add(neighbours[j]);
                around[neighbours[j]].add(neighbours[i]);
            }
        }
    }

    private void sortByPosition(int[] nodes) {
        for (int i = 1; i < nodes.length; i++) {
            int node = nodes[i];
            int j = i - 1;
            for (; j >= 0 && position[nodes[j]] > position[node]; j--) {
                nodes[j + 1] = nodes[j];
            }
            nodes[j + 1] = node;
        }
    }

    private static int[][] childrenOf(int[] parent) {
        List<List<Integer>> lists = new ArrayList<>();
        for (int n = 0; n < parent.length; n++) {
            lists.add(new ArrayList<>(2));
        }
        for (int n = 0; n < parent.length; n++) {
            if (parent[n] != NONE) {
                lists.get(parent[n]).add(n);
            }
        }
        return lists.stream()
                .map(l -> l.stream().mapToInt(Integer::intValue).toArray())
                .toArray(int[][]::new);
    }

    /** A small unordered set of nodes; degrees stay small, so a scan beats hashing. */
    private static final class NodeSet {
        private int[] items = new int[4];
        private int size;

        void add(int node) {
            for (int i = 0; i < size; i++) {
                if (items[i] == node) {
                    return;
                }
            }
            if (size == items.length) {
                items = Arrays.copyOf(items, 2 * size);
            }
            items[size++] = node;
        }

        void remove(int node) {
            for (int i = 0; i < size; i++) {
                if (items[i] == node) {
                    items[i] = items[--size];
                    return;
                }
            }
        }

        int[] toArray() {
            return Arrays.copyOf(items, size);
        }
    }
}
