package prantel.core.network;

import java.util.Arrays;

/**
 * Where a current of 1 A goes that is put in at one node and taken out at another, while nodes are eliminated in order:
 * each passes on what arrives in proportion to its conductances, and dissipates amps² ÷ sum of these. Two chains of
 * ancestors are all it walks.
 *
 * <p>The resistance between the two is the sum of all that is dissipated; voltages that one current causes between the
 * nodes of another are the sum of the products.
 */
final class Flow {
    private static final int FIRST_LENGTH = 32;
    private static final int[] NO_POSITIONS = {};
    private static final double[] NO_VALUES = {};

    /** Whether the way is remembered: only transfers to other flows need it. */
    private final boolean remembered;
    /** When each node on the way is eliminated, ascending. */
    private int[] positions = NO_POSITIONS;
    /** What arrives there, A. */
    private double[] amps = NO_VALUES;
    /** The same over the sum of its conductances, V. */
    private double[] volts = NO_VALUES;

    private int count;
    private double ohms;
    private boolean open;
    /** What arrives at the nodes that are not eliminated, A. */
    final double[] kept;

    /** Where all nodes are eliminated. */
    static Flow through(Factor factor, int from, int to, double[] arriving) {
        return new Flow(factor, from, to, factor.size(), arriving, false);
    }

    /** @param keptFrom position from which nodes are not eliminated */
    static Flow toKept(Factor factor, int from, int to, int keptFrom, double[] arriving) {
        return new Flow(factor, from, to, keptFrom, arriving, true);
    }

    /**
     * @param arriving scratch by node, all zeros, and so again afterwards
     */
    private Flow(Factor factor, int from, int to, int keptFrom, double[] arriving, boolean remembered) {
        this.remembered = remembered;
        Effort.walked();
        kept = new double[factor.size() - keptFrom];
        if (from == to) {
            return;
        }
        arriving[from] += 1;
        arriving[to] -= 1;
        walk(factor, from, to, keptFrom, arriving);
        for (int i = 0; i < kept.length; i++) {
            int node = factor.structure.order.order[keptFrom + i];
            kept[i] = arriving[node];
            arriving[node] = 0;
        }
    }

    private void walk(Factor factor, int from, int to, int keptFrom, double[] arriving) {
        int[] position = factor.structure.order.position;
        int a = from;
        int b = to;
        while (true) {
            boolean moreA = a != Order.NONE && position[a] < keptFrom;
            boolean moreB = b != Order.NONE && position[b] < keptFrom;
            if (!moreA && !moreB) {
                return;
            }
            int node = moreA && (!moreB || position[a] <= position[b]) ? a : b;
            Elimination elimination = factor.of(node);
            int[] higher = elimination.higher();
            int parent = higher.length == 0 ? Order.NONE : higher[0];
            if (parent == Order.NONE && a != b) {
                open = true;
            }
            passOn(elimination, position[node], arriving[node], arriving);
            arriving[node] = 0;
            if (a == b) {
                a = parent;
                b = parent;
            } else if (node == a) {
                a = parent;
            } else {
                b = parent;
            }
        }
    }

    private void passOn(Elimination elimination, int position, double current, double[] arriving) {
        if (elimination.sum() == 0) {
            // a root: what arrives from the one is what the other takes out, but for rounding
            return;
        }
        double drop = current / elimination.sum();
        ohms += current * drop;
        if (remembered) {
            remember(position, current, drop);
        }
        int[] higher = elimination.higher();
        double[] siemens = elimination.siemens();
        for (int i = 0; i < higher.length; i++) {
            arriving[higher[i]] += drop * siemens[i];
        }
    }

    private void remember(int position, double current, double drop) {
        if (count == positions.length) {
            int length = Math.max(FIRST_LENGTH, 2 * count);
            positions = Arrays.copyOf(positions, length);
            amps = Arrays.copyOf(amps, length);
            volts = Arrays.copyOf(volts, length);
        }
        positions[count] = position;
        amps[count] = current;
        volts[count++] = drop;
    }

    /** How many nodes the way passed, where it is remembered. */
    int passed() {
        return count;
    }

    /** When the node with this place on the way is eliminated. */
    int positionPassed(int index) {
        return positions[index];
    }

    /** What arrived there over the sum of its conductances, V. */
    double voltsPassed(int index) {
        return volts[index];
    }

    /** Whether nothing connects the two below the kept nodes, and one of them with no kept node either. */
    boolean isOpen() {
        return open;
    }

    /** Ω, of what was eliminated. */
    double ohms() {
        return ohms;
    }

    /** Volts that 1 A of this puts between the nodes of another, or the other way round, of what was eliminated. */
    double transferOhms(Flow other) {
        double ohms = 0;
        for (int i = 0, j = 0; i < count && j < other.count; ) {
            if (positions[i] == other.positions[j]) {
                ohms += amps[i++] * other.volts[j++];
            } else if (positions[i] < other.positions[j]) {
                i++;
            } else {
                j++;
            }
        }
        return ohms;
    }
}
