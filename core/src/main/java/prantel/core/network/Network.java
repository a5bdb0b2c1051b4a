package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Branch.End;

/**
 * Terminals joined by branches. Immutable: {@link #with} gives another network and leaves this one as it is; all that an
 * edit does not concern of the factorisation is shared, so an edit costs next to nothing, and a reading even less.
 *
 * <p>Safe for use by several threads.
 */
public final class Network {
    private final Wires wires;
    /** Branches that edits changed, by index. */
    private final Map<Integer, Branch> changed;
    /** Branches that edits added. */
    private final List<Branch> added;

    private final @Nullable Before before;
    private final Once<Factor> factor;

    private Network(Wires wires) {
        this.wires = wires;
        this.changed = Map.of();
        this.added = List.of();
        this.before = null;
        this.factor = new Once<>(wires::factor);
    }

    private Network(Wires wires, Map<Integer, Branch> changed, List<Branch> added, Before before) {
        this.wires = wires;
        this.changed = changed;
        this.added = added;
        this.before = before;
        this.factor = new Once<>(before::factor);
    }

    /**
     * @throws IllegalArgumentException if two branches have the same id, naming it
     */
    public static Network of(Collection<Branch> branches) {
        return of(branches, List.of());
    }

    /**
     * @param kept terminals that {@link Alternating} treats as the ends of sources
     * @throws IllegalArgumentException if two branches have the same id, or no branch has a kept terminal, naming it
     */
    public static Network of(Collection<Branch> branches, List<Terminal> kept) {
        Wires wires = new Wires(List.copyOf(branches), kept);
        return new Network(wires);
    }

    /** This network as if first given with other kept terminals. */
    Network keeping(List<Terminal> kept) {
        List<Branch> all = branches();
        Network same = of(all.subList(0, wires.count()), kept);
        return added.isEmpty()
                ? same
                : same.with(added.stream()
                        .<Edit>map(b -> new Edit.Bridge(b.from(), b.to(), b.ohms()))
                        .toList());
    }

    /**
     * The same network as first given with other resistances; edits are left behind. What depends on the connections
     * alone is shared, so this is far cheaper than a new network.
     *
     * @param ohms for each branch in the order given, Ω, above 0; open ones stay open whatever stands there
     */
    public Network withOhms(double[] ohms) {
        Wires other = new Wires(wires, ohms);
        return new Network(other);
    }

    public boolean has(Terminal terminal) {
        return wires.nodeOf.containsKey(terminal);
    }

    public boolean has(BranchId branch) {
        return wires.indexOf.containsKey(branch);
    }

    public Set<Terminal> terminals() {
        return Collections.unmodifiableSet(wires.nodeOf.keySet());
    }

    /** All branches as they are now, open ones too, in the order given and then as added. */
    public List<Branch> branches() {
        List<Branch> all = new ArrayList<>(wires.count() + added.size());
        for (int i = 0; i < wires.count(); i++) {
            all.add(now(i, changed));
        }
        all.addAll(added);
        return all;
    }

    /** @throws IllegalArgumentException if the network has no such branch */
    public Branch branch(BranchId id) {
        return now(wires.index(id), changed);
    }

    private Branch now(int index, Map<Integer, Branch> inThese) {
        Branch other = inThese.get(index);
        return other == null ? wires.branch(index) : other;
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
        return with(edits, volts, null);
    }

    /**
     * The same, where the same was done before to a network that differs in resistances alone: what depends on the
     * connections is taken from there.
     *
     * @param alike this network {@link #withOhms} others, with the same edits; anything else is of no use, and does no harm
     */
    public Network with(List<Edit> edits, double volts, @Nullable Network alike) {
        if (edits.isEmpty()) {
            return this;
        }
        // a network that was never read is not factored on the way
        Before from = before != null && !factor.isMade() ? before : new Before(this, Map.of(), List.of(), null);
        Network start = from.network();
        Map<Integer, Branch> edited = new LinkedHashMap<>(from.edited());
        List<Branch> more = new ArrayList<>(from.more());
        for (Edit edit : edits) {
            apply(edit, volts, edited, more, start.added.size());
        }
        Map<Integer, Branch> nowChanged = new HashMap<>(changed);
        nowChanged.putAll(edited);
        List<Branch> nowAdded = new ArrayList<>(start.added);
        nowAdded.addAll(more);
        return new Network(wires, nowChanged, nowAdded, new Before(start, edited, more, alike));
    }

    /** This network factored now: worth it where several others are made from it. */
    public Network factored() {
        factor.get();
        return this;
    }

    /** From which network another was made, and how. */
    private record Before(
            Network network,
            Map<Integer, Branch> edited,
            List<Branch> more,
            @Nullable Network alike) {
        Factor factor() {
            return network.refactored(edited, more, alike);
        }
    }

    /** What edits would change. @param now of the branches in {@code was}, in their order, and then those added */
    record Changes(List<Branch> was, List<Branch> now) {}

    Changes changes(List<Edit> edits, double volts) {
        Map<Integer, Branch> edited = new LinkedHashMap<>();
        List<Branch> now = new ArrayList<>();
        for (Edit edit : edits) {
            apply(edit, volts, edited, now, added.size());
        }
        now.addAll(0, edited.values());
        return new Changes(edited.keySet().stream().map(i -> now(i, changed)).toList(), now);
    }

    private Factor refactored(Map<Integer, Branch> edited, List<Branch> more, @Nullable Network alike) {
        List<Wire> was = new ArrayList<>(edited.size());
        List<Wire> now = new ArrayList<>(edited.size() + more.size());
        edited.forEach((index, branch) -> {
            was.add(wires.wire(index, now(index, changed)));
            now.add(wires.wire(index, branch));
        });
        for (Branch branch : more) {
            now.add(wires.wire(wires.count() + added.size() + now.size() - edited.size(), branch));
        }
        return factor.get().with(was, now, alike == null ? null : alike.factor.get());
    }

    /** @param addedBefore how many branches were added before those in {@code more} */
    private void apply(Edit edit, double volts, Map<Integer, Branch> edited, List<Branch> more, int addedBefore) {
        switch (edit) {
            case Edit.Open(BranchId id) -> replace(id, edited, Double.POSITIVE_INFINITY, false);
            case Edit.Substitute(BranchId id, double ohms) -> replace(id, edited, ohms, false);
            case Edit.PutInSeries(BranchId id, double ohms) -> replace(id, edited, ohms, true);
            case Edit.Install(BranchId id, Characteristic characteristic) ->
                replace(id, edited, characteristic.ohmsAt(volts), false);
            case Edit.Bridge(Terminal a, Terminal b, double ohms) -> {
                wires.node(a);
                wires.node(b);
                if (!a.equals(b)) {
                    int number = wires.count() + addedBefore + more.size() + 1;
                    more.add(new Branch(new BranchId("bridge-" + number), a, b, ohms));
                }
            }
            case Edit.Exchange(Edit.BranchEnd x, Edit.BranchEnd y) -> exchange(x, y, edited);
            case Edit.Move(Edit.BranchEnd end, Terminal to) -> {
                wires.node(to);
                int index = wires.index(end.branch());
                edited.put(index, moved(latest(index, edited), end.end(), to));
            }
        }
    }

    private Branch latest(int index, Map<Integer, Branch> edited) {
        Branch other = edited.get(index);
        return other == null ? now(index, changed) : other;
    }

    private void replace(BranchId id, Map<Integer, Branch> edited, double ohms, boolean inSeries) {
        int index = wires.index(id);
        Branch now = latest(index, edited);
        edited.put(index, new Branch(id, now.from(), now.to(), inSeries ? now.ohms() + ohms : ohms));
    }

    private void exchange(Edit.BranchEnd x, Edit.BranchEnd y, Map<Integer, Branch> edited) {
        int indexX = wires.index(x.branch());
        int indexY = wires.index(y.branch());
        Branch branchX = latest(indexX, edited);
        Branch branchY = latest(indexY, edited);
        edited.put(indexX, moved(branchX, x.end(), branchY.at(y.end())));
        edited.put(indexY, moved(branchY, y.end(), branchX.at(x.end())));
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
        Factor made = factor.get();
        Flow flow = Flow.through(made, wires.node(a), wires.node(b), wires.scratch());
        return flow.isOpen() ? Double.POSITIVE_INFINITY : flow.ohms();
    }

    /**
     * Of a voltage between two terminals what lies between two others, as a share without sign.
     *
     * @return 0 to 1; 0 where nothing connects the first two
     * @throws IllegalArgumentException if a terminal is not in the network
     */
    public double share(Terminal a, Terminal b, Terminal c, Terminal d) {
        Alternating alone = new Alternating(this, List.of());
        Port across = alone.port(a, b);
        return across.isOpen() || a.equals(b)
                ? 0
                : alone.port(c, d).transfer(across).size() / across.impedanceOhms();
    }

    /** What becomes of 1 A until it reaches the kept terminals. */
    Flow flow(Terminal a, Terminal b) {
        Factor made = factor.get();
        return Flow.toKept(made, wires.node(a), wires.node(b), made.size() - wires.kept.length, wires.scratch());
    }

    /** @param flow what drives the eliminated nodes; null for nothing */
    Potentials potentials(Complex[] kept, @Nullable Flow flow) {
        return new Potentials(factor.get(), kept, flow);
    }

    /** A terminal as a number. */
    int node(Terminal terminal) {
        return wires.node(terminal);
    }

    int keptCount() {
        return wires.kept.length;
    }

    boolean isKept(Terminal terminal) {
        return kept(terminal) >= 0;
    }

    /** Which of the kept terminals it is; below 0 if it is none. */
    int kept(Terminal terminal) {
        return factor.get().structure.order.position[wires.node(terminal)]
                - (factor.get().size() - wires.kept.length);
    }

    /** Conductance between each two kept terminals when all others are eliminated, S, at i · count + j for i below j. */
    double[] betweenKept() {
        Factor made = factor.get();
        int count = wires.kept.length;
        int first = made.size() - count;
        int[] position = made.structure.order.position;
        double[] siemens = new double[count * count];
        for (int i = 0; i < count; i++) {
            Elimination node = made.of(wires.kept[i]);
            int[] ends = node.meeting().ends();
            for (int b = 0; b < ends.length; b++) {
                siemens[i * count + position[ends[b]] - first] += node.branches()[b];
            }
            for (int child : node.meeting().children()) {
                if (position[child] < first) {
                    addPassedOn(made.of(child), position, first, siemens);
                }
            }
        }
        return siemens;
    }

    private static void addPassedOn(Elimination child, int[] position, int first, double[] siemens) {
        int[] ends = child.meeting().higher();
        int count = position.length - first;
        for (int i = 1, at = child.passedOn(); i < ends.length; i++) {
            for (int j = 0; j < i; j++, at++) {
                siemens[(position[ends[j]] - first) * count + position[ends[i]] - first] += child.siemens()[at];
            }
        }
    }

    /** The branches as first given, with their terminals as numbers. */
    private static final class Wires {
        private final List<Branch> declared;
        private final double @Nullable [] ohms;
        private final Map<Terminal, Integer> nodeOf;
        private final Map<BranchId, Integer> indexOf;
        private final int[] from;
        private final int[] to;
        private final int[] kept;
        private final ThreadLocal<double[]> scratch;
        private final Once<Structure> structure;

        Wires(List<Branch> branches, List<Terminal> keptTerminals) {
            declared = branches;
            ohms = null;
            nodeOf = new LinkedHashMap<>();
            indexOf = HashMap.newHashMap(branches.size());
            from = new int[branches.size()];
            to = new int[branches.size()];
            for (int i = 0; i < branches.size(); i++) {
                Branch branch = branches.get(i);
                if (indexOf.put(branch.id(), i) != null) {
                    throw new IllegalArgumentException("Two branches are called " + branch.id());
                }
                from[i] = number(branch.from());
                to[i] = number(branch.to());
            }
            kept = keptTerminals.stream().mapToInt(this::node).toArray();
            scratch = ThreadLocal.withInitial(() -> new double[nodeOf.size()]);
            structure = new Once<>(this::connected);
        }

        /** The same with other resistances. */
        Wires(Wires other, double[] ohms) {
            declared = other.declared;
            this.ohms = ohms;
            nodeOf = other.nodeOf;
            indexOf = other.indexOf;
            from = other.from;
            to = other.to;
            kept = other.kept;
            scratch = other.scratch;
            structure = other.structure;
        }

        private int number(Terminal terminal) {
            Integer known = nodeOf.get(terminal);
            if (known == null) {
                known = nodeOf.size();
                nodeOf.put(terminal, known);
            }
            return known;
        }

        private Structure connected() {
            int[] closedFrom = new int[from.length];
            int[] closedTo = new int[from.length];
            int closed = 0;
            double[] siemens = siemens();
            for (int b = 0; b < from.length; b++) {
                if (siemens[b] > 0) {
                    closedFrom[closed] = from[b];
                    closedTo[closed++] = to[b];
                }
            }
            Order order =
                    new Order(nodeOf.size(), Arrays.copyOf(closedFrom, closed), Arrays.copyOf(closedTo, closed), kept);
            return new Structure(order, from, to, siemens);
        }

        private double[] siemens() {
            double[] siemens = new double[from.length];
            for (int b = 0; b < from.length; b++) {
                siemens[b] = declared.get(b).isOpen() ? 0 : 1 / ohms(b);
            }
            return siemens;
        }

        Factor factor() {
            return new Factor(structure.get(), siemens());
        }

        private double ohms(int index) {
            return ohms == null ? declared.get(index).ohms() : ohms[index];
        }

        int count() {
            return declared.size();
        }

        Branch branch(int index) {
            Branch branch = declared.get(index);
            return ohms == null || branch.isOpen()
                    ? branch
                    : new Branch(branch.id(), branch.from(), branch.to(), ohms[index]);
        }

        Wire wire(int index, Branch branch) {
            return new Wire(index, node(branch.from()), node(branch.to()), branch.isOpen() ? 0 : 1 / branch.ohms());
        }

        double[] scratch() {
            return scratch.get();
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

    /** A value made when first asked for and then kept; two threads may both make it, the same. */
    private static final class Once<T> {
        private final Supplier<T> maker;
        private volatile @Nullable T value;

        Once(Supplier<T> maker) {
            this.maker = maker;
        }

        boolean isMade() {
            return value != null;
        }

        T get() {
            T made = value;
            if (made == null) {
                made = maker.get();
                value = made;
            }
            return made;
        }
    }
}
