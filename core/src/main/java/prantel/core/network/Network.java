package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Branch.End;

/**
 * Terminals joined by branches. Immutable: {@link #with} gives another network and leaves this one as it is; the
 * factorisation of the unedited branches is shared by all networks made from it, so an edit costs next to nothing.
 *
 * <p>Safe for use by several threads.
 */
public final class Network {
    private final Base base;
    /** Branches that an edit changed, by index. */
    private final Map<Integer, Branch> changed;
    /** Branches that an edit added. */
    private final List<Branch> added;

    /** What the edits concern, worked out once for all readings of this network. */
    private final int[] touched;

    private final boolean[] isChanged;

    private Network(Base base, Map<Integer, Branch> changed, List<Branch> added) {
        this.base = base;
        this.changed = changed;
        this.added = added;
        this.touched = touchedNodes();
        this.isChanged = new boolean[base.branches.size()];
        changed.keySet().forEach(b -> isChanged[b] = true);
    }

    /**
     * @throws IllegalArgumentException if two branches have the same id, naming it
     */
    public static Network of(Collection<Branch> branches) {
        return new Network(new Base(List.copyOf(branches)), Map.of(), List.of());
    }

    /**
     * The same network as first given with other resistances; edits are left behind. What depends on the connections
     * alone is shared, so this is far cheaper than a new network.
     *
     * @param ohms for each branch in the order given, Ω, above 0; open ones stay open whatever stands there
     */
    public Network withOhms(double[] ohms) {
        return new Network(new Base(base, ohms), Map.of(), List.of());
    }

    public boolean has(Terminal terminal) {
        return base.nodeOf.containsKey(terminal);
    }

    public boolean has(BranchId branch) {
        return base.indexOf.containsKey(branch);
    }

    public Set<Terminal> terminals() {
        return java.util.Collections.unmodifiableSet(base.nodeOf.keySet());
    }

    /** All branches as they are now, open ones too, in the order given and then as added. */
    public List<Branch> branches() {
        List<Branch> all = new ArrayList<>(base.branches.size() + added.size());
        for (int i = 0; i < base.branches.size(); i++) {
            all.add(changed.getOrDefault(i, base.branches.get(i)));
        }
        all.addAll(added);
        return all;
    }

    /** @throws IllegalArgumentException if the network has no such branch */
    public Branch branch(BranchId id) {
        int index = base.index(id);
        return changed.getOrDefault(index, base.branches.get(index));
    }

    /** {@link #with(List, double)} for a test voltage of 0 V. */
    public Network with(List<Edit> edits) {
        return with(edits, 0);
    }

    /**
     * This network with the edits made in order.
     *
     * @param volts test voltage, V: what is installed has its resistance at this voltage
     * @throws IllegalArgumentException if an edit names a branch or terminal that is not here
     */
    public Network with(List<Edit> edits, double volts) {
        if (edits.isEmpty()) {
            return this;
        }
        Map<Integer, Branch> nowChanged = new LinkedHashMap<>(changed);
        List<Branch> nowAdded = new ArrayList<>(added);
        for (Edit edit : edits) {
            apply(edit, volts, nowChanged, nowAdded);
        }
        return new Network(base, nowChanged, nowAdded);
    }

    private void apply(Edit edit, double volts, Map<Integer, Branch> nowChanged, List<Branch> nowAdded) {
        switch (edit) {
            case Edit.Open(BranchId id) -> replace(id, nowChanged, Double.POSITIVE_INFINITY, false);
            case Edit.Substitute(BranchId id, double ohms) -> replace(id, nowChanged, ohms, false);
            case Edit.PutInSeries(BranchId id, double ohms) -> replace(id, nowChanged, ohms, true);
            case Edit.Install(BranchId id, Characteristic characteristic) ->
                replace(id, nowChanged, characteristic.ohmsAt(volts), false);
            case Edit.Bridge(Terminal a, Terminal b, double ohms) -> {
                base.node(a);
                base.node(b);
                if (!a.equals(b)) {
                    nowAdded.add(new Branch(
                            new BranchId("bridge-" + (base.branches.size() + nowAdded.size() + 1)), a, b, ohms));
                }
            }
            case Edit.Exchange(Edit.BranchEnd x, Edit.BranchEnd y) -> exchange(x, y, nowChanged);
            case Edit.Move(Edit.BranchEnd end, Terminal to) -> {
                base.node(to);
                int index = base.index(end.branch());
                Branch now = nowChanged.getOrDefault(index, base.branches.get(index));
                nowChanged.put(index, moved(now, end.end(), to));
            }
        }
    }

    private void replace(BranchId id, Map<Integer, Branch> nowChanged, double ohms, boolean inSeries) {
        int index = base.index(id);
        Branch now = nowChanged.getOrDefault(index, base.branches.get(index));
        nowChanged.put(index, new Branch(id, now.from(), now.to(), inSeries ? now.ohms() + ohms : ohms));
    }

    private void exchange(Edit.BranchEnd x, Edit.BranchEnd y, Map<Integer, Branch> nowChanged) {
        int indexX = base.index(x.branch());
        int indexY = base.index(y.branch());
        Branch branchX = nowChanged.getOrDefault(indexX, base.branches.get(indexX));
        Branch branchY = nowChanged.getOrDefault(indexY, base.branches.get(indexY));
        nowChanged.put(indexX, moved(branchX, x.end(), branchY.at(y.end())));
        nowChanged.put(indexY, moved(branchY, y.end(), branchX.at(x.end())));
    }

    private static Branch moved(Branch branch, End end, Terminal to) {
        if (to.equals(branch.at(end == End.FROM ? End.TO : End.FROM))) {
            // with both ends in one terminal it carries nothing
            return new Branch(branch.id(), branch.from(), branch.to(), Double.POSITIVE_INFINITY);
        }
        return end == End.FROM
                ? new Branch(branch.id(), to, branch.to(), branch.ohms())
                : new Branch(branch.id(), branch.from(), to, branch.ohms());
    }

    /**
     * Resistance seen between two terminals.
     *
     * @return Ω; 0 for a terminal with itself; {@code +∞} where nothing connects them; never NaN, never negative
     * @throws IllegalArgumentException if a terminal is not in the network
     */
    public double resistance(Terminal a, Terminal b) {
        int nodeA = base.node(a);
        int nodeB = base.node(b);
        if (nodeA == nodeB) {
            return 0;
        }
        double siemens = meshBetween(new int[] {nodeA, nodeB})[0];
        return siemens > 0 ? 1 / siemens : Double.POSITIVE_INFINITY;
    }

    /**
     * What the network is between a few terminals: the conductance between each two of them when all others are
     * eliminated.
     *
     * @param kept at least two, all different
     * @return S, 0 where nothing connects; lower triangle by rows: (1,0), (2,0), (2,1), …
     * @throws IllegalArgumentException if a terminal is not in the network
     */
    public double[] reducedTo(List<Terminal> kept) {
        return meshBetween(kept.stream().mapToInt(base::node).toArray());
    }

    /**
     * The same, with where every other terminal lies between the kept ones.
     *
     * @param kept at least one, all different
     * @throws IllegalArgumentException if a terminal is not in the network
     */
    public Reduction reduction(List<Terminal> kept) {
        return Reduction.of(new View(), kept);
    }

    /** What a {@link Reduction} needs to know. */
    final class View {
        int node(Terminal terminal) {
            return base.node(terminal);
        }

        Factor factor() {
            return base.factor();
        }

        PathMesh mesh(int[] kept) {
            return filledMesh(kept);
        }
    }

    private double[] meshBetween(int[] kept) {
        PathMesh mesh = filledMesh(kept);
        try {
            return mesh.reduced();
        } finally {
            mesh.release();
        }
    }

    /** Holds the scratch array until it is released. */
    private PathMesh filledMesh(int[] kept) {
        PathMesh mesh = new PathMesh(base.factor(), kept, touched, base.scratch());
        mesh.addBranches(base.from, base.to, base.siemens, isChanged);
        changed.values().forEach(branch -> add(mesh, branch));
        added.forEach(branch -> add(mesh, branch));
        return mesh;
    }

    /**
     * This network with its edits made for good: the same readings, but later ones and later edits do not treat these
     * edits again. Worth its while for a network that is read or edited many times.
     */
    public Network settled() {
        if (touched.length == 0) {
            return this;
        }
        int known = base.from.length;
        int all = known + added.size();
        int[] from = Arrays.copyOf(base.from, all);
        int[] to = Arrays.copyOf(base.to, all);
        double[] siemens = Arrays.copyOf(base.siemens, all);
        int[] indices = new int[changed.size() + added.size()];
        int n = 0;
        for (Map.Entry<Integer, Branch> entry : changed.entrySet()) {
            indices[n++] = entry.getKey();
            put(entry.getValue(), entry.getKey(), from, to, siemens);
        }
        for (int i = 0; i < added.size(); i++) {
            indices[n++] = known + i;
            put(added.get(i), known + i, from, to, siemens);
        }
        Factor factor = base.factor().with(from, to, siemens, indices, touched);
        return new Network(new Base(base, branches(), from, to, siemens, factor), Map.of(), List.of());
    }

    private void put(Branch branch, int index, int[] from, int[] to, double[] siemens) {
        from[index] = base.node(branch.from());
        to[index] = base.node(branch.to());
        siemens[index] = branch.isOpen() ? 0 : 1 / branch.ohms();
    }

    private void add(PathMesh mesh, Branch branch) {
        if (!branch.isOpen()) {
            mesh.add(base.node(branch.from()), base.node(branch.to()), 1 / branch.ohms());
        }
    }

    /** Nodes that edits concern. */
    private int[] touchedNodes() {
        int[] found = new int[4 * changed.size() + 2 * added.size()];
        int n = 0;
        for (Map.Entry<Integer, Branch> entry : changed.entrySet()) {
            found[n++] = base.from[entry.getKey()];
            found[n++] = base.to[entry.getKey()];
            found[n++] = base.node(entry.getValue().from());
            found[n++] = base.node(entry.getValue().to());
        }
        for (Branch branch : added) {
            found[n++] = base.node(branch.from());
            found[n++] = base.node(branch.to());
        }
        return found;
    }

    /** The branches as first given, and their factor, made when first asked for. */
    private static final class Base {
        private final List<Branch> branches;
        private final Map<Terminal, Integer> nodeOf;
        private final Map<BranchId, Integer> indexOf;
        private final int[] from;
        private final int[] to;
        private final double[] siemens;
        private final ThreadLocal<int[]> scratch;
        private final Supplier<EliminationTree> tree;
        private volatile @Nullable Factor factor;

        Base(List<Branch> branches) {
            this.branches = branches;
            nodeOf = new LinkedHashMap<>();
            indexOf = new HashMap<>();
            from = new int[branches.size()];
            to = new int[branches.size()];
            siemens = new double[branches.size()];
            for (int i = 0; i < branches.size(); i++) {
                Branch branch = branches.get(i);
                if (indexOf.put(branch.id(), i) != null) {
                    throw new IllegalArgumentException("Two branches are called " + branch.id());
                }
                from[i] = nodeOf.computeIfAbsent(branch.from(), t -> nodeOf.size());
                to[i] = nodeOf.computeIfAbsent(branch.to(), t -> nodeOf.size());
                siemens[i] = branch.isOpen() ? 0 : 1 / branch.ohms();
            }
            scratch = ThreadLocal.withInitial(() -> {
                int[] none = new int[nodeOf.size()];
                Arrays.fill(none, EliminationTree.NONE);
                return none;
            });
            tree = new Once(nodeOf.size(), from, to, siemens);
        }

        Base(Base other, double[] ohms) {
            nodeOf = other.nodeOf;
            indexOf = other.indexOf;
            from = other.from;
            to = other.to;
            scratch = other.scratch;
            tree = other.tree;
            siemens = new double[from.length];
            branches = new ArrayList<>(from.length);
            for (int i = 0; i < from.length; i++) {
                Branch branch = other.branches.get(i);
                boolean open = branch.isOpen();
                branches.add(open ? branch : new Branch(branch.id(), branch.from(), branch.to(), ohms[i]));
                siemens[i] = open ? 0 : 1 / ohms[i];
            }
        }

        /** A network in which edits are made for good; added branches cannot be named. */
        Base(Base other, List<Branch> branches, int[] from, int[] to, double[] siemens, Factor factor) {
            this.branches = branches;
            this.from = from;
            this.to = to;
            this.siemens = siemens;
            this.factor = factor;
            nodeOf = other.nodeOf;
            indexOf = other.indexOf;
            scratch = other.scratch;
            tree = () -> factor.tree;
        }

        int[] scratch() {
            return scratch.get();
        }

        Factor factor() {
            Factor made = factor;
            if (made == null) {
                // two threads may both make it; they make the same
                made = new Factor(tree.get(), from, to, siemens);
                factor = made;
            }
            return made;
        }

        int node(Terminal terminal) {
            Integer node = nodeOf.get(terminal);
            if (node == null) {
                throw new IllegalArgumentException("No terminal " + terminal + " in this network");
            }
            return node;
        }

        int index(BranchId id) {
            Integer index = indexOf.get(id);
            if (index == null) {
                throw new IllegalArgumentException("No branch " + id + " in this network");
            }
            return index;
        }
    }

    /** The elimination tree of the closed branches, made when first asked for and then shared. */
    private static final class Once implements Supplier<EliminationTree> {
        private final int nodes;
        private final int[] from;
        private final int[] to;
        private final double[] siemens;
        private volatile @Nullable EliminationTree tree;

        Once(int nodes, int[] from, int[] to, double[] siemens) {
            this.nodes = nodes;
            this.from = from;
            this.to = to;
            this.siemens = siemens;
        }

        @Override
        public EliminationTree get() {
            EliminationTree made = tree;
            if (made == null) {
                int[] closed = java.util.stream.IntStream.range(0, from.length)
                        .filter(b -> siemens[b] > 0)
                        .toArray();
                made = new EliminationTree(
                        nodes,
                        Arrays.stream(closed).map(b -> from[b]).toArray(),
                        Arrays.stream(closed).map(b -> to[b]).toArray());
                tree = made;
            }
            return made;
        }
    }
}
