package prantel.core.network;

import java.util.Arrays;

/**
 * In which order nodes are eliminated, and which nodes each of them then meets. Depends only on what is connected to
 * what, never on values.
 *
 * <p>Rounds of independent nodes of (nearly) least degree. Plain least degree peels a chain from its ends, which makes the
 * elimination tree as deep as the chain is long; rounds keep it shallow, and the cost of an edit or a reading is the depth.
 */
final class Order {
    static final int NONE = -1;

    /** position[node] = when it is eliminated. */
    final int[] position;

    final int[] order;
    /** higher[node] = the nodes it is connected to at its elimination, earliest first; empty for a root. */
    final int[][] higher;
    /** children[node] = nodes whose first higher node it is, in order of elimination. */
    final int[][] children;

    /**
     * @param from and to: ends of the closed branches
     * @param last nodes to be eliminated after all others, in this order
     */
    Order(int nodes, int[] from, int[] to, int[] last) {
        position = new int[nodes];
        order = new int[nodes];
        higher = new int[nodes][];
        NodeSet[] around = adjacency(nodes, from, to);
        eliminateInRounds(around, last);
        for (int[] met : higher) {
            sort(met);
        }
        children = children();
    }

    /** By position, in place. */
    void sort(int[] nodes) {
        for (int i = 1; i < nodes.length; i++) {
            int node = nodes[i];
            int j = i - 1;
            for (; j >= 0 && position[nodes[j]] > position[node]; j--) {
                nodes[j + 1] = nodes[j];
            }
            nodes[j + 1] = node;
        }
    }

    /** Which of two nodes is eliminated first. */
    int lower(int a, int b) {
        return position[a] < position[b] ? a : b;
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

    private void eliminateInRounds(NodeSet[] around, int[] last) {
        boolean[] isLast = new boolean[around.length];
        for (int node : last) {
            isLast[node] = true;
        }
        int[] left = new int[around.length - last.length];
        for (int node = 0, at = 0; node < around.length; node++) {
            if (!isLast[node]) {
                left[at++] = node;
            }
        }
        int done = 0;
        int[] blockedInRound = new int[around.length];
        for (int round = 1; left.length > 0; round++) {
            int least = Integer.MAX_VALUE;
            for (int node : left) {
                least = Math.min(least, around[node].size());
            }
            int count = 0;
            for (int node : left) {
                NodeSet near = around[node];
                if (blockedInRound[node] != round && near.size() <= least + 1) {
                    for (int i = 0; i < near.size(); i++) {
                        blockedInRound[near.get(i)] = round;
                    }
                    eliminate(node, done++, around);
                } else {
                    left[count++] = node;
                }
            }
            left = Arrays.copyOf(left, count);
        }
        for (int node : last) {
            eliminate(node, done++, around);
        }
    }

    private void eliminate(int node, int when, NodeSet[] around) {
        position[node] = when;
        order[when] = node;
        int[] met = around[node].toArray();
        higher[node] = met;
        for (int i : met) {
            around[i].remove(node);
        }
        for (int i = 0; i < met.length; i++) {
            for (int j = 0; j < i; j++) {
                around[met[i]].add(met[j]);
                around[met[j]].add(met[i]);
            }
        }
    }

    private int[][] children() {
        int[] count = new int[order.length];
        for (int[] met : higher) {
            if (met.length > 0) {
                count[met[0]]++;
            }
        }
        int[][] lists = new int[order.length][];
        Arrays.setAll(lists, n -> new int[count[n]]);
        Arrays.fill(count, 0);
        for (int node : order) {
            if (higher[node].length > 0) {
                int parent = higher[node][0];
                lists[parent][count[parent]++] = node;
            }
        }
        return lists;
    }
}
