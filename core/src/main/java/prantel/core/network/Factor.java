package prantel.core.network;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Every node of a network eliminated once by star–mesh. An edit concerns a few nodes: only they and their ancestors in the
 * elimination tree are treated again, all others are shared with the factor before. Nothing is ever subtracted, so
 * milliohms and gigaohms keep their digits beside each other, and taking an edit back gives the same bits.
 */
final class Factor {
    final Structure structure;
    private final Elimination[] nodes;

    /** @param siemens conductance of each branch, S, 0 for an open one */
    Factor(Structure structure, double[] siemens) {
        this.structure = structure;
        this.nodes = new Elimination[structure.size()];
        int[] slot = new int[nodes.length];
        for (int node : structure.concerned) {
            Meeting meeting = structure.of(node);
            double[] branches = new double[meeting.branches().length];
            for (int i = 0; i < branches.length; i++) {
                branches[i] = siemens[meeting.branches()[i]];
            }
            nodes[node] = eliminate(node, meeting, branches, slot);
        }
        Effort.factored(structure.concerned.length);
    }

    /**
     * The factor after some branches changed.
     *
     * @param was as they were
     * @param now as they are, in the same order, and then those that were added
     * @param alike of a network with the same connections to which the same was done; its structure is taken
     */
    Factor with(List<Wire> was, List<Wire> now, @Nullable Factor alike) {
        return new Factor(
                this,
                alike != null && alike.structure.is(structure, was, now) ? alike.structure : structure.with(was, now),
                now);
    }

    private Factor(Factor old, Structure structure, List<Wire> now) {
        this.structure = structure;
        this.nodes = old.nodes.clone();
        int[] slot = new int[nodes.length];
        int[] rewired = new int[now.size()];
        for (int i = 0; i < rewired.length; i++) {
            rewired[i] = structure.order.lower(now.get(i).from(), now.get(i).to());
        }
        for (int node : structure.concerned) {
            Meeting meeting = structure.of(node);
            Elimination before = old.nodes[node];
            double[] branches = contains(rewired, node)
                            || meeting.branches() != before.meeting().branches()
                    ? siemens(meeting, before, now)
                    : before.branches();
            nodes[node] = eliminate(node, meeting, branches, slot);
        }
        Effort.factored(structure.concerned.length);
    }

    private static boolean contains(int[] few, int node) {
        for (int one : few) {
            if (one == node) {
                return true;
            }
        }
        return false;
    }

    private static double[] siemens(Meeting meeting, Elimination before, List<Wire> now) {
        double[] siemens = new double[meeting.branches().length];
        for (int i = 0; i < siemens.length; i++) {
            int branch = meeting.branches()[i];
            for (Wire wire : now) {
                if (wire.index() == branch) {
                    siemens[i] = wire.siemens();
                }
            }
            if (siemens[i] == 0) {
                siemens[i] =
                        before.branches()[Arrays.binarySearch(before.meeting().branches(), branch)];
            }
        }
        return siemens;
    }

    /** @param slot scratch by node */
    private Elimination eliminate(int node, Meeting meeting, double[] branches, int[] slot) {
        int[] higher = meeting.higher();
        for (int i = 0; i < higher.length; i++) {
            slot[higher[i]] = i;
        }
        int degree = higher.length;
        double[] siemens = new double[degree + degree * (degree - 1) / 2];
        for (int i = 0; i < branches.length; i++) {
            siemens[slot[meeting.ends()[i]]] += branches[i];
        }
        for (int child : meeting.children()) {
            addPassedOn(nodes[child], slot, siemens, degree);
        }
        double sum = 0;
        for (int i = 0; i < degree; i++) {
            sum += siemens[i];
        }
        for (int i = 1, at = degree; i < degree; i++) {
            double share = siemens[i] / sum;
            for (int j = 0; j < i; j++, at++) {
                siemens[at] += share * siemens[j];
            }
        }
        return new Elimination(meeting, higher, branches, siemens, sum);
    }

    /** A child's higher nodes are the node itself, which is the first of them, and some of the node's. */
    private static void addPassedOn(Elimination child, int[] slot, double[] siemens, int degree) {
        int[] ends = child.higher();
        double[] passed = child.siemens();
        for (int i = 1, at = child.passedOn(); i < ends.length; i++) {
            int slotI = slot[ends[i]];
            siemens[slotI] += passed[at++];
            for (int j = 1; j < i; j++, at++) {
                // both lists are in order of elimination
                siemens[degree + triangle(slotI, slot[ends[j]])] += passed[at];
            }
        }
    }

    private static int triangle(int i, int j) {
        return i * (i - 1) / 2 + j;
    }

    Elimination of(int node) {
        return nodes[node];
    }

    int size() {
        return nodes.length;
    }
}
