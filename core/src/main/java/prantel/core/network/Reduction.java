package prantel.core.network;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A network seen from a few terminals: what is between them when all others are eliminated, and where every other terminal
 * lies when those are held at given potentials. Not for several threads at once.
 */
public final class Reduction {
    private final Network.View view;
    private final double[] between;
    /** Shares of the kept terminals by node; rows of zeros for nodes that nothing connects with them. */
    private final Map<Integer, double[]> shares = new HashMap<>();

    private final int kept;

    Reduction(Network.View view, int[] nodes) {
        this.view = view;
        this.kept = nodes.length;
        PathMesh mesh = view.mesh(nodes);
        try {
            between = mesh.reduced();
            mesh.sharesInto(shares);
        } finally {
            mesh.release();
        }
    }

    /** Conductance between each two kept terminals, S; lower triangle by rows: (1,0), (2,0), (2,1), … */
    public double[] between() {
        return between.clone();
    }

    /**
     * How a terminal's potential comes from the kept ones: it is their mean with these weights.
     *
     * @return weights in the order of the kept terminals, 0 or above, with the sum 1; all 0 if nothing connects it with
     *     them
     * @throws IllegalArgumentException if the network has no such terminal
     */
    public double[] weights(Terminal terminal) {
        return shares(view.node(terminal)).clone();
    }

    private double[] shares(int node) {
        double[] known = shares.get(node);
        if (known != null) {
            return known;
        }
        double[] mean = new double[kept];
        int[] above = view.factor().tree.higher[node];
        double[] row = view.factor().share(node);
        for (int i = 0; i < above.length; i++) {
            double[] of = shares(above[i]);
            for (int k = 0; k < kept; k++) {
                mean[k] += row[i] * of[k];
            }
        }
        shares.put(node, mean);
        return mean;
    }

    /** The kept terminals of a network, as they are needed together. */
    static Reduction of(Network.View view, List<Terminal> terminals) {
        return new Reduction(view, terminals.stream().mapToInt(view::node).toArray());
    }
}
