package prantel.core.network;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What every node of a network meets at its elimination. An edit concerns a few nodes and their ancestors; all others are
 * shared with the structure before. Depends on connections alone: a rig as it may be built is edited in the structure of the
 * rig as declared.
 */
final class Structure {
    final Order order;
    private final Meeting[] nodes;
    /** Nodes that an edit concerns, with all above them, in order of elimination; all nodes where nothing was edited. */
    final int[] concerned;

    private final @Nullable Structure before;
    private final List<Wire> was;
    private final List<Wire> now;

    /** @param siemens conductance of each branch, S, 0 for an open one */
    Structure(Order order, int[] from, int[] to, double[] siemens) {
        this.order = order;
        this.nodes = new Meeting[order.position.length];
        this.concerned = order.order;
        this.before = null;
        this.was = List.of();
        this.now = List.of();
        int[][] branches = ofLowerEnd(from, to, siemens);
        for (int node = 0; node < nodes.length; node++) {
            int[] own = branches[node];
            int[] ends = new int[own.length];
            for (int i = 0; i < own.length; i++) {
                ends[i] = from[own[i]] == node ? to[own[i]] : from[own[i]];
            }
            nodes[node] = new Meeting(own, ends, order.children[node], order.higher[node]);
        }
    }

    /** Closed branches by the end that is eliminated first, each list ascending. */
    private int[][] ofLowerEnd(int[] from, int[] to, double[] siemens) {
        int[] count = new int[nodes.length];
        for (int b = 0; b < from.length; b++) {
            if (siemens[b] > 0) {
                count[order.lower(from[b], to[b])]++;
            }
        }
        int[][] lists = new int[nodes.length][];
        Arrays.setAll(lists, n -> new int[count[n]]);
        Arrays.fill(count, 0);
        for (int b = 0; b < from.length; b++) {
            if (siemens[b] > 0) {
                int node = order.lower(from[b], to[b]);
                lists[node][count[node]++] = b;
            }
        }
        return lists;
    }

    /** The structure after some branches changed. @param was and now: as they were and as they are, in any order */
    Structure with(List<Wire> was, List<Wire> now) {
        return new Structure(this, was, now);
    }

    /** Whether it is what the same edits make of a structure. */
    boolean is(Structure from, List<Wire> wereThere, List<Wire> areThere) {
        return before == from && connectAlike(was, wereThere) && connectAlike(now, areThere);
    }

    private static boolean connectAlike(List<Wire> some, List<Wire> others) {
        if (some.size() != others.size()) {
            return false;
        }
        for (int i = 0; i < some.size(); i++) {
            if (!some.get(i).connectsAs(others.get(i))) {
                return false;
            }
        }
        return true;
    }

    Meeting of(int node) {
        return nodes[node];
    }

    int size() {
        return nodes.length;
    }

    private Structure(Structure old, List<Wire> was, List<Wire> now) {
        this.before = old;
        this.was = was;
        this.now = now;
        this.order = old.order;
        this.nodes = old.nodes.clone();
        this.concerned = old.withAncestors(was, now);
        new Change().make(was, now);
    }

    /** Every end of the wires and all nodes above, each once, in order of elimination. */
    private int[] withAncestors(List<Wire> was, List<Wire> now) {
        boolean[] taken = new boolean[nodes.length];
        int[] found = new int[nodes.length];
        int count = 0;
        for (List<Wire> wires : List.of(was, now)) {
            for (Wire wire : wires) {
                count = takeUp(wire.from(), taken, found, count);
                count = takeUp(wire.to(), taken, found, count);
            }
        }
        int[] inOrder = Arrays.copyOf(found, count);
        Arrays.sort(inOrder);
        for (int i = 0; i < count; i++) {
            inOrder[i] = order.order[inOrder[i]];
        }
        return inOrder;
    }

    private int takeUp(int start, boolean[] taken, int[] found, int known) {
        int count = known;
        for (int node = start; node != Order.NONE && !taken[node]; node = nodes[node].parent()) {
            taken[node] = true;
            found[count++] = order.position[node];
        }
        return count;
    }

    /** Walks up the nodes concerned; one that meets what it met before is left as it is. */
    private final class Change {
        private final boolean[] again = new boolean[nodes.length];
        private final boolean[] meetsOthers = new boolean[nodes.length];
        /** By parent; seldom any. */
        private final Map<Integer, NodeSet> adopted = new HashMap<>();

        void make(List<Wire> was, List<Wire> now) {
            for (int node : concerned) {
                again[node] = true;
            }
            rewire(was, now);
            for (int node : concerned) {
                if (meetsOthers[node]) {
                    meetAgain(node);
                }
            }
        }

        private void rewire(List<Wire> was, List<Wire> now) {
            for (int i = 0; i < was.size(); i++) {
                // changed branches stand first among the new ones, in the same order
                if (!was.get(i).connectsAs(now.get(i))) {
                    remove(was.get(i));
                    add(now.get(i));
                }
            }
            for (int i = was.size(); i < now.size(); i++) {
                add(now.get(i));
            }
        }

        private void remove(Wire wire) {
            if (wire.isOpen()) {
                return;
            }
            int node = order.lower(wire.from(), wire.to());
            Meeting meeting = nodes[node];
            int at = Arrays.binarySearch(meeting.branches(), wire.index());
            nodes[node] = new Meeting(
                    without(meeting.branches(), at), without(meeting.ends(), at), meeting.children(), meeting.higher());
            meetsOthers[node] = true;
        }

        private void add(Wire wire) {
            if (wire.isOpen()) {
                return;
            }
            int node = order.lower(wire.from(), wire.to());
            Meeting meeting = nodes[node];
            // ascending by index, so that taking an edit back adds up in the same order again
            int at = -1 - Arrays.binarySearch(meeting.branches(), wire.index());
            nodes[node] = new Meeting(
                    with(meeting.branches(), at, wire.index()),
                    with(meeting.ends(), at, node == wire.from() ? wire.to() : wire.from()),
                    meeting.children(),
                    meeting.higher());
            meetsOthers[node] = true;
        }

        private void meetAgain(int node) {
            Meeting old = nodes[node];
            int[] children = children(node, old);
            int[] higher = met(node, old.ends(), children);
            Meeting meeting = new Meeting(old.branches(), old.ends(), children, higher);
            nodes[node] = meeting;
            if (Arrays.equals(higher, old.higher())) {
                return;
            }
            if (old.parent() != Order.NONE) {
                meetsOthers[old.parent()] = true;
            }
            if (meeting.parent() != Order.NONE) {
                meetsOthers[meeting.parent()] = true;
                if (meeting.parent() != old.parent()) {
                    adopt(meeting.parent(), node);
                }
            }
        }

        private void adopt(int parent, int child) {
            adopted.computeIfAbsent(parent, p -> new NodeSet()).add(child);
        }

        private int[] children(int node, Meeting old) {
            NodeSet children = new NodeSet();
            for (int child : old.children()) {
                if (!again[child] || nodes[child].parent() == node) {
                    children.add(child);
                }
            }
            NodeSet more = adopted.get(node);
            if (more != null) {
                for (int child : more.toArray()) {
                    children.add(child);
                }
            }
            int[] inOrder = children.toArray();
            order.sort(inOrder);
            return inOrder;
        }

        private int[] met(int node, int[] ends, int[] children) {
            NodeSet meets = new NodeSet();
            for (int end : ends) {
                meets.add(end);
            }
            for (int child : children) {
                for (int end : nodes[child].higher()) {
                    if (end != node) {
                        meets.add(end);
                    }
                }
            }
            int[] higher = meets.toArray();
            order.sort(higher);
            return higher;
        }
    }

    private static int[] without(int[] of, int at) {
        int[] rest = new int[of.length - 1];
        System.arraycopy(of, 0, rest, 0, at);
        System.arraycopy(of, at + 1, rest, at, rest.length - at);
        return rest;
    }

    private static int[] with(int[] of, int at, int item) {
        int[] more = new int[of.length + 1];
        System.arraycopy(of, 0, more, 0, at);
        more[at] = item;
        System.arraycopy(of, at, more, at + 1, of.length - at);
        return more;
    }
}
